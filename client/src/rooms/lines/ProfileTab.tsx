import { useState } from 'react';
import { api, unwrap, ApiError, type FlyLine, type LineReading, type Stretch } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { LineDrawing } from '../../drawing/LineDrawing';
import { useKeeping } from '../../state/gear';
import { BenchScale } from '../../ui/BenchScale';
import { Facts } from '../../ui/Facts';
import { Again, Measure, Slider } from '../../ui/fields';
import { draftOf, useFaults, useForm, useRows, type Form } from '../../ui/form';
import { Message } from '../../ui/Message';
import { Panel } from '../../ui/Panel';
import { Say } from '../../ui/Say';
import { metres, useUnits } from '../../ui/units';
import { RodsItSuits } from './RodsItSuits';
import { offBy, usePerFoot } from './usePerFoot';

type Profile = { stretches: Stretch[]; headM: number; carryM: number };

// More than these are looked at in the drawing; nobody types them.
const mostTyped = 14;
const mostUndone = 50;

/** Where the head ends: no farther than there is line. */
const endOf = ({ stretches, headM }: Profile) =>
  Math.min(
    headM,
    stretches.reduce((sum, s) => sum + s.lengthM, 0),
  );

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
  const { keep } = useKeeping('lines', line);
  const form = useForm<Profile>(
    draftOf('profile', line.id),
    { stretches: start, headM: line.headM, carryM: carried },
    line.version,
  );
  const [past, setPast] = useState<Stretch[][]>([]);
  const note = () => {
    const was = structuredClone(form.lib.getValues('stretches'));
    setPast((p) => [...p.slice(-mostUndone), was]);
  };
  const recording: Form<Profile> = {
    ...form,
    put: (at, value) => {
      if (at.startsWith('stretches')) note();
      form.put(at, value);
    },
  };
  const { set } = useRows(form, 'stretches');
  const { stretches, carryM } = form.values;
  const ends = endOf(form.values);
  const body = { stretches, headM: ends, carryM, share: 0.01, line };
  const answer = useAsk(key('suits', 'profile', body), (signal) =>
    unwrap(api.POST('/api/lines/profile', { body, signal })),
  );
  useFaults(form, answer.fields);
  const bad = Object.keys(answer.fields).length > 0;
  const read = answer.data?.reading;
  const change = (next: Stretch[]) => {
    note();
    set(next);
  };
  return (
    <div className="flex flex-col gap-4" {...form.area}>
      <Again form={form} />
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
          <Measure of={form} at="headM" label="Head ends at" kind="length" />
        </div>
        <div className="w-56">
          <Slider
            of={form}
            at="carryM"
            label="Held in the air"
            kind="length"
            from={1}
            to={Math.max(20, ends)}
            step={0.1}
          />
        </div>
        <button
          className="btn"
          disabled={past.length === 0}
          onClick={() => {
            set(past.at(-1)!);
            setPast(past.slice(0, -1));
          }}
        >
          Undo
        </button>
        <Fit line={line} onFitted={change} />
        <button
          className="btn bg-ink! text-paper!"
          // A guess that nobody touched is no measurement.
          disabled={bad || !read || (guessed && JSON.stringify(stretches) === JSON.stringify(start))}
          onClick={() =>
            void form.keep((now) =>
              keep(
                () =>
                  unwrap(
                    api.POST('/api/lines/{id}/profile', {
                      params: { path: { id: line.id } },
                      body: { ...body, ...now, headM: endOf(now), line: null },
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
      <Message>{form.words ?? Object.values(answer.fields)[0]}</Message>
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-2">
        <section aria-label="Stretches" className="min-w-0">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">Stretches, from the fly</h2>
          <Stretches form={recording} note={note} />
          {read && <ReadSo read={read} carryM={carryM} />}
        </section>
        {answer.data && <RodsItSuits rods={answer.data.rods} />}
      </div>
    </div>
  );
}

/** Every stretch to type. */
function Stretches({ form, note }: { form: Form<Profile>; note: () => void }) {
  const { rows, add, takeOut } = useRows(form, 'stretches');
  const row = 'grid grid-cols-[1.2rem_repeat(4,minmax(0,1fr))_auto] items-end gap-2 border-t border-hair py-1.5';
  return (
    <>
      {rows.length > mostTyped ? (
        <p className="py-2 text-soft">
          {rows.length} stretches, from a file: too many to type. They can be dragged, or fitted anew.
        </p>
      ) : (
        <ol>
          {rows.map(({ key, at }, i) => (
            <li key={key} className={row}>
              <span className="pb-1 font-semibold">{i + 1}</span>
              <Measure of={form} at={`${at}.lengthM`} label="Length" kind="length" />
              <Measure of={form} at={`${at}.startM`} label="Thick, fly side" kind="diameter" />
              <Measure of={form} at={`${at}.endM`} label="Thick, reel side" kind="diameter" />
              <Measure of={form} at={`${at}.kgM3`} label="Of water, ×" kind="ratio" times={1000} />
              <button
                className="quiet"
                aria-label={`Take stretch ${i + 1} out`}
                disabled={rows.length === 1}
                onClick={() => {
                  note();
                  takeOut(i);
                }}
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
          note();
          const last = form.lib.getValues('stretches').at(-1)!;
          add({ ...last, lengthM: 1, startM: last.endM });
        }}
      >
        Add a stretch
      </button>
    </>
  );
}

/** What the profile comes to. */
function ReadSo({ read, carryM }: { read: LineReading; carryM: number }) {
  const { show } = useUnits();
  const perFoot = usePerFoot();
  const mass = (kg: number) => show(kg, 'lineMass');
  const belly: [string, string][] = read.belly
    ? [
        ['belly by the third rule', perFoot(read.belly.ruleKgPerM)],
        ['exactly', `${perFoot(read.belly.exactKgPerM)}; ${offBy(read.belly.off)}`],
      ]
    : [];
  return (
    <>
      <Facts
        rows={[
          ['class', read.class.class ? show(read.class.class) : 'none'],
          ['head', mass(read.headKg)],
          [`outside at ${show(metres(carryM))}`, show(read.outside)],
          ['balances at', show(metres(read.centreM))],
          ['front third holds', `${Math.round(read.frontShare * 100)} %`],
          ['loaded', read.frontWord],
          ['pushes aside', `${(read.waterM3 * 1e6).toFixed(1)} cm³ of water`],
          ['floats', read.floatsFresh ? 'in fresh and salt water' : read.floatsSalt ? 'in salt water only' : 'no'],
          ...belly,
        ]}
      />
      <p className="text-soft">
        <Say parts={read.class.says} />.
      </p>
    </>
  );
}

/** The other ways to a profile: calipers and one weight, or a file; and the way out to one. */
function Fit({ line, onFitted }: { line: FlyLine; onFitted: (s: Stretch[]) => void }) {
  const [panel, setPanel] = useState<'calipers' | 'file' | null>(null);
  const close = () => setPanel(null);
  const take = (next: Stretch[]) => {
    onFitted(next);
    close();
  };
  return (
    <>
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
      {panel === 'calipers' && <Calipers line={line} onClose={close} onFitted={take} />}
      {panel === 'file' && <File onClose={close} onRead={take} />}
    </>
  );
}

type Fitting = { readings: { positionM: number; diameterM: number }[]; lengthM: number; massKg: number };

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
  const form = useForm<Fitting>(draftOf('calipers', line.id), {
    readings: [
      { positionM: 0, diameterM: line.tipDiameterM },
      { positionM: line.frontTaperM, diameterM: line.bellyDiameterM },
      { positionM: line.headM - line.rearTaperM, diameterM: line.bellyDiameterM },
      { positionM: line.headM, diameterM: line.runningDiameterM },
    ],
    lengthM: line.headM,
    massKg: line.massKg ?? standards.beginnings.weighing.massKg,
  });
  const { rows, add, takeOut } = useRows(form, 'readings');
  const body = form.values;
  const answer = useAsk(key('calipers', body), (signal) => unwrap(api.POST('/api/lines/fit', { body, signal })));
  useFaults(form, answer.fields);
  const bad = Object.keys(answer.fields).length > 0;
  return (
    <Panel
      title="Calipers and one weight"
      about="Close the calipers without squeezing; two readings across a spot beat one. The density follows from the weight."
      onClose={onClose}
    >
      <form
        {...form.area}
        onSubmit={(e) => {
          e.preventDefault();
          void form.keep(async (now) => onFitted((await unwrap(api.POST('/api/lines/fit', { body: now }))).stretches));
        }}
      >
        <div className="grid grid-cols-2 gap-3">
          <Measure of={form} at="lengthM" label="Length that was weighed" kind="length" />
          <Measure of={form} at="massKg" label="Its mass" kind="lineMass" />
        </div>
        <div className="mt-2">
          <BenchScale
            pan={{ kg: body.massKg, piece: line.headKg == null ? line.tag : null, words: line.tag }}
            onTake={(kg) => {
              const was = form.lib.getValues('massKg');
              form.put('massKg', kg);
              return () => form.put('massKg', was);
            }}
          />
        </div>
        {rows.map(({ key, at }, i) => (
          <div key={key} className="mt-1 grid grid-cols-[1fr_1fr_auto] items-end gap-3 border-t border-hair pt-1">
            <Measure of={form} at={`${at}.positionM`} label="From the fly end" kind="length" />
            <Measure of={form} at={`${at}.diameterM`} label="Thick" kind="diameter" />
            <button
              className="quiet"
              type="button"
              disabled={rows.length === 1}
              aria-label={`Take reading ${i + 1} out`}
              onClick={() => takeOut(i)}
            >
              ×
            </button>
          </div>
        ))}
        <button
          className="btn mt-2"
          type="button"
          onClick={() => {
            const { lengthM, readings } = form.lib.getValues();
            add({ positionM: lengthM / 2, diameterM: readings.at(-1)!.diameterM });
          }}
        >
          Add a reading
        </button>
        <p className="mt-3 text-lg" aria-live="polite">
          {answer.data && !bad && (
            <>
              Density <b>{show(answer.data.kgM3 / 1000, 'ratio')}</b> times water’s over{' '}
              {show(metres(answer.data.lengthM))}.
            </>
          )}
        </p>
        <Message>{bad ? null : form.words}</Message>
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
            {found.stretches.length} stretches over {show(metres(found.lengthM))}, {show(found.massKg, 'lineMass')} in
            all.
          </p>
          <button className="btn mt-2 bg-ink! text-paper!" onClick={() => onRead(found.stretches)}>
            Lay it on the bench
          </button>
        </>
      )}
    </Panel>
  );
}
