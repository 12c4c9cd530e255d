import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';

// A short list is rendered whole; of a long one only the visible part.
const short = 40;

type Props<T> = {
  label: string;
  rows: readonly T[];
  rowKey: (row: T) => string | number;
  /** Estimated height of a row, px; each is measured when visible. */
  rowHeight: number;
  children: (row: T, at: number) => ReactNode;
};

/**
 * A list that may be very long. It scrolls with the page, every row can be reached by keyboard, and a screen reader is told the number of
 * the row and of all rows.
 */
export function LongList<T>(props: Props<T>) {
  const { label, rows, rowKey, children } = props;
  if (rows.length > short) return <Seen {...props} />;
  return (
    <div role="list" aria-label={label}>
      {rows.map((row, at) => (
        <div key={rowKey(row)} role="listitem">
          {children(row, at)}
        </div>
      ))}
    </div>
  );
}

function Seen<T>({ label, rows, rowKey, rowHeight, children }: Props<T>) {
  const box = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(0);
  // Whatever stands above it may grow or shrink with any change of the page; it settles when nothing moves.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useLayoutEffect(() => {
    const now = Math.round(box.current!.getBoundingClientRect().top + window.scrollY);
    if (Math.abs(now - top) > 1) setTop(now);
  });
  const view = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => rowHeight,
    overscan: 10,
    scrollMargin: top,
    getItemKey: (at) => rowKey(rows[at]!),
  });
  return (
    <div ref={box} role="list" aria-label={label} className="relative" style={{ height: view.getTotalSize() }}>
      {view.getVirtualItems().map((item) => (
        <div
          key={item.key}
          ref={view.measureElement}
          data-index={item.index}
          role="listitem"
          aria-setsize={rows.length}
          aria-posinset={item.index + 1}
          className="absolute inset-x-0 top-0"
          style={{ transform: `translateY(${item.start - top}px)` }}
        >
          {children(rows[item.index]!, item.index)}
        </div>
      ))}
    </div>
  );
}
