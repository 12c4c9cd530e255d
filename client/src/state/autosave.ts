import { ApiError, isPassing } from '../api/client';

/** State of saving. Typed: not sent yet; waiting: will be tried again; refused: an entry prevents it; stale: changed elsewhere. */
export type Saving = { state: 'typed' | 'saving' | 'saved' | 'waiting' | 'refused' | 'stale'; words?: string };

type Kept = { version: number };

/** Pause after the last change before it is saved, and pause before a passing failure is tried again, ms. */
export const restMs = 450;
export const againMs = 2500;

/**
 * Saves the newest state of something edited, a moment after the last change. One write at a time, because each needs the version that the
 * previous one made; an unchanged state is not written.
 */
export class Autosave<T, K extends Kept> {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private queue = Promise.resolve();
  private writing = false;
  private kept: string;

  constructor(
    private now: T,
    /** The version that the present state is based on. */
    public version: number,
    private readonly write: (now: T, version: number, leaving: boolean) => Promise<K>,
    private readonly tell: (saving: Saving) => void,
    private readonly onKept: (fresh: K) => void,
  ) {
    this.kept = JSON.stringify(now);
  }

  /** True while the present state differs from the saved one. */
  isAhead(now: T) {
    return JSON.stringify(now) !== this.kept;
  }

  /** Takes the newest state; saves it when no newer one comes for a moment. */
  put(now: T) {
    this.now = now;
    this.after(restMs);
  }

  /** Saves at once, because the page is being left. */
  leave() {
    clearTimeout(this.timer);
    return this.save(true);
  }

  /** Overwrites what was saved elsewhere under that version. */
  keepMine(version: number) {
    this.version = version;
    this.after(0);
  }

  /** Takes what was saved elsewhere instead of the present state. */
  takeTheirs(theirs: T, version: number) {
    clearTimeout(this.timer);
    this.now = theirs;
    this.version = version;
    this.kept = JSON.stringify(theirs);
    this.tell({ state: 'saved' });
  }

  /** Takes what was saved elsewhere, when nothing here is unsaved; returns whether it did. */
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
