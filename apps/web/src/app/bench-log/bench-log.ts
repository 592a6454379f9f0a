import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { MOST_EVENTS } from '@gold-peg/contract/endpoints';
import type { BenchEvent, BenchEventKind, EventOf } from '@gold-peg/craft/worksheet';
import { exhaustMap, filter, fromEvent, merge, Subject, switchMap, timer } from 'rxjs';
import { v4 as uuidV4, v7 as uuidV7 } from 'uuid';
import { Api } from '../server/api';
import { LiveFeed } from '../feed/live-feed';
import { Session } from '../session/session';
import { BenchDatabase, type LocalEvent } from './bench-database';
import { delivery, type Settled } from './delivery';
import { HouseClock } from '../server/house-clock';

/** While something waits, the server is tried this often. */
const RETRY_MS = 2000;
const DEVICE = 'gold-peg.device';

/** What happened, before the log adds who, where and when. */
export type Happening<K extends BenchEventKind = BenchEventKind> = {
  [P in K]: Pick<EventOf<P>, 'kind' | 'payload'> & (EventOf<P> extends { string: number } ? { string: number } : unknown);
}[K];

/** The device's side of the bench log: IndexedDB first, shown at once, sent when it can be. */
@Injectable({ providedIn: 'root' })
export class BenchLog {
  private readonly database = inject(BenchDatabase);
  private readonly api = inject(Api);
  private readonly session = inject(Session);
  private readonly clock = inject(HouseClock);
  private readonly wake = new Subject<void>();
  /** How often the server failed at an event by itself. */
  private readonly failures = new Map<string, number>();
  private readonly own = signal<readonly LocalEvent[]>([]);

  /** Events made on this device, whatever became of them. */
  readonly local = this.own.asReadonly();
  readonly waiting = computed(() => this.own().filter(({ state }) => state === 'waiting'));
  readonly refused = computed(() => this.own().filter(({ state }) => state === 'refused'));
  readonly ready: Promise<void>;

  constructor() {
    this.ready = this.database.events.toArray().then((events) => {
      for (const { event } of events) this.clock.known(Date.parse(event.at));
      this.own.set(events);
    });
    const hasWaiting = computed(() => this.waiting().length > 0);
    merge(
      this.wake,
      fromEvent(window, 'online'),
      inject(LiveFeed).news.pipe(filter(({ kind }) => kind === 'open')),
      toObservable(hasWaiting).pipe(
        filter(Boolean),
        switchMap(() => timer(0, RETRY_MS)),
      ),
    )
      .pipe(
        exhaustMap(() => this.send()),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Returns once the event is in IndexedDB; the server hears of it in its own time. */
  async append(job: { id: string; instrumentId: string }, happening: Happening): Promise<BenchEvent> {
    const person = this.session.person();
    if (person === null) throw new Error('nobody is signed in');
    const at = this.clock.next();
    const event = {
      id: uuidV7({ msecs: at }), // the log is sorted by it
      version: 1,
      jobId: job.id,
      instrumentId: job.instrumentId,
      personId: person.id,
      deviceId: deviceId(),
      at: new Date(at).toISOString(),
      ...happening,
    } as BenchEvent;
    const { id: personId, name: personName } = person;
    const local: LocalEvent = { id: event.id, jobId: event.jobId, personId, personName, state: 'waiting', says: null, event };
    await this.database.events.add(local);
    this.own.update((events) => [...events, local]);
    this.wake.next();
    return event;
  }

  /** Forgets events that the kept file of their job holds by now. */
  async forget(jobId: string, storedIds: ReadonlySet<string>): Promise<void> {
    const gone = this.own().filter((event) => event.jobId === jobId && event.state === 'stored' && storedIds.has(event.id));
    if (gone.length === 0) return;
    await this.database.events.bulkDelete(gone.map(({ id }) => id));
    this.own.update((events) => events.filter((event) => !gone.includes(event)));
  }

  /** Throws an event away that could not be kept, once somebody has read why. */
  async throwAway(id: string): Promise<void> {
    await this.database.events.delete(id);
    this.own.update((events) => events.filter((event) => event.id !== id));
  }

  /** Sends an event that was set aside once more: what was in its way may be gone. */
  async sendAgain(id: string): Promise<void> {
    this.failures.delete(id);
    await this.settle(new Map([[id, { state: 'waiting', says: null }]]));
    this.wake.next();
  }

  /** Goes on until nothing is left to send, so that a step taken while another was under way does not wait for the timer. */
  private async send(): Promise<void> {
    await this.ready;
    for (let batch = this.nextBatch(); batch.length > 0; batch = this.nextBatch()) {
      const { settled, goOn } = await delivery(batch, (events) => this.deliver(events), this.failures);
      await this.settle(settled);
      if (!goOn) return;
    }
  }

  /** Each event bears its person: those of somebody else wait until they sign in on this device. */
  private nextBatch(): LocalEvent[] {
    const person = this.session.person();
    return this.waiting()
      .filter(({ personId }) => personId === person?.id)
      .slice(0, MOST_EVENTS);
  }

  private async deliver(batch: readonly LocalEvent[]): Promise<Settled> {
    const { outcomes } = await this.api.call('appendEvents', { body: { events: batch.map(({ event }) => event) } });
    return new Map(outcomes.map(({ id, outcome, says }) => [id, { state: outcome === 'refused' ? 'refused' : 'stored', says }]));
  }

  private async settle(outcomes: Settled): Promise<void> {
    if (outcomes.size === 0) return;
    await this.database.transaction('rw', this.database.events, async () => {
      for (const [id, outcome] of outcomes) await this.database.events.update(id, outcome);
    });
    this.own.update((events) => events.map((local) => ({ ...local, ...outcomes.get(local.id) })));
  }
}

function deviceId(): string {
  const known = localStorage.getItem(DEVICE);
  if (known !== null) return known;
  const fresh = uuidV4();
  localStorage.setItem(DEVICE, fresh);
  return fresh;
}
