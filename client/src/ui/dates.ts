/** A day as the reader says it, in their own order: "8 May 2027", "May 8, 2027". */
export const saidDay = (day: string) =>
  new Date(`${day}T12:00`).toLocaleDateString(undefined, { day: 'numeric', month: 'long', year: 'numeric' });

/** The same in short: "8 May". */
export const saidShort = (day: string) =>
  new Date(`${day}T12:00`).toLocaleDateString(undefined, { day: 'numeric', month: 'short' });
