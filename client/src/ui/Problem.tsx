import { useState } from 'react';

/**
 * What is wrong with an entry, under its field and clear of its focus ring. Once mended it leaves its space, so that nothing moves under a
 * press in progress; within a sentence (`passing`) it goes.
 */
export function Problem({
  id,
  words,
  passing = false,
}: {
  id?: string;
  words: string | null | undefined;
  passing?: boolean;
}) {
  const [last, setLast] = useState(words);
  if (words && words !== last) setLast(words);
  if (!words && (!last || passing)) return null;
  return (
    <span
      id={id}
      role={words ? 'alert' : undefined}
      aria-hidden={words ? undefined : true}
      className={`mt-1 block text-sm leading-snug font-semibold text-fails ${words ? '' : 'invisible'}`}
    >
      {words || last}
    </span>
  );
}
