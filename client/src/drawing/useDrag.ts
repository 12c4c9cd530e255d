import { useRef, useState, type PointerEvent } from 'react';

/**
 * Moves something by its handle. It goes as far as the finger, from where it lay: nothing jumps when it is touched, and back is where
 * it began. `free` is what is moved, with the scale it is drawn at while nobody holds it; while it is `held` the drawing keeps the scale it
 * had when it was taken. `dx` and `dy` are in the units of the drawing. On a touch screen only the handle catches; a swipe elsewhere scrolls.
 */
export function useDrag<From>(free: From, move: (from: From, dx: number, dy: number) => void) {
  const [held, setHeld] = useState<From | null>(null);
  const grip = useRef<{ from: From; x: number; y: number; perPx: number; was: string } | null>(null);
  const release = () => {
    grip.current = null;
    setHeld(null);
  };
  return {
    held,
    handle: {
      style: { touchAction: 'none' },
      onPointerDown: (event: PointerEvent<SVGElement>) => {
        if (event.button > 0) return;
        const from = free;
        const box = event.currentTarget.ownerSVGElement!;
        // A drawing with a view box is shown larger or smaller than its own units.
        const perPx = box.viewBox.baseVal?.width ? box.viewBox.baseVal.width / box.getBoundingClientRect().width : 1;
        grip.current = { from, x: event.clientX, y: event.clientY, perPx, was: '0,0' };
        setHeld(from);
        // The pointer stays with the handle when it leaves it.
        event.currentTarget.setPointerCapture(event.pointerId);
      },
      onPointerMove: (event: PointerEvent<SVGElement>) => {
        const { current } = grip;
        if (!current) return;
        const [dx, dy] = [(event.clientX - current.x) * current.perPx, (event.clientY - current.y) * current.perPx];
        if (current.was === `${dx},${dy}`) return;
        current.was = `${dx},${dy}`;
        move(current.from, dx, dy);
      },
      onPointerUp: release,
      onPointerCancel: release,
      onLostPointerCapture: release,
    },
  };
}

/** A value moved by so much, in whole steps; not moved is where it was. */
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
