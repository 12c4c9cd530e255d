import { Tabs as Radix } from 'radix-ui';
import type { ReactNode } from 'react';
import { useAddress } from './useAddress';

/** Parts of one bench, one at a time; which one is in the address. */
export function Tabs({ label, tabs }: { label: string; tabs: { id: string; name: string; body: () => ReactNode }[] }) {
  const { asked, ask } = useAddress();
  const shown = tabs.find((t) => t.id === asked('part')) ?? tabs[0]!;
  return (
    <Radix.Root value={shown.id} onValueChange={(part) => ask({ part })}>
      <Radix.List aria-label={label} className="mt-2 flex flex-wrap border-b border-ink">
        {tabs.map((t) => (
          <Radix.Trigger
            key={t.id}
            value={t.id}
            className="-mb-px border-b-3 border-transparent px-3 py-2 hover:bg-water data-[state=active]:border-signal data-[state=active]:font-semibold"
          >
            {t.name}
          </Radix.Trigger>
        ))}
      </Radix.List>
      <Radix.Content value={shown.id} className="pt-3">
        {shown.body()}
      </Radix.Content>
    </Radix.Root>
  );
}
