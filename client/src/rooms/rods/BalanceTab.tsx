import { scaleLinear } from 'd3-scale';
import {
  api,
  unwrap,
  type BalanceAnswer,
  type GearShed,
  type Rod,
  type RodBalance,
  type Solution,
} from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { useWidth } from '../../drawing/useWidth';
import { lineToStart, taggedName, useKeeping } from '../../state/gear';
import { Facts } from '../../ui/Facts';
import { Again, Choice, Measure } from '../../ui/fields';
import { draftOf, useFaults, useForm } from '../../ui/form';
import { Message } from '../../ui/Message';
import { rodLength, useRound, useUnits } from '../../ui/units';
import { Words } from '../../drawing/Words';

/** What is asked on the bench; the balance itself is kept with the rod. */
type Asked = { balance: RodBalance; reelId: number; lineId: number; outsideM: number; castsADay: number };

/** What lies under the line: on today's reel what is planned, on another what was noted of its own spool. */
function underLine(shed: GearShed, reelId: number, today: Solution | null) {
  const todays = today?.outfit.reel.id === reelId ? today.outfit : undefined;
  const own = shed.spools.find((s) => s.reelId === reelId && !s.isSpare);
  const backing = todays?.backing.id ?? own?.backing ?? null;
  return { backing, backingM: backing === null ? 0 : (todays?.backingM ?? own?.backingM ?? 0) };
}

/** How the outfit sits in the hand, and what a day of swinging it comes to. */
export function BalanceTab({ rod, shed, today }: { rod: Rod; shed: GearShed; today: Solution | null }) {
  const { standards } = useUnits();
  const outsideM = useRound()(10, 3);
  const { castsADay, strokesACast } = standards.beginnings.load;
  const { keep } = useKeeping('rods', rod);
  const first = shed.reels.find((r) => r.id === today?.outfit.reel.id) ?? shed.reels[0];
  const form = useForm<Asked>(
    draftOf('balance', rod.id),
    {
      balance: rod.balance ?? rod.usualBalance,
      reelId: first?.id ?? 0,
      lineId: lineToStart(shed, today)?.id ?? 0,
      outsideM,
      castsADay,
    },
    rod.version,
  );
  const { balance: at, reelId, lineId, ...load } = form.values;
  const reel = shed.reels.find((r) => r.id === reelId);
  const line = shed.lines.find((l) => l.id === lineId);
  const under = underLine(shed, reelId, today);
  const body = { rod, balance: at, reel: reel ?? null, line: line ?? null, ...under, strokesACast, ...load };
  const answer = useAsk(key('balance', body), (signal) => unwrap(api.POST('/api/rods/balance', { body, signal })));
  const { outsideKg: tooMuch, ...fields } = answer.fields;
  useFaults(form, tooMuch ? { ...fields, outsideM: tooMuch } : fields);
  const path = { params: { path: { id: rod.id } } };

  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section aria-label="Balance" className="min-w-0">
        {answer.data && <Balanced rod={rod} at={at} answer={answer.data} />}
      </section>
      <section aria-label="Measures" {...form.area} className="min-w-0">
        <Again form={form} />
        <h2 className="font-semibold">From the butt end</h2>
        <div className="grid grid-cols-2 gap-2">
          <Measure
            of={form}
            at="balance.balanceM"
            label="Bare rod balances at"
            kind="shortLength"
            assumed={!rod.balance}
          />
          <Measure of={form} at="balance.fulcrumM" label="Forefinger lies at" kind="shortLength" />
          <Measure of={form} at="balance.seatM" label="Middle of the seat" kind="shortLength" />
        </div>
        <h2 className="mt-4 font-semibold">As a pendulum</h2>
        <p className="text-soft">
          Hang it by the butt, let it swing a hand’s breadth, time ten full swings, divide by ten.
        </p>
        <div className="grid grid-cols-2 gap-2">
          <Measure of={form} at="balance.swingS" label="One full swing" kind="time" empty />
          <Measure of={form} at="balance.pivotM" label="It hung at" kind="shortLength" />
        </div>
        <h2 className="mt-4 font-semibold">What hangs on it</h2>
        <div className="grid grid-cols-2 gap-2">
          <Choice of={form} at="reelId" label="Reel" options={shed.reels.map(taggedName)} none="none" />
          <Choice
            of={form}
            at="lineId"
            label="Line"
            options={shed.lines.filter((l) => l.massKg != null).map(taggedName)}
            none="none"
          />
          <Measure of={form} at="outsideM" label="Line outside the tip" kind="length" />
          <Measure of={form} at="castsADay" label="Casts in a day" kind="ratio" />
        </div>
        <Message>{form.words}</Message>
        <button
          className="btn mt-4 bg-ink! text-paper!"
          disabled={Object.keys(answer.fields).length > 0 || JSON.stringify(at) === JSON.stringify(rod.balance)}
          onClick={() =>
            void form.keep((now) =>
              keep(
                () => unwrap(api.POST('/api/rods/{id}/balance', { ...path, body: now.balance })),
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

/** What the balance comes to, drawn and in figures. */
function Balanced({ rod, at, answer }: { rod: Rod; at: RodBalance; answer: BalanceAnswer }) {
  const { show } = useUnits();
  const gear = (kg: number) => show(kg, 'gearMass');
  const { balance: b, load } = answer;
  const heavy = b.word === 'tip-heavy' ? 'Tip-heavy' : 'Reel-heavy';
  return (
    <>
      <BalanceDrawing rod={rod} at={at} reelKg={load.reelKg} outsideKg={load.outsideKg} />
      <div aria-live="polite">
        <p className="text-2xl font-bold" data-residual={(b.residualKg * 1000).toFixed(1)}>
          {b.word === 'in balance' ? 'In balance' : `${heavy} by ${gear(Math.abs(b.residualKg))} at the butt`}
        </p>
        <p>
          A loaded reel of <b>{gear(b.balancingReelKg)}</b> would balance it. Yours is {gear(load.reelKg)},{' '}
          {show(b.reelToRod, 'ratio')} times the rod; {b.usualRatio.low} to {b.usualRatio.high} is usual.
        </p>
        <Facts
          rows={[
            ['everything in the hand', gear(b.totalKg)],
            ['swing weight, rod', `${b.swingKgM2.toFixed(4)} kg·m²`],
            ['swings like this at the tip', gear(b.tipKg)],
            ['swing weight, with reel', `${b.outfitSwingKgM2.toFixed(4)} kg·m²`],
            ['a day’s work of the arm', `${(b.dayJ / 1000).toFixed(1)} kJ`],
            ['one ounce more, over the day', `${show(b.ounceDayKg, 'fishMass')} lifted`],
          ]}
        />
        <p className="text-sm text-soft">
          Swing weight: {b.swingSource.note}. Two schools: balance at the grip, or as light as possible. The first looks
          at the line above, the second at everything in the hand and at the swing. A timed swing goes into the cast; an
          estimated one does not.
        </p>
      </div>
    </>
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
  const gear = (kg: number) => show(kg, 'gearMass');
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
            <Words x={Math.max(4, x(seat) - size(reelKg))} y={96 + 2 * size(reelKg)} size={13}>
              reel, loaded {gear(reelKg)}
            </Words>
          </>
        )}
        <path d={`M${x(finger)},74l12,22h-24z`} fill="var(--ink)" />
        <Words x={x(finger) + 18} y="92" size={13} anchor="start" className="hidden sm:block">
          forefinger
        </Words>
        <path d={`M${x(at.balanceM)},36V60m-4,-7l4,7l4,-7`} stroke="var(--ink)" strokeWidth="1.6" fill="none" />
        <Words
          x={x(at.balanceM) < 150 ? 4 : x(at.balanceM)}
          y="28"
          size={13}
          anchor={x(at.balanceM) < 150 ? 'start' : 'middle'}
        >
          bare rod {gear(rod.massKg ?? 0)}, balances at {show(at.balanceM, 'shortLength')}
        </Words>
        {outsideKg > 0 && (
          <>
            <line x1={x(rod.lengthM)} x2={x(rod.lengthM)} y1="67" y2="140" stroke="var(--signal)" strokeWidth="2.4" />
            <Words x={x(rod.lengthM) - 6} y="138" size={13} anchor="end">
              line outside {gear(outsideKg)}
            </Words>
          </>
        )}
        <Words x={width - 30} y="168" anchor="end" soft>
          {show(rodLength(rod.lengthM))} of rod, to scale along its length
        </Words>
      </svg>
    </div>
  );
}
