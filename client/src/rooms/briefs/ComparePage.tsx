import { Link } from 'react-router';
import type { Pins, Solution } from '../../api/client';
import { HeadProfile, headSpan } from '../../drawing/HeadProfile';
import { ReachBar, reachSpan } from '../../drawing/ReachBar';
import { useKeptBrief } from '../../state/atHand';
import { useBriefs } from '../../state/briefs';
import { castFigures } from '../../state/figures';
import { useShed } from '../../state/gear';
import { useAnswer } from '../../state/useAnswer';
import { Mark } from '../../ui/Mark';
import { Pick } from '../../ui/Pick';
import { Say, useSayText } from '../../ui/Say';
import { useUnits } from '../../ui/units';
import { useAddress } from '../../ui/useAddress';
import { Lost } from '../../ui/Lost';
import { UrgentCautions } from '../chain/Cautions';

type Side = 'a' | 'b';
const asSolved = 'solved';

/** One side: a kept brief, and pieces tried in it instead of what it came to. Nothing of it is kept. */
function useSide(side: Side) {
  const address = useAddress();
  const { data: briefs } = useBriefs();
  const ids = (briefs ?? []).map((b) => b.id);
  const asked = Number(address.asked(side));
  const other = Number(address.asked(side === 'a' ? 'b' : 'a'));
  const id = ids.includes(asked) ? asked : (ids.find((i) => i !== other) ?? ids[0] ?? null);
  const { data: brief } = useKeptBrief(id);
  const rod = Number(address.asked(`${side}rod`)) || null;
  const line = Number(address.asked(`${side}line`)) || null;
  const pins: Pins | undefined = brief && {
    ...brief.pins,
    ...(rod && { rod, rodClass: null, rodLengthM: null }),
    ...(line && { line, density: null }),
  };
  const answer = useAnswer(brief && pins ? { draft: brief.draft, pins, off: brief.off } : null);
  const set = (name: string, value: string | null) => address.ask({ [name]: value });
  return { side, id, brief, rod, line, briefs: briefs ?? [], set, ...answer };
}

/** Two briefs, or two outfits for one, beside each other on the same axes. */
export function ComparePage() {
  const [a, b] = [useSide('a'), useSide('b')];
  const { solution: left } = a;
  const { solution: right } = b;
  const text = useSayText();
  const { showFigure } = useUnits();
  if (a.briefs.length === 0)
    return <Lost words="There is no brief to compare yet." to="/briefs/new" name="Start a brief" />;
  const both = left && right ? [left, right] : null;
  const spanM = both && Math.max(...both.map((s) => reachSpan(castFigures(s))));
  const axes = both && {
    lengthM: Math.max(...both.map((s) => headSpan(s.outfit.line.headM))),
    thickM: Math.max(...both.flatMap((s) => s.outfit.line.stretches.flatMap((p) => [p.startM, p.endM]))),
  };
  const line = (s: Solution, link: string) => s.card.lines.find((l) => l.link === link);
  const figure = (s: Solution, link: string) => s.chain.find((l) => l.id === link)!;
  return (
    <main id="main" className="mx-auto max-w-[84rem] px-4 py-3">
      <h1 className="text-2xl font-semibold">Side by side</h1>
      <p className="text-soft">Two briefs, or two outfits for the same one. Nothing tried here is kept.</p>
      <div className="mt-2 grid gap-x-8 gap-y-4 md:grid-cols-2">
        <Chooser side={a} />
        <Chooser side={b} />
        {both && spanM && axes
          ? both.map((s, i) => (
              <section key={i} aria-label={i ? 'Second, drawn' : 'First, drawn'} className="min-w-0">
                <ReachBar {...castFigures(s)} spanM={spanM} />
                <HeadProfile
                  stretches={s.outfit.line.stretches}
                  headM={s.outfit.line.headM}
                  carryM={s.outfit.carryM}
                  axes={axes}
                />
                <UrgentCautions cautions={s.cautions} />
              </section>
            ))
          : [a, b].map((side) => (
              <p key={side.side} className="text-soft">
                {side.failure ? (Object.values(side.failure.fields)[0] ?? side.failure.message) : 'Working it out…'}
              </p>
            ))}
      </div>
      {both && (
        <table className="mt-4 w-full">
          <caption className="sr-only">The two outfits, link by link</caption>
          <thead>
            <tr className="rubric text-left">
              <th scope="col">link</th>
              <th scope="col">{a.brief?.name}</th>
              <th scope="col">{b.brief?.name}</th>
            </tr>
          </thead>
          <tbody>
            <tr className="border-t border-hair">
              <th scope="row" className="pr-3 text-left font-normal text-soft">
                class aimed for
              </th>
              {both.map((s, i) => (
                <td key={i} className="font-semibold">
                  {showFigure(s.class.aim)}
                </td>
              ))}
            </tr>
            {both[0]!.chain.map((l) => {
              const [first, second] = both.map(
                (s) => `${text(line(s, l.id)?.says ?? [])}${showFigure(figure(s, l.id).figure)}`,
              );
              const differ = first !== second;
              return (
                <tr key={l.id} className="border-t border-hair align-top">
                  <th scope="row" className="py-1 pr-3 text-left font-normal text-soft">
                    {l.name}
                    {!differ && <span className="block text-[0.8rem]">the same</span>}
                  </th>
                  {both.map((s, i) => {
                    const here = figure(s, l.id);
                    const words = line(s, l.id);
                    return (
                      <td key={i} className={`w-[45%] py-1 pr-4 ${differ ? '' : 'text-soft'}`}>
                        <span className="flex flex-wrap items-baseline gap-x-2">
                          <strong className={differ ? '' : 'font-normal'}>{showFigure(here.figure)}</strong>
                          <Mark verdict={here.verdict} />
                        </span>
                        <span className="block leading-snug">
                          <Say parts={words?.says ?? here.why} />
                        </span>
                      </td>
                    );
                  })}
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </main>
  );
}

function Chooser({ side: s }: { side: ReturnType<typeof useSide> }) {
  const { data: shed } = useShed();
  const which = s.side === 'a' ? 'First' : 'Second';
  const piece = (
    label: string,
    key: string,
    value: number | null,
    pieces: { id?: number; tag: string; name: string }[],
  ) => (
    <Pick
      label={label}
      value={value ? String(value) : asSolved}
      options={[
        { id: asSolved, name: 'as the brief has it' },
        ...pieces.map((p) => ({ id: String(p.id), name: `${p.tag} ${p.name}` })),
      ]}
      onChange={(id) => s.set(key, id === asSolved ? null : id)}
    />
  );
  return (
    <section aria-label={`${which}, chosen`} className="grid min-w-0 grid-cols-2 gap-x-3 gap-y-1">
      <div className="col-span-2 flex items-end gap-3">
        <div className="min-w-0 flex-1">
          <Pick
            label={`${which}: brief`}
            value={String(s.id)}
            options={s.briefs.map((b) => ({ id: String(b.id), name: b.name }))}
            onChange={(id) => s.set(s.side, id)}
          />
        </div>
        <Link className="quiet underline underline-offset-4" to={`/briefs/${s.id}`}>
          Open it
        </Link>
      </div>
      {piece(`${which}: rod`, `${s.side}rod`, s.rod, shed?.rods ?? [])}
      {piece(`${which}: line`, `${s.side}line`, s.line, shed?.lines ?? [])}
    </section>
  );
}
