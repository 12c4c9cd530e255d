import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { forget, recall, remember } from './remember';

type Tour = { stop: number | null; begin: () => void; go: (stop: number) => void; leave: () => void };

const TourContext = createContext<Tour | null>(null);

const place = 'tour';

/** Where somebody is on the tour, found again after a reload; null when they are not on it. */
export function TourProvider({ children }: { children: ReactNode }) {
  const [stop, setStop] = useState<number | null>(() => {
    const kept = recall(place);
    return kept === null || !Number.isInteger(Number(kept)) ? null : Number(kept);
  });
  const tour = useMemo<Tour>(() => {
    const go = (next: number) => {
      remember(place, String(next));
      setStop(next);
    };
    return {
      stop,
      begin: () => go(0),
      go,
      leave: () => {
        forget(place);
        setStop(null);
      },
    };
  }, [stop]);
  return <TourContext value={tour}>{children}</TourContext>;
}

export function useTour() {
  const tour = useContext(TourContext);
  if (!tour) throw new Error('The tour is asked for outside its provider.');
  return tour;
}
