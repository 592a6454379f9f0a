import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { interval } from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { HouseClock } from '../server/house-clock';

/** When an instrument is to be tuned again, as the device knows it; times in ms. */
export interface Retune {
  jobId: string;
  passport: number;
  name: string;
  /** Numbers of the strings that move. */
  strings: readonly number[];
  at: number;
  /** Put off until then. */
  later: number | null;
  /** The house told it: this device has not looked at the instrument. */
  house?: boolean;
}

const KEPT_UNDER = 'gold-peg.retunes';
const LOOK_MS = 5000;
const MINUTE_MS = 60_000;

/** Retunes of all instruments that were looked at on this device: kept over a reload, and told when they are due wherever one is. */
@Injectable({ providedIn: 'root' })
export class RetuneTimes {
  private readonly known = signal<readonly Retune[]>(read());
  private readonly clock = inject(HouseClock);
  private readonly now = signal(this.clock.now());
  /** The one that comes next, or has been due for longest. */
  readonly next = computed(() => [...this.known()].sort((a, b) => dueAt(a) - dueAt(b))[0] ?? null);
  readonly due = computed(() => this.known().filter((each) => dueAt(each) <= this.now()));
  readonly minutesToNext = computed(() => {
    const next = this.next();
    return next === null ? null : Math.round((dueAt(next) - this.now()) / MINUTE_MS);
  });

  constructor() {
    interval(LOOK_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.now.set(this.clock.now()));
    const take = ({ key }: StorageEvent) => key === KEPT_UNDER && this.known.set(read()); // another tab knows more
    addEventListener('storage', take);
    inject(DestroyRef).onDestroy(() => removeEventListener('storage', take));
  }

  /** Takes down when the instrument of a job is to be tuned again; null where it is not. What was put off stays so until its time changes. */
  set(jobId: string, retune: Omit<Retune, 'jobId' | 'later'> | null): void {
    const before = this.known().find((each) => each.jobId === jobId);
    if (retune === null && before === undefined) return;
    const same = before !== undefined && retune !== null && Math.abs(before.at - retune.at) < MINUTE_MS;
    const others = this.known().filter((each) => each !== before);
    this.keep(retune === null ? others : [...others, { ...retune, jobId, later: same ? before.later : null }]);
  }

  /** Takes down what the house knows of instruments that this device has not looked at, and forgets what it no longer tells. */
  hearHouse(visits: readonly { jobId: string; passport: number; name: string; at: number }[]): void {
    const told = new Set(visits.map(({ jobId }) => jobId));
    const known = this.known().filter(({ jobId, house }) => house !== true || told.has(jobId));
    const fresh = visits.filter(({ jobId }) => known.every((each) => each.jobId !== jobId || each.house === true));
    const others = known.filter(({ jobId }) => fresh.every((each) => each.jobId !== jobId));
    const heard = fresh.map((visit): Retune => {
      const before = known.find(({ jobId }) => jobId === visit.jobId);
      const same = before !== undefined && Math.abs(before.at - visit.at) < MINUTE_MS;
      return { ...visit, strings: [], later: same ? before.later : null, house: true };
    });
    this.keep([...others, ...heard]);
  }

  putOff(jobId: string, minutes: number): void {
    const later = this.clock.now() + minutes * MINUTE_MS;
    this.keep(this.known().map((each) => (each.jobId === jobId ? { ...each, later } : each)));
  }

  private keep(known: readonly Retune[]): void {
    this.known.set(known);
    this.now.set(this.clock.now());
    localStorage.setItem(KEPT_UNDER, JSON.stringify(known));
  }
}

export const dueAt = ({ at, later }: Retune): number => later ?? at;

/** What was kept; nothing where that is not what was written here. */
function read(): Retune[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEPT_UNDER) ?? '[]');
    return Array.isArray(kept) ? (kept as Retune[]).filter(({ at, jobId }) => Number.isFinite(at) && typeof jobId === 'string') : [];
  } catch {
    return [];
  }
}
