/** What is wrong with an entry, said under its field, clear of the ring around it. */
export function Problem({ id, words }: { id?: string; words: string | null | undefined }) {
  if (!words) return null;
  return (
    <span id={id} role="alert" className="mt-1 block text-sm leading-snug font-semibold text-fails">
      {words}
    </span>
  );
}
