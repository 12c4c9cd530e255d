import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type JobAnswer, type PieceNow } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { HeadStrip } from '../../drawing/HeadStrip';
import { Say } from '../../ui/Say';
import { BenchScale } from '../../ui/BenchScale';
import { MeasureField, OptionalMeasureField } from '../../ui/TypedField';
import { useDone } from '../../ui/toast';
import { metres, useUnits } from '../../ui/units';
import { useSettled } from '../../ui/useSettled';
import { Message } from '../../ui/Message';

/** A head in work: cut long, weigh, nibble, piece by piece. What the blade has taken is written down and cannot be taken back. */
export function Job({ job, onChanged }: { job: JobAnswer; onChanged: () => Promise<void> }) {
  const { show } = useUnits();
  const done = useDone(onChanged);
  const { fields, words, ...tried } = useAttempt();
  const [tag, setTag] = useState('');
  const [name, setName] = useState('');
  const cut = job.steps.some((s) => s.massKg == null);
  const ready = job.pieces.every((p) => p.move === 'done');
  const attempt = (work: () => Promise<unknown>) =>
    tried.attempt(async () => {
      await work();
      await onChanged();
    });
  const path = { params: { path: { id: job.id } } };
  return (
    <article
      className="border-l-4 border-signal bg-sheet px-4 py-3"
      aria-label={`Head in work: ${job.pieces.map((p) => p.piece.tag).join(', ')}`}
    >
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-lg font-semibold">
          On the bench: {show(metres(job.target.lengthM))},{' '}
          {show({ value: job.target.massKg, kind: 'lineMass', plusMinus: null })} wanted
        </h2>
        <span className="flex-1" />
        <button
          className="btn"
          onClick={() =>
            void tried.attempt(async () => {
              await unwrap(api.DELETE('/api/cutting/jobs/{id}', path));
              await done(
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
                    ...path,
                    body: { piece: i, takeM, front: p.front, version: job.version },
                  }),
                ),
              )
            }
            onWeigh={(massKg, plusMinusKg) =>
              attempt(() =>
                unwrap(
                  api.POST('/api/cutting/jobs/{id}/weigh', {
                    ...path,
                    body: { piece: i, massKg, plusMinusKg, version: job.version },
                  }),
                ),
              )
            }
          />
        ))}
      </ol>
      <Message>{words}</Message>
      {ready && (
        <form
          className="mt-3 flex flex-wrap items-end gap-3 border-t border-ink pt-3"
          onSubmit={async (event) => {
            event.preventDefault();
            await tried.attempt(async () => {
              await unwrap(
                api.POST('/api/cutting/jobs/{id}/finish', { ...path, body: { tag, name, version: job.version } }),
              );
              await done(`${tag} is in the shed. Pull every joint by hand before it is fished.`, () =>
                unwrap(api.POST('/api/cutting/jobs/{id}/reopen', path)),
              );
            });
          }}
        >
          <p className="w-full">
            {job.now?.joints[0] &&
              `Join the pieces, each joint over ${show({ value: job.now.joints[0].overM, kind: 'shortLength', plusMinus: null })}. `}
            Name the head; then it is a line of the shed.
          </p>
          <label className="w-28">
            <span className="rubric block">Tag</span>
            <input
              className="entry w-full"
              value={tag}
              onChange={(e) => setTag(e.target.value)}
              aria-invalid={fields.tag ? true : undefined}
            />
          </label>
          <label className="w-64">
            <span className="rubric block">Name</span>
            <input
              className="entry w-full"
              value={name}
              onChange={(e) => setName(e.target.value)}
              aria-invalid={fields.name ? true : undefined}
            />
          </label>
          <button className="btn bg-ink! text-paper!" type="submit">
            Into the shed
          </button>
          <Link className="quiet underline" to="/shed">
            See the shed
          </Link>
        </form>
      )}
      {job.steps.length > 0 && (
        <details className="mt-2">
          <summary className="quiet inline-block cursor-pointer">What was done, step by step</summary>
          <ol className="text-soft">
            {job.steps.map((s, i) => (
              <li key={i}>
                {new Date(s.at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })} {s.tag}:{' '}
                {s.massKg == null
                  ? `cut ${show({ value: s.takenM, kind: 'shortLength', plusMinus: null })}, ${show(metres(s.leftM))} left${s.keptAs ? `; the rest is ${s.keptAs}` : ''}`
                  : `weighed ${(s.massKg * 1000).toFixed(2)} g`}
              </li>
            ))}
          </ol>
        </details>
      )}
    </article>
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
  const [own, setOwn] = useState<{ of: number; m: number } | null>(null);
  const takeM = own && own.of === p.takeM ? own.m : p.takeM;
  const settled = useSettled(takeM);
  return (
    <li className="border-t border-hair pt-2" data-entries data-piece={p.piece.tag} data-move={p.move}>
      <p>
        <b>{p.piece.tag}</b> {p.name}: {show(metres(p.lengthM))},{' '}
        {show({ value: p.massKg, kind: 'lineMass', plusMinus: null })}
        {p.weighed ? ', weighed' : ', believed'}; wanted {show(metres(p.piece.plannedM))},{' '}
        {show({ value: p.piece.plannedKg, kind: 'lineMass', plusMinus: null })}
        {p.piece.turned && '; goes in turned round'}
      </p>
      <p className="text-lg font-semibold">
        <Say parts={p.says} />
      </p>
      {(p.move === 'cut' || p.move === 'nibble') && (
        <div className="mt-1 flex flex-wrap items-end gap-3">
          <div className="w-40">
            <MeasureField
              label={`Off the ${p.front ? 'front' : 'back'}`}
              kind={takeM < 0.5 ? 'shortLength' : 'length'}
              value={takeM}
              onChange={(m) => setOwn({ of: p.takeM, m })}
            />
          </div>
          <button className="btn bg-ink! text-paper!" onClick={(e) => void settled(e.currentTarget, onBlade)}>
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
  const [typed, setTyped] = useState<number | null>(null);
  const [goodTo, setGoodTo] = useState(0.0001);
  const settled = useSettled({ typed, goodTo });
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3">
      <div className="w-40">
        <OptionalMeasureField label="Or your own scale says" kind="lineMass" value={typed} onChange={setTyped} />
      </div>
      <div className="w-28">
        <MeasureField label="Good to ±" kind="benchMass" value={goodTo} onChange={setGoodTo} />
      </div>
      <button
        className="btn"
        aria-label={`Write down what ${tag} weighs`}
        onClick={(e) =>
          void settled(e.currentTarget, async (now) => {
            if (now.typed !== null && (await onWeigh(now.typed, now.goodTo))) setTyped(null);
          })
        }
      >
        Write it down
      </button>
    </div>
  );
}
