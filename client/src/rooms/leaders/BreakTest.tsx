import { useState } from 'react';
import { api, onVersion, unwrap, type LeaderSpool } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { Caution, Message } from '../../ui/Message';
import { Panel } from '../../ui/Panel';
import { Pick } from '../../ui/Pick';
import { useToast } from '../../ui/toast';
import { useUnits } from '../../ui/units';

/** A tippet pulled to break between an anchor and the simulated scale, to learn what one's own knots stand. */
export function BreakTest({ spool, onClose }: { spool: LeaderSpool; onClose: () => void }) {
  const { show, standards } = useUnits();
  const toast = useToast();
  const { attempt, words } = useAttempt();
  const knots = standards.knots.filter((k) => k.use === 'fly' || k.use === 'join');
  const [knot, setKnot] = useState(knots.find((k) => k.use === 'fly')!.id);
  const [covered, setCovered] = useState(false);
  const [pull, setPull] = useState(0);
  const [peak, setPeak] = useState<{ peakN: number; broke: boolean; plusMinusN: number } | null>(null);
  const most = 2 * spool.knottedN;
  const force = (value: number) => show(value, 'force');
  const hang = () =>
    attempt(async () => {
      setPeak(await unwrap(api.POST('/api/devices/spring/hang', { body: { aboutN: spool.knottedN } })));
      setPull(0);
    });
  const load = (pullN: number) => {
    setPull(pullN);
    void attempt(async () => setPeak(await unwrap(api.POST('/api/devices/spring/load', { body: { pullN } }))));
  };
  const keep = () =>
    attempt(async () => {
      const kept = await unwrap(
        api.POST('/api/leaders/spools/{id}/breaks', {
          ...onVersion(spool.id, spool.version),
          body: { knot, brokeN: peak!.peakN },
        }),
      );
      toast({ words: `${kept.tag}: ${force(kept.brokeN!)} in your hands, from ${kept.breaks.length}.` });
      setPeak(null);
    });
  return (
    <Panel title={`Break ${spool.tag} ${spool.name}`} onClose={onClose}>
      <p>
        Tie a hand of it to a soft, sprung anchor and the other end to the scale, and pull slowly until it breaks. It
        teaches the hand how hard it may pull; the leaders tied of it are reckoned by it from then on.
      </p>
      <Caution>Cover your eyes, pull low and away from faces, over soft ground. Cut ends fly.</Caution>
      <div className="my-2 max-w-xs">
        <Pick label="The knot in it" value={knot} options={knots} onChange={setKnot} />
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" className="size-5" checked={covered} onChange={(e) => setCovered(e.target.checked)} />
        My eyes are covered
      </label>
      {!peak || peak.broke ? (
        <div className="mt-3">
          {peak?.broke && (
            <p className="text-xl font-bold" role="status" data-broke>
              It broke at {force(peak.peakN)}{' '}
              <span className="text-base font-normal text-soft">
                ±{force(peak.plusMinusN)}; the table says {force(spool.knottedN)}
              </span>
            </p>
          )}
          <div className="flex flex-wrap gap-3">
            {peak?.broke && (
              <button className="btn bg-ink! text-paper!" onClick={() => void keep()}>
                Keep it with the spool
              </button>
            )}
            <button className="btn" disabled={!covered} onClick={() => void hang()}>
              {peak?.broke ? 'Tie another' : 'It hangs: begin (simulated scale)'}
            </button>
          </div>
        </div>
      ) : (
        <div className="mt-3">
          <p className="text-3xl font-bold">
            <output>{force(pull)}</output>
          </p>
          <label className="block">
            <span className="rubric">Pull, simulated</span>
            <input
              type="range"
              className="scrub w-full"
              min={0}
              max={most}
              step={most / 100}
              value={pull}
              aria-valuetext={force(pull)}
              onChange={(e) => load(Number(e.target.value))}
            />
          </label>
        </div>
      )}
      <Message>{words}</Message>
      {spool.breaks.length > 0 && (
        <p className="mt-3 text-soft">So far: {spool.breaks.map((b) => force(b.brokeN)).join(', ')}.</p>
      )}
    </Panel>
  );
}
