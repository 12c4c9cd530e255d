import { useLayoutEffect, useRef, useState, type MouseEvent, type PointerEvent } from 'react';

/** How long a finger must rest on a handle to take hold of it, ms; moving farther than this before is a swipe, px. */
const liftMs = 180;
const swipePx = 8;
/** A touching hand moves less than this, px. */
const shakePx = 3;

type Grip<From> = {
  /** When a finger came down, as its events count; null for what needs no rest. */
  cameAt: number | null;
  from: From;
  x: number;
  y: number;
  perPx: number;
  was: string;
  touched: { x: number; y: number } | null;
};
/** Where a gesture left its value: the next one continues from there, unless something else changed it. */
type Left<From> = { from: From; dx: number; dy: number; at: string };

/**
 * Dragging by a handle. The value moves as far as the finger, from where it was: nothing jumps when touched, and moving back restores it,
 * in one gesture or in two. `free` is the value with the scale it is drawn at; while it is `held` the drawing keeps the scale of the start.
 * `dx` and `dy` are in units of the drawing; `move` returns false at a limit. A finger takes hold by resting on the handle a moment: a
 * swipe over it scrolls and moves nothing.
 */
export function useDrag<From>(free: From, move: (from: From, dx: number, dy: number) => boolean | void) {
  const [held, setHeld] = useState<From | null>(null);
  const grip = useRef<Grip<From> | null>(null);
  const left = useRef<Left<From> | null>(null);
  const lifting = useRef<{ timer: ReturnType<typeof setTimeout>; x: number; y: number } | null>(null);
  const now = useRef(free);
  useLayoutEffect(() => {
    now.current = free;
  });
  // Let go, it lies where it is drawn now.
  useLayoutEffect(() => {
    if (held === null && left.current) left.current.at = JSON.stringify(now.current);
  }, [held]);
  // The browser must be told before it scrolls, which a React listener cannot do.
  const [ref] = useState(() => (element: SVGElement | null) => {
    const stay = (event: TouchEvent) => grip.current && event.cancelable && event.preventDefault();
    element?.addEventListener('touchmove', stay, { passive: false });
    return () => element?.removeEventListener('touchmove', stay);
  });
  const take = (box: SVGSVGElement, x: number, y: number, cameAt: number | null) => {
    const before = left.current?.at === JSON.stringify(now.current) ? left.current : null;
    left.current = before;
    const from = before?.from ?? now.current;
    // A drawing with a view box is shown larger or smaller than its own units.
    const perPx = box.viewBox.baseVal?.width ? box.viewBox.baseVal.width / box.getBoundingClientRect().width : 1;
    const [dx, dy] = [(before?.dx ?? 0) / perPx, (before?.dy ?? 0) / perPx];
    const was = `${before?.dx ?? 0},${before?.dy ?? 0}`;
    grip.current = { cameAt, from, x: x - dx, y: y - dy, perPx, was, touched: { x, y } };
    setHeld(from);
  };
  const stopLifting = () => {
    if (lifting.current) clearTimeout(lifting.current.timer);
    lifting.current = null;
  };
  const release = () => {
    stopLifting();
    grip.current = null;
    setHeld(null);
  };
  return {
    held,
    handle: {
      ref,
      'data-held': held !== null || undefined,
      onPointerDown: (event: PointerEvent<SVGElement>) => {
        if (event.button > 0) return;
        const { currentTarget, clientX: x, clientY: y, pointerId, timeStamp } = event;
        const box = currentTarget.ownerSVGElement!;
        if (event.pointerType === 'touch') {
          stopLifting();
          lifting.current = { x, y, timer: setTimeout(() => take(box, x, y, timeStamp), liftMs) };
          return;
        }
        take(box, x, y, null);
        // The pointer stays with the handle when it leaves it.
        currentTarget.setPointerCapture(pointerId);
      },
      onPointerMove: ({ clientX, clientY, timeStamp }: PointerEvent<SVGElement>) => {
        const { current } = grip;
        const lift = lifting.current;
        if (!current) {
          if (lift && Math.hypot(clientX - lift.x, clientY - lift.y) > swipePx) stopLifting();
          return;
        }
        const { touched } = current;
        const far = touched ? Math.hypot(clientX - touched.x, clientY - touched.y) : Infinity;
        if (far < shakePx) return;
        // A busy machine reports a swipe after the resting time; the time stamps of the events tell.
        if (touched && current.cameAt !== null && timeStamp - current.cameAt < liftMs && far > swipePx)
          return release();
        current.touched = null;
        const [dx, dy] = [(clientX - current.x) * current.perPx, (clientY - current.y) * current.perPx];
        if (current.was === `${dx},${dy}`) return;
        current.was = `${dx},${dy}`;
        left.current = move(current.from, dx, dy) === false ? null : { from: current.from, dx, dy, at: '' };
      },
      onPointerUp: release,
      onPointerCancel: release,
      onLostPointerCapture: release,
      // A finger that rests long is holding, not asking for a menu.
      onContextMenu: (event: MouseEvent) => grip.current && event.preventDefault(),
    },
  };
}

/** A value moved by whole steps; zero steps leave it exactly as it was. */
export const steppedBy = (value: number, by: number, step: number) =>
  Math.abs(by) < step / 2 ? value : Math.round((value + by) / step) * step;

/** The next value on the grid of steps, up or down. */
export const nextStep = (value: number, step: number, up: boolean) => {
  const at = value / step;
  const on = Math.abs(at - Math.round(at)) < 1e-6;
  return (on ? Math.round(at) + (up ? 1 : -1) : up ? Math.ceil(at) : Math.floor(at)) * step;
};

export const clamp = (value: number, { low, high }: { low: number; high: number }) =>
  Math.min(high, Math.max(low, value));

/** So many steps on, up or down. */
export const stepsOn = (value: number, step: number, up: boolean, steps = 1) =>
  nextStep(value, step, up) + (up ? step : -step) * (steps - 1);
