import { useSyncExternalStore } from 'react';

/** Whether a media query holds now. */
export function useMedia(query: string) {
  const media = window.matchMedia(query);
  return useSyncExternalStore(
    (tell) => {
      media.addEventListener('change', tell);
      return () => media.removeEventListener('change', tell);
    },
    () => media.matches,
  );
}

/** Where the three columns stand below one another, and where the drawing has no room for words. */
export const useStacked = () => useMedia('(max-width: 1023px)');
export const useNarrow = () => useMedia('(max-width: 639px)');
