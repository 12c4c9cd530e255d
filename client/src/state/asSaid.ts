import type { BriefDraft, FieldWords, Solution, Standards } from '../api/client';

/**
 * The answer with what can be dragged set to what was said last, so that a drawing goes with the hand and a key pressed twice steps
 * twice, before the answer has come. What cannot be drawn or was refused stays as it was.
 */
export function asSaid(
  solution: Solution,
  draft: BriefDraft,
  problems: FieldWords,
  limits: Standards['limits'],
): Solution {
  const said = Object.entries(limits).flatMap(([field, { low, high }]) => {
    const value = draft[field as keyof typeof limits];
    return value !== undefined && value !== null && value >= low && value <= high && !problems[field]
      ? [[field, value] as const]
      : [];
  });
  return { ...solution, brief: { ...solution.brief, ...Object.fromEntries(said) } };
}
