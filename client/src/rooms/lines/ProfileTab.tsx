import { useState } from 'react';
import { api, unwrap, ApiError, type FlyLine, type Stretch } from '../../api/client';
import { useAsk } from '../../api/useAsk';
import { useAttempt } from '../../api/useAttempt';
import { LineDrawing } from '../../drawing/LineDrawing';
import { Facts } from '../../ui/Facts';
import { Panel } from '../../ui/Panel';
import { Say } from '../../ui/Say';
import { BenchScale } from '../../ui/BenchScale';
import { Slide } from '../../ui/Slide';
import { MeasureField } from '../../ui/TypedField';
import { useSettled } from '../../ui/useSettled';
import { metres, useUnits } from '../../ui/units';
import { Message } from '../../ui/Message';
import { useKeeping } from '../../state/gear';
import { RodsItSuits } from './RodsItSuits';
import { offBy, usePerFoot } from './usePerFoot';

/** A line stretch by stretch: drawn, dragged, typed, fitted to calipers and one weight, or read from a file. */
export function ProfileTab({
  line,
  start,
  guessed,
  carried,
}: {
  line: FlyLine;
  start: Stretch[];
  guessed: boolean;
  carried: number;
}) {
  const { show } = useUnits();
  const [past, setPast] = useState<Stretch[][]>([]);
  const [stretches, setStretches] = useState(start);
  const [headM, setHeadM] = useState(line.headM);
  const [carryM, setCarryM] = useState(carried);
  const [panel, setPanel] = useState<'calipers' | 'file' | null>(null);
  const { keep, problems, words } = useKeeping('lines', line);
  const length = stretches.reduce((sum, s) => sum + s.lengthM, 0);
  const ends = Math.min(headM, length);
  const body = { stretches, headM: ends, carryM, share: 0.01, line };
  const settled = useSettled(body);
  const answer = useAsk(['suits', 'profile', body], (signal) =>
    unwrap(api.POST('/api/lines/profile', { body, signal })),
  );
  const change = (next: Stretch[]) => {
    setPast((p) => [...p.slice(-50), stretches]);
    setStretches(next);
  };
  const stretch = (i: number, next: Partial<Stretch>) =>
    change(stretches.map((s, k) => (k === i ? { ...s, ...next } : s)));
  const read = answer.data?.reading;
  const bad = Object.keys(answer.fields).length > 0;
  const mass = (kg: number) => show({ value: kg, kind: 'lineMass', plusMinus: null });
  const perFoot = usePerFoot();
  return (
    <div className="flex flex-col gap-4" data-entries>
      {guessed && (
        <p className="text-look">
          Nobody knows what {line.tag} weighs. This is its shape with the ordinary density of its kind, to start from.
        </p>
      )}
      <LineDrawing
        stretches={stretches}
        reading={read}
        thickM={answer.data?.thickM}
        headM={ends}
        carryM={carryM}
        onChange={change}
      />
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-32">
          <MeasureField
            label="Head ends at"
            kind="length"
            value={ends}
            problem={answer.fields.headM}
            onChange={setHeadM}
          />
        </div>
        <div className="w-56">
          <Slide
            label="Held in the air"
            kind="length"
            value={carryM}
            from={1}
            to={Math.max(20, ends)}
            step={0.1}
            problem={answer.fields.carryM}
            onChange={setCarryM}
          />
        </div>
        <button
          className="btn"
          disabled={past.length === 0}
          onClick={() => {
            setStretches(past.at(-1)!);
            setPast(past.slice(0, -1));
          }}
        >
          Undo
        </button>
        <button className="btn" onClick={() => setPanel('calipers')}>
          Fit to calipers and one weight
        </button>
        <button className="btn" onClick={() => setPanel('file')}>
          Read a file
        </button>
        {line.massKg != null && (
          <a className="btn inline-flex items-center" href={`/api/lines/${line.id}/profile.csv`} download>
            Write what is kept
          </a>
        )}
        <button
          className="btn bg-ink! text-paper!"
          // A guess that nobody touched is no measurement.
          disabled={bad || !read || (guessed && stretches === start)}
          onClick={(e) =>
            void settled(e.currentTarget, (now) =>
              keep(
                () =>
                  unwrap(
                    api.POST('/api/lines/{id}/profile', {
                      params: { path: { id: line.id } },
                      body: { ...now, line: null },
                    }),
                  ),
                `${line.tag} is now known by its profile.`,
              ),
            )
          }
        >
          Keep this profile with {line.tag}
        </button>
      </div>
      <Message>{words ?? Object.values(problems)[0]}</Message>
      {bad && <Message>{Object.values(answer.fields)[0]}</Message>}
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-2">
        <section aria-label="Stretches" className="min-w-0">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">Stretches, from the fly</h2>
          {stretches.length > 14 ? (
            <p className="py-2 text-soft">
              {stretches.length} stretches, from a file: too many to type. They can be dragged, or fitted anew.
            </p>
          ) : (
            <ol>
              {stretches.map((s, i) => (
                <li
                  key={i}
                  className="grid grid-cols-[1.2rem_repeat(4,minmax(0,1fr))_auto] items-end gap-2 border-t border-hair py-1.5"
                >
                  <span className="pb-1 font-semibold">{i + 1}</span>
                  <MeasureField
                    label="Length"
                    kind="length"
                    value={s.lengthM}
                    problem={answer.fields[`stretches[${i}].lengthM`]}
                    onChange={(lengthM) => stretch(i, { lengthM })}
                  />
                  <MeasureField
                    label="Thick, fly side"
                    kind="diameter"
                    value={s.startM}
                    problem={answer.fields[`stretches[${i}].startM`]}
                    onChange={(startM) => stretch(i, { startM })}
                  />
                  <MeasureField
                    label="Thick, reel side"
                    kind="diameter"
                    value={s.endM}
                    problem={answer.fields[`stretches[${i}].endM`]}
                    onChange={(endM) => stretch(i, { endM })}
                  />
                  <MeasureField
                    label="Of water, ×"
                    kind="ratio"
                    value={s.kgM3 / 1000}
                    problem={answer.fields[`stretches[${i}].kgM3`]}
                    onChange={(x) => stretch(i, { kgM3: x * 1000 })}
                  />
                  <button
                    className="quiet"
                    aria-label={`Take stretch ${i + 1} out`}
                    disabled={stretches.length === 1}
                    onClick={() => change(stretches.filter((_, k) => k !== i))}
                  >
                    ×
                  </button>
                </li>
              ))}
            </ol>
          )}
          <button
            className="btn mt-2"
            onClick={() => {
              const last = stretches.at(-1)!;
              change([...stretches, { ...last, lengthM: 1, startM: last.endM }]);
            }}
          >
            Add a stretch
          </button>
          {read && (
            <Facts
              rows={[
                ['class', read.class.class ? show(read.class.class) : 'none'],
                ['head', mass(read.headKg)],
                [`outside at ${show(metres(carryM))}`, show(read.outside)],
                ['balances at', show(metres(read.centreM))],
                ['front third holds', `${Math.round(read.frontShare * 100)} %`],
                ['loaded', read.frontWord],
                ['pushes aside', `${(read.waterM3 * 1e6).toFixed(1)} cm³ of water`],
                [
                  'floats',
                  read.floatsFresh ? 'in fresh and salt water' : read.floatsSalt ? 'in salt water only' : 'no',
                ],
                ...(read.belly
                  ? ([
                      ['belly by the third rule', perFoot(read.belly.ruleKgPerM)],
                      ['exactly', `${perFoot(read.belly.exactKgPerM)}; ${offBy(read.belly.off)}`],
                    ] as [string, string][])
                  : []),
              ]}
            />
          )}
          {read && (
            <p className="text-soft">
              <Say parts={read.class.says} />.
            </p>
          )}
        </section>
        {answer.data && <RodsItSuits rods={answer.data.rods} />}
      </div>
      {panel === 'calipers' && (
        <Calipers
          line={line}
          onClose={() => setPanel(null)}
          onFitted={(next) => {
            change(next);
            setPanel(null);
          }}
        />
      )}
      {panel === 'file' && (
        <File
          onClose={() => setPanel(null)}
          onRead={(next) => {
            change(next);
            setPanel(null);
          }}
        />
      )}
    </div>
  );
}

/** A few caliper readings and one weight become a profile of one density. */
function Calipers({
  line,
  onClose,
  onFitted,
}: {
  line: FlyLine;
  onClose: () => void;
  onFitted: (s: Stretch[]) => void;
}) {
  const { show, standards } = useUnits();
  const [readings, setReadings] = useState(() => [
    { positionM: 0, diameterM: line.tipDiameterM },
    { positionM: line.frontTaperM, diameterM: line.bellyDiameterM },
    { positionM: line.headM - line.rearTaperM, diameterM: line.bellyDiameterM },
    { positionM: line.headM, diameterM: line.runningDiameterM },
  ]);
  const [lengthM, setLengthM] = useState(line.headM);
  const [massKg, setMassKg] = useState(line.massKg ?? standards.beginnings.weighing.massKg);
  const body = { readings, lengthM, massKg };
  const settled = useSettled(body);
  const { attempt, words } = useAttempt();
  const answer = useAsk(['calipers', body], (signal) => unwrap(api.POST('/api/lines/fit', { body, signal })));
  const bad = Object.keys(answer.fields).length > 0;
  const set = (i: number, next: Partial<(typeof readings)[number]>) =>
    setReadings((all) => all.map((r, k) => (k === i ? { ...r, ...next } : r)));
  return (
    <Panel
      title="Calipers and one weight"
      about="Close the calipers without squeezing; two readings across a spot beat one. The density follows from the weight."
      onClose={onClose}
    >
      <form
        data-entries
        onSubmit={(e) => {
          e.preventDefault();
          void settled(e.currentTarget, (now) =>
            attempt(async () => onFitted((await unwrap(api.POST('/api/lines/fit', { body: now }))).stretches)),
          );
        }}
      >
        <div className="grid grid-cols-2 gap-3">
          <MeasureField
            label="Length that was weighed"
            kind="length"
            value={lengthM}
            problem={answer.fields.lengthM}
            onChange={setLengthM}
          />
          <MeasureField
            label="Its mass"
            kind="lineMass"
            value={massKg}
            problem={answer.fields.massKg}
            onChange={setMassKg}
          />
        </div>
        <div className="mt-2">
          <BenchScale
            pan={{ kg: massKg, piece: line.headKg == null ? line.tag : null, words: line.tag }}
            onTake={(kg) => {
              setMassKg(kg);
              return () => setMassKg(massKg);
            }}
          />
        </div>
        {readings.map((r, i) => (
          <div key={i} className="mt-1 grid grid-cols-[1fr_1fr_auto] items-end gap-3 border-t border-hair pt-1">
            <MeasureField
              label="From the fly end"
              kind="length"
              value={r.positionM}
              problem={answer.fields[`readings[${i}].positionM`]}
              onChange={(positionM) => set(i, { positionM })}
            />
            <MeasureField
              label="Thick"
              kind="diameter"
              value={r.diameterM}
              problem={answer.fields[`readings[${i}].diameterM`]}
              onChange={(diameterM) => set(i, { diameterM })}
            />
            <button
              className="quiet"
              type="button"
              disabled={readings.length === 1}
              aria-label={`Take reading ${i + 1} out`}
              onClick={() => setReadings((all) => all.filter((_, k) => k !== i))}
            >
              ×
            </button>
          </div>
        ))}
        <button
          className="btn mt-2"
          type="button"
          onClick={() => setReadings((all) => [...all, { positionM: lengthM / 2, diameterM: all.at(-1)!.diameterM }])}
        >
          Add a reading
        </button>
        <p className="mt-3 text-lg" aria-live="polite">
          {answer.data && !bad && (
            <>
              Density <b>{show({ value: answer.data.kgM3 / 1000, kind: 'ratio', plusMinus: null })}</b> times water’s
              over {show(metres(answer.data.lengthM))}.
            </>
          )}
        </p>
        <Message>{bad ? null : words}</Message>
        <button className="btn mt-2 bg-ink! text-paper!" type="submit" disabled={bad || !answer.data}>
          Use this profile
        </button>
      </form>
    </Panel>
  );
}

/** A profile from a file: looked at first, taken whole or not at all. */
function File({ onClose, onRead }: { onClose: () => void; onRead: (s: Stretch[]) => void }) {
  const { show } = useUnits();
  const [text, setText] = useState('');
  const [found, setFound] = useState<{ stretches: Stretch[]; massKg: number; lengthM: number } | null>(null);
  const [faults, setFaults] = useState<[string, string][]>([]);
  const look = async (csv: string) => {
    setText(csv);
    try {
      setFound(await unwrap(api.POST('/api/lines/csv', { body: { text: csv } })));
      setFaults([]);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setFound(null);
      const fields = Object.entries(error.fields);
      setFaults(fields.length > 0 ? fields : [['file', error.message]]);
    }
  };
  return (
    <Panel
      title="Read a profile from a file"
      about="Columns: position_m, diameter_mm, linear_density_g_per_m, from the fly end. Nothing is kept until you say so."
      onClose={onClose}
    >
      <label className="block">
        <span className="rubric block">File</span>
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          onChange={async (e) => {
            const file = e.target.files?.[0];
            if (file) await look(await file.text());
          }}
        />
      </label>
      <label className="mt-3 block">
        <span className="rubric block">or paste it here</span>
        <textarea
          className="entry w-full font-mono text-sm"
          rows={8}
          value={text}
          onChange={(e) => void look(e.target.value)}
        />
      </label>
      {faults.length > 0 && text !== '' && (
        <div role="alert" className="mt-2 text-fails">
          <b>Nothing was read.</b>
          <ul>
            {faults.slice(0, 12).map(([where, what]) => (
              <li key={where}>
                {where}: {what}
              </li>
            ))}
            {faults.length > 12 && <li>and {faults.length - 12} more</li>}
          </ul>
        </div>
      )}
      {found && (
        <>
          <p className="mt-3">
            {found.stretches.length} stretches over {show(metres(found.lengthM))},{' '}
            {show({ value: found.massKg, kind: 'lineMass', plusMinus: null })} in all.
          </p>
          <button className="btn mt-2 bg-ink! text-paper!" onClick={() => onRead(found.stretches)}>
            Lay it on the bench
          </button>
        </>
      )}
    </Panel>
  );
}
