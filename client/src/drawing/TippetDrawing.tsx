import type { Solution } from '../api/client';
import { useUnits } from '../ui/units';
import { Words } from './Words';

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
  const mm = (value: number) => show(value, 'diameter');
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
        <Words x={70} y={130} anchor="middle" size={13.5}>
          hook wire {mm(wireM)}
        </Words>
        <circle cx={220} cy={58} r={(bandToM * px) / 2} fill="var(--water)" stroke="var(--soft)" />
        <circle cx={220} cy={58} r={(bandFromM * px) / 2} fill="var(--paper)" stroke="var(--soft)" />
        <circle cx={220} cy={58} r={tip} fill="none" stroke="var(--signal)" strokeWidth="2.4" />
        <Words x={220} y={130} anchor="middle" size={13.5}>
          tippet {mm(tippetM)}
        </Words>
        <Words x={305} y={48} size={12.5} soft>
          shaded: the share
        </Words>
        <Words x={305} y={64} size={12.5} soft>
          of the wire at which it
        </Words>
        <Words x={305} y={80} size={12.5} soft>
          turns over well
        </Words>
      </svg>
      <figcaption className="rubric font-normal">Cut across, {times} times life size.</figcaption>
    </figure>
  );
}
