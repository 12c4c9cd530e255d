type Point = { x: number; y: number; nx: number; ny: number; row: number; flat: boolean };

/** A line laid to and fro on the bench: where each metre of it lies. Pure geometry, in pixels. */
export type Laid = {
  pxPerM: number;
  rows: number;
  rowY: (row: number) => number;
  /** Point at a distance along the line in metres, with the unit normal to its left; flat where it runs straight. */
  at: (m: number) => Point;
  /** Middle of the longest straight part of a stretch, or its middle where it has none. */
  straightMiddle: (fromM: number, toM: number) => Point;
  /** Closed outline of a stretch whose half-thickness in pixels is given along it. */
  ribbon: (fromM: number, toM: number, half: (m: number) => number) => string;
  /** Open middle line of a stretch. */
  thread: (fromM: number, toM: number) => string;
  end: { x: number; y: number };
};

export type LaySpec = { totalM: number; rows: number; left: number; right: number; top: number; gap: number };

export function lay({ totalM, rows, left, right, top, gap }: LaySpec): Laid {
  const r = gap / 2;
  const straight = Math.max(20, right - left - 2 * r);
  const turn = Math.PI * r;
  const pxPerM = (rows * straight + (rows - 1) * turn) / totalM;
  const rowY = (row: number) => top + row * gap;

  const at = (m: number) => {
    const px = Math.min(Math.max(m, 0), totalM) * pxPerM;
    const row = Math.min(rows - 1, Math.floor(px / (straight + turn)));
    const inRow = px - row * (straight + turn);
    const rightwards = row % 2 === 0;
    const start = rightwards ? left + r : right - r;
    const way = rightwards ? 1 : -1;
    if (inRow <= straight) return { x: start + way * inRow, y: rowY(row), nx: 0, ny: -way, row, flat: true };
    const angle = Math.min(Math.PI, (inRow - straight) / r);
    const cx = start + way * straight;
    return {
      x: cx + way * r * Math.sin(angle),
      y: rowY(row) + r - r * Math.cos(angle),
      nx: Math.sin(angle),
      ny: -way * Math.cos(angle),
      row,
      flat: false,
    };
  };

  const steps = (fromM: number, toM: number) => {
    const count = Math.max(2, Math.ceil(((toM - fromM) * pxPerM) / 4));
    return Array.from({ length: count + 1 }, (_, i) => fromM + ((toM - fromM) * i) / count);
  };
  const fixed = (n: number) => n.toFixed(1);

  return {
    pxPerM,
    rows,
    rowY,
    at,
    straightMiddle: (fromM, toM) => {
      const runs = Array.from({ length: rows }, (_, row) => {
        const start = (row * (straight + turn)) / pxPerM;
        return [Math.max(fromM, start), Math.min(toM, start + straight / pxPerM)] as const;
      });
      const [from, to] = runs.reduce((best, run) => (run[1] - run[0] > best[1] - best[0] ? run : best));
      return to > from ? at((from + to) / 2) : at((fromM + toM) / 2);
    },
    ribbon: (fromM, toM, half) => {
      const sides = steps(fromM, toM).map((m) => ({ ...at(m), h: half(m) }));
      const one = sides.map((p) => `${fixed(p.x + p.nx * p.h)},${fixed(p.y + p.ny * p.h)}`);
      const other = sides.map((p) => `${fixed(p.x - p.nx * p.h)},${fixed(p.y - p.ny * p.h)}`).reverse();
      return `M${one.concat(other).join('L')}Z`;
    },
    thread: (fromM, toM) =>
      `M${steps(fromM, toM)
        .map((m) => {
          const p = at(m);
          return `${fixed(p.x)},${fixed(p.y)}`;
        })
        .join('L')}`,
    end: at(totalM),
  };
}

/** Thickness of line and leader along their length from the fly, in metres, as a function of metres. */
export function thickness(stretches: { lengthM: number; startM: number; endM: number }[]) {
  return (m: number) => {
    let from = 0;
    for (const s of stretches) {
      if (m <= from + s.lengthM || s === stretches[stretches.length - 1]) {
        const t = s.lengthM > 0 ? Math.min(1, (m - from) / s.lengthM) : 0;
        return s.startM + (s.endM - s.startM) * t;
      }
      from += s.lengthM;
    }
    return 0;
  };
}
