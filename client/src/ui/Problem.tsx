import { useState } from 'react';

/**
 * What is wrong with an entry, said under its field, clear of the ring around it. Once it is mended its room stays, so that nothing moves
 * under a press that is on its way; within a sentence, `passing`, it goes.
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
