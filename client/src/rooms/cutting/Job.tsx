import { Link } from 'react-router';
import { api, onVersion, unwrap, type JobAnswer, type PieceNow } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { HeadStrip } from '../../drawing/HeadStrip';
import { Say } from '../../ui/Say';
import { BenchScale } from '../../ui/BenchScale';
import { Measure, Text } from '../../ui/fields';
import { draftOf, useForm } from '../../ui/form';
import { useDone } from '../../ui/toast';
import { metres, useUnits } from '../../ui/units';
import { Message } from '../../ui/Message';

/** A head in work: cut long, weigh, nibble, piece by piece. What the blade has taken is written down and cannot be taken back. */
export function Job({ job }: { job: JobAnswer }) {
  const { show } = useUnits();
  const done = useDone();
  const { attempt, words } = useAttempt();
  const cut = job.steps.some((s) => s.massKg == null);
  const ready = job.pieces.every((p) => p.move === 'done');
  const path = { params: { path: { id: job.id } } };
  return (
    <article
      className="border-l-4 border-signal bg-sheet px-4 py-3"
      aria-label={`Head in work: ${job.pieces.map((p) => p.piece.tag).join(', ')}`}
    >
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-lg font-semibold">
          On the bench: {show(metres(job.target.lengthM))}, {show(job.target.massKg, 'lineMass')} wanted
        </h2>
        <span className="flex-1" />
        <button
          className="btn"
          onClick={() =>
            void attempt(async () => {
              await unwrap(api.DELETE('/api/cutting/jobs/{id}', path));
              done(
                cut
                  ? 'Off the bench. Its pieces are in the drawer as they are now.'
                  : 'Off the bench. Nothing was cut.',
                () => unwrap(api.POST('/api/cutting/jobs/{id}/restore', path)),
              );
            })
          }
        >
          Take it off the bench
        </button>
      </header>
      {job.now && (
        <>
          <HeadStrip
            profile={job.now.profile}
            joints={job.now.joints}
            names={job.pieces.map((p) => p.piece.tag)}
            spanM={Math.max(job.target.lengthM, job.now.lengthM) * 1.04}
            wantedM={job.target.lengthM}
          />
          <p className="text-soft">
            As it lies now: <Say parts={job.now.says} />.
          </p>
        </>
      )}
      <ol className="mt-2 flex flex-col gap-3">
        {job.pieces.map((p, i) => (
          <Piece
            key={p.piece.scrapId}
            piece={p}
            onBlade={(takeM) =>
              attempt(() =>
                unwrap(
                  api.POST('/api/cutting/jobs/{id}/blade', {
                    ...onVersion(job.id, job.version),
                    body: { piece: i, takeM, front: p.front },
                  }),
                ),
              )
            }
            onWeigh={(massKg, plusMinusKg) =>
              attempt(() =>
                unwrap(
                  api.POST('/api/cutting/jobs/{id}/weigh', {
                    ...onVersion(job.id, job.version),
                    body: { piece: i, massKg, plusMinusKg },
                  }),
                ),
              )
            }
          />
        ))}
      </ol>
      <Message>{words}</Message>
      {ready && <Finish job={job} />}
      {job.steps.length > 0 && (
        <details className="mt-2">
          <summary className="quiet inline-block cursor-pointer">What was done, step by step</summary>
          <ol className="text-soft">
            {job.steps.map((s, i) => (
              <li key={i}>
                {new Date(s.at).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })} {s.tag}:{' '}
                {s.massKg == null
                  ? `cut ${show(s.takenM, 'shortLength')}, ${show(metres(s.leftM))} left${s.keptAs ? `; the rest is ${s.keptAs}` : ''}`
                  : `weighed ${(s.massKg * 1000).toFixed(2)} g`}
              </li>
            ))}
          </ol>
        </details>
      )}
    </article>
  );
}

/** The head is joined and named; then it is a line of the shed. */
function Finish({ job }: { job: JobAnswer }) {
  const { show } = useUnits();
  const done = useDone();
  const form = useForm(draftOf('head', job.id), { tag: '', name: '' }, job.version);
  const path = { params: { path: { id: job.id } } };
  return (
    <form
      {...form.area}
      className="mt-3 flex flex-wrap items-end gap-3 border-t border-ink pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        void form.keep(async (now, version) => {
          await unwrap(api.POST('/api/cutting/jobs/{id}/finish', { ...onVersion(job.id, version), body: now }));
          done(`${now.tag} is in the shed. Pull every joint by hand before it is fished.`, () =>
            unwrap(api.POST('/api/cutting/jobs/{id}/reopen', path)),
          );
        });
      }}
    >
      <p className="w-full">
        {job.now?.joints[0] && `Join the pieces, each joint over ${show(job.now.joints[0].overM, 'shortLength')}. `}
        Name the head; then it is a line of the shed.
      </p>
      <Text of={form} at="tag" label="Tag" className="w-28" />
      <Text of={form} at="name" label="Name" className="w-64" />
      <button className="btn bg-ink! text-paper!" type="submit">
        Into the shed
      </button>
      <Link className="quiet underline" to="/shed">
        See the shed
      </Link>
      <Message>{form.words}</Message>
    </form>
  );
}

function Piece({
  piece: p,
  onBlade,
  onWeigh,
}: {
  piece: PieceNow;
  onBlade: (takeM: number) => Promise<boolean>;
  onWeigh: (kg: number, plusMinusKg: number) => Promise<boolean>;
}) {
  const { show } = useUnits();
  // What the person means to take follows the advice until they change it.
  const form = useForm(null, { takeM: p.takeM });
  return (
    <li className="border-t border-hair pt-2" {...form.area} data-piece={p.piece.tag} data-move={p.move}>
      <p>
        <b>{p.piece.tag}</b> {p.name}: {show(metres(p.lengthM))}, {show(p.massKg, 'lineMass')}
        {p.weighed ? ', weighed' : ', believed'}; wanted {show(metres(p.piece.plannedM))},{' '}
        {show(p.piece.plannedKg, 'lineMass')}
        {p.piece.turned && '; goes in turned round'}
      </p>
      <p className="text-lg font-semibold">
        <Say parts={p.says} />
      </p>
      {(p.move === 'cut' || p.move === 'nibble') && (
        <div className="mt-1 flex flex-wrap items-end gap-3">
          <div className="w-40">
            <Measure
              of={form}
              at="takeM"
              label={`Off the ${p.front ? 'front' : 'back'}`}
              kind={form.values.takeM < 0.5 ? 'shortLength' : 'length'}
            />
          </div>
          <button className="btn bg-ink! text-paper!" onClick={() => void form.keep(({ takeM }) => onBlade(takeM))}>
            It is cut
          </button>
          <span className="text-soft">Press when the blade is through: this cannot be taken back.</span>
        </div>
      )}
      {(p.move === 'weigh' || p.move === 'nibble') && (
        <div className="mt-2">
          <BenchScale
            pan={{ kg: p.massKg, piece: p.weighed ? null : p.piece.tag, words: p.piece.tag }}
            onTake={(kg, plusMinus) => {
              void onWeigh(kg, plusMinus);
              return undefined;
            }}
          />
          <OwnScale tag={p.piece.tag} onWeigh={onWeigh} />
        </div>
      )}
    </li>
  );
}

/** What a scale of one's own says, typed. */
function OwnScale({ tag, onWeigh }: { tag: string; onWeigh: (kg: number, plusMinusKg: number) => Promise<boolean> }) {
  const form = useForm<{ massKg: number | null; goodToKg: number }>(null, { massKg: null, goodToKg: 0.0001 });
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3" {...form.area}>
      <div className="w-40">
        <Measure of={form} at="massKg" label="Or your own scale says" kind="lineMass" empty />
      </div>
      <div className="w-28">
        <Measure of={form} at="goodToKg" label="Good to ±" kind="benchMass" />
      </div>
      <button
        className="btn"
        aria-label={`Write down what ${tag} weighs`}
        onClick={() =>
          void form.keep(async ({ massKg, goodToKg }) => {
            if (massKg !== null && (await onWeigh(massKg, goodToKg))) form.put('massKg', null);
          })
        }
      >
        Write it down
      </button>
    </div>
  );
}
