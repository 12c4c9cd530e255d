import type { Solution } from '../api/client';
import { useUnits } from '../ui/units';

/** Hook wire and tippet cut across, enlarged alike, with the band in which tippet neither spins nor drags. */
export function TippetDrawing({
  wireM,
  tippet,
}: {
  wireM: number;
  tippet: Pick<Solution['outfit']['tippet'], 'diameterM' | 'bandFromM' | 'bandToM'>;
}) {
  const { diameterM: tippetM, bandFromM, bandToM } = tippet;
  const { show } = useUnits();
  const px = 96 / Math.max(wireM, tippetM);
  const wire = (wireM * px) / 2;
  const tip = (tippetM * px) / 2;
  const times = Math.round(px / (96 / 25.4 / 0.001));
  const mm = (value: number) => show({ value, kind: 'diameter', plusMinus: null });
  return (
    <figure className="m-0">
      <svg
        width={430}
        height={140}
        className="block max-w-full"
        role="img"
        aria-label={`Hook wire ${mm(wireM)} and tippet ${mm(tippetM)} cut across, to one scale`}
      >
        <circle cx={70} cy={58} r={wire} fill="color-mix(in srgb, var(--ink) 75%, var(--paper))" />
        <text x={70} y={130} textAnchor="middle" fontSize="13.5" fill="var(--ink)">
          hook wire {mm(wireM)}
        </text>
        <circle cx={220} cy={58} r={(bandToM * px) / 2} fill="var(--water)" stroke="var(--soft)" />
        <circle cx={220} cy={58} r={(bandFromM * px) / 2} fill="var(--paper)" stroke="var(--soft)" />
        <circle cx={220} cy={58} r={tip} fill="none" stroke="var(--signal)" strokeWidth="2.4" />
        <text x={220} y={130} textAnchor="middle" fontSize="13.5" fill="var(--ink)">
          tippet {mm(tippetM)}
        </text>
        <text x={305} y={48} fontSize="12.5" fill="var(--soft)">
          shaded: the share
        </text>
        <text x={305} y={64} fontSize="12.5" fill="var(--soft)">
          of the wire at which it
        </text>
        <text x={305} y={80} fontSize="12.5" fill="var(--soft)">
          turns over well
        </text>
      </svg>
      <figcaption className="rubric font-normal">Cut across, {times} times life size.</figcaption>
    </figure>
  );
}
