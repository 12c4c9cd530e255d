import { useId, type ChangeEvent, type ComponentProps, type FocusEvent, type KeyboardEvent } from 'react';
import { api, ApiError, unwrap, type Kind } from '../api/client';
import { Problem } from './Problem';
import type { Texts } from './texts';
import { useReading } from './useReading';
import { useUnits } from './units';

export type FieldProps = {
  label: string;
  /** Path of the field within the form; by default its label. */
  at?: string;
  /** Where its unread text is kept; by default the surrounding TextScope. */
  texts?: Texts;
  /** Words from the server about this field. */
  problem?: string | undefined;
  assumed?: boolean;
  /** The value was computed rather than entered. */
  solved?: boolean;
  /** Set into a sentence: the label is for screen readers only. */
  inline?: boolean;
};

const plain = (text: string) => text.replace(/\s/g, '').toLowerCase();

/** The usual form of the value, when it is shown in another. */
const otherwise = (usual: string | null, shown: string) =>
  usual !== null && plain(usual) !== plain(shown) ? usual : null;

/** A field whose text the core reads; what is wrong is said beside it and what was typed is kept. */
export function TypedField<T>({
  label,
  at = label,
  texts,
  shown,
  read,
  onRead,
  problem,
  assumed = false,
  solved = false,
  inline = false,
  usual = null,
  ...input
}: FieldProps & {
  shown: string;
  /** The usual form of a value that was typed in another. */
  usual?: string | null;
  read: (text: string) => Promise<T>;
  onRead: (value: T) => void;
  inputMode?: 'decimal';
  placeholder?: string | undefined;
}) {
  const id = useId();
  const { typed, unread, type, leave } = useReading(at, read, onRead, texts);
  const words = unread ?? problem;
  const text = typed ?? shown;
  const beside = typed === null ? otherwise(usual, shown) : null;
  const field = {
    ...input,
    id,
    value: text,
    'aria-invalid': words ? true : undefined,
    'data-unread': unread ? true : undefined,
    'aria-describedby': words ? `${id}-words` : undefined,
    autoComplete: 'off',
    spellCheck: false,
    onFocus: (event: FocusEvent<HTMLInputElement>) => event.target.select(),
    onChange: (event: ChangeEvent<HTMLInputElement>) => type(event.target.value),
    onKeyDown: (event: KeyboardEvent<HTMLInputElement>) => {
      if (event.key !== 'Enter') return;
      // Enter confirms an assumed value.
      if (assumed && typed === null) type(shown);
      event.currentTarget.blur();
    },
    onBlur: leave,
  };
  const note = <Problem id={`${id}-words`} words={words} passing={inline} />;
  if (inline)
    return (
      <>
        <input
          {...field}
          className={`word ${assumed ? 'assumed' : ''}`}
          size={Math.max(2, text.length)}
          aria-label={label}
        />
        {beside && <span className="text-[0.86em] text-soft"> ({beside})</span>}
        {note}
      </>
    );
  const mark = assumed ? 'assumed' : solved ? 'worked out' : null;
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="rubric flex items-baseline justify-between gap-2">
        {label}
        {beside && <span className="font-normal">{beside}</span>}
        {mark && <span className="font-normal italic">{mark}</span>}
      </label>
      <input {...field} className="entry w-full" />
      {note}
    </div>
  );
}

type Measure = FieldProps & {
  kind: Kind;
  value: number | null | undefined;
  /** The typed text of this value, shown instead of it. */
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
  const usual = value === null || value === undefined ? '' : show(value, kind);
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

/** A plain number, or nothing; `like` gives an example. */
export function NumberField({
  value,
  like,
  onChange,
  ...field
}: FieldProps & {
  value: number | null | undefined;
  placeholder?: string | undefined;
  like: string;
  onChange: (value: number | null) => void;
}) {
  return (
    <TypedField
      {...field}
      inputMode="decimal"
      shown={String(value ?? '')}
      read={async (text) => {
        const number = text.trim() === '' ? null : Number(text.replace(',', '.'));
        if (number === null || number >= 0) return number;
        throw new ApiError(like, 400, {});
      }}
      onRead={onChange}
    />
  );
}

/** What would do as a sum in the money of the house. */
export const sumLike = 'Type a sum, such as 120 or 79.50.';

/** A sum in the money of the house. */
export const MoneyField = (field: Omit<ComponentProps<typeof NumberField>, 'like'>) => (
  <NumberField {...field} like={sumLike} />
);
