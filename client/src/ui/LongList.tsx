import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, type ReactNode } from 'react';

// A short list is all there; of a long one only what can be seen.
const short = 40;

/**
 * A list that may be very long. It scrolls within itself where it is, every row of it can be reached with the keyboard, and a screen
 * reader is told which row of how many it is on.
 */
export function LongList<T>({
  label,
  rows,
  rowKey,
  rowHeight,
  children,
}: {
  label: string;
  rows: readonly T[];
  rowKey: (row: T) => string | number;
  /** About how high a row is, px; each is measured when it is seen. */
  rowHeight: number;
  children: (row: T, at: number) => ReactNode;
}) {
  const box = useRef<HTMLDivElement>(null);
  const long = rows.length > short;
  // The compiler leaves this component alone, which is as it should be: the list renders with the scroll.
  // eslint-disable-next-line react-hooks/incompatible-library
  const view = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => rowHeight,
    overscan: 8,
    enabled: long,
    getItemKey: (at) => rowKey(rows[at]!),
  });
  if (!long)
    return (
      <div role="list" aria-label={label}>
        {rows.map((row, at) => (
          <div key={rowKey(row)} role="listitem">
            {children(row, at)}
          </div>
        ))}
      </div>
    );
  return (
    // Focusable, so that it can be scrolled without a mouse.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <div ref={box} className="max-h-[34rem] overflow-y-auto" tabIndex={0} role="group" aria-label={`${label}, scrolls`}>
      <div role="list" aria-label={label} className="relative" style={{ height: view.getTotalSize() }}>
        {view.getVirtualItems().map((item) => (
          <div
            key={item.key}
            ref={view.measureElement}
            data-index={item.index}
            role="listitem"
            aria-setsize={rows.length}
            aria-posinset={item.index + 1}
            className="absolute inset-x-0 top-0"
            style={{ transform: `translateY(${item.start}px)` }}
          >
            {children(rows[item.index]!, item.index)}
          </div>
        ))}
      </div>
    </div>
  );
}
