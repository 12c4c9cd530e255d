import { useState } from 'react';
import { Link } from 'react-router';
import {
  api,
  unwrap,
  type BendAnswer,
  type FlyLine,
  type GearShed,
  type Rod,
  type Solution,
  type Standards,
} from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { PullDrawing, ThirdsBar, type Bent } from '../../drawing/RodBends';
import { Pick } from '../../ui/Pick';
import { Say } from '../../ui/Say';
import { Slide } from '../../ui/Slide';
import { MeasureField } from '../../ui/TypedField';
import { metres, useUnits } from '../../ui/units';
import { Caution } from '../../ui/Message';
import { useMeasuringBench } from '../../state/atHand';
import { lineToStart } from '../../state/gear';

type Load = {
  pullN: number;
  angleDeg: number;
  surgeM: number;
  tippetM: number;
  carryM: number;
  casterId: string;
};

function useBend(rod: Rod | null, load: Load, line: FlyLine | null) {
  return useAsk(
    key('bend', rod, load, line),
    (signal) => unwrap(api.POST('/api/rods/bend', { body: { rod: rod!, ...load, line }, signal })),
    rod?.bend != null,
  );
}

const none = 'none';
const long = (rod: Rod) => `${rod.tag} ${rod.name}`;

/** What a rod is bent by when there is no brief to say. */
const usualLoad = ({ beginnings, thirtyFeetM }: Standards): Load => ({
  ...beginnings.fight,
  tippetM: beginnings.fight.tippetM ?? 0,
  carryM: thirtyFeetM,
  casterId: beginnings.casterId,
});

const loadOf = (usual: Load, { outfit, brief }: Solution): Load => ({
  ...usual,
  pullN: outfit.tippet.wantedN,
  tippetM: outfit.leader.tippetM,
  carryM: outfit.carryM,
  casterId: brief.caster.id,
});

/** How a tested rod bends: under a fish at any angle, and in the middle of a cast; another rod over it. */
export function BendTab({ rod, shed, today }: { rod: Rod; shed: GearShed; today: Solution | null }) {
  const { show, standards } = useUnits();
  const bench = useMeasuringBench();
  const [load, setLoad] = useState<Load>(() => {
    const usual = usualLoad(standards);
    return today ? loadOf(usual, today) : usual;
  });
  const [other, setOther] = useState(none);
  const [lineId, setLineId] = useState(() => String(lineToStart(shed, today)?.id ?? none));
  const line = shed.lines.find((l) => String(l.id) === lineId) ?? null;
  const beside = shed.rods.find((r) => String(r.id) === other) ?? null;
  const mine = useBend(rod, load, line);
  const its = useBend(beside, load, line);
  const set = (next: Partial<Load>) => setLoad((l) => ({ ...l, ...next }));
  const force = (value: number) => show(value, 'force');

  if (!rod.bend)
    return (
      <p className="max-w-prose text-lg">
        Nobody knows how {rod.tag} bends. Do the{' '}
        <Link className="underline" to={bench('rods', rod.id, 'test')}>
          bend test
        </Link>{' '}
        first: a bag of coins, a tape and ten minutes.
      </p>
    );
  const both = [
    mine.data && { name: rod.tag, answer: mine.data },
    beside && its.data && { name: beside.tag, answer: its.data },
  ].filter((x): x is { name: string; answer: BendAnswer } => Boolean(x));
  const bent = (pick: (a: BendAnswer) => Bent['bend'] | null): Bent[] =>
    both.flatMap(({ name, answer }) => {
      const bend = pick(answer);
      return bend ? [{ name, bend, heldM: answer.heldM }] : [];
    });
  const fish = bent((a) => a.fish);
  const cast = bent((a) => a.cast);
  const answer = mine.data;
  const named = answer?.usual.map((b) => force(b.pullN)).join(', ');

  return (
    <div className="grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
      <section aria-label="Under a fish" className="min-w-0">
        <h2 className="text-lg font-semibold">Under a fish</h2>
        {answer && (
          <>
            <PullDrawing
              rods={fish}
              fan={answer.usual}
              line={`${force(load.pullN)} of pull`}
              label={`${rod.tag} under ${force(load.pullN)} at ${Math.round(load.angleDeg)} degrees to the line, to scale; faint: ${named}. The tip has come in ${show(metres(answer.reachLostM))}.`}
            />
            <p className="rubric font-normal">
              To scale, the line off to the right. Faint: {named}. {beside && `Dashed: ${long(beside)}.`}
            </p>
            <p className="mt-1 text-lg">
              <Say parts={answer.says} />. The tip has come in <b>{show(metres(answer.reachLostM))}</b>.
            </p>
            <p className={answer.breaks ? 'text-look' : ''}>
              <Say parts={answer.surgeSays} />.
            </p>
          </>
        )}
        <Pulls load={load} mostN={today?.outfit.tippet.wantedN ?? 0} problems={mine.fields} onChange={set} />
        {both.length > 0 && <Compared both={both} />}
        <div className="mt-3">
          <ThirdsBar rods={fish} />
        </div>
        <p className="mt-2 text-sm text-soft">
          A hand holds {answer?.handNm.low} to {answer?.handNm.high} N·m for minutes (common practice): the lower the
          rod to the line, the shorter its lever and the harder the pull. Line and leader are taken as stretchless, so a
          real surge is a little softer.
        </p>
        <Caution>
          These are planning figures. The weakest link is found by testing it, eyes covered; never high-stick a carbon
          rod past its handle.
        </Caution>
      </section>

      <section aria-label="In the cast" className="min-w-0">
        <Picks rod={rod} shed={shed} other={other} onOther={setOther} lineId={lineId} onLine={setLineId} />
        <h2 className="mt-4 text-lg font-semibold">In the middle of a stroke</h2>
        {answer?.cast && line ? (
          <>
            <PullDrawing
              rods={cast}
              height={300}
              line={`${line.tag} pulls ${show(answer.cast.pullN, 'pull')}`}
              label={`${rod.tag} in the middle of a stroke with ${line.tag}, to scale`}
            />
            <p className="rubric font-normal">To scale, rod upright. The line pulls as hard as its launch asks for.</p>
            <div className="mt-2 max-w-56">
              <Slide
                label="Line in the air"
                kind="length"
                value={load.carryM}
                from={3}
                to={20}
                step={0.25}
                problem={mine.fields.carryM}
                onChange={(carryM) => set({ carryM })}
              />
            </div>
            <div className="mt-3">
              <ThirdsBar rods={cast} />
            </div>
            <p className="mt-2 text-sm text-soft">
              <Say parts={answer.castSays} />.
            </p>
          </>
        ) : (
          <p className="text-soft">Pick a line of known mass to see the rod loaded by it.</p>
        )}
      </section>
    </div>
  );
}

type Both = { name: string; answer: BendAnswer }[];

function Compared({ both }: { both: Both }) {
  const { show } = useUnits();
  const force = (value: number) => show(value, 'force');
  return (
    <div className="mt-3 overflow-x-auto">
      <table className="w-full">
        <thead>
          <tr className="rubric text-left">
            <th scope="col" className="pr-3">
              rod
            </th>
            <th scope="col" className="pr-3">
              tip in by
            </th>
            <th scope="col" className="pr-3">
              in the hand
            </th>
            <th scope="col" className="pr-3">
              a hand keeps up
            </th>
            <th scope="col">after the surge</th>
          </tr>
        </thead>
        <tbody>
          {both.map(({ name, answer: a }) => (
            <tr key={name} className="border-t border-hair">
              <th scope="row" className="py-1 pr-3 text-left">
                {name}
              </th>
              <td>{show(metres(a.reachLostM))}</td>
              <td>{show(a.fish.buttNm, 'moment')}</td>
              <td>
                {force(a.handMostN.low)} to {force(a.handMostN.high)}
              </td>
              <td>{a.surgeN === null ? 'no rod left' : force(a.surgeN)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Pulls({
  load,
  mostN,
  problems,
  onChange: set,
}: {
  load: Load;
  mostN: number;
  problems: Record<string, string>;
  onChange: (next: Partial<Load>) => void;
}) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-4">
      <Slide
        label="Pull"
        kind="force"
        value={load.pullN}
        from={0}
        to={Math.max(40, 1.5 * mostN)}
        step={0.25}
        problem={problems.pullN}
        onChange={(pullN) => set({ pullN })}
      />
      <Slide
        label="Rod to line"
        kind="angle"
        value={load.angleDeg}
        from={10}
        to={165}
        step={1}
        problem={problems.angleDeg}
        onChange={(angleDeg) => set({ angleDeg })}
      />
      <Slide
        label="Surge, line locked"
        kind="length"
        value={load.surgeM}
        from={0}
        to={2}
        step={0.05}
        problem={problems.surgeM}
        onChange={(surgeM) => set({ surgeM })}
      />
      <MeasureField
        label="Tippet"
        kind="diameter"
        value={load.tippetM}
        problem={problems.tippetM}
        onChange={(tippetM) => set({ tippetM })}
      />
    </div>
  );
}

/** Another rod to lay over it, and the line that loads it. */
function Picks({
  rod,
  shed,
  other,
  onOther,
  lineId,
  onLine,
}: {
  rod: Rod;
  shed: GearShed;
  other: string;
  onOther: (id: string) => void;
  lineId: string;
  onLine: (id: string) => void;
}) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <Pick
        label="Another rod over it"
        value={other}
        options={[
          { id: none, name: 'none' },
          ...shed.rods.filter((r) => r.bend && r.id !== rod.id).map((r) => ({ id: String(r.id), name: long(r) })),
        ]}
        onChange={onOther}
      />
      <Pick
        label="Line"
        value={lineId}
        options={[
          { id: none, name: 'none' },
          ...shed.lines
            .filter((l) => (l.massKg ?? null) !== null)
            .map((l) => ({ id: String(l.id), name: `${l.tag} ${l.name}` })),
        ]}
        onChange={onLine}
      />
    </div>
  );
}
