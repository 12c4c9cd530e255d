import { Link } from 'react-router';
import { api, unwrap, type Solution } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { PullDrawing } from '../../drawing/RodBends';
import { Say } from '../../ui/Say';
import { carried, metres, useUnits } from '../../ui/units';
import { useMeasuringBench } from '../../state/atHand';

/** The chosen rod bent by today's line, and by the pull its fish asks of the tippet: half its weight. */
export function RodToday({ solution }: { solution: Solution }) {
  const { show, standards } = useUnits();
  const { fight } = standards.beginnings;
  const bench = useMeasuringBench();
  const { rod, line, leader, carryM, tippet } = solution.outfit;
  const { brief } = solution;
  const pullN = tippet.wantedN;
  const body = {
    rod,
    line: line.massKg == null ? null : line,
    pullN,
    angleDeg: fight.angleDeg,
    surgeM: fight.surgeM,
    tippetM: leader.tippetM,
    carryM,
    casterId: brief.caster.id,
  };
  const { data } = useAsk(
    key('bend', body),
    (signal) => unwrap(api.POST('/api/rods/bend', { body, signal })),
    rod.bend != null,
  );
  if (rod.id === 0) return null;
  if (rod.bend == null)
    return (
      <p className="my-3">
        Nobody knows how {rod.tag} bends.{' '}
        <Link className="underline" to={bench('rods', rod.id, 'test')}>
          Bend-test it
        </Link>
        : a bag of coins, a tape and ten minutes.
      </p>
    );
  if (!data) return null;
  return (
    <section aria-label="How it bends today" className="my-3 border-t border-hair pt-2">
      <h3 className="text-lg font-semibold">How it bends today</h3>
      <div className="grid gap-4 sm:grid-cols-2">
        {data.cast && (
          <figure className="m-0 min-w-0">
            <PullDrawing
              rods={[{ name: rod.tag, bend: data.cast, heldM: data.heldM }]}
              height={220}
              line={line.tag}
              label={`${rod.tag} in the middle of a stroke with ${line.tag}, to scale`}
            />
            <figcaption className="text-soft">
              In the middle of a stroke, {show(carried(carryM))} of {line.tag} pulling {show(data.cast.pullN, 'pull')}.{' '}
              <Say parts={data.castSays} />.
            </figcaption>
          </figure>
        )}
        <figure className="m-0 min-w-0">
          <PullDrawing
            rods={[{ name: rod.tag, bend: data.fish, heldM: data.heldM }]}
            height={220}
            line={show(pullN, 'force')}
            label={`${rod.tag} under half the weight of the fish, to scale`}
          />
          <figcaption className="text-soft">
            Under half the fish’s weight: the tip comes in {show(metres(data.reachLostM))}.{' '}
            <Say parts={data.surgeSays} />.
          </figcaption>
        </figure>
      </div>
      <Link className="underline" to={bench('rods', rod.id, 'bend')}>
        Bend it further on the rod bench
      </Link>
    </section>
  );
}
