import type { LinkId } from '../../api/client';
import { Mark, PinMark } from '../../ui/Mark';
import { Say } from '../../ui/Say';
import { useUnits } from '../../ui/units';
import { Cautions } from '../chain/Cautions';
import type { BenchProps } from '../shared/bench';
import { benches } from './benches';

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
      </header>
      <Body work={work} solution={solution} />
      <Cautions cautions={solution.cautions} link={link} />
    </article>
  );
}
