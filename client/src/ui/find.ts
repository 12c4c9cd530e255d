/** Whether a text has every word that is looked for in it, in any order and case. */
export const goesBy = (sought: string, text: string) =>
  sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.toLowerCase().includes(word));
