import { useEffect, useState } from 'react';

export const wantsStill = () => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** Playback of `end` seconds at a pace, which can be paused and scrubbed; `share` is how much has passed. */
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
    /** Continues from where it was paused, or from the start when it is over. */
    toggle: () => {
      if (!playing && share >= 1) setShare(0);
      setPlaying(!playing);
    },
    /** Pauses at this share. */
    holdAt: (at: number) => {
      setPlaying(false);
      setShare(at);
    },
  };
}
