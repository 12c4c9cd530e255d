/**
 * Typed texts not read yet, by the present path of their fields: a row that moves takes its text along, and a removed row discards it.
 * After a reload they are restored by path.
 */
export class Texts {
  private readonly fields = new Map<object, { at: string; text: string | null; reset: () => void }>();
  private readonly left: Map<string, string>;
  private gone: string[] = [];
  private save: (all: Record<string, string>) => void = () => {};

  constructor(left: Record<string, string>) {
    this.left = new Map(Object.entries(left));
  }

  /** Sets the function that stores them, called on every change. */
  follow(save: (all: Record<string, string>) => void) {
    this.save = save;
  }

  /** Text left at a path by a field that is not mounted. */
  leftAt(at: string) {
    return this.left.get(at) ?? null;
  }

  /** A field was mounted at this path; `reset` clears its text. */
  came(field: object, at: string, reset: () => void = () => {}) {
    this.fields.set(field, { at, text: this.leftAt(at), reset });
    this.left.delete(at);
  }

  moved(field: object, at: string) {
    const now = this.fields.get(field);
    if (!now || now.at === at) return;
    now.at = at;
    this.save(this.all());
  }

  put(field: object, text: string | null) {
    const now = this.fields.get(field);
    if (!now || now.text === text) return;
    now.text = text;
    this.save(this.all());
  }

  /** A field was unmounted: its text stays at its path, unless its row was removed. */
  went(field: object) {
    const now = this.fields.get(field);
    this.fields.delete(field);
    if (now && now.text !== null && !this.gone.some((row) => now.at.startsWith(row))) this.left.set(now.at, now.text);
  }

  /** A row is removed, with the texts of its fields. */
  takeOut(row: string) {
    const prefix = `${row}.`;
    this.gone.push(prefix);
    // Until its fields are unmounted.
    setTimeout(() => (this.gone = this.gone.filter((r) => r !== prefix)));
    for (const now of this.fields.values()) if (now.at.startsWith(prefix)) now.text = null;
    this.save(this.all());
  }

  clear() {
    this.left.clear();
    for (const now of this.fields.values()) {
      now.text = null;
      now.reset();
    }
    this.save({});
  }

  all(): Record<string, string> {
    const here = [...this.fields.values()].flatMap(({ at, text }) => (text === null ? [] : [[at, text] as const]));
    return Object.fromEntries([...this.left, ...here]);
  }
}
