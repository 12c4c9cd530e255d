import { useState } from 'react';
import { drawingsOnPage, savePng, saveSvg } from '../ui/pictures';
import { Panel } from '../ui/Panel';

/** Every drawing of the page, to take along as SVG or PNG. */
export function Pictures({ onClose }: { onClose: () => void }) {
  const [drawings] = useState(drawingsOnPage);
  return (
    <Panel title="Save a picture" about="The drawings on this page, as they are now." onClose={onClose}>
      {drawings.length === 0 && <p className="text-soft">There is no drawing on this page.</p>}
      <ul>
        {drawings.map((svg, i) => {
          const name = svg.getAttribute('aria-label')!;
          return (
            <li key={i} className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-2">
              <span className="min-w-0 flex-1 basis-60 wrap-anywhere">
                {name.length > 120 ? `${name.slice(0, 120)}…` : name}
              </span>
              <button className="btn" aria-label={`As SVG: ${name}`} onClick={() => void saveSvg(svg)}>
                SVG
              </button>
              <button className="btn" aria-label={`As PNG: ${name}`} onClick={() => void savePng(svg)}>
                PNG
              </button>
            </li>
          );
        })}
      </ul>
    </Panel>
  );
}
