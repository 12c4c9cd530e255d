import { DropdownMenu } from 'radix-ui';
import type { Kind } from '../api/client';
import { useUnits } from '../ui/units';

const asSystem = 'system';
const choices: { kind: Kind; name: string; said: Record<string, string> }[] = [
  { kind: 'windSpeed', name: 'Wind in', said: { kn: 'knots', mph: 'mph', 'm/s': 'm/s', Beaufort: 'Beaufort' } },
  { kind: 'benchMass', name: 'Bench weights in', said: { g: 'grams', gr: 'grains', oz: 'ounces' } },
  { kind: 'force', name: 'Pull and drag in', said: { oz: 'ounces', g: 'grams' } },
];
const item =
  'flex min-h-9 cursor-pointer items-center gap-2 rounded px-2 outline-none select-none data-highlighted:bg-water';

function Choice({ value, children }: { value: string; children: string }) {
  return (
    <DropdownMenu.RadioItem value={value} className={item} onSelect={(event) => event.preventDefault()}>
      <span className="w-4" aria-hidden="true">
        <DropdownMenu.ItemIndicator>•</DropdownMenu.ItemIndicator>
      </span>
      {children}
    </DropdownMenu.RadioItem>
  );
}

/** How figures are said: in feet or metres, the wind and the scale as one likes. */
export function UnitsMenu() {
  const { system, toggle, chosen, choose, standards } = useUnits();
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="quiet" title="U turns it over">
        {system === 'trade' ? 'ft, grains' : 'm, grams'}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          className="z-50 min-w-48 rounded border border-ink bg-sheet p-1 text-ink shadow-lg"
        >
          <DropdownMenu.RadioGroup value={system} onValueChange={(to) => to !== system && toggle()}>
            <Choice value="trade">Feet and grains</Choice>
            <Choice value="metric">Metres and grams</Choice>
          </DropdownMenu.RadioGroup>
          {choices.map(({ kind, name, said }) => (
            <DropdownMenu.RadioGroup
              key={kind}
              value={chosen[kind] ?? asSystem}
              onValueChange={(unit) => choose(kind, unit === asSystem ? null : unit)}
            >
              <DropdownMenu.Label className="rubric border-t border-hair px-2 pt-1">{name}</DropdownMenu.Label>
              <Choice value={asSystem}>as above</Choice>
              {standards.units
                .find((u) => u.kind === kind)!
                .byChoice.map((form) => (
                  <Choice key={form.unit} value={form.unit}>
                    {said[form.unit] ?? form.unit}
                  </Choice>
                ))}
            </DropdownMenu.RadioGroup>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
