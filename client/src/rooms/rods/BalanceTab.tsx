import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { api, unwrap, type GearShed, type Rod, type RodBalance, type Solution } from '../../api/client';
import { useAsk } from '../../api/useAsk';
import { useWidth } from '../../drawing/useWidth';
import { Facts } from '../../ui/Facts';
import { Pick } from '../../ui/Pick';
import { MeasureField, OptionalMeasureField } from '../../ui/TypedField';
import { rodLength, useUnits } from '../../ui/units';
import { useSettled } from '../../ui/useSettled';
import { Message } from '../../ui/Message';
import { lineToStart, useKeeping } from '../../state/gear';

/** How the outfit sits in the hand, and what a day of swinging it comes to. */
export function BalanceTab({ rod, shed, today }: { rod: Rod; shed: GearShed; today: Solution | null }) {
  const { show, standards } = useUnits();
  const [at, setAt] = useState<RodBalance>(rod.balance ?? rod.usualBalance);
  const [reelId, setReelId] = useState(() => {
    const reel = shed.reels.find((r) => r.id === today?.outfit.reel.id) ?? shed.reels[0];
    return String(reel?.id ?? 'none');
  });
  const [load, setLoad] = useState(() => {
    const { castsADay, strokesACast } = standards.beginnings.load;
    return { outsideM: 10, castsADay, strokesACast };
  });
  const [lineId, setLineId] = useState(() => String(lineToStart(shed, today)?.id ?? 'none'));
  const reel = shed.reels.find((r) => String(r.id) === reelId);
  const line = shed.lines.find((l) => String(l.id) === lineId);
  const { keep, words } = useKeeping('rods', rod);
  const settled = useSettled(at);
  // What lies under the line: on today's reel what is planned, on another what was noted of its own spool.
  const todays = today?.outfit.reel.id === reel?.id ? today?.outfit : undefined;
  const own = shed.spools.find((s) => s.reelId === reel?.id && !s.isSpare);
  const backing = todays?.backing.id ?? own?.backing ?? null;
  const backingM = backing === null ? 0 : (todays?.backingM ?? own?.backingM ?? 0);
  const body = { rod, balance: at, reel: reel ?? null, line: line ?? null, backing, backingM, ...load };
  const answer = useAsk(['balance', body], (signal) => unwrap(api.POST('/api/rods/balance', { body, signal })));
  const gear = (kg: number) => show({ value: kg, kind: 'gearMass', plusMinus: null });
  const b = answer.data?.balance;
  const reelKg = answer.data?.load.reelKg ?? 0;
  const outsideKg = answer.data?.load.outsideKg ?? 0;
  const set = (next: Partial<RodBalance>) => setAt((a) => ({ ...a, ...next }));
  const word = (f: string) => answer.fields[`balance.${f}`];

  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section aria-label="Balance" className="min-w-0">
        {b && <BalanceDrawing rod={rod} at={at} reelKg={reelKg} outsideKg={outsideKg} />}
        {b && (
          <div aria-live="polite">
            <p className="text-2xl font-bold" data-residual={(b.residualKg * 1000).toFixed(1)}>
              {b.word === 'in balance'
                ? 'In balance'
                : `${b.word === 'tip-heavy' ? 'Tip-heavy' : 'Reel-heavy'} by ${gear(Math.abs(b.residualKg))} at the butt`}
            </p>
            <p>
              A loaded reel of <b>{gear(b.balancingReelKg)}</b> would balance it. Yours is {gear(reelKg)},{' '}
              {show({ value: b.reelToRod, kind: 'ratio', plusMinus: null })} times the rod; {b.usualRatio.low} to{' '}
              {b.usualRatio.high} is usual.
            </p>
            <Facts
              rows={[
                ['everything in the hand', gear(b.totalKg)],
                ['swing weight, rod', `${b.swingKgM2.toFixed(4)} kg·m²`],
                ['swings like this at the tip', gear(b.tipKg)],
                ['swing weight, with reel', `${b.outfitSwingKgM2.toFixed(4)} kg·m²`],
                ['a day’s work of the arm', `${(b.dayJ / 1000).toFixed(1)} kJ`],
                [
                  'one ounce more, over the day',
                  `${show({ value: b.ounceDayKg, kind: 'fishMass', plusMinus: null })} lifted`,
                ],
              ]}
            />
            <p className="text-sm text-soft">
              Swing weight: {b.swingSource.note}. Two schools: balance at the grip, or as light as possible. The first
              looks at the line above, the second at everything in the hand and at the swing. A timed swing goes into
              the cast; an estimated one does not.
            </p>
          </div>
        )}
      </section>
      <section aria-label="Measures" data-entries className="min-w-0">
        <h2 className="font-semibold">From the butt end</h2>
        <div className="grid grid-cols-2 gap-2">
          <MeasureField
            label="Bare rod balances at"
            kind="shortLength"
            value={at.balanceM}
            assumed={!rod.balance}
            problem={word('balanceM')}
            onChange={(balanceM) => set({ balanceM })}
          />
          <MeasureField
            label="Forefinger lies at"
            kind="shortLength"
            value={at.fulcrumM!}
            problem={word('fulcrumM')}
            onChange={(fulcrumM) => set({ fulcrumM })}
          />
          <MeasureField
            label="Middle of the seat"
            kind="shortLength"
            value={at.seatM!}
            problem={word('seatM')}
            onChange={(seatM) => set({ seatM })}
          />
        </div>
        <h2 className="mt-4 font-semibold">As a pendulum</h2>
        <p className="text-soft">
          Hang it by the butt, let it swing a hand’s breadth, time ten full swings, divide by ten.
        </p>
        <div className="grid grid-cols-2 gap-2">
          <OptionalMeasureField
            label="One full swing"
            kind="time"
            value={at.swingS}
            problem={word('swingS')}
            onChange={(swingS) => set({ swingS })}
          />
          <MeasureField
            label="It hung at"
            kind="shortLength"
            value={at.pivotM!}
            problem={word('pivotM')}
            onChange={(pivotM) => set({ pivotM })}
          />
        </div>
        <h2 className="mt-4 font-semibold">What hangs on it</h2>
        <div className="grid grid-cols-2 gap-2">
          <Pick
            label="Reel"
            value={reelId}
            options={[
              { id: 'none', name: 'none' },
              ...shed.reels.map((r) => ({ id: String(r.id), name: `${r.tag} ${r.name}` })),
            ]}
            onChange={setReelId}
          />
          <Pick
            label="Line"
            value={lineId}
            options={[
              { id: 'none', name: 'none' },
              ...shed.lines
                .filter((l) => (l.massKg ?? null) !== null)
                .map((l) => ({ id: String(l.id), name: `${l.tag} ${l.name}` })),
            ]}
            onChange={setLineId}
          />
          <MeasureField
            label="Line outside the tip"
            kind="length"
            value={load.outsideM}
            problem={answer.fields.outsideM ?? answer.fields.outsideKg}
            onChange={(outsideM) => setLoad((l) => ({ ...l, outsideM: Math.max(0, outsideM) }))}
          />
          <MeasureField
            label="Casts in a day"
            kind="ratio"
            value={load.castsADay}
            problem={answer.fields.castsADay}
            onChange={(castsADay) => setLoad((l) => ({ ...l, castsADay }))}
          />
        </div>
        <Message>{words}</Message>
        <button
          className="btn mt-4 bg-ink! text-paper!"
          disabled={Object.keys(answer.fields).length > 0 || JSON.stringify(at) === JSON.stringify(rod.balance)}
          onClick={(e) =>
            void settled(e.currentTarget, (now) =>
              keep(
                () => unwrap(api.POST('/api/rods/{id}/balance', { params: { path: { id: rod.id } }, body: now })),
                `Balance kept with ${rod.tag}.`,
              ),
            )
          }
        >
          Keep this with {rod.tag}
        </button>
      </section>
    </div>
  );
}

/** The rod lying over the forefinger, to scale, with everything that turns it. */
function BalanceDrawing({
  rod,
  at,
  reelKg,
  outsideKg,
}: {
  rod: Rod;
  at: RodBalance;
  reelKg: number;
  outsideKg: number;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const x = scaleLinear([0, rod.lengthM], [26, width - 30]);
  const size = (kg: number) => 9 + 130 * kg;
  const gear = (kg: number) => show({ value: kg, kind: 'gearMass', plusMinus: null });
  const [seat, finger] = [at.seatM!, at.fulcrumM!];
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={176}
        role="img"
        className="block"
        aria-label={`The rod over the forefinger, to scale along its length: reel ${gear(reelKg)} behind, rod ${gear(rod.massKg ?? 0)} at its balance point, line ${gear(outsideKg)} at the tip`}
      >
        <path d={`M${x(0)},62L${x(rod.lengthM)},66V68L${x(0)},70Z`} fill="var(--ink)" />
        <rect x={x(0)} y="59" width={x(finger) - x(0)} height="14" rx="4" fill="var(--land)" stroke="var(--ink)" />
        {reelKg > 0 && (
          <>
            <circle
              cx={x(seat)}
              cy={78 + size(reelKg)}
              r={size(reelKg)}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth="1.6"
            />
            <text x={Math.max(4, x(seat) - size(reelKg))} y={96 + 2 * size(reelKg)} fontSize="13" fill="var(--ink)">
              reel, loaded {gear(reelKg)}
            </text>
          </>
        )}
        <path d={`M${x(finger)},74l12,22h-24z`} fill="var(--ink)" />
        <text x={x(finger) + 18} y="92" fontSize="13" fill="var(--ink)" textAnchor="start" className="hidden sm:block">
          forefinger
        </text>
        <path d={`M${x(at.balanceM)},36V60m-4,-7l4,7l4,-7`} stroke="var(--ink)" strokeWidth="1.6" fill="none" />
        <text
          x={x(at.balanceM) < 150 ? 4 : x(at.balanceM)}
          y="28"
          fontSize="13"
          textAnchor={x(at.balanceM) < 150 ? 'start' : 'middle'}
          fill="var(--ink)"
        >
          bare rod {gear(rod.massKg ?? 0)}, balances at{' '}
          {show({ value: at.balanceM, kind: 'shortLength', plusMinus: null })}
        </text>
        {outsideKg > 0 && (
          <>
            <line x1={x(rod.lengthM)} x2={x(rod.lengthM)} y1="67" y2="140" stroke="var(--signal)" strokeWidth="2.4" />
            <text x={x(rod.lengthM) - 6} y="138" fontSize="13" textAnchor="end" fill="var(--ink)">
              line outside {gear(outsideKg)}
            </text>
          </>
        )}
        <text x={width - 30} y="168" fontSize="12" textAnchor="end" fill="var(--soft)">
          {show(rodLength(rod.lengthM))} of rod, to scale along its length
        </text>
      </svg>
    </div>
  );
}
