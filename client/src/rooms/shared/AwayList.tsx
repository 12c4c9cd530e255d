import { key } from '../../api/keys';
import { useQuery } from '@tanstack/react-query';
import { Collapsible } from 'radix-ui';
import { useState } from 'react';
import { useToast } from '../../ui/toast';

/** What was put away of a kind, the last first, to be brought back. */
export function AwayList<T extends { id?: number }>({
  what,
  list,
  nameOf,
  bringBack,
}: {
  /** What these are, such as "rods". */
  what: string;
  list: () => Promise<T[]>;
  nameOf: (piece: T) => string;
  bringBack: (id: number) => Promise<unknown>;
}) {
  const [open, setOpen] = useState(false);
  const toast = useToast();
  const { data } = useQuery({ queryKey: key('away', what), queryFn: list });
  if (!data || data.length === 0) return null;
  const back = async (piece: T) => {
    await bringBack(piece.id ?? 0);
    toast({ words: `${nameOf(piece)} is back.` });
  };
  return (
    <Collapsible.Root open={open} onOpenChange={setOpen} className="mt-2">
      <Collapsible.Trigger className="quiet -ml-1 text-soft">
        {open ? '▾' : '▸'} Put away: {data.length} {what}
      </Collapsible.Trigger>
      <Collapsible.Content>
        <ul className="max-w-2xl">
          {data.map((piece) => (
            <li key={piece.id} className="flex items-baseline gap-3 border-t border-hair py-1">
              <span className="min-w-0 flex-1 wrap-anywhere">{nameOf(piece)}</span>
              <button
                className="quiet underline"
                aria-label={`Bring ${nameOf(piece)} back`}
                onClick={() => void back(piece)}
              >
                bring back
              </button>
            </li>
          ))}
        </ul>
      </Collapsible.Content>
    </Collapsible.Root>
  );
}
