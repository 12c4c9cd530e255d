import { useState } from 'react';
import { api, unwrap, type FillAnswer, type FlyLine, type Leader, type Reel } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { SpoolSection } from '../../drawing/SpoolSection';
import { TurnChart } from '../../drawing/TurnChart';
import { Caution } from '../../ui/Message';
import { Say } from '../../ui/Say';
import { metres, spooled, useUnits } from '../../ui/units';

export type Wound = { reel: Reel; line: FlyLine; backing: string; backingM: number };
type More = { leader?: Leader | null; speciesId?: string | null };

/** A filled spool; the last one stays while the next is worked out. */
export function useFill({ reel, line, backing, backingM }: Wound, { leader = null, speciesId = null }: More = {}) {
  const body = { reel, line, backing, backingM, leader, speciesId };
  return useAsk(key('fill', body), (signal) => unwrap(api.POST('/api/reels/fill', { body, signal })));
}

type Props = {
  answer: FillAnswer;
  backing: string;
  onBacking: (id: string) => void;
  onLength: (metres: number) => void;
};

/** The spool in section, to drag; the schools of filling and every backing beside each other, to press. */
export function Filling({ answer, backing, onBacking, onLength }: Props) {
  const { show, standards } = useUnits();
  const { fill } = answer;
  const chosen = answer.backings.find((b) => b.backing.id === backing)?.backing;
  return (
    <div className="@container">
      <div className="grid gap-x-8 gap-y-4 @4xl:grid-cols-2">
        <section aria-label="The spool" className="min-w-0">
          <SpoolSection fill={fill} limits={answer.limitsM} onBacking={onLength} />
          <p className="rubric font-normal">
            {fill.spool.toScale ? 'To scale, cut through the axle.' : 'Its shape is assumed; nobody measured it.'}{' '}
            Hatched: from a tight to a loose wind. Dashed: what stays free at the rim.
          </p>
          <p className="mt-1 text-lg" aria-live="polite" data-fill={fill.share.toFixed(3)}>
            <Say parts={answer.says} />.
          </p>
          <p className="text-sm text-soft">
            {fill.spool.source.note}; room known to ±{Math.round(fill.spool.plusMinus * 100)} %. Wound volume is the
            line’s own over how tight it packs.
          </p>
          {chosen?.gelSpun && (
            <Caution>
              Gel-spun cuts into itself and into fingers: wind it tight with crossed lays, in gloves or through a cloth,
              and never round a hand.
            </Caution>
          )}
        </section>
        <section aria-label="Ways to fill it" className="min-w-0">
          <h3 className="font-semibold">How people fill a spool</h3>
          <ul>
            {answer.presets.map((p) => (
              <li key={p.school} className="border-t border-hair py-1.5">
                <button
                  className="btn mr-2"
                  aria-pressed={Math.abs(p.backingM - fill.backingM) < 0.5}
                  onClick={() => onLength(p.backingM)}
                >
                  {p.name}: {show(spooled(p.backingM))}
                </button>
                {!p.fits && <b className="text-fails">does not go on. </b>}
                <span className="text-soft">
                  <Say parts={p.why} />.
                </span>
              </li>
            ))}
          </ul>
          <h3 className="mt-4 font-semibold">Every backing under this line</h3>
          <div className="overflow-x-auto">
            <table className="w-full">
              <thead>
                <tr className="rubric text-left">
                  <th scope="col">backing</th>
                  <th scope="col" className="pr-3 text-right max-sm:hidden">
                    thick
                  </th>
                  <th scope="col" className="pr-3 text-right">
                    fits
                  </th>
                  <th scope="col" className="pr-3 text-right">
                    loose to tight
                  </th>
                  <th scope="col" className="text-right">
                    {show(spooled(fill.backingM))} leaves
                  </th>
                </tr>
              </thead>
              <tbody>
                {answer.backings.map((b) => (
                  <tr key={b.backing.id} className="border-t border-hair">
                    <th scope="row" className="py-0.5 text-left font-normal">
                      <button
                        className={`quiet text-left ${b.backing.id === backing ? 'font-bold underline decoration-2' : ''}`}
                        aria-pressed={b.backing.id === backing}
                        onClick={() => onBacking(b.backing.id)}
                      >
                        {b.backing.name}
                      </button>
                    </th>
                    <td className="pr-3 text-right whitespace-nowrap max-sm:hidden">
                      {show(b.backing.diameterM, 'diameter')}
                    </td>
                    <td className="pr-3 text-right font-semibold whitespace-nowrap">{show(spooled(b.fitsM))}</td>
                    <td className="pr-3 text-right whitespace-nowrap text-soft">
                      {show(spooled(b.fitsBandM.low))} to {show(spooled(b.fitsBandM.high))}
                    </td>
                    <td className={`text-right whitespace-nowrap ${b.holds ? '' : 'text-fails'}`}>
                      {b.holds ? show(Math.max(0, b.rimGapM), 'spoolSize') : 'too full'}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <p className="mt-2">
            {answer.biggestLine === null
              ? 'No ordinary line fits over that backing.'
              : `Heaviest ordinary floating line over that backing: class ${show(answer.biggestLine, 'lineClass')}.`}
          </p>
          <p className="text-sm text-soft">
            Diameters are usual ones, recalled ({standards.backings.length} kinds); what lies in your hand may differ.
          </p>
        </section>
      </div>
    </div>
  );
}

/** Line a turn from full to bare, and turns to pick up ten metres of slack. */
export function Turning({ answer }: { answer: FillAnswer }) {
  const { show } = useUnits();
  const [outM, setOutM] = useState(20);
  const at = (curve: FillAnswer['turns'][number]) =>
    curve.points.reduce((best, p) => (Math.abs(p.outM - outM) < Math.abs(best.outM - outM) ? p : best));
  const end = answer.turns[0]!.points.at(-1)!.outM;
  return (
    <section aria-label="Line a turn" className="min-w-0">
      <h3 className="font-semibold">Line a turn, from full to the last wraps</h3>
      <TurnChart curves={answer.turns} />
      <label className="block max-w-md">
        <span className="rubric">Line out: {show(spooled(Math.min(outM, end)))}</span>
        <input
          type="range"
          className="scrub w-full"
          aria-valuetext={show(spooled(Math.min(outM, end)))}
          min={0}
          max={end}
          step={end / 48}
          value={Math.min(outM, end)}
          onChange={(e) => setOutM(Number(e.target.value))}
        />
      </label>
      <table>
        <thead>
          <tr className="rubric text-left">
            <th scope="col" className="pr-6">
              the same room on
            </th>
            <th scope="col" className="pr-6">
              arbor
            </th>
            <th scope="col" className="pr-6">
              a turn takes in
            </th>
            <th scope="col">turns for {show(metres(at(answer.turns[0]!).slackM))} of slack</th>
          </tr>
        </thead>
        <tbody>
          {answer.turns.map((c) => (
            <tr key={c.name} className="border-t border-hair">
              <th scope="row" className="pr-6 text-left">
                {c.name}
              </th>
              <td className="pr-6">{show(c.arborM, 'spoolSize')}</td>
              <td className="pr-6">{show(at(c).perTurnM, 'spoolSize')}</td>
              <td>{at(c).slackTurns.toFixed(0)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
