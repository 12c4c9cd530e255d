import { useEffect, useState } from 'react';

export const wantsStill = () => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** Something that takes `end` seconds, to be played at a pace, held, and pulled back and forth; `share` is how much of it has passed. */
export function usePlay(end: number, start: { share: number; pace: number; playing?: boolean }) {
  const [share, setShare] = useState(start.share);
  const [pace, setPace] = useState(start.pace);
  const [playing, setPlaying] = useState(start.playing ?? false);
  useEffect(() => {
    if (!playing) return;
    let last = performance.now();
    let frame = requestAnimationFrame(function next(now) {
      const passed = ((now - last) / 1000) * pace;
      last = now;
      setShare((s) => {
        const on = s + passed / end;
        if (on >= 1) setPlaying(false);
        return Math.min(1, on);
      });
      frame = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, pace, end]);
  return {
    share,
    pace,
    setPace,
    playing,
    /** From where it is held, or from the start when it is over. */
    toggle: () => {
      if (!playing && share >= 1) setShare(0);
      setPlaying(!playing);
    },
    /** Held at this share of it. */
    holdAt: (at: number) => {
      setPlaying(false);
      setShare(at);
    },
  };
}
