import { Select } from 'radix-ui';
import { getNonce } from 'get-nonce';
import { memo, useCallback, useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import { Problem } from './Problem';

export type Option = { id: string; name: string; about?: string | null };

type Props = {
  label: string;
  value: string;
  options: Option[];
  onChange: (id: string) => void;
  problem?: string | undefined;
  assumed?: boolean;
  inline?: boolean;
};

/** One choice from a list, set in words or in a form. */
export function Pick({ onChange, ...rest }: Props) {
  const latest = useRef(onChange);
  useEffect(() => {
    latest.current = onChange;
  });
  return <Still {...rest} onChange={useCallback((id: string) => latest.current(id), [])} />;
}

// A list renders all its options even while closed; it stands still while something else is dragged.
const Still = memo(function Still({
  label,
  value,
  options,
  onChange,
  problem,
  assumed = false,
  inline = false,
}: Props) {
  const id = useId();
  const [open, setOpen] = useState(false);
  // A letter shows the list and goes to what begins with it there; it changes nothing that nobody sees.
  const lookUp = (event: KeyboardEvent<HTMLElement>) => {
    const { key } = event;
    if (open || key.length !== 1 || key === ' ' || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    setOpen(true);
    setTimeout(() =>
      document.activeElement?.dispatchEvent(new globalThis.KeyboardEvent('keydown', { key, bubbles: true })),
    );
  };
  return (
    <span className={inline ? '' : 'block min-w-0'}>
      {!inline && (
        <label htmlFor={id} className="rubric flex items-baseline justify-between gap-2">
          {label}
          {assumed && <span className="font-normal italic">assumed</span>}
        </label>
      )}
      <Select.Root value={value} onValueChange={onChange} open={open} onOpenChange={setOpen}>
        <Select.Trigger
          id={id}
          onKeyDown={lookUp}
          aria-label={inline ? label : undefined}
          aria-invalid={problem ? true : undefined}
          className={
            inline
              ? `word ${assumed ? 'assumed' : ''}`
              : 'entry flex w-full items-center justify-between gap-1 text-left'
          }
        >
          <span className="truncate">
            <Select.Value />
          </span>
          {!inline && <span aria-hidden="true">▾</span>}
        </Select.Trigger>
        <Select.Portal>
          <Select.Content
            position="popper"
            sideOffset={4}
            collisionPadding={8}
            className="z-50 max-h-[min(60vh,var(--radix-select-content-available-height))] overflow-hidden rounded border border-ink bg-sheet text-ink shadow-lg"
          >
            <Select.Viewport nonce={getNonce() ?? ''} className="p-1">
              {options.map((option) => (
                <Select.Item
                  key={option.id}
                  value={option.id}
                  className="cursor-pointer rounded px-2 py-1 outline-none select-none data-highlighted:bg-water data-[state=checked]:font-bold"
                >
                  <Select.ItemText>{option.name}</Select.ItemText>
                  {option.about && <span className="ml-2 text-sm font-normal text-soft">{option.about}</span>}
                </Select.Item>
              ))}
            </Select.Viewport>
          </Select.Content>
        </Select.Portal>
      </Select.Root>
      <Problem words={problem} />
    </span>
  );
});
