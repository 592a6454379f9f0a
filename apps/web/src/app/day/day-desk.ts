import { computed, DestroyRef, effect, inject, Injectable, resource, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { Day } from '@gold-peg/contract/day';
import type { Moved as MovedOperation, Plan } from '@gold-peg/craft/day';
import { filter, switchMap, throttleTime } from 'rxjs';
import { LiveFeed } from '../feed/live-feed';
import { Api } from '../server/api';
import { sayProblem, troubleOf } from '../server/server-problem';
import { sayMoved } from './day-words';
import { dateOf, momentOf } from './moment';
import { Planner, type DayReply } from './planner';

/** Several steps at once are read together. */
const NEWS_MS = 400;
/** So long it is planned; what is found on the way is shown at once. */
const PLANNING_MS = 1200;
/** A shop's day is looked at again so often, though nothing happened: minutes go by. */
const AGAIN_MS = 60_000;

/** More are only counted. */
const MOST_TOLD = 3;

/** An operation and where it is to lie. */
export interface Moved {
  job: string;
  operation: string;
  person: string;
  start: number;
}

/** The bench day: what the server knows of it, the plan that follows, and what is pinned of it. */
@Injectable()
export class DayDesk {
  private readonly api = inject(Api);
  private readonly planner = inject(Planner);

  readonly read = resource({ loader: () => this.api.call('day', {}) });
  readonly trouble = computed(() => troubleOf(this.read));
  readonly day = computed(() => (this.read.hasValue() ? this.read.value() : null));
  private readonly reply = signal<DayReply | null>(null);
  readonly plan = computed<Plan | null>(() => {
    const reply = this.reply();
    return reply === null || reply.kind === 'inserted' ? null : reply.plan;
  });
  /** All that follows from the best plan, once it is the best. */
  readonly planned = computed(() => {
    const reply = this.reply();
    return reply?.kind === 'planned' ? reply : null;
  });
  readonly planning = computed(() => this.day() !== null && this.planned() === null);
  /** What moved when the plan last did, and why; what was pinned by hand is known. */
  readonly moved = signal<{ at: Date; lines: readonly string[] } | null>(null);
  /** Why something could not be pinned. */
  readonly fault = signal<string | null>(null);
  /** What was asked for last, as long as it is not answered. */
  readonly asking = signal<Moved | null>(null);
  private changing: Promise<void> = Promise.resolve();

  constructor() {
    inject(LiveFeed)
      .news.pipe(throttleTime(NEWS_MS, undefined, { leading: true, trailing: true }), takeUntilDestroyed())
      .subscribe(() => this.read.reload());
    const again = setInterval(() => this.read.reload(), AGAIN_MS);
    toObservable(this.day)
      .pipe(
        filter((day) => day !== null),
        switchMap(({ inForce, correction, ...rack }) => this.planner.plan({ rack, inForce, correction, timeLimitMs: PLANNING_MS })),
        takeUntilDestroyed(),
      )
      .subscribe((reply) => this.reply.set(reply));
    inject(DestroyRef).onDestroy(() => clearInterval(again));
    effect(() => {
      const planned = this.planned();
      const day = untracked(this.day);
      if (planned === null || day === null) return;
      this.tellMoved(day, planned.plan.moved);
      void this.putInForce(day, planned.plan);
    });
  }

  /** An operation stays where somebody put it, and all else follows. */
  async pin(moved: Moved): Promise<void> {
    const { job, operation, person, start } = moved;
    const day = this.day();
    if (day === null) return;
    this.asking.set(moved);
    await this.send({ jobId: job, operation, place: { personId: person, startAt: momentOf(day, start).toISOString() } });
    if (this.asking() === moved) this.asking.set(null);
  }

  unpin({ job, operation }: Pick<Moved, 'job' | 'operation'>): Promise<void> {
    return this.send({ jobId: job, operation, place: null });
  }

  /** Somebody is not there today, or is there after all. */
  setAway(personId: string, away: boolean): Promise<void> {
    const day = this.day();
    return day === null ? Promise.resolve() : this.change(() => this.api.call('setAway', { body: { personId, day: dateOf(day), away } }));
  }

  private send(body: { jobId: string; operation: string; place: { personId: string; startAt: string } | null }): Promise<void> {
    return this.change(() => this.api.call('pin', { body }));
  }

  /** One after the other: the last that was asked for is the one that stays. */
  private change(asks: () => Promise<Day>): Promise<void> {
    this.changing = this.changing.then(() => this.ask(asks));
    return this.changing;
  }

  private async ask(asks: () => Promise<Day>): Promise<void> {
    this.fault.set(null);
    try {
      this.read.set(await asks());
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }

  private tellMoved(day: Day, moved: readonly MovedOperation[]): void {
    const byHand = ({ job, operation }: MovedOperation) => day.pinned.some((pin) => pin.job === job && pin.operation === operation);
    const told = moved.filter((each) => !byHand(each)).map((each) => sayMoved(day, each));
    const most = told.slice(0, MOST_TOLD);
    const lines = told.length > MOST_TOLD ? [...most, `${told.length - MOST_TOLD} more moved with them.`] : most;
    if (lines.length > 0) this.moved.set({ at: momentOf(day, day.now), lines });
  }

  /** The next plan moves as little of this one as it can. Where somebody else was quicker, theirs is read with the next news. */
  private async putInForce(day: Day, { operations }: Plan): Promise<void> {
    const lies = new Set(day.inForce.map(({ job, operation, person, start }) => `${job} ${operation} ${person} ${start}`));
    const changed = operations.some(({ job, operation, person, start }) => !lies.has(`${job} ${operation} ${person} ${start}`));
    if (!changed) return;
    const places = operations.map(({ job, operation, person, start }) => ({
      ...{ jobId: job, operation, personId: person },
      startAt: momentOf(day, start).toISOString(),
    }));
    await this.api.call('keepPlan', { body: { version: day.version, operations: places } }).catch(() => undefined);
  }
}
