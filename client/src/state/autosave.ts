import { ApiError, isPassing } from '../api/client';

/**
 * Where keeping stands. Typed: not on its way yet; waiting: it will be tried again; refused: an entry stands in the way; stale: changed
 * elsewhere.
 */
export type Saving = { state: 'typed' | 'saving' | 'saved' | 'waiting' | 'refused' | 'stale'; words?: string };

type Kept = { version: number };

/** How long hands must rest before it is kept, and how long until a passing failure is tried again, ms. */
export const restMs = 450;
export const againMs = 2500;

/**
 * Keeps the newest of something that is edited, a moment after the last change. One write at a time, because the next
 * needs the version that the last one made; what is the same as kept is not written.
 */
export class Autosave<T, K extends Kept> {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private queue = Promise.resolve();
  private writing = false;
  private kept: string;

  constructor(
    private now: T,
    /** The version that what is here is based on. */
    public version: number,
    private readonly write: (now: T, version: number, leaving: boolean) => Promise<K>,
    private readonly tell: (saving: Saving) => void,
    private readonly onKept: (fresh: K) => void,
  ) {
    this.kept = JSON.stringify(now);
  }

  /** True while this is not what was kept last. */
  isAhead(now: T) {
    return JSON.stringify(now) !== this.kept;
  }

  /** The newest; kept when no newer one has come for a moment. */
  put(now: T) {
    this.now = now;
    this.after(restMs);
  }

  /** Keeps at once what is not kept yet: the page is being left. */
  leave() {
    clearTimeout(this.timer);
    return this.save(true);
  }

  /** What is here goes over what was kept elsewhere under that version. */
  keepMine(version: number) {
    this.version = version;
    this.after(0);
  }

  /** What was kept elsewhere is taken instead of what is here. */
  takeTheirs(theirs: T, version: number) {
    clearTimeout(this.timer);
    this.now = theirs;
    this.version = version;
    this.kept = JSON.stringify(theirs);
    this.tell({ state: 'saved' });
  }

  /** Takes what was kept elsewhere since, where nothing here is ahead of what was kept from here; says whether it did. */
  follow(theirs: T, version: number) {
    if (version <= this.version || this.writing || this.isAhead(this.now)) return false;
    this.takeTheirs(theirs, version);
    return true;
  }

  private after(ms: number) {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.save(false), ms);
  }

  private save(leaving: boolean) {
    this.queue = this.queue.then(async () => {
      const now = this.now;
      if (!this.isAhead(now)) return;
      this.tell({ state: 'saving' });
      this.writing = true;
      try {
        const fresh = await this.write(now, this.version, leaving);
        this.version = fresh.version;
        this.kept = JSON.stringify(now);
        this.tell({ state: 'saved' });
        this.writing = false;
        this.onKept(fresh);
      } catch (error) {
        const failure = error instanceof ApiError ? error : new ApiError('Not saved.', 0, {});
        if (failure.status === 412) this.tell({ state: 'stale', words: failure.message });
        else if (isPassing(failure)) {
          const why = failure.status === 0 ? '' : `${failure.message} `;
          this.tell({ state: 'waiting', words: `${why}Not saved yet: trying again.` });
          this.after(againMs);
        } else this.tell({ state: 'refused', words: Object.values(failure.fields)[0] ?? failure.message });
      } finally {
        this.writing = false;
      }
    });
    return this.queue;
  }
}
