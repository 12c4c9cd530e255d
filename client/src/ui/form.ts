import { useCallback, useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { flushSync } from 'react-dom';
import {
  get,
  useFieldArray,
  useForm as useFormOfLibrary,
  useFormState,
  useWatch,
  type ArrayPath,
  type FieldArray,
  type FieldPath,
  type FieldPathValue,
  type FieldValues,
  type UseFormReturn,
} from 'react-hook-form';
import { ApiError, type FieldWords } from '../api/client';
import { forget, recallParts, remember } from './remember';
import { Texts } from './texts';
import { settleEntries } from './useReading';

/** Unsaved entries about a thing, and the version they are based on. */
type Draft<T> = { version: number; start: T; values: T; texts: Record<string, string> };

const place = (of: string) => `draft-${of}`;

/** Discards unsaved entries: the thing was saved, archived or thrown away. */
export const endDraft = (of: string) => forget(place(of));

/** Name under which unsaved entries are kept: kind and id of the thing, or what a new one starts from. */
export const draftOf = (kind: string, id: number | string | null) => `${kind}-${id ?? 'new'}`;

function recallDraft<T>(of: string): Draft<T> | null {
  const draft = recallParts<Draft<T> | null>(place(of), null);
  return draft && typeof draft.values === 'object' && typeof draft.start === 'object' && Number.isInteger(draft.version)
    ? { ...draft, texts: draft.texts ?? {} }
    : null;
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** The parts of a thing that differ from its start. */
function entered<T extends object>(start: T, values: T): Partial<T> {
  return Object.fromEntries(
    Object.entries(values).filter(([part, value]) => !same(value, start[part as keyof T])),
  ) as Partial<T>;
}

/** `casts[1].distanceM` in the contract is `casts.1.distanceM` here. */
const pathOf = (field: string) => field.replaceAll(/\[(\d+)\]/g, '.$1');

export type Form<T extends FieldValues> = {
  /** The form of react-hook-form: values, errors and rows by path. */
  lib: UseFormReturn<T>;
  values: T;
  /** Whether there are unsaved entries. */
  dirty: boolean;
  /** Whether entries of an earlier visit were restored. */
  again: boolean;
  busy: boolean;
  /** The version that the entries are based on. */
  version: number;
  /** A refusal that belongs to no field. */
  words: string | null;
  /** Changed elsewhere meanwhile. */
  stale: boolean;
  put: <P extends FieldPath<T>>(at: P, value: FieldPathValue<T, P>) => void;
  patch: (parts: Partial<T>) => void;
  /** Problems of fields from a live answer; they replace the previous ones. */
  fault: (fields: FieldWords, under?: string) => void;
  /** Waits for entries still being read, then runs the work once. False when something was refused; it then has the focus. */
  keep: (work: (values: T, version: number) => Promise<unknown>) => Promise<boolean>;
  /** Discards the entries. */
  startOver: () => void;
  /** Continues from what was saved elsewhere: with the entries here applied to it, or without. */
  settle: (theirs: T, version: number, mine: boolean) => void;
  /** For the element that contains its fields. */
  area: { ref: (element: HTMLElement | null) => void };
  texts: Texts;
};

/** Entries found in this browser when the page was opened. */
const useFound = <T>(of: string | null) => useState(() => (of === null ? null : recallDraft<T>(of)))[0];

/** Changes several parts at once. */
const usePatch = <T extends FieldValues>(put: Form<T>['put']) =>
  useCallback(
    (parts: Partial<T>) =>
      Object.entries(parts).forEach(([part, value]) => put(part as FieldPath<T>, value as FieldPathValue<T, never>)),
    [put],
  );

/** The element that contains the fields of a form. */
function useArea() {
  const element = useRef<HTMLElement | null>(null);
  const [area] = useState(() => ({ ref: (el: HTMLElement | null) => void (element.current = el) }));
  return { area, element };
}

/** Focuses the first field with a problem; false when there is none. */
function toFirstFault(area: HTMLElement | null) {
  const odd = area?.querySelector<HTMLElement>('[aria-invalid="true"]');
  odd?.focus({ preventScroll: true });
  odd?.scrollIntoView({ block: 'center' });
  return odd != null;
}

/** Initial values: unsaved entries, applied to the stored thing if that has changed since. */
const beginWith = <T extends object>(found: Draft<T> | null, start: T, version: number): T =>
  found === null
    ? start
    : found.version === version
      ? found.values
      : { ...start, ...entered(found.start, found.values) };

type Base<T> = { start: T; version: number };

/** Keeps unsaved entries in the browser, with texts that could not be read; returns those texts. */
function usePutBy<T>(of: string | null, found: Draft<T> | null, now: RefObject<{ values: T; base: Base<T> }>) {
  const save = useCallback(
    (all: Record<string, string>) => {
      if (of === null) return;
      const { values, base } = now.current;
      if (same(values, base.start) && Object.keys(all).length === 0) return endDraft(of);
      remember(place(of), JSON.stringify({ ...base, values, texts: all } satisfies Draft<T>));
    },
    [of, now],
  );
  const [texts] = useState(() => new Texts(found?.texts ?? {}));
  useEffect(() => texts.follow(save), [texts, save]);
  // After every render, so that every change is kept.
  useEffect(() => save(texts.all()));
  return texts;
}

/**
 * The form used everywhere. Fields go by path, rows by stable keys. Unsaved entries are kept in this browser under the name `of` until the
 * thing is saved, archived or discarded; with null nothing is kept. When the stored thing changes and there are no entries, the form
 * follows.
 */
export function useForm<T extends FieldValues>(of: string | null, start: T, version = 0): Form<T> {
  const found = useFound<T>(of);
  const current = found === null || found.version === version;
  const [base, setBase] = useState(() =>
    current ? { start, version } : { start: found.start, version: found.version },
  );
  const [begun] = useState<T>(() => beginWith(found, start, version));
  const lib = useFormOfLibrary<T>({ defaultValues: begun as never });
  const values = useWatch({ control: lib.control }) as T;
  const [again, setAgain] = useState(found !== null);
  const [busy, setBusy] = useState(false);
  const [failure, setFailure] = useState<ApiError | null>(null);
  const [atField, setAtField] = useState(false);
  const working = useRef(false);
  const { area, element } = useArea();
  const now = useRef({ values, base });
  useLayoutEffect(() => {
    now.current = { values, base };
  });
  const texts = usePutBy(of, found, now);

  const begin = (from: T, onVersion: number, with_: T = from) => {
    const base = { start: from, version: onVersion };
    // A save in the same moment is based on this.
    now.current = { values: with_, base };
    setBase(base);
    lib.reset(with_ as never);
    setFailure(null);
  };
  // The stored thing has changed and there are no entries here.
  const kept = JSON.stringify(start);
  const seen = useRef(kept);
  const taken = useRef<string | null>(null);
  useEffect(() => {
    if (seen.current === kept) return;
    seen.current = kept;
    // A save from here was undone: its entries are back, unsaved.
    if (kept === taken.current) setBase({ start, version });
    else if (same(now.current.values, now.current.base.start)) begin(start, version);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [kept]);

  const put: Form<T>['put'] = useCallback(
    (at, value) => {
      lib.setValue(at, value as never);
      lib.clearErrors(at);
    },
    [lib],
  );
  const patch = usePatch(put);
  const fault = useCallback(
    (fields: FieldWords, under?: string) => {
      lib.clearErrors();
      for (const [field, message] of Object.entries(fields)) {
        const at = pathOf(under && field.startsWith(`${under}.`) ? field.slice(under.length + 1) : field);
        lib.setError(at as FieldPath<T>, { type: 'refused', message });
      }
    },
    [lib],
  );
  const keep: Form<T>['keep'] = async (work) => {
    if (working.current) return false;
    working.current = true;
    setBusy(true);
    try {
      if (element.current && (await settleEntries(element.current))) return false;
      const sent = structuredClone(lib.getValues());
      await work(sent, now.current.base.version);
      taken.current = kept;
      // At once, so that only later entries are kept from now on.
      now.current.base = { ...now.current.base, start: sent };
      setBase(now.current.base);
      if (of !== null) endDraft(of);
      setAgain(false);
      setFailure(null);
      return true;
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      // At once, so that the marked field can take the focus; problems of no field are shown below the form.
      flushSync(() => fault(error.fields));
      setAtField(Object.keys(error.fields).length > 0 && toFirstFault(element.current));
      setFailure(error);
      return false;
    } finally {
      working.current = false;
      setBusy(false);
    }
  };
  return {
    lib,
    values,
    dirty: !same(values, base.start),
    again,
    busy,
    version: base.version,
    words: failure && !atField ? (Object.values(failure.fields)[0] ?? failure.message) : null,
    stale: failure?.status === 412,
    put,
    patch,
    fault,
    keep,
    startOver: () => {
      texts.clear();
      setAgain(false);
      begin(start, version);
    },
    settle: (theirs, onVersion, mine) => {
      if (!mine) texts.clear();
      const { values, base } = now.current;
      begin(theirs, onVersion, mine ? { ...theirs, ...entered(base.start, values) } : theirs);
    },
    area,
    texts,
  };
}

/** One field of a form: its value, its problem, and a function to change it. */
export function useField<T extends FieldValues, P extends FieldPath<T>>({ lib, put }: Form<T>, at: P) {
  const value = useWatch({ control: lib.control, name: at });
  const { errors } = useFormState({ control: lib.control, name: at });
  const said = get(errors, at) as { message?: unknown } | undefined;
  return {
    value,
    problem: typeof said?.message === 'string' ? said.message : undefined,
    put: (next: FieldPathValue<T, P>) => put(at, next),
  };
}

/** The rows of a list in a form, each with a key that stays the same wherever the row moves. */
export function useRows<T extends FieldValues, P extends ArrayPath<T>>({ lib, texts }: Form<T>, path: P) {
  const { fields, append, remove } = useFieldArray({ control: lib.control, name: path, keyName: 'rowKey' });
  return {
    rows: fields.map((row, i) => ({ key: row.rowKey, at: `${path}.${i}` as `${P}.${number}` })),
    add: (row: FieldArray<T, P>) => append(row, { shouldFocus: false }),
    /** Replaces all rows; rows keep their keys by position. */
    set: (next: FieldArray<T, P>[]) => {
      if (next.length !== fields.length) {
        texts.takeOut(path);
        return lib.setValue(path as never, next as never);
      }
      next.forEach((row, i) => lib.setValue(`${path}.${i}` as never, row as never));
    },
    takeOut: (at: number) => {
      texts.takeOut(`${path}.${at}`);
      remove(at);
    },
  };
}

/** Problems from a live answer, at their fields; they go when the answer goes. */
export function useFaults<T extends FieldValues>({ fault }: Form<T>, fields: FieldWords, under?: string) {
  const words = JSON.stringify(fields);
  useEffect(() => fault(JSON.parse(words) as FieldWords, under), [fault, words, under]);
}
