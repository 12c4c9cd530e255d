import type { ReactNode } from 'react';
import type { BriefDraft, Kind, Pins, Solution } from '../../api/client';
import { MeasureField } from '../../ui/TypedField';
import type { BriefWork } from '../../state/useBrief';

/** What every bench of a link gets: the brief in work and what it comes to. */
export type BenchProps = { work: BriefWork; solution: Solution };

/** The fields by which a link is pinned. */
export function PinFields({ children }: { children: ReactNode }) {
  return (
    <div className="my-3 grid max-w-xl grid-cols-2 gap-3 border-t border-hair pt-3 sm:grid-cols-3">{children}</div>
  );
}

// The fields of a brief or of its pins that hold a number.
type Numbers<T> = { [F in keyof T]-?: NonNullable<T[F]> extends number ? F : never }[keyof T] & string;

type Field<T> = {
  work: BriefWork;
  at: Numbers<T>;
  label: string;
  kind: Kind;
  /** What the answer has while nobody said it. */
  value: number;
};

/** A measure of the day, typed; what was not said is assumed. */
export const DayMeasure = ({ work, at, value, ...field }: Field<BriefDraft>) => (
  <MeasureField
    {...field}
    at={at}
    value={work.draft[at] ?? value}
    said={work.draft.said?.[at]}
    assumed={work.draft[at] == null}
    problem={work.problems[at]}
    onChange={(si, said) => work.setDraft(at, { [at]: si }, said)}
  />
);

/** A measure a link is pinned to; what was not pinned came out of the work. `also` is what goes with it. */
export const PinMeasure = ({ work, at, value, also, ...field }: Field<Pins> & { also?: Partial<Pins> }) => (
  <MeasureField
    {...field}
    at={`pins.${at}`}
    value={work.pins[at] ?? value}
    solved={work.pins[at] == null}
    problem={work.problems[`pins.${at}`]}
    said={work.pins.said?.[at]}
    onChange={(si, said) => work.setPins(at, { [at]: si, ...also }, said)}
  />
);
