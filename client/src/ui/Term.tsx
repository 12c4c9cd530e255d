import { Popover } from 'radix-ui';
import { Fragment, useMemo, useState, type ReactNode } from 'react';
import { useUnits } from './units';

/** A trade word that says what it means when it is pointed at or pressed. */
export function Term({ id, children }: { id: string; children: ReactNode }) {
  const { standards } = useUnits();
  const [open, setOpen] = useState(false);
  const term = standards.glossary.find((t) => t.id === id);
  if (!term) return children;
  const name = term.words[0]!;
  const byMouse = (then: boolean) => (event: React.PointerEvent) => event.pointerType === 'mouse' && setOpen(then);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        className="term"
        aria-label={`${typeof children === 'string' ? children : name}: what it means`}
        // A press never closes what hovering has just opened.
        onClick={(event) => {
          event.preventDefault();
          setOpen(true);
        }}
        onPointerEnter={byMouse(true)}
        onPointerLeave={byMouse(false)}
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          role="tooltip"
          side="top"
          sideOffset={6}
          collisionPadding={8}
          onOpenAutoFocus={(event) => event.preventDefault()}
          className="z-50 max-w-72 rounded border border-ink bg-sheet px-3 py-2 text-left text-sm leading-snug font-normal text-ink shadow-lg"
        >
          {term.means}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** A text whose trade words can be looked up, each at its first occurrence. */
export function Glossed({ children }: { children: string }) {
  const { standards } = useUnits();
  const { byWord, any } = useMemo(() => {
    const byWord = new Map(standards.glossary.flatMap((t) => t.words.map((w) => [w, t.id] as const)));
    const words = [...byWord.keys()].sort((a, b) => b.length - a.length);
    return { byWord, any: new RegExp(`\\b(${words.join('|')})\\b`, 'gi') };
  }, [standards]);
  const said = new Set<string>();
  return children.split(any).map((piece, i) => {
    const id = i % 2 ? byWord.get(piece.toLowerCase()) : undefined;
    if (!id || said.has(id)) return <Fragment key={i}>{piece}</Fragment>;
    said.add(id);
    return (
      <Term key={i} id={id}>
        {piece}
      </Term>
    );
  });
}
