import { useState, type ReactNode } from 'react';
import type { FieldPathByValue, FieldValues } from 'react-hook-form';
import type { Kind } from '../api/client';
import { useField, type Form } from './form';
import { Message } from './Message';
import { Pick as PickOne } from './Pick';
import { Problem } from './Problem';
import { Slide } from './Slide';
import { Stepper } from './Stepper';
import { MeasureField, NumberField, OptionalMeasureField, sumLike, type FieldProps } from './TypedField';

/** A field of a form, by its path. */
type Of<T extends FieldValues, Value> = { of: Form<T>; at: FieldPathByValue<T, Value>; label: string };

type Maybe<V> = V | null | undefined;

/** A typed measure in any unit that fits; left empty where that may be. */
export function Measure<T extends FieldValues>({
  of,
  at,
  empty = false,
  times = 1,
  then,
  ...field
}: Of<T, Maybe<number>> & {
  kind: Kind;
  /** The stored value is this multiple of the shown one. */
  times?: number;
  /** It may be left empty. */
  empty?: boolean;
  /** Further changes that follow from it. */
  then?: (si: number | null) => void;
} & Pick<FieldProps, 'assumed' | 'solved' | 'problem'>) {
  const { value, problem, put } = useField(of, at);
  const change = (si: number | null) => {
    put((si === null ? null : si * times) as never);
    then?.(si);
  };
  const shown = value == null ? null : Number(value) / times;
  const common = { problem, ...field, at, texts: of.texts, value: shown };
  return empty ? (
    <OptionalMeasureField {...common} onChange={change} />
  ) : (
    <MeasureField {...common} onChange={change} />
  );
}

type Choosable = { id: string | number; name: string; about?: string | null };
const unsaid = 'none';

/** One choice from a list, by id; `none` names the empty choice, where allowed. */
export function Choice<T extends FieldValues>({
  of,
  at,
  label,
  options,
  none,
  then,
}: Of<T, Maybe<string | number>> & {
  options: readonly Choosable[];
  none?: string | undefined;
  then?: (id: string | number | null) => void;
}) {
  const { value, problem, put } = useField(of, at);
  const all = options.map((o) => ({ ...o, id: String(o.id) }));
  return (
    <PickOne
      label={label}
      value={all.some((o) => o.id === String(value)) ? String(value) : unsaid}
      options={none === undefined ? all : [{ id: unsaid, name: none }, ...all]}
      problem={problem}
      onChange={(id) => {
        const next = options.find((o) => String(o.id) === id)?.id ?? null;
        put(next as never);
        then?.(next);
      }}
    />
  );
}

/** A field under its label, with what is wrong with it. */
export function Labelled({
  label,
  problem,
  className = '',
  children,
}: {
  label: string;
  problem?: string | undefined;
  className?: string;
  children: ReactNode;
}) {
  return (
    <label className={`block min-w-0 ${className}`}>
      <span className="rubric block">{label}</span>
      {children}
      <Problem words={problem} />
    </label>
  );
}

/** Words: in a line, or over several. */
export function Text<T extends FieldValues>({
  of,
  at,
  label,
  rows = 1,
  className,
  digits = false,
  empty = false,
  ...input
}: Of<T, Maybe<string | number>> & {
  rows?: number;
  className?: string;
  maxLength?: number;
  placeholder?: string | undefined;
  /** A whole number stored as its digits. */
  digits?: boolean;
  /** Left empty it is null. */
  empty?: boolean;
}) {
  const { value, problem, put } = useField(of, at);
  const entered = (text: string) => {
    const said = digits ? text.replace(/\D/g, '') : text;
    return empty && said === '' ? null : digits ? Number(said) : said;
  };
  const field = {
    ...input,
    value: String(value ?? ''),
    'aria-invalid': problem ? true : undefined,
    onChange: ({ target }: { target: { value: string } }) => put(entered(target.value) as never),
  };
  return (
    <Labelled label={label} problem={problem} {...(className ? { className } : {})}>
      {rows > 1 ? (
        <textarea className="entry w-full" rows={rows} {...field} />
      ) : (
        <input className="entry w-full" inputMode={digits ? 'numeric' : undefined} autoComplete="off" {...field} />
      )}
    </Labelled>
  );
}

/** A calendar day; a required one keeps its last value when cleared. */
export function Day<T extends FieldValues>({
  of,
  at,
  label,
  empty = false,
  max,
}: Of<T, Maybe<string>> & { empty?: boolean; max?: string }) {
  const { value, problem, put } = useField(of, at);
  return (
    <Labelled label={label} problem={problem}>
      <input
        className="entry w-full"
        type="date"
        max={max}
        value={String(value ?? '')}
        aria-invalid={problem ? true : undefined}
        onChange={({ target }) => (target.value || empty) && put((target.value || null) as never)}
      />
    </Labelled>
  );
}

/** Yes or no. */
export function Tick<T extends FieldValues>({
  of,
  at,
  label,
  className = 'min-h-[44px] self-end',
}: Of<T, Maybe<boolean>> & { className?: string }) {
  const { value, problem, put } = useField(of, at);
  return (
    <label className={`flex items-center gap-2 ${className}`}>
      <input
        type="checkbox"
        className="size-5"
        checked={Boolean(value)}
        onChange={({ target }) => put(target.checked as never)}
      />
      {label}
      <Problem words={problem} />
    </label>
  );
}

/** A measure to type or to slide. */
export function Slider<T extends FieldValues>({
  of,
  at,
  ...slide
}: Of<T, number> & { kind: Kind; from: number; to: number; step: number }) {
  const { value, problem, put } = useField(of, at);
  return <Slide {...slide} value={Number(value)} problem={problem} onChange={(si) => put(si as never)} />;
}

/** A plain number, or nothing; `like` says what would do. */
export function Amount<T extends FieldValues>({
  of,
  at,
  ...field
}: Of<T, Maybe<number>> & { like: string; placeholder?: string }) {
  const { value, problem, put } = useField(of, at);
  return (
    <NumberField
      {...field}
      at={at}
      texts={of.texts}
      value={value as Maybe<number>}
      problem={problem}
      onChange={(n) => put(n as never)}
    />
  );
}

/** A sum in the money of the house. */
export const Sum = <T extends FieldValues>(field: Of<T, Maybe<number>> & { placeholder?: string }) => (
  <Amount {...field} like={sumLike} />
);

/** One of a few, by thumb; pressing it again clears it. */
export function Choose<T extends FieldValues>({
  of,
  at,
  label,
  options,
}: Of<T, Maybe<string>> & { options: readonly { id: string; name: string }[] }) {
  const { value, put } = useField(of, at);
  return (
    <div role="group" aria-label={label}>
      <h2 className="rubric">{label}</h2>
      <div className="flex flex-wrap gap-1.5">
        {options.map((o) => (
          <button
            key={o.id}
            type="button"
            className={`btn min-h-[44px] flex-1 px-2 ${value === o.id ? 'bg-ink! text-paper!' : ''}`}
            aria-pressed={value === o.id}
            onClick={() => put((value === o.id ? null : o.id) as never)}
          >
            {o.name}
          </button>
        ))}
      </div>
    </div>
  );
}

/** A whole number to step by thumb, said in words. */
export function Steps<T extends FieldValues>({
  of,
  at,
  label,
  words,
  from = 0,
  to = Infinity,
  then,
}: Of<T, number> & {
  words: (n: number) => string;
  from?: number;
  to?: number;
  /** What else follows from it. */
  then?: (n: number) => void;
}) {
  const { value, problem, put } = useField(of, at);
  const step = (by: number) => {
    const next = Math.min(to, Math.max(from, Number(value) + by));
    put(next as never);
    then?.(next);
  };
  return (
    <div className="min-w-0">
      <Stepper
        label={label}
        less="one less"
        more="one more"
        value={words(Number(value))}
        onLess={() => step(-1)}
        onMore={() => step(1)}
      />
      <Problem words={problem} />
    </div>
  );
}

/** Says that unsaved entries of an earlier visit were restored, with a button to discard them. */
export function Again<T extends FieldValues>({ form }: { form: Form<T> }) {
  if (!form.again) return null;
  return (
    <p role="status" className="mb-3 flex flex-wrap items-baseline gap-x-3">
      What you entered last time and did not keep is here again.
      <button className="quiet underline" type="button" onClick={form.startOver}>
        Throw it away
      </button>
    </p>
  );
}

/** Why a form was refused and, when it was changed elsewhere, the choice between the two. */
export function Refused<T extends FieldValues>({
  form,
  theirs,
  again,
}: {
  form: Form<T>;
  /** As stored now; null when it no longer exists. */
  theirs?: () => Promise<{ values: T; version: number } | null>;
  /** Saves the entries once more. */
  again?: () => unknown;
}) {
  const [gone, setGone] = useState(false);
  const settle = async (mine: boolean) => {
    const now = await theirs!();
    setGone(now === null);
    if (now === null) return;
    form.settle(now.values, now.version, mine);
    if (mine) await again?.();
  };
  return (
    <>
      <Message>
        {gone
          ? 'It is not there any more.'
          : form.words && `${form.words}${form.stale ? ' Yours is still here and not yet kept.' : ''}`}
      </Message>
      {form.stale && theirs && (
        <p className="my-2 flex gap-3">
          <button className="btn" type="button" onClick={() => void settle(true)}>
            Keep mine
          </button>
          <button className="btn" type="button" onClick={() => void settle(false)}>
            Take the other
          </button>
        </p>
      )}
    </>
  );
}
