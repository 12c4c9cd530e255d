/** A day as people say it: "8 May 2027". */
export const saidDay = (day: string) =>
  new Date(`${day}T12:00`).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** The same in short: "8 May". */
export const saidShort = (day: string) =>
  new Date(`${day}T12:00`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
