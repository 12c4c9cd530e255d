import type { Part } from '../api/client';
import { useUnits } from './units';

/** A sentence of the core, with quantities in the reader's units. */
export function Say({ parts }: { parts: Part[] }) {
  const { show, standards } = useUnits();
  const doubt = standards.glossary.find((term) => term.id === 'plus-minus')?.means;
  return (
    <>
      {parts.map((part, i) =>
        part.quantity ? (
          <span key={i} className="whitespace-nowrap" title={part.quantity.plusMinus ? doubt : undefined}>
            {show(part.quantity)}
          </span>
        ) : (
          part.text
        ),
      )}
    </>
  );
}

/** The same as plain text, for labels and titles. */
export function useSayText() {
  const { show } = useUnits();
  return (parts: Part[]) => parts.map((p) => (p.quantity ? show(p.quantity) : (p.text ?? ''))).join('');
}
