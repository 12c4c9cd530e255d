import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { api, need, type Candidate, type LinkId, type Pins, type Solution } from '../../api/client';
import { FlyActual } from '../../drawing/FlyActual';
import { ClassScale, LineProfile, LoadBar, ReachBar } from '../../drawing/scales';
import { Spool } from '../../drawing/Spool';
import { Facts } from '../../ui/Facts';
import { HookField, MeasureField } from '../../ui/TypedField';
import { Mark, PinMark } from '../../ui/Mark';
import { Pick } from '../../ui/Pick';
import { Say } from '../../ui/Say';
import { metres, useUnits } from '../../ui/units';
import { useMeasuringBench } from '../brief/atHand';
import type { BriefWork } from '../brief/useBrief';
import { Cautions } from '../ledger/Ledger';
import { CastingBench } from '../casting/CastingBench';
import { GearForm } from '../shed/GearForm';
import type { GearKind } from '../shed/keeping';
import { RodToday } from '../rods/RodToday';
import { LeaderDrawing, TippetDrawing } from './drawings';

type Props = { link: LinkId; work: BriefWork; solution: Solution };

const pinKeys: Partial<Record<LinkId, (keyof Pins)[]>> = {
  tippet: ['tippetM'],
  leader: ['leaderM'],
  head: ['line', 'density'],
  backing: ['backing', 'backingM'],
  reel: ['reel'],
  rod: ['rod', 'rodClass', 'rodLengthM'],
};

/** Where one link is looked at, measured against the others, and pinned. */
export function Bench({ link, work, solution }: Props) {
  const shown = solution.chain.find((l) => l.id === link)!;
  const number = solution.chain.indexOf(shown) + 1;
  const keys = pinKeys[link] ?? [];
  const release = () => work.setPins(`unpin-${link}`, Object.fromEntries(keys.map((k) => [k, null])));
  return (
    <article className="mt-3" aria-label={`${shown.name} bench`}>
      <header className="mb-3">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <h2 className="text-2xl font-semibold">
            {number} {shown.name}
          </h2>
          <Mark verdict={shown.verdict} />
          <span className="flex-1" />
          {shown.pinned && (
            <button className="btn inline-flex items-center gap-1.5" onClick={release}>
              <PinMark on /> Let go of the pin
            </button>
          )}
        </div>
        <p className="text-lg">
          <Say parts={shown.title} />
        </p>
        <p className="text-soft">
          <Say parts={shown.why} />
        </p>
      </header>
      <Body link={link} work={work} solution={solution} />
      <Cautions cautions={solution.cautions} link={link} />
    </article>
  );
}

function Body({ link, work, solution }: Props) {
  switch (link) {
    case 'fly':
      return <FlyBench work={work} solution={solution} />;
    case 'tippet':
      return <TippetBench work={work} solution={solution} />;
    case 'leader':
      return <LeaderBench work={work} solution={solution} />;
    case 'head':
      return <HeadBench work={work} solution={solution} />;
    case 'running':
      return <RunningBench solution={solution} />;
    case 'backing':
      return <BackingBench work={work} solution={solution} />;
    case 'reel':
      return <ReelBench work={work} solution={solution} />;
    case 'rod':
      return <RodBench work={work} solution={solution} />;
    case 'hand':
      return <CastingBench work={work} solution={solution} />;
  }
}

type Part = Omit<Props, 'link'>;

function Pinned({ children }: { children: ReactNode }) {
  return (
    <div className="my-3 grid max-w-xl grid-cols-2 gap-3 border-t border-hair pt-3 sm:grid-cols-3">{children}</div>
  );
}

function FlyBench({ work, solution }: Part) {
  const { fly } = solution.brief;
  const { show, standards } = useUnits();
  return (
    <>
      <FlyActual solution={solution} />
      <Facts
        rows={[
          ['soaked', show({ value: fly.wetKg, kind: 'lineMass', plusMinus: null })],
          ['drag area in the air', show({ value: fly.areaM2, kind: 'area', plusMinus: null })],
          ['hook wire', show({ value: fly.hook.wireM, kind: 'diameter', plusMinus: null })],
          ['length over all', show({ value: fly.bodyM, kind: 'shortLength', plusMinus: null })],
        ]}
      />
      <Pinned>
        <Pick
          label="Family"
          value={fly.kind.id}
          options={standards.flyKinds}
          onChange={(flyKind) => work.setDraft('flyKind', { flyKind, hookSize: null, flyWetKg: null })}
        />
        <HookField
          label="Hook"
          hook={fly.sizeName ?? ''}
          problem={work.problems.hookSize}
          onChange={(hookSize) => work.setDraft('hookSize', { hookSize })}
        />
        <MeasureField
          label="Weighed, soaked"
          kind="lineMass"
          value={work.draft.flyWetKg ?? fly.wetKg}
          assumed={!fly.weighed}
          problem={work.problems.flyWetKg}
          onChange={(flyWetKg) => work.setDraft('flyWetKg', { flyWetKg })}
        />
      </Pinned>
    </>
  );
}

function TippetBench({ work, solution }: Part) {
  const { standards, showFigure } = useUnits();
  const tables = standards.tables.filter((t) => t.id === 'tippet' || t.id === 'heavy-tippet');
  const now = solution.outfit.leader.tippetM;
  return (
    <>
      <TippetDrawing wireM={solution.brief.fly.hook.wireM} tippet={solution.outfit.tippet} />
      <Pinned>
        <MeasureField
          label="Pin a thickness"
          kind="diameter"
          value={work.pins.tippetM ?? now}
          solved={work.pins.tippetM == null}
          problem={work.problems['pins.tippetM']}
          onChange={(tippetM) => work.setPins('tippetM', { tippetM })}
        />
      </Pinned>
      <div className="grid gap-6 sm:grid-cols-2">
        {tables.map((table) => (
          <table key={table.id} className="h-min w-full">
            <caption className="rubric text-left">{table.title}</caption>
            <thead>
              <tr className="rubric">
                {table.columns.map((c) => (
                  <th key={c} scope="col" className="text-left font-semibold">
                    {c}
                  </th>
                ))}
                <th className="sr-only">Pin</th>
              </tr>
            </thead>
            <tbody>
              {table.rows.map((cells, i) => {
                const thick = cells.find((c) => c.quantity?.kind === 'diameter')!.quantity!.value;
                const here = Math.abs(thick - now) < 6e-6;
                return (
                  <tr key={i} className={`border-t border-hair ${here ? 'bg-sheet font-bold' : ''}`}>
                    {cells.map((cell, j) => (
                      <td key={j} className="py-1">
                        {showFigure(cell)}
                      </td>
                    ))}
                    <td className="text-right">
                      <button
                        className="quiet"
                        aria-label={`Pin ${showFigure(cells[0]!)}`}
                        onClick={() => work.setPins('tippetM', { tippetM: thick })}
                      >
                        <PinMark on={work.pins.tippetM != null && here} />
                      </button>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        ))}
      </div>
    </>
  );
}

function LeaderBench({ work, solution }: Part) {
  const { leader, rod } = solution.outfit;
  const { show } = useUnits();
  return (
    <>
      <LeaderDrawing leader={leader} rodM={rod.lengthM} />
      <table className="my-3 w-full max-w-xl">
        <caption className="rubric text-left">From the line to the fly</caption>
        <thead>
          <tr className="rubric text-left">
            <th scope="col">piece</th>
            <th scope="col">length</th>
            <th scope="col">from</th>
            <th scope="col">to</th>
          </tr>
        </thead>
        <tbody>
          {leader.pieces.map((piece) => (
            <tr key={piece.name} className="border-t border-hair">
              <td className="py-1">{piece.name}</td>
              <td>{show(metres(piece.lengthM))}</td>
              <td>{show({ value: piece.startM, kind: 'diameter', plusMinus: null })}</td>
              <td>{show({ value: piece.endM, kind: 'diameter', plusMinus: null })}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Pinned>
        <MeasureField
          label="Pin a length"
          kind="length"
          value={work.pins.leaderM ?? leader.lengthM}
          solved={work.pins.leaderM == null}
          problem={work.problems['pins.leaderM']}
          onChange={(leaderM) => work.setPins('leaderM', { leaderM })}
        />
      </Pinned>
    </>
  );
}

function HeadBench({ work, solution }: Part) {
  const { outfit } = solution;
  const { show, standards } = useUnits();
  const { load, line } = outfit;
  const wanted = [{ id: 'free', name: 'as the depth asks' }, ...standards.densities];
  return (
    <>
      <LineProfile stretches={line.stretches ?? []} headM={line.headM} carryM={outfit.carryM} />
      <Facts
        rows={[
          ['head', show({ value: line.massKg ?? 0, kind: 'lineMass', plusMinus: null })],
          [
            'judged',
            `${show({ value: load.lineKg, kind: 'lineMass', plusMinus: null })} in ${show(metres(load.judgedM))}`,
          ],
          ['with the fly, of the class', show({ value: load.ratio, kind: 'ratio', plusMinus: null })],
          ['ideal, line alone', show({ value: load.ideal, kind: 'ratio', plusMinus: null })],
        ]}
      />
      <Pinned>
        <Pick
          label="Density"
          value={work.pins.density ?? 'free'}
          options={wanted}
          onChange={(id) => work.setPins('density', { density: id === 'free' ? null : id })}
        />
      </Pinned>
      <Candidates
        kind="lines"
        rows={solution.lines}
        pinned={work.pins.line}
        onPin={(line) => work.setPins('line', { line })}
        figure="of the class"
        drawing={(c) => <LoadBar ratio={c.scale} ideal={load.ideal} window={load.window} />}
        legend="Bar: the rod's window; upright line: the ideal; diamond: this line and the fly."
      />
    </>
  );
}

function RunningBench({ solution }: { solution: Solution }) {
  const { outfit } = solution;
  const { show } = useUnits();
  const rest = Math.max(0, outfit.line.lengthM + outfit.leader.lengthM - solution.brief.distanceM);
  return (
    <>
      <ReachBar solution={solution} />
      <Facts
        rows={[
          ['held in the air', show(metres(outfit.carryM))],
          ['shot', show(metres(outfit.shootM))],
          ['running line', show(metres(Math.max(0, outfit.line.lengthM - outfit.line.headM)))],
          ['line left on the reel', show(metres(rest))],
        ]}
      />
    </>
  );
}

function BackingBench({ work, solution }: Part) {
  const { outfit } = solution;
  const { show, standards } = useUnits();
  return (
    <>
      <Facts
        rows={[
          ['planned', `${show(metres(outfit.backingM))}`],
          ['longest run to expect', show(metres(solution.brief.species.group.runM))],
          ['strength', show({ value: outfit.backing.strengthN, kind: 'force', plusMinus: null })],
          ['would fit under this line', outfit.fill ? show(metres(outfit.fill.fitsBackingM)) : 'unknown'],
        ]}
      />
      <Pinned>
        <Pick
          label="Kind"
          value={work.pins.backing ?? 'free'}
          options={[{ id: 'free', name: 'as it fits' }, ...standards.backings]}
          onChange={(id) => work.setPins('backing', { backing: id === 'free' ? null : id })}
        />
        <MeasureField
          label="Pin a length"
          kind="length"
          value={work.pins.backingM ?? outfit.backingM}
          solved={work.pins.backingM == null}
          problem={work.problems['pins.backingM']}
          onChange={(backingM) => work.setPins('backingM', { backingM })}
        />
      </Pinned>
      <SpoolView solution={solution} />
    </>
  );
}

function SpoolView({ solution }: { solution: Solution }) {
  const { outfit } = solution;
  const { show } = useUnits();
  const measured = outfit.reel.rimM && outfit.fill?.lineRadiusM;
  const mm = (m: number | null | undefined) =>
    m == null ? 'unknown' : show({ value: m, kind: 'shortLength', plusMinus: null });
  return (
    <figure className="m-0 flex flex-wrap items-center gap-6">
      <svg
        width={230}
        height={230}
        role="img"
        aria-label={
          measured ? 'The spool from the side, to scale: arbor, backing, line, rim' : 'A spool nobody measured'
        }
      >
        <Spool cx={115} cy={115} radius={106} reel={outfit.reel} fill={outfit.fill} />
      </svg>
      <figcaption className="max-w-56">
        {measured
          ? 'To scale from the side: open centre the arbor, grey the backing, coloured the line, outer ring the rim.'
          : 'Not to scale: nobody measured this spool. Put a ruler across arbor, rim and width.'}
        <span className="mt-2 block text-soft">
          arbor {mm(outfit.reel.arborM)}, rim {mm(outfit.reel.rimM)}, width {mm(outfit.reel.widthM)}
          {outfit.fill?.rimGapM != null && `; ${mm(outfit.fill.rimGapM)} free at the rim`}
        </span>
      </figcaption>
    </figure>
  );
}

function ReelBench({ work, solution }: Part) {
  return (
    <>
      <SpoolView solution={solution} />
      <Candidates
        kind="reels"
        rows={solution.reels}
        pinned={work.pins.reel}
        onPin={(reel) => work.setPins('reel', { reel })}
        figure="of its room used"
      />
    </>
  );
}

function RodBench({ work, solution }: Part) {
  const shed = useQuery({ queryKey: ['shed'], queryFn: () => need(api.GET('/api/shed')) });
  const order = solution.rods.map((r) => r.id);
  const rods = (shed.data?.rods ?? [])
    .filter((r) => order.includes(r.id ?? 0))
    .sort((a, b) => order.indexOf(a.id ?? 0) - order.indexOf(b.id ?? 0))
    .map((r) => ({
      id: r.id ?? 0,
      tag: r.tag,
      printed: r.printedClass ?? null,
      measured: r.measuredClass ?? null,
      plusMinus: r.measuredPlusMinus ?? null,
    }));
  return (
    <>
      <ClassScale solution={solution} rods={rods} />
      {shed.data && <RodToday solution={solution} />}
      <Pinned>
        <MeasureField
          label="Pin a class"
          kind="lineClass"
          value={work.pins.rodClass ?? solution.class.target}
          solved={work.pins.rodClass == null}
          problem={work.problems['pins.rodClass']}
          onChange={(rodClass) => work.setPins('rodClass', { rodClass })}
        />
        <MeasureField
          label="Pin a length"
          kind="length"
          value={work.pins.rodLengthM ?? solution.outfit.rod.lengthM}
          solved={work.pins.rodLengthM == null}
          problem={work.problems['pins.rodLengthM']}
          onChange={(rodLengthM) => work.setPins('rodLengthM', { rodLengthM })}
        />
      </Pinned>
      <Candidates
        kind="rods"
        rows={solution.rods}
        pinned={work.pins.rod}
        onPin={(rod) => work.setPins('rod', { rod })}
        figure="class"
      />
    </>
  );
}

type CandidatesProps = {
  kind: Exclude<GearKind, 'scraps'>;
  rows: Candidate[];
  pinned: number | null | undefined;
  onPin: (id: number | null) => void;
  figure: string;
  drawing?: (c: Candidate) => ReactNode;
  legend?: string;
};

/** What the shed holds for this link, best first. */
function Candidates({ kind, rows, pinned, onPin, figure, drawing, legend }: CandidatesProps) {
  const { showFigure } = useUnits();
  const bench = useMeasuringBench();
  const [form, setForm] = useState<number | 'new' | null>(null);
  return (
    <section aria-label="In the shed" className="mt-4">
      <header className="flex items-baseline justify-between">
        <h3 className="text-lg font-semibold">In the shed, best first</h3>
        <button className="btn" onClick={() => setForm('new')}>
          Add a {kind.slice(0, -1)}
        </button>
      </header>
      {rows.length === 0 ? (
        <p className="my-3 text-soft">
          There are no {kind} in the shed. Until you add one, the chain above says what to look for.
        </p>
      ) : (
        <table className="mt-1 w-full">
          <thead className="sr-only">
            <tr>
              <th>Tag</th>
              <th>{figure}</th>
              <th>How it would do</th>
              <th>Pin</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr
                key={row.id}
                className={`border-t border-hair align-top ${row.chosen ? 'bg-sheet' : ''}`}
                data-tag={row.tag}
              >
                <th
                  scope="row"
                  className={`w-14 border-l-4 py-1.5 pr-2 pl-1.5 text-left ${row.chosen ? 'border-signal' : 'border-transparent'}`}
                >
                  {row.tag}
                </th>
                <td className="w-24 py-1.5">
                  <span className="font-semibold whitespace-nowrap">{showFigure(row.figure)}</span>
                  {drawing?.(row)}
                </td>
                <td className="py-1.5">
                  <span className="flex flex-wrap items-baseline gap-x-2">
                    <span className={row.chosen ? 'font-semibold' : ''}>{row.name}</span>
                    <Mark verdict={row.verdict} />
                  </span>
                  <span className="block leading-snug text-soft">
                    <Say parts={row.why} />
                  </span>
                </td>
                <td className="w-16 py-1 text-right sm:w-auto sm:whitespace-nowrap">
                  {kind !== 'reels' && (
                    <Link className="quiet underline" to={bench(kind, row.id)} aria-label={`Measure ${row.tag}`}>
                      measure
                    </Link>
                  )}
                  <button
                    className="quiet"
                    aria-label={`Look at ${row.tag} or change it`}
                    onClick={() => setForm(row.id)}
                  >
                    edit
                  </button>
                  <button
                    className="quiet"
                    aria-pressed={pinned === row.id}
                    aria-label={`Pin ${row.tag}`}
                    title={pinned === row.id ? 'Let go' : 'Pin'}
                    onClick={() => onPin(pinned === row.id ? null : row.id)}
                  >
                    <PinMark on={pinned === row.id} />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {legend && rows.length > 0 && <p className="rubric font-normal">{legend}</p>}
      {form !== null && <GearForm kind={kind} id={form === 'new' ? null : form} onClose={() => setForm(null)} />}
    </section>
  );
}
