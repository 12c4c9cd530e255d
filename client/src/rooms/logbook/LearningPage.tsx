import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type CasterLearning, type PracticeDrill, type RodLearning } from '../../api/client';
import { key } from '../../api/keys';
import { useAttempt } from '../../api/useAttempt';
import { DoubtPicture, ProgressPicture } from '../../drawing/LogPictures';
import { useShed } from '../../state/gear';
import { Caution, Message } from '../../ui/Message';
import { Say } from '../../ui/Say';
import { useDone } from '../../ui/toast';
import { carried, distance, useUnits } from '../../ui/units';
import { LogTabs } from './LogTabs';
import { People } from './People';

const takeBack = (id: number) => unwrap<unknown>(api.DELETE('/api/log/lessons/{id}', { params: { path: { id } } }));
const bringBack = (id: number) =>
  unwrap<unknown>(api.POST('/api/log/lessons/{id}/restore', { params: { path: { id } } }));

/** What the log teaches of casters and rods: proposals, each accepted or refused, and taken back at any time. */
export function LearningPage() {
  const { data, error } = useQuery({
    queryKey: key('learning'),
    queryFn: ({ signal }) => unwrap(api.GET('/api/log/learning', { signal })),
  });
  const nothing = data && data.casters.length + data.rods.length === 0;
  return (
    <main id="main" className="mx-auto max-w-[72rem] px-5 py-4">
      <h1 className="text-2xl font-semibold">Log</h1>
      <LogTabs />
      <p className="mt-3 max-w-3xl">
        Measured casts say how fast, how tight and how far a person casts; how a rod felt says what load it likes.
        Nothing changes before somebody has read it here and said yes, and a yes can be taken back.
      </p>
      {error && !data && <p className="mt-3 font-semibold">{error.message}</p>}
      {nothing && (
        <p className="mt-4 text-lg text-soft">
          Nothing to learn from yet.{' '}
          <Link className="underline" to="/log/new?kind=grass">
            Note an hour of practice
          </Link>{' '}
          with a few taped casts.
        </p>
      )}
      {data?.casters.map((c) => (
        <OfCaster key={c.casterId} of={c} drills={data.drills} mind={data.mind} />
      ))}
      {data && data.rods.length > 0 && (
        <section aria-label="Rods" className="mt-8">
          <h2 className="border-b border-ink pb-1 text-xl font-semibold">What load a rod likes</h2>
          <ul>
            {data.rods.map((r) => (
              <OfRod key={r.rodId} of={r} />
            ))}
          </ul>
        </section>
      )}
      <Breaks />
      <People />
    </main>
  );
}

function OfCaster({ of, drills, mind }: { of: CasterLearning; drills: PracticeDrill[]; mind: string[] }) {
  const done = useDone();
  const { attempt, fields, words } = useAttempt();
  const { fit, plan, standing } = of;
  return (
    <section aria-label={of.name} className="mt-6" data-learner={of.casterId}>
      <h2 className="border-b border-ink pb-1 text-xl font-semibold">{of.name}</h2>
      <div className="mt-2 grid gap-x-10 gap-y-5 lg:grid-cols-2 [&>*]:min-w-0">
        <div>
          <p className="text-lg">
            {!fit && of.needed > 0 && (
              <>
                <b>
                  {of.casts} of {of.casts + of.needed} casts.
                </b>{' '}
              </>
            )}
            <Say parts={of.says} />
          </p>
          {of.leftOut.map((l) => (
            <p key={l} className="text-soft">
              {l}.
            </p>
          ))}
          {fit && <Fitted fit={fit} />}
          {of.offered && <Offer of={of} attempt={attempt} fields={fields} words={words} />}
          {standing && (
            <p className="mt-3">
              Accepted over {standing.evidence} casts, and counts now.{' '}
              <button
                className="quiet underline"
                onClick={() =>
                  void attempt(async () => {
                    await takeBack(standing.id);
                    done('Taken back: what was before counts again.', () => bringBack(standing.id));
                  })
                }
              >
                take it back
              </button>
            </p>
          )}
        </div>
        <div>
          {plan && <Practise plan={plan} drills={drills} mind={mind} />}
          {of.progress.length > 1 && <OverTime progress={of.progress} />}
        </div>
      </div>
    </section>
  );
}

/** What the casts say beside what was gone by before. */
function Fitted({ fit }: { fit: NonNullable<CasterLearning['fit']> }) {
  const { show } = useUnits();
  const percent = (share: number) => `±${Math.round(100 * share)} %`;
  return (
    <>
      <div className="mt-3 grid gap-4 sm:grid-cols-2 [&>*]:min-w-0">
        <div className="sm:col-span-2">
          <DoubtPicture name="Reach in calm air" before={fit.reachBefore} after={fit.reachAfter} />
        </div>
        <DoubtPicture name="Line speed" before={fit.freeBefore} after={fit.freeMps} />
        <DoubtPicture name="Loop" before={fit.loopBefore} after={fit.loopM} />
        <table className="sm:col-span-2">
          <thead>
            <tr className="rubric text-left">
              <th>Over {fit.casts} casts</th>
              <th className="text-right">as it was</th>
              <th className="text-right">as casts say</th>
            </tr>
          </thead>
          <tbody className="tabular-nums">
            {[
              ['worked out wrong by', show(distance(fit.beforeM)), show(distance(fit.afterM))],
              ['a reach is sure to', percent(fit.before.reachTolerance), percent(fit.after.reachTolerance)],
              ['arm', show(fit.before.armKg, 'lineMass'), show(fit.armKg)],
              ['most line held in the air', show(carried(fit.before.carryM)), show(carried(fit.after.carryM))],
            ].map(([what, was, is]) => (
              <tr key={what} className="border-t border-hair">
                <th scope="row" className="py-1 text-left font-normal">
                  {what}
                </th>
                <td className="text-right text-soft">{was}</td>
                <td className="text-right font-semibold">{is}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1 text-sm text-soft">
        Line speed and loop are known less closely than the reach they give together. Least squares over the latest
        casts, with the preset as what is believed before; each cast is judged by the fit to the others.
      </p>
    </>
  );
}

/** Yes or no to what the casts say; whoever goes by a preset is given a name first. */
function Offer({
  of,
  attempt,
  fields,
  words,
}: { of: CasterLearning } & Pick<ReturnType<typeof useAttempt>, 'attempt' | 'fields' | 'words'>) {
  const done = useDone();
  const [name, setName] = useState('');
  const [briefs, setBriefs] = useState(true);
  const decide = (accept: boolean) =>
    attempt(async () => {
      const { lesson } = await unwrap(
        api.POST('/api/log/learning/caster', {
          body: { casterId: of.casterId, accept, evidence: of.casts, name: of.own ? null : name, briefs },
        }),
      );
      done(accept ? `${of.own ? of.name : name} casts as the log says.` : 'Refused: nothing changes.', () =>
        takeBack(lesson.id),
      );
    });
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-3 border-l-4 border-signal pl-3"
      onSubmit={(event) => {
        event.preventDefault();
        void decide(true);
      }}
    >
      {!of.own && (
        <>
          <label className="block">
            <span className="rubric block">These casts are by</span>
            <input
              className="entry"
              value={name}
              placeholder="a first name"
              aria-invalid={fields.name ? true : undefined}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <label className="flex min-h-[44px] items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={briefs}
              onChange={(event) => setBriefs(event.target.checked)}
            />
            my briefs name them from now on
          </label>
          <Message>{fields.name}</Message>
        </>
      )}
      <button type="submit" className="btn min-h-[44px] bg-ink! text-paper!">
        Accept
      </button>
      {of.own && (
        <button type="button" className="btn min-h-[44px]" onClick={() => void decide(false)}>
          Refuse
        </button>
      )}
      <Message>{words}</Message>
    </form>
  );
}

function Practise({
  plan,
  drills,
  mind,
}: {
  plan: NonNullable<CasterLearning['plan']>;
  drills: PracticeDrill[];
  mind: string[];
}) {
  const { show } = useUnits();
  return (
    <section aria-label="What to practise">
      <h3 className="text-lg font-semibold">What to practise</h3>
      <p>
        <Say parts={plan.says} />
      </p>
      <ul className="mt-2">
        {plan.costs.map((c) => {
          const drill = drills.find((d) => d.drill === c.drill);
          const most = plan.costs[0]!.costs.value;
          return (
            <li key={c.quality} className="border-b border-hair py-2">
              <div className="flex items-baseline gap-2">
                <b className="w-24 shrink-0">{c.name}</b>
                <span className="h-2 bg-ink" style={{ width: `${(40 * c.costs.value) / most}%` }} aria-hidden="true" />
                <span className="font-semibold whitespace-nowrap">{show(c.costs)}</span>
                <span className="text-soft">
                  {show(c.has)}, {plan.against} {show(c.next)}
                </span>
              </div>
              {drill && (
                <details>
                  <summary className="cursor-pointer text-soft">
                    {drill.name}: note {drill.note}
                  </summary>
                  <p className="mt-1">{drill.howTo}</p>
                </details>
              )}
            </li>
          );
        })}
      </ul>
      {mind.map((m) => (
        <Caution key={m}>{m}</Caution>
      ))}
    </section>
  );
}

function OverTime({ progress }: { progress: CasterLearning['progress'] }) {
  return (
    <section aria-label="Progress" className="mt-4">
      <h3 className="text-lg font-semibold">Over time</h3>
      <ProgressPicture days={progress} />
      <p className="text-sm text-soft">
        The middle of a day’s casts, with a stroke up to its farthest; triangles are on grass.
        {progress.some((d) => d.hits != null) &&
          ` Rings hit: ${progress
            .filter((d) => d.hits != null)
            .slice(-6)
            .map((d) => `${Math.round(100 * d.hits!)} %`)
            .join(', ')}.`}
      </p>
    </section>
  );
}

function OfRod({ of }: { of: RodLearning }) {
  const done = useDone();
  const { attempt, words } = useAttempt();
  const decide = (accept: boolean) =>
    attempt(async () => {
      const { lesson } = await unwrap(
        api.POST('/api/log/learning/rod', { body: { rodId: of.rodId, accept, evidence: of.votes } }),
      );
      done(accept ? `${of.tag} is loaded as it felt.` : 'Refused: nothing changes.', () => takeBack(lesson.id));
    });
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-2" data-rod={of.tag}>
      <b className="min-w-40">
        {of.tag} {of.name}
      </b>
      <span className="min-w-0 flex-1 basis-72">
        <Say parts={of.says} />
        {of.needed > 0 && ` ${of.needed} more to come.`}
      </span>
      {of.offered && (
        <>
          <button className="btn" aria-label={`Accept for ${of.tag}`} onClick={() => void decide(true)}>
            Accept
          </button>
          <button className="btn" aria-label={`Refuse for ${of.tag}`} onClick={() => void decide(false)}>
            Refuse
          </button>
        </>
      )}
      {of.standing && (
        <button
          className="quiet underline"
          onClick={() =>
            void attempt(async () => {
              await takeBack(of.standing!.id);
              done('Taken back: the rule counts again.', () => bringBack(of.standing!.id));
            })
          }
        >
          take it back
        </button>
      )}
      <Message>{words}</Message>
    </li>
  );
}

/** What tippet stood in the person's own hands. */
function Breaks() {
  const { data: shed } = useShed();
  const { show } = useUnits();
  const broken = shed?.leaderSpools.filter((s) => s.breaks.length > 0) ?? [];
  return (
    <section aria-label="Breaking feel" className="mt-8">
      <h2 className="border-b border-ink pb-1 text-xl font-semibold">What tippet stands in your hands</h2>
      {broken.length === 0 ? (
        <p className="py-2 text-soft">
          Nothing broken yet. Pull a knot to break on a sprung anchor, eyes covered:{' '}
          <Link className="underline" to="/leaders">
            in the pocket
          </Link>
          .
        </p>
      ) : (
        <ul>
          {broken.map((s) => (
            <li key={s.id} className="flex flex-wrap gap-x-3 border-b border-hair py-1.5">
              <Link className="min-w-40 font-semibold hover:underline" to={`/leaders?break=${s.id}`}>
                {s.tag} {s.name}
              </Link>
              <span>
                {s.breaks.length} {s.breaks.length === 1 ? 'break' : 'breaks'}, between{' '}
                {show(Math.min(...s.breaks.map((b) => b.brokeN)), 'force')} and{' '}
                {show(Math.max(...s.breaks.map((b) => b.brokeN)), 'force')}; the table says {show(s.knottedN, 'force')}{' '}
                for an ordinary knot
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
