import { useCasters } from '../../state/casters';
import { useQuery } from '@tanstack/react-query';
import { memo, useDeferredValue, useMemo, useState, type ReactNode } from 'react';
import { api, unwrap, ApiError, type BriefDraft, type CastAnswer, type Solution } from '../../api/client';
import { key } from '../../api/keys';
import { EnergyBar, WindCurve } from '../../drawing/CastCharts';
import type { Thrown } from '../../drawing/CastDrawing';
import { ReachBar } from '../../drawing/ReachBar';
import { castFigures } from '../../state/figures';
import { MeasureField } from '../../ui/TypedField';
import { Pick } from '../../ui/Pick';
import { carried, distance, metres, useUnits } from '../../ui/units';
import type { BriefWork } from '../../state/useBrief';
import { ReachMap, type Axis } from './ReachMap';
import { Gains } from './Gains';
import { Throw } from './Throw';
import { useCast, useCastMap, type Thrower } from './useCast';
import { useWindMeter, WindMeter } from './WindMeter';

type Props = { work: BriefWork; solution: Solution };

/** The cast: watched, measured, set against another outfit, and what would make it go farther. */
export function CastingBench({ work, solution }: Props) {
  const { brief, outfit } = solution;
  const [listening, setListening] = useState(false);
  const meter = useWindMeter(listening);
  const gusts =
    listening && meter.data
      ? { low: Math.round(meter.data.lullMps * 10) / 10, high: Math.round(meter.data.gustMps * 10) / 10 }
      : null;
  const unknown = (outfit.line.massKg ?? null) === null;
  const mine = useMemo<Thrower | null>(
    () => (unknown ? null : { brief: work.draft, rod: outfit.rod, line: outfit.line, leader: outfit.leader }),
    [unknown, work.draft, outfit.rod, outfit.line, outfit.leader],
  );
  const beside = useBeside(work, solution);
  const cast = useCast(mine, gusts);
  const other = useCast(beside.thrower, null);
  const curve = useCastMap('wind', mine);
  const otherCurve = useCastMap('wind', beside.thrower);

  // Three hundred cells need not answer every move of the hand; they follow when it is done.
  const solutionLater = useDeferredValue(solution);
  const answerLater = useDeferredValue(cast.data);
  const mineLater = useDeferredValue(mine);
  const settled = useMemo(
    () => answerLater && mineLater && { solution: solutionLater, answer: answerLater, thrower: mineLater },
    [solutionLater, answerLater, mineLater],
  );

  const besideName = beside.thrower ? beside.name : null;
  const myName = `${outfit.rod.tag} ${outfit.line.tag}`;
  const thrown = useMemo(
    () =>
      [
        { name: myName, answer: cast.data },
        { name: besideName, answer: other.data },
      ].filter((t): t is Thrown => Boolean(t.name && t.answer)),
    [myName, cast.data, besideName, other.data],
  );

  if (unknown)
    return (
      <>
        <p className="my-3">Nobody knows what {outfit.line.tag} weighs. Weigh its head and the cast can be thrown.</p>
        <Caster work={work} solution={solution} />
      </>
    );
  if (!cast.data)
    return cast.error ? (
      <p role="alert" className="my-3">
        {cast.error instanceof ApiError ? (Object.values(cast.error.fields)[0] ?? cast.error.message) : 'No cast.'}
      </p>
    ) : (
      <p className="my-3 text-soft">Throwing…</p>
    );
  const answer = cast.data;

  return (
    <>
      <Verdict answer={answer} wantedM={brief.distanceM} />
      <Throw thrown={thrown} distanceM={brief.distanceM} />
      <div className="my-2 max-w-sm">
        <Pick label="Beside it, dashed" value={beside.value} options={beside.options} onChange={beside.set} />
      </div>

      <Margins thrown={thrown} />

      <Part name="What would help">
        <Gains work={work} />
      </Part>

      <Part name="Distance against wind">
        {curve && (
          <>
            <WindCurve
              curves={[
                { name: thrown[0]!.name, winds: curve.across, reachM: curve.reachM[0]! },
                ...(beside.thrower && otherCurve
                  ? [{ name: beside.name, winds: otherCurve.across, reachM: otherCurve.reachM[0]! }]
                  : []),
              ]}
              answer={answer}
              distanceM={brief.distanceM}
            />
            <Gusts answer={answer} />
            <details>
              <summary className="quiet inline-block cursor-pointer">As a table</summary>
              <CurveTable winds={curve.across} reachM={curve.reachM[0]!} />
            </details>
          </>
        )}
        <WindMeter
          on={listening}
          onToggle={setListening}
          reading={meter.data}
          failure={meter.error}
          onMean={(windMps) => work.setDraft('live-wind', { windMps })}
        />
      </Part>

      {settled && <Maps {...settled} />}

      <Part name="Carry and shoot">
        <ReachBar {...castFigures(solution)} />
      </Part>

      <Part name="Where the energy goes">
        <EnergyBar joules={answer.joules} />
      </Part>

      <Part name="Who casts">
        <Caster work={work} solution={solution} />
      </Part>
    </>
  );
}

type Mapped = 'classByWind' | 'carryBySpeed';

const mapKinds: { id: Mapped; name: string; about: string }[] = [
  {
    id: 'classByWind',
    name: 'class by wind',
    about: 'The rod, line and leader this day asks for, class by class, with this fly and caster.',
  },
  {
    id: 'carryBySpeed',
    name: 'line held up by line speed',
    about: 'This outfit in today’s wind, whatever arm makes the speed.',
  },
];

type MapOf = { solution: Solution; answer: CastAnswer; thrower: Thrower };

/** How far it would go with another class in another wind, or with more line held up or more speed. */
const Maps = memo(function Maps(of: MapOf) {
  const [kind, setKind] = useState(mapKinds[0]!);
  return (
    <Part name="How far it would go">
      <div className="mb-1 flex flex-wrap items-center gap-2">
        <span className="text-soft">Over</span>
        {mapKinds.map((k) => (
          <button
            key={k.id}
            className={`quiet ${kind === k ? 'underline decoration-2 underline-offset-4' : ''}`}
            aria-pressed={kind === k}
            onClick={() => setKind(k)}
          >
            {k.name}
          </button>
        ))}
      </div>
      <p className="mb-1 leading-snug text-soft">
        {kind.about} Bold, inside the heavy line: the distance with a tenth in hand. Framed: nearest to today.
      </p>
      {/* Each kind has axes of its own, so neither is ever drawn with the other's figures. */}
      <OneMap key={kind.id} kind={kind.id} {...of} />
    </Part>
  );
});

function OneMap({ kind, solution, answer, thrower }: MapOf & { kind: Mapped }) {
  const { show, unitOf } = useUnits();
  const map = useCastMap(kind, thrower);
  if (!map) return <p className="text-soft">Throwing every one of them…</p>;
  const wind = (mps: number) => show(Math.abs(mps), 'windSpeed');
  const round = (unit: 'windSpeed' | 'length' | 'lineSpeed') => (v: number) =>
    `${Math.round(Math.abs(v) / unitOf(unit).scale)}`;
  const axes: Record<Mapped, { down: Axis; across: Axis }> = {
    classByWind: {
      down: { name: 'class', here: solution.outfit.rod.class ?? null, words: String, short: String },
      across: {
        name: `wind, ${unitOf('windSpeed').unit}: from behind ‹ calm › in the face`,
        here: answer.headwindMps,
        words: (v) => (v === 0 ? 'calm' : `${wind(v)} ${v < 0 ? 'from behind' : 'in the face'}`),
        short: (v) => (v === 0 ? 'calm' : round('windSpeed')(v)),
      },
    },
    carryBySpeed: {
      down: {
        name: `held, ${unitOf('length').unit}`,
        here: answer.cast.carryM,
        words: (v) => show(carried(v)),
        short: round('length'),
      },
      across: {
        name: `line speed when the rod stops, ${unitOf('lineSpeed').unit}`,
        here: answer.cast.launchMps,
        words: (v) => show(v, 'lineSpeed'),
        short: round('lineSpeed'),
      },
    },
  };
  return <ReachMap map={map} wantedM={answer.withInHandM} {...axes[kind]} />;
}

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section aria-label={name} className="mt-5">
      <h3 className="mb-1 text-lg font-semibold">{name}</h3>
      {children}
    </section>
  );
}

const outcomes = {
  turnedOver: 'turns over',
  piled: 'small heap',
  fellShort: 'turns over',
  cannotCarry: 'cannot be carried',
};

function Verdict({ answer, wantedM }: { answer: CastAnswer; wantedM: number }) {
  const { show } = useUnits();
  if (answer.can)
    return (
      <p className="mb-1 text-soft">
        What ends it at {show(answer.reach)}: {lower(answer.says)}
      </p>
    );
  return (
    <p className="my-2 border-l-4 border-fails pl-2 font-semibold">
      {answer.farthest.lobbed
        ? `This fly hardly turns over today: lobbed it gets about ${show(answer.reach)}. ${answer.says}`
        : `${show(distance(wantedM))} is wanted; this is the farthest cast, ${show(answer.reach)}. ${answer.says}`}
    </p>
  );
}

function Margins({ thrown }: { thrown: Thrown[] }) {
  const { show } = useUnits();
  const speed = (value: number) => show(value, 'lineSpeed');
  const ratio = (value: number) => show(value, 'ratio');
  const lines: [string, (a: CastAnswer) => string][] = [
    ['farthest', (a) => show(a.reach) + (a.farthest.lobbed ? ', lobbed' : '')],
    ['in hand', (a) => (a.inHandM >= 0 ? show(metres(a.inHandM)) : `${show(metres(-a.inHandM))} short`)],
    ['this cast', (a) => (a.can ? outcomes[a.cast.outcome] : a.farthest.lobbed ? 'a lob' : 'the farthest')],
    ['held in the air', (a) => show(carried(a.cast.carryM))],
    ['shot', (a) => show(distance(a.cast.shotM))],
    ['line speed', (a) => speed(a.cast.launchMps)],
    ['fly at turnover', (a) => (a.cast.turnoverMps > 0 ? speed(a.cast.turnoverMps) : 'not straight')],
    ['angle', (a) => show((a.cast.angleRad * 180) / Math.PI, 'angle')],
    ['load of the rod', (a) => ratio(a.cast.loadRatio)],
    ['fly to line', (a) => ratio(a.cast.flyRatio)],
    [
      'drift',
      (a) =>
        Math.abs(a.cast.flyDriftM) < 0.05
          ? 'none'
          : `${show(distance(Math.abs(a.cast.flyDriftM)))} ${a.cast.flyDriftM > 0 ? 'left' : 'right'}`,
    ],
    ['in the air', (a) => `${a.cast.flightS.toFixed(1)} s`],
  ];
  const main = thrown[0]!.answer;
  return (
    <div className="my-2">
      {thrown.length === 1 ? (
        <dl className="my-2 grid grid-cols-[auto_1fr_auto_1fr] gap-x-4 gap-y-0.5 sm:grid-cols-[auto_1fr_auto_1fr_auto_1fr]">
          {lines.map(([name, of]) => (
            <div key={name} className="contents">
              <dt className="text-soft">{name}</dt>
              <dd className="m-0 font-semibold">{of(main)}</dd>
            </div>
          ))}
        </dl>
      ) : (
        <table className="my-2 w-full max-w-xl">
          <thead>
            <tr className="text-left">
              <th />
              {thrown.map((t, i) => (
                <th key={t.name} className={i === 0 ? 'text-signal' : ''}>
                  {t.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map(([name, of]) => (
              <tr key={name} className="border-t border-hair">
                <th scope="row" className="text-left font-normal text-soft">
                  {name}
                </th>
                {thrown.map((t) => (
                  <td key={t.name} className="font-semibold">
                    {of(t.answer)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="rubric font-normal">
        Computed with a two-leg loop model (Spolek 1986, Lingard 1988, White 1972, all recalled). The caster’s values
        are common practice, so the reach is good to about {Math.round(100 * main.doubt)} % either way until your own
        casts are logged.
      </p>
    </div>
  );
}

const lower = (words: string) => words.charAt(0).toLowerCase() + words.slice(1);

function Gusts({ answer }: { answer: CastAnswer }) {
  const { show } = useUnits();
  if (!answer.gusts) return null;
  return (
    <p role="status" aria-live="off">
      In these gusts the reach swings from <b>{show(distance(answer.gusts.reachM.low))}</b> to{' '}
      <b>{show(distance(answer.gusts.reachM.high))}</b>.
    </p>
  );
}

function CurveTable({ winds, reachM }: { winds: readonly number[]; reachM: readonly number[] }) {
  const { show } = useUnits();
  return (
    <table className="w-full max-w-sm">
      <thead>
        <tr className="text-left">
          <th>wind</th>
          <th>farthest</th>
        </tr>
      </thead>
      <tbody>
        {winds.map((w, i) => (
          <tr key={w} className="border-t border-hair">
            <td>
              {show(Math.abs(w), 'windSpeed')} {w < 0 ? 'from behind' : w > 0 ? 'in the face' : ''}
            </td>
            <td>{reachM[i]! > 0 ? show(distance(reachM[i]!)) : 'does not turn over'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const own: (keyof BriefDraft)[] = ['casterFreeMps', 'casterLoopM', 'casterCarryM'];

function Caster({ work, solution }: Props) {
  const { standards } = useUnits();
  const { brief } = solution;
  const casters = useCasters(brief.caster);
  const field = (
    label: string,
    key: keyof BriefDraft & string,
    kind: 'lineSpeed' | 'length' | 'carry',
    value: number,
  ) => (
    <MeasureField
      label={label}
      kind={kind}
      value={(work.draft[key] as number | null | undefined) ?? value}
      assumed={work.draft[key] === undefined || work.draft[key] === null}
      problem={work.problems[key]}
      onChange={(si) => work.setDraft(key, { [key]: si } as Partial<BriefDraft>)}
    />
  );
  return (
    <>
      <div className="grid max-w-2xl grid-cols-2 gap-3 sm:grid-cols-3">
        <Pick
          label="I cast like"
          value={brief.caster.id}
          options={casters}
          onChange={(caster) =>
            work.setDraft('caster', { caster, casterFreeMps: null, casterLoopM: null, casterCarryM: null })
          }
        />
        <Pick
          label="Casting hand"
          value={brief.hand}
          options={standards.choices.hand}
          onChange={(hand) => work.setDraft('hand', { hand: hand === 'left' ? 'left' : 'right' })}
        />
        <span />
        {field('Line speed, bare rod', 'casterFreeMps', 'lineSpeed', brief.caster.freeMps)}
        {field('Height of the loop', 'casterLoopM', 'length', brief.caster.loopM)}
        {field('Most line held up', 'casterCarryM', 'carry', brief.caster.carryM)}
      </div>
      <p className="mt-2 text-soft first-letter:uppercase">
        {brief.caster.about}.{' '}
        {own.some((key) => work.draft[key] !== undefined && work.draft[key] !== null) && (
          <button
            className="quiet underline"
            onClick={() => work.setDraft('own-caster', { casterFreeMps: null, casterLoopM: null, casterCarryM: null })}
          >
            Back to the usual values
          </button>
        )}
      </p>
    </>
  );
}

/** Another line or rod of the shed, thrown beside the outfit. */
function useBeside(work: BriefWork, solution: Solution) {
  const [value, set] = useState('none');
  const { outfit } = solution;
  const { data: shed } = useQuery({
    queryKey: key('shed'),
    queryFn: ({ signal }) => unwrap(api.GET('/api/shed', { signal })),
  });
  const lineId = outfit.line.id;
  const rodId = outfit.rod.id;
  // A list that is the same list while the wind is dragged: it has many options and stands still.
  const { lines, rods, options } = useMemo(() => {
    const lines = (shed?.lines ?? []).filter((l) => l.id !== lineId && (l.massKg ?? null) !== null);
    const rods = (shed?.rods ?? []).filter((r) => r.id !== rodId);
    const options = [
      { id: 'none', name: 'nothing' },
      ...lines.map((l) => ({ id: `line-${l.id}`, name: `${l.tag} ${l.name}`, about: 'on the same rod' })),
      ...rods.map((r) => ({ id: `rod-${r.id}`, name: `${r.tag} ${r.name}`, about: 'with the same line' })),
    ];
    return { lines, rods, options };
  }, [shed, lineId, rodId]);
  const line = lines.find((l) => value === `line-${l.id}`);
  const rod = rods.find((r) => value === `rod-${r.id}`);
  const thrower: Thrower | null =
    line || rod
      ? { brief: work.draft, rod: rod ?? outfit.rod, line: line ?? outfit.line, leader: outfit.leader }
      : null;
  return {
    value: thrower ? value : 'none',
    set,
    thrower,
    name: `${(rod ?? outfit.rod).tag} ${(line ?? outfit.line).tag}`,
    options,
  };
}
