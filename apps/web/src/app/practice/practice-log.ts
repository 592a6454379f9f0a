import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MOST_TRIES, tryDraft, type TryDraft } from '@gold-peg/contract/practice';
import type { Judged, Tried } from '@gold-peg/craft/exercises';
import { exhaustMap, filter, fromEvent, merge, Subject } from 'rxjs';
import { BenchDatabase, type LocalTry } from '../bench-log/bench-database';
import { LiveFeed } from '../feed/live-feed';
import { Api } from '../server/api';
import { sayProblem, ServerProblem } from '../server/server-problem';
import { Session } from '../session/session';

/** One that was answered, and what makes the same exercise again. */
export interface Answered extends Tried {
  seed: number;
  level: number;
}

/** What somebody practised: IndexedDB first, sent when the server can be reached, so that it works without. */
@Injectable()
export class PracticeLog {
  private readonly database = inject(BenchDatabase);
  private readonly api = inject(Api);
  private readonly session = inject(Session);
  private readonly destroyed = inject(DestroyRef);
  private readonly wake = new Subject<void>();
  private readonly known = signal<readonly LocalTry[]>([]);

  /** Those of the person at the bench, the latest last. */
  readonly tries = computed<readonly Answered[]>(() => {
    const id = this.session.person()?.id;
    return this.known()
      .filter(({ personId }) => personId === id)
      .map(({ skill, at, off, good, seed, level }) => ({ skill, at: Date.parse(at), off, good, seed, level }));
  });
  readonly waiting = computed(() => this.known().filter(({ draft }) => draft !== null).length);
  readonly opened = signal(false);
  /** What the server said where it could not keep them; null while it could, or is away. */
  readonly trouble = signal<string | null>(null);

  constructor() {
    merge(this.wake, fromEvent(window, 'online'), inject(LiveFeed).news.pipe(filter(({ kind }) => kind === 'open')))
      .pipe(
        exhaustMap(() => this.send()),
        takeUntilDestroyed(this.destroyed),
      )
      .subscribe();
    void this.open();
  }

  again(): void {
    this.wake.next();
  }

  /** Returns once it is in IndexedDB. */
  async add(draft: TryDraft, judged: Judged): Promise<void> {
    const personId = this.session.person()?.id;
    if (personId === undefined) return;
    const { id, skill, at, seed, level } = draft;
    const local: LocalTry = { id, personId, skill, at, seed, level, ...judged, draft };
    this.known.update((tries) => [...tries, local]);
    await this.database.tries.put(local);
    this.wake.next();
  }

  private async open(): Promise<void> {
    const kept = await this.database.tries.orderBy('at').toArray();
    this.known.set(kept);
    this.opened.set(kept.length > 0);
    this.wake.next();
  }

  /** Sends what waits, a batch at a time, and reads what the house knows. */
  private async send(): Promise<void> {
    const personId = this.session.person()?.id;
    if (personId === undefined) return;
    try {
      for (let batch = this.nextBatch(personId); ; batch = this.nextBatch(personId)) {
        const answer =
          batch.length === 0 ? await this.api.call('readPractice', {}) : await this.api.call('keepPractice', { body: { tries: batch } });
        await this.take(
          personId,
          answer.map((each) => ({ ...each, personId, draft: null })),
        );
        if (batch.length < MOST_TRIES) break;
      }
      this.trouble.set(null);
    } catch (error) {
      this.trouble.set(error instanceof ServerProblem && error.away ? null : sayProblem(error));
    }
    this.opened.set(true);
  }

  private nextBatch(personId: string): TryDraft[] {
    return this.known()
      .filter((each) => each.personId === personId)
      .flatMap(({ draft }) => (draft === null ? [] : [tryDraft.parse(draft)]))
      .slice(0, MOST_TRIES);
  }

  private async take(personId: string, stored: readonly LocalTry[]): Promise<void> {
    const ids = new Set(stored.map(({ id }) => id));
    const left = this.known().filter((each) => !ids.has(each.id) && (each.personId !== personId || each.draft !== null));
    this.known.set([...left, ...stored].sort((a, b) => a.at.localeCompare(b.at)));
    await this.database.tries.bulkPut([...stored]);
  }
}
