import { Link as RouterLink } from 'react-router';
import type { Link, LinkId, Solution } from '../../api/client';
import { Mark, PinMark } from '../../ui/Mark';
import { Say } from '../../ui/Say';
import { useToast } from '../../ui/toast';
import { useUnits } from '../../ui/units';
import { Cautions } from '../chain/Cautions';
import type { BenchProps } from '../shared/bench';
import { benches } from './benches';

type Mend = NonNullable<Link['mend']>;

/** The press that mends a link: in the brief, by a pin, or on the bench where its piece is measured. */
function MendIt({ link, mend, work, outfit }: Omit<Props, 'solution'> & { mend: Mend; outfit: Solution['outfit'] }) {
  const toast = useToast();
  const says = <Say parts={mend.says} />;
  if (mend.measure)
    return (
      <RouterLink
        className="btn mt-1"
        to={link === 'reel' ? `/reels/${outfit.reel.id}?part=measure` : `/rods/${outfit.rod.id}?part=test`}
      >
        {says}
      </RouterLink>
    );
  const press = () => {
    const before = { draft: work.draft, pins: work.pins };
    work.change('mend', (w) => ({ ...w, draft: mend.brief ?? w.draft, pins: mend.pins ?? w.pins }));
    toast({ words: 'Changed.', undo: () => work.change('mend-back', (w) => ({ ...w, ...before })) });
  };
  return (
    <button className="btn mt-1" data-mend={link} onClick={press}>
      {says}
    </button>
  );
}

type Props = BenchProps & { link: LinkId };

/** Where one link is looked at, measured against the others, and pinned. */
export function Bench({ link, work, solution }: Props) {
  const shown = solution.chain.find((l) => l.id === link)!;
  const number = solution.chain.indexOf(shown) + 1;
  const { pins } = useUnits().standards.pins.find((p) => p.link === link)!;
  const release = () => work.setPins(`unpin-${link}`, Object.fromEntries(pins.map((pin) => [pin, null])));
  const Body = benches[link];
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
        {shown.mend && <MendIt link={link} mend={shown.mend} work={work} outfit={solution.outfit} />}
      </header>
      <Body work={work} solution={solution} />
      <Cautions cautions={solution.cautions} link={link} />
    </article>
  );
}
