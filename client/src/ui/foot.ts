const heights = new Map<Element, number>();

function measure(bar: HTMLElement) {
  // Where the screen is wide some of them stand at the head of the page instead.
  heights.set(bar, getComputedStyle(bar).bottom === 'auto' ? 0 : bar.offsetHeight);
  tell();
}

function tell() {
  document.documentElement.style.setProperty('--foot', `${Math.max(0, ...heights.values())}px`);
}

/** Ref of a bar that stays at the foot of the screen: what was just done is said above it, never over its buttons. */
export function foot(bar: HTMLElement | null) {
  if (!bar) return;
  const watch = new ResizeObserver(() => measure(bar));
  watch.observe(bar);
  return () => {
    watch.disconnect();
    heights.delete(bar);
    tell();
  };
}
