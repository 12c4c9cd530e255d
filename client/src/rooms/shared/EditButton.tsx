/** Opens the figures of a piece. */
export function EditButton({ tag, onPress }: { tag: string; onPress: () => void }) {
  return (
    <button className="quiet max-md:min-h-[44px]" aria-label={`Look at ${tag} or change it`} onClick={onPress}>
      edit
    </button>
  );
}
