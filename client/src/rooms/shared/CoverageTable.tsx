import { useState } from 'react';
import type { Coverage } from '../../api/client';
import { CoveragePicture, CoverageWords } from '../../drawing/CoveragePicture';

/** Which outfit serves which day, with the words of one cell below it and what the marks stand for. */
export function CoverageTable({ coverage }: { coverage: Coverage }) {
  const [pressed, setAt] = useState<{ day: number; outfit: number } | null>(null);
  if (coverage.outfits.length === 0) return null;
  // What was pressed may be gone with another kit; then the day that counts most is told.
  const counts = coverage.days
    .map((d, day) => ({ day, outfit: d.best ?? -1, share: d.share }))
    .filter((d) => d.outfit >= 0)
    .sort((a, b) => b.share - a.share)[0];
  const at = pressed && coverage.days[pressed.day]?.cells[pressed.outfit] ? pressed : (counts ?? null);
  return (
    <div>
      <CoveragePicture coverage={coverage} at={at} onAt={setAt} />
      <div className="mt-1 min-h-[3lh] border-t border-hair pt-1">
        <CoverageWords coverage={coverage} at={at} />
        <p className="text-sm text-soft">
          The bar under a mark is how much of the day it is worth, an estimate of ours; a dot is an outfit that does not
          go together that day.
        </p>
      </div>
    </div>
  );
}
