import { useQuery } from '@tanstack/react-query';
import { scaleLinear } from 'd3-scale';
import { useEffect } from 'react';
import { api, unwrap, type WindReading } from '../../api/client';
import { key } from '../../api/keys';
import { useUnits } from '../../ui/units';

/** What the wind meter says while it is listened to; null while it is off. */
export function useWindMeter(on: boolean) {
  return useQuery({
    queryKey: key('wind'),
    queryFn: ({ signal }) => unwrap(api.GET('/api/devices/wind', { signal })),
    enabled: on,
    refetchInterval: on ? 1000 : false,
    gcTime: 0,
  });
}

/** Listens to the wind meter, shows the last minute and feeds its mean to the brief. */
export function WindMeter({
  on,
  onToggle,
  reading,
  failure,
  onMean,
}: {
  on: boolean;
  onToggle: (on: boolean) => void;
  reading: WindReading | undefined;
  failure: Error | null;
  onMean: (mps: number) => void;
}) {
  const { show } = useUnits();
  const wind = (mps: number) => show(mps, 'windSpeed');
  const mean = reading ? Math.round(reading.meanMps * 10) / 10 : null;
  useEffect(() => {
    if (on && mean !== null) onMean(mean);
    // Only a changed mean is news.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [on, mean]);
  return (
    <section aria-label="Wind meter" className="border-t border-hair pt-2">
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn" aria-pressed={on} onClick={() => onToggle(!on)}>
          {on ? 'Put the simulated meter down' : 'Take the wind from the simulated meter'}
        </button>
        {!on && (
          <span className="text-soft">
            It blows no real wind. Its mean goes into the brief, and Undo takes it out again; the gusts show as a band
            on the curve.
          </span>
        )}
        {on && failure && <span role="alert">The wind meter does not answer. {failure.message}</span>}
        {on && !failure && reading && (
          <>
            <Needle last={reading.lastMps} />
            <span>
              now <b>{wind(reading.nowMps)}</b>, mean <b>{wind(reading.meanMps)}</b>, from {wind(reading.lullMps)} to{' '}
              {wind(reading.gustMps)} in {reading.seconds} s
            </span>
            <span className="text-soft">
              A {reading.name}: no real wind. Read at {show(reading.heightM, 'length')}, turned to the 10 m of a
              forecast.
            </span>
          </>
        )}
      </div>
    </section>
  );
}

function Needle({ last }: { last: readonly number[] }) {
  const x = scaleLinear([0, last.length - 1], [2, 148]);
  const y = scaleLinear([0, Math.max(...last) * 1.1], [34, 2]);
  return (
    <svg width="150" height="36" aria-hidden="true">
      <line x1="0" x2="150" y1="34" y2="34" stroke="var(--hair)" />
      <path
        d={last.map((v, i) => `${i ? 'L' : 'M'}${x(i)},${y(v)}`).join('')}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.4"
      />
      <circle cx={x(last.length - 1)} cy={y(last.at(-1)!)} r="3" fill="var(--ink)" />
    </svg>
  );
}
