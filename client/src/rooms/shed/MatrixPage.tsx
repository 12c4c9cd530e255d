import { useQuery } from '@tanstack/react-query';
import { useVirtualizer, type VirtualItem } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type ShedMatrix } from '../../api/client';
import { key } from '../../api/keys';
import { WindowMark } from '../../drawing/WindowMark';
import { Mark, verdictWords } from '../../ui/Mark';
import { Say } from '../../ui/Say';
import { useUnits } from '../../ui/units';
import { EmptyShed } from '../shared/EmptyShed';
import { ShedTabs } from './ShedTabs';

const cellW = 70;
const cellH = 44;
const headH = 46;
const leftW = 132;

/** Which line goes with which rod: rods down, lines across, both light to heavy, so that pairs lie along the diagonal. */
export function MatrixPage() {
  const { data, error } = useQuery({
    queryKey: key('matrix'),
    queryFn: ({ signal }) => unwrap(api.GET('/api/shed/matrix', { signal })),
  });
  return (
    <main id="main" className="mx-auto flex max-w-[84rem] flex-col gap-3 px-5 py-4">
      <h1 className="text-2xl font-semibold">Shed</h1>
      <ShedTabs />
      {error && !data && <p role="alert">{error.message}</p>}
      {!data && !error && <p className="text-soft">Hanging every line on every rod…</p>}
      {data && (data.rods.length === 0 || data.lines.length === 0) && (
        <>
          <EmptyShed />
          <p>With a rod whose class is known and a line whose mass is known, their match stands here.</p>
        </>
      )}
      {data && data.rods.length > 0 && data.lines.length > 0 && <Matrix matrix={data} />}
      {data && data.unknown.length > 0 && (
        <p className="text-soft">Left out, because nobody knows their class or mass: {data.unknown.join(', ')}.</p>
      )}
    </main>
  );
}

function Matrix({ matrix }: { matrix: ShedMatrix }) {
  const { rods, lines } = matrix;
  const { show } = useUnits();
  const box = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState(() => best(matrix));
  const moved = useRef(false);
  // The grid is drawn again whenever it scrolls, so there is nothing to memoize.
  // eslint-disable-next-line react-hooks/incompatible-library
  const down = useVirtualizer({
    count: rods.length,
    getScrollElement: () => box.current,
    estimateSize: () => cellH,
    overscan: 4,
    scrollPaddingStart: headH,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: lines.length,
    getScrollElement: () => box.current,
    estimateSize: () => cellW,
    overscan: 4,
    scrollPaddingStart: leftW,
  });
  const columns = across.getVirtualItems();
  useEffect(() => {
    if (!moved.current) return;
    moved.current = false;
    down.scrollToIndex(at.rod);
    across.scrollToIndex(at.line);
    // The cell may only come into being with the scroll.
    const timer = setTimeout(
      () => box.current?.querySelector<HTMLElement>('[data-at="true"]')?.focus({ preventScroll: true }),
      60,
    );
    return () => clearTimeout(timer);
  }, [at, down, across]);
  const go = (rod: number, line: number) => {
    moved.current = true;
    setAt({
      rod: Math.min(rods.length - 1, Math.max(0, rod)),
      line: Math.min(lines.length - 1, Math.max(0, line)),
    });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const move = moveOf(event, at, lines.length);
    if (!move) return;
    event.preventDefault();
    go(...move);
  };
  const cls = (value: number) => show(value, 'lineClass');
  return (
    <>
      <Why matrix={matrix} rod={at.rod} line={at.line} />
      <div
        ref={box}
        role="grid"
        aria-label="Which line goes with which rod"
        aria-rowcount={rods.length + 1}
        aria-colcount={lines.length + 1}
        tabIndex={-1}
        className="relative max-h-[68vh] overflow-auto border-y border-ink"
        onKeyDown={onKeyDown}
      >
        <div
          role="presentation"
          className="relative"
          style={{ width: leftW + across.getTotalSize(), height: headH + down.getTotalSize() }}
        >
          <div role="row" aria-rowindex={1} className="sticky top-0 z-20 bg-paper" style={{ height: headH }}>
            <span
              role="columnheader"
              aria-colindex={1}
              className="rubric sticky left-0 z-30 flex h-full items-end bg-paper pb-1"
              style={{ width: leftW }}
            >
              rods ↓ lines →
            </span>
            {columns.map((c) => (
              <Head key={c.key} line={lines[c.index]!} column={c} here={c.index === at.line} />
            ))}
          </div>
          {down.getVirtualItems().map((r) => (
            <div
              key={r.key}
              role="row"
              aria-rowindex={r.index + 2}
              className="absolute left-0 w-full border-t border-hair"
              style={{ top: headH + r.start, height: cellH }}
            >
              <span
                role="rowheader"
                aria-colindex={1}
                className={`sticky left-0 z-10 flex h-full flex-col justify-center bg-paper leading-tight ${r.index === at.rod ? 'font-bold' : ''}`}
                style={{ width: leftW }}
              >
                <span className="truncate">
                  {rods[r.index]!.tag} <span className="font-normal text-soft">{cls(rods[r.index]!.class)}</span>
                </span>
                <span className="truncate text-[0.8rem] font-normal text-soft">{rods[r.index]!.name}</span>
              </span>
              <Cells matrix={matrix} rod={r.index} columns={columns} at={at} onAt={setAt} />
            </div>
          ))}
        </div>
      </div>
      <p className="text-sm text-soft">
        The bar is the rod’s window, the notch what feels best with that head, and the mark the line: a disc fits, a
        triangle is worth a look, a cross overloads the rod or never loads it. Short heads are judged whole, long ones
        at what is carried on an ordinary day.
      </p>
    </>
  );
}

function Head({ line, column: c, here }: { line: ShedMatrix['lines'][number]; column: VirtualItem; here: boolean }) {
  const { show } = useUnits();
  return (
    <span
      role="columnheader"
      aria-colindex={c.index + 2}
      className={`absolute top-0 flex h-full flex-col justify-end pb-1 leading-tight ${here ? 'font-bold' : ''}`}
      style={{ left: leftW + c.start, width: cellW }}
      title={line.name}
    >
      <span className="truncate">{line.tag}</span>
      <span className="rubric font-normal">loads {show(line.loadsClass, 'lineClass')}</span>
    </span>
  );
}

const page = 8;

/** Where a key moves to in the grid; nowhere for other keys. */
function moveOf(event: KeyboardEvent, at: At, lines: number) {
  const far = event.ctrlKey ? 1e6 : 0;
  const moves: Record<string, [number, number]> = {
    ArrowUp: [at.rod - 1, at.line],
    ArrowDown: [at.rod + 1, at.line],
    ArrowLeft: [at.rod, at.line - 1],
    ArrowRight: [at.rod, at.line + 1],
    PageUp: [at.rod - page, at.line],
    PageDown: [at.rod + page, at.line],
    Home: [at.rod - far, 0],
    End: [at.rod + far, lines - 1],
  };
  return moves[event.key];
}

type At = { rod: number; line: number };

/** The pairs of one rod with the lines in sight. */
function Cells({
  matrix,
  rod,
  columns,
  at,
  onAt,
}: {
  matrix: ShedMatrix;
  rod: number;
  columns: VirtualItem[];
  at: At;
  onAt: (at: At) => void;
}) {
  const row = matrix.rows[rod]!;
  return (
    <>
      {columns.map((c) => {
        const here = rod === at.rod && c.index === at.line;
        const verdict = row.verdicts[c.index]!;
        return (
          <span
            key={c.key}
            role="gridcell"
            aria-colindex={c.index + 2}
            aria-selected={here}
            aria-label={`${matrix.rods[rod]!.tag} with ${matrix.lines[c.index]!.tag}: ${verdictWords[verdict]}, ${row.loads[c.index]} of the class, ${row.ideals[c.index]} feels best`}
            data-at={here}
            data-cell={`${matrix.rods[rod]!.tag} ${matrix.lines[c.index]!.tag}`}
            data-verdict={verdict}
            tabIndex={here ? 0 : -1}
            className={`absolute top-0 flex h-full cursor-pointer items-center justify-center ${here ? 'bg-sheet outline-2 -outline-offset-2 outline-ink' : ''}`}
            style={{ left: leftW + c.start, width: cellW }}
            // Keys are the grid's.
            onClick={() => onAt({ rod, line: c.index })}
            onKeyDown={undefined}
          >
            <WindowMark
              load={row.loads[c.index]!}
              ideal={row.ideals[c.index]!}
              verdict={verdict}
              low={matrix.window.low}
              high={matrix.window.high}
            />
          </span>
        );
      })}
    </>
  );
}

/** The pair that fits best: there the eye begins. */
function best({ rods, rows }: ShedMatrix) {
  const found = { rod: 0, line: 0, off: Infinity };
  rods.forEach((_, rod) =>
    rows[rod]!.loads.forEach((load, line) => {
      const off = Math.abs(load - rows[rod]!.ideals[line]!);
      if (rows[rod]!.verdicts[line] === 'fits' && off < found.off) Object.assign(found, { rod, line, off });
    }),
  );
  return { rod: found.rod, line: found.line };
}

function Why({ matrix, rod, line }: { matrix: ShedMatrix; rod: number; line: number }) {
  const rodOf = useMemo(() => matrix.rods[rod]!, [matrix, rod]);
  const lineOf = matrix.lines[line]!;
  const path = { params: { path: { rodId: rodOf.id, lineId: lineOf.id } } };
  const { data } = useQuery({
    queryKey: key('matrix', rodOf.id, lineOf.id),
    queryFn: ({ signal }) => unwrap(api.GET('/api/shed/matrix/{rodId}/{lineId}', { ...path, signal })),
  });
  return (
    <p className="min-h-[2lh]" aria-live="polite" data-why>
      <b>
        <Link className="underline" to={`/rods/${rodOf.id}`}>
          {rodOf.tag} {rodOf.name}
        </Link>{' '}
        with{' '}
        <Link className="underline" to={`/lines/${lineOf.id}`}>
          {lineOf.tag} {lineOf.name}
        </Link>
      </b>{' '}
      {data && (
        <>
          <Mark verdict={data.verdict} /> <Say parts={data.why} />.
        </>
      )}
    </p>
  );
}
