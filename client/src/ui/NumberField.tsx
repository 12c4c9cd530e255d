import { useState } from 'react';
import { Problem } from './Problem';

type Props = {
  label: string;
  value: number | null | undefined;
  problem?: string | undefined;
  placeholder?: string;
  onChange: (value: number | null) => void;
  /** What would do, said of what cannot be read. */
  like: string;
};

const read = (text: string) => Number(text.replace(',', '.'));

/** A sum in the money of the house. */
export const MoneyField = (field: Omit<Props, 'like'>) => (
  <NumberField {...field} like="Type a sum, such as 120 or 79.50." />
);

/** A plain number, or nothing. What cannot be read stays and is said. */
export function NumberField({ label, value, problem, placeholder, like, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const unread = typed !== null && typed.trim() !== '' && !(read(typed) >= 0);
  const words = unread ? like : problem;
  return (
    <label className="block min-w-0">
      <span className="rubric block">{label}</span>
      <input
        className="entry w-full"
        inputMode="decimal"
        value={typed ?? String(value ?? '')}
        placeholder={placeholder}
        aria-invalid={words ? true : undefined}
        data-unread={unread ? true : undefined}
        onChange={(event) => {
          const text = event.target.value;
          setTyped(text);
          if (text.trim() === '') onChange(null);
          else if (read(text) >= 0) onChange(read(text));
        }}
        onBlur={() => !unread && setTyped(null)}
      />
      <Problem words={words} />
    </label>
  );
}
