import { useId } from 'react';
import { api, unwrap, type Kind } from '../api/client';
import { Problem } from './Problem';
import { useReading } from './useReading';
import { useUnits } from './units';

type FieldProps = {
  label: string;
  /** Words from the server about this field. */
  problem?: string | undefined;
  assumed?: boolean;
  /** The value came out of the work rather than from the person. */
  solved?: boolean;
  /** Set into a sentence: the label is for screen readers only. */
  inline?: boolean;
};

const plain = (text: string) => text.replace(/\s/g, '').toLowerCase();

/** A field whose text the core reads; what is wrong is said beside it and what was typed is kept. */
function TypedField<T>({
  label,
  shown,
  read,
  onRead,
  problem,
  assumed = false,
  solved = false,
  inline = false,
  usual = null,
}: FieldProps & {
  shown: string;
  /** How the reader would say it, where it was typed in another way. */
  usual?: string | null;
  read: (text: string) => Promise<T>;
  onRead: (value: T) => void;
}) {
  const id = useId();
  const { typed, unread, type, leave } = useReading(label, read, onRead);
  const words = unread ?? problem;
  const text = typed ?? shown;
  const beside = usual !== null && typed === null && plain(usual) !== plain(shown) ? usual : null;
  const input = (
    <input
      id={id}
      className={inline ? `word ${assumed ? 'assumed' : ''}` : 'entry w-full'}
      size={inline ? Math.max(2, text.length) : undefined}
      value={text}
      aria-label={inline ? label : undefined}
      aria-invalid={words ? true : undefined}
      data-unread={unread ? true : undefined}
      aria-describedby={words ? `${id}-words` : undefined}
      autoComplete="off"
      spellCheck={false}
      onFocus={(event) => event.target.select()}
      onChange={(event) => type(event.target.value)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        // Enter says yes to what was only assumed.
        if (assumed && typed === null) type(shown);
        event.currentTarget.blur();
      }}
      onBlur={leave}
    />
  );
  const note = <Problem id={`${id}-words`} words={words} />;
  if (inline)
    return (
      <>
        {input}
        {beside && <span className="text-[0.86em] text-soft"> ({beside})</span>}
        {note}
      </>
    );
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="rubric flex items-baseline justify-between gap-2">
        {label}
        {beside && <span className="font-normal">{beside}</span>}
        {(assumed || solved) && <span className="font-normal italic">{assumed ? 'assumed' : 'worked out'}</span>}
      </label>
      {input}
      {note}
    </div>
  );
}

type Measure = FieldProps & {
  kind: Kind;
  value: number | null | undefined;
  /** What was typed for this value, to be shown instead of it. */
  said?: string | null | undefined;
};

/** A typed measure in any unit that fits. */
export function MeasureField({ onChange, ...field }: Measure & { onChange: (si: number, said: string) => void }) {
  return <AnyMeasure {...field} onChange={(si, said) => si !== null && onChange(si, said)} />;
}

/** A typed measure that may be left empty. */
export function OptionalMeasureField(field: Measure & { onChange: (si: number | null, said: string) => void }) {
  return <AnyMeasure {...field} mayBeEmpty />;
}

function AnyMeasure({
  kind,
  value,
  said,
  onChange,
  mayBeEmpty = false,
  ...field
}: Measure & { mayBeEmpty?: boolean; onChange: (si: number | null, said: string) => void }) {
  const { show, system, chosen } = useUnits();
  const usual = value === null || value === undefined ? '' : show({ value, kind, plusMinus: null });
  return (
    <TypedField
      {...field}
      shown={said ?? usual}
      usual={said ? usual : null}
      read={async (text) =>
        mayBeEmpty && text.trim() === ''
          ? { value: null, said: '' }
          : unwrap(
              api.POST('/api/measures/read', {
                body: { kind, text, metric: system === 'metric', unit: chosen[kind] ?? null },
              }),
            )
      }
      onRead={(read) => onChange(read.value, read.said)}
    />
  );
}

/** A hook size, typed as on the packet. */
export function HookField({
  hook,
  onChange,
  ...field
}: FieldProps & { hook: string; onChange: (number: number) => void }) {
  return (
    <TypedField
      {...field}
      shown={hook}
      read={(text) => unwrap(api.GET('/api/measures/hook', { params: { query: { text } } }))}
      onRead={(read) => onChange(read.number)}
    />
  );
}
