import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, onVersion, unwrap, type Outing } from '../../api/client';
import { key } from '../../api/keys';
import { useBriefs } from '../../state/briefs';
import { useCasters } from '../../state/casters';
import { useShed } from '../../state/gear';
import { Amount, Choice, Choose, Day, Measure, Refused, Text, Tick } from '../../ui/fields';
import { foot } from '../../ui/foot';
import { draftOf, useForm, type Form } from '../../ui/form';
import { Lost } from '../../ui/Lost';
import { Pick } from '../../ui/Pick';
import { useDone } from '../../ui/toast';
import { useUnits } from '../../ui/units';
import { CastList } from './CastList';
import { FishList } from './FishList';
import { Count } from './parts';
import { RingList } from './RingList';

const noBrief = 'none';

const nameOf = (piece: { tag: string; name: string }) => `${piece.tag} ${piece.name}`;
const outingOf = (id: number) => unwrap(api.GET('/api/log/{id}', { params: { path: { id } } }));
const keepAs = (outing: Outing) =>
  unwrap(api.PUT('/api/log/{id}', { ...onVersion(outing.id, outing.version), body: outing }));

/** One outing: a new one from a brief or from nothing, or one that is kept. What is entered stays in the browser until it is kept. */
export function OutingPage() {
  const { id } = useParams();
  const [params] = useSearchParams();
  const isNew = id === undefined;
  const brief = params.get('brief');
  const grass = params.get('kind') === 'grass';
  const begunWith = brief ? `new-${brief}` : grass ? 'grass' : 'new';
  const { data, error } = useQuery({
    queryKey: isNew ? key('newOuting', begunWith) : key('outing', Number(id)),
    queryFn: () =>
      isNew
        ? unwrap(
            api.GET('/api/log/new', {
              params: { query: { ...(brief ? { brief: Number(brief) } : {}), ...(grass ? { grass } : {}) } },
            }),
          )
        : outingOf(Number(id)),
    // A new one is laid out once, each time somebody comes; what is typed since is not to be overwritten.
    staleTime: isNew ? Infinity : 0,
    refetchOnMount: 'always',
    gcTime: 0,
  });
  if (error && !data) return <Lost words={error.message} to="/log" name="The log" />;
  if (!data) return <p className="p-6">Opening…</p>;
  const of = draftOf('outing', isNew ? begunWith : Number(id));
  return <Entry key={`${of} ${isNew ? data.key : ''}`} start={data} of={of} />;
}

function Entry({ start, of }: { start: Outing; of: string }) {
  const { standards } = useUnits();
  const navigate = useNavigate();
  const done = useDone();
  const isNew = start.id === 0;
  const form = useForm<Outing>(of, start, start.version);
  const { dropped } = form.values;
  const grass = form.values.kind === 'grass';
  const keep = () =>
    form.keep(async (outing, version) => {
      const kept = await (isNew ? unwrap(api.POST('/api/log', { body: outing })) : keepAs({ ...outing, version }));
      await navigate('/log');
      done(isNew ? 'The outing is in the log.' : 'The outing is changed.', () =>
        isNew
          ? unwrap<unknown>(api.DELETE('/api/log/{id}', { params: { path: { id: kept.id } } }))
          : keepAs({ ...start, version: kept.version }),
      );
    });
  return (
    <main id="main" className="mx-auto max-w-[46rem] px-4 py-4 sm:px-5">
      <form
        {...form.area}
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
        className="flex flex-col gap-5"
      >
        <header>
          <Link className="quiet -ml-1 underline" to="/log">
            The log
          </Link>
          <h1 className="text-2xl font-semibold">
            {isNew ? (grass ? 'An hour on grass' : 'A day out') : grass ? 'Practice' : 'An outing'}
          </h1>
        </header>
        {isNew && !grass && <FromBrief form={form} />}
        <TheDay form={form} />
        <Gear form={form} />
        <Choose of={form} at="feel" label="How the rod felt" options={standards.choices.feel} />
        {grass ? (
          <>
            <Choose of={form} at="drill" label="What was practised" options={standards.choices.drill} />
            <RingList form={form} />
          </>
        ) : (
          <>
            <FishList form={form} />
            <Losses form={form} />
          </>
        )}
        <CastList form={form} />
        <section aria-label="And">
          <Text of={form} at="note" label="Note" rows={3} maxLength={2000} empty />
          <fieldset className="mt-2 flex flex-wrap items-center gap-x-5">
            <legend className="rubric">It fell</legend>
            {standards.choices.dropped.map((d) => (
              <label key={d.id} className="flex min-h-[44px] items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5"
                  checked={dropped.includes(d.id)}
                  onChange={({ target }) =>
                    form.put('dropped', target.checked ? [...dropped, d.id] : dropped.filter((x) => x !== d.id))
                  }
                />
                the {d.name}
              </label>
            ))}
          </fieldset>
        </section>
        <footer ref={foot} className="sticky bottom-0 -mx-4 border-t border-ink bg-paper px-4 py-2">
          <Refused
            form={form}
            theirs={async () => {
              const now = await outingOf(start.id);
              return { values: now, version: now.version };
            }}
            again={keep}
          />
          <button
            type="submit"
            className="btn min-h-[48px] w-full bg-ink! text-lg text-paper! sm:w-auto"
            disabled={form.busy}
          >
            {isNew ? 'Keep it' : 'Keep the change'}
          </button>
          <span className="ml-3 text-sm text-soft">What you enter stays here until it is kept.</span>
          {form.dirty && (
            <button type="button" className="quiet ml-3 underline" onClick={form.startOver}>
              {isNew ? 'begin anew' : 'back to what is kept'}
            </button>
          )}
        </footer>
      </form>
    </main>
  );
}

type Part = { form: Form<Outing> };

/** A new outing may follow a brief: outfit and day stand there then. */
function FromBrief({ form }: Part) {
  const { data: briefs } = useBriefs();
  const navigate = useNavigate();
  if (!briefs || briefs.length === 0) return null;
  return (
    <Pick
      label="It followed the brief"
      value={String(form.values.briefId ?? noBrief)}
      options={[{ id: noBrief, name: 'no brief' }, ...briefs.map((b) => ({ id: String(b.id), name: b.name }))]}
      onChange={(id) => void navigate(id === noBrief ? '/log/new' : `/log/new?brief=${id}`, { replace: true })}
    />
  );
}

function TheDay({ form }: Part) {
  const { windFrom } = useUnits().standards.choices;
  return (
    <section aria-label="The day" className="grid grid-cols-2 gap-3 sm:grid-cols-4">
      <Day of={form} at="on" label="Day" />
      <Amount of={form} at="hours" label="Hours" like="Type hours, such as 3 or 2.5." />
      <Text of={form} at="place" label="Place" maxLength={80} className="col-span-2" />
      <div className="sm:col-span-2">
        <Measure of={form} at="windMps" label="Wind" kind="windSpeed" empty />
      </div>
      <div className="sm:col-span-2">
        <Pick
          label="It came"
          value={String((Math.round((form.values.windFromDeg ?? 0) / 45) * 45) % 360)}
          options={windFrom.map((w) => ({ id: String(w.deg), name: w.ofMe }))}
          onChange={(deg) => form.put('windFromDeg', Number(deg))}
        />
      </div>
    </section>
  );
}

function Gear({ form }: Part) {
  const { standards } = useUnits();
  const { data: shed } = useShed();
  const casters = useCasters();
  const { rodId, lineId, reelId } = form.values;
  const pieces = (list: readonly { id: number; tag: string; name: string }[] = []) =>
    list.map((p) => ({ id: p.id, name: nameOf(p) }));
  const with_ = [
    shed?.rods.find((r) => r.id === rodId),
    shed?.lines.find((l) => l.id === lineId),
    shed?.reels.find((r) => r.id === reelId),
  ];
  const outfit = with_.flatMap((p) => (p ? [nameOf(p)] : [])).join(', ');
  // Open to begin with where nothing is said yet; it does not close under the hand that says it.
  const [unsaid] = useState(!rodId && !lineId && !reelId);
  return (
    <details className="border-y border-hair py-2" open={unsaid}>
      <summary className="cursor-pointer">
        <b>With</b> {outfit || 'an outfit nobody named yet'}
      </summary>
      <div className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3">
        <Choice of={form} at="rodId" label="Rod" options={pieces(shed?.rods)} none="not said" />
        <Choice of={form} at="lineId" label="Line" options={pieces(shed?.lines)} none="not said" />
        <Choice of={form} at="reelId" label="Reel" options={pieces(shed?.reels)} none="not said" />
        <Choice of={form} at="leaderId" label="Kept leader" options={pieces(shed?.leaders)} none="not said" />
        <Measure of={form} at="leaderM" label="Leader" kind="rodLength" empty />
        <Measure of={form} at="tippetM" label="Tippet" kind="tippet" empty />
        <Choice
          of={form}
          at="flyKind"
          label="Fly"
          options={standards.flyKinds}
          none="not said"
          then={() => form.put('hookSize', null)}
        />
        <Choice of={form} at="caster" label="Who cast" options={casters} />
        <Tick of={form} at="salt" label="salt water" />
      </div>
    </details>
  );
}

function Losses({ form }: Part) {
  const { loss } = useUnits().standards.choices;
  const { losses } = form.values;
  const count = (cause: (typeof loss)[number]['id'], n: number) => {
    const was = losses.find((l) => l.cause === cause);
    const others = losses.filter((l) => l.cause !== cause);
    form.put('losses', n > 0 ? [...others, { cause, count: n, what: was?.what ?? null }] : others);
  };
  return (
    <section aria-label="Lost">
      <h2 className="rubric">Lost, and why</h2>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        {loss.map(({ id, name }) => (
          <Count
            key={id}
            label={name}
            value={losses.find((l) => l.cause === id)?.count ?? 0}
            onChange={(n) => count(id, n)}
          />
        ))}
        <Count label="wind knots" value={form.values.windKnots} onChange={(n) => form.put('windKnots', n)} />
      </div>
    </section>
  );
}
