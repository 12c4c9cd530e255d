import { useLayoutEffect, useRef, useState } from 'react';

/** Width of an element in pixels, kept up with its box. */
export function useWidth<T extends HTMLElement>(initial = 640) {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(initial);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.round(entry.contentRect.width)));
    observer.observe(element);
    setWidth(Math.round(element.getBoundingClientRect().width));
    return () => observer.disconnect();
  }, []);
  // Before it is laid out a box has no width; nothing can be drawn narrower than this.
  return [ref, Math.max(200, width)] as const;
}
