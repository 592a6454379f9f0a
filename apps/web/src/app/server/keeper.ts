import { signal } from '@angular/core';
import { sayProblem, ServerProblem } from './server-problem';

interface Edit<Row> {
  /** What was read when the edit began. */
  read: Row;
  /** Whether what is edited stands in `now` as it was read, or as it was typed: then nobody is in the way, whatever else was changed. */
  untouched: (now: Row, read: Row) => boolean;
  /** Sends what was typed on top of a row: with its version, and with what else it holds. */
  send: (on: Row) => Promise<Row>;
}

/** More often than that nobody is quicker in a row. */
const MOST_TRIES = 5;

/**
 * Keeps a change of what has a version, the same way for all. Where somebody else was quicker at the same thing, what stands now is shown beside what was typed,
 * which stays; keeping it once more puts it on top.
 */
export class Keeper<Row extends { version: number; id?: string }> {
  readonly busy = signal(false);
  readonly fault = signal<string | null>(null);
  /** What stands now, where that is in the way. */
  readonly now = signal<Row | null>(null);

  /** `read`: what the server says stands now, checked by the contract. */
  constructor(private readonly read: (current: unknown) => Row) {}

  /** Returns what was kept; null where it was not, and says why. */
  async keep(edit: Edit<Row>): Promise<Row | null> {
    if (this.busy()) return null;
    this.busy.set(true);
    this.fault.set(null);
    try {
      const kept = await this.send(edit, this.inTheWayOf(edit.read) ?? edit.read, MOST_TRIES);
      if (kept !== null) this.now.set(null);
      return kept;
    } catch (error) {
      this.fault.set(sayProblem(error));
      return null;
    } finally {
      this.busy.set(false);
    }
  }

  /** What stands now, where it is in the way of an edit of `read`; a clash about another thing, shown before, is none of it. */
  inTheWayOf(read: Row): Row | null {
    const now = this.now();
    return now?.id === read.id ? now : null;
  }

  /** Nothing is in the way any more: what stands now was taken, or the edit was left. */
  forget(): void {
    this.now.set(null);
    this.fault.set(null);
  }

  private async send(edit: Edit<Row>, on: Row, tries: number): Promise<Row | null> {
    try {
      return await edit.send(on);
    } catch (error) {
      if (!(error instanceof ServerProblem) || error.kind !== 'stale' || tries === 0) throw error;
      const now = this.read(error.problem.current);
      if (edit.untouched(now, on)) return this.send(edit, now, tries - 1);
      this.now.set(now);
      return null;
    }
  }
}
