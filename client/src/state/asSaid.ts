import type { BriefDraft, FieldWords, Solution, Standards } from '../api/client';

/**
 * The answer with the draggable values set to the latest input, so that a drawing follows the hand, and a key pressed twice moves two
 * steps, before the answer has come. Values that cannot be drawn or were refused stay as they were.
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
