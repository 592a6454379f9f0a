import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { MOST_TRIES, type PracticeTry, type TryDraft } from '@gold-peg/contract/practice';
import type { Judged, Tried } from '@gold-peg/craft/exercises';
import { exhaustMap, filter, fromEvent, merge, Subject, switchMap, timer } from 'rxjs';
import { BenchDatabase, type LocalTry } from '../bench-log/bench-database';
import { LiveFeed } from '../feed/live-feed';
import { Api } from '../server/api';
import { sayProblem, ServerProblem } from '../server/server-problem';
import { Session } from '../session/session';

/** While something waits, the server is tried this often. */
const RETRY_MS = 3000;

/** Answers that say something of the tries themselves, and would be the same tomorrow. */
const ABOUT_THE_TRIES = new Set(['invalid', 'malformed', 'too-large', 'not-allowed']);

/** One that was answered, and what makes the same exercise again. */
export interface Answered extends Tried {
  seed: number;
  level: number;
  /** The sheet that asked for it; null or left out where none did. */
  sheetId?: string | null;
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
  /** Those the server would not have by themselves: they stay on the device, and hold up no other. */
  private readonly refused = signal<ReadonlySet<string>>(new Set());

  /** Those of the person at the bench, the latest last. */
  readonly tries = computed<readonly Answered[]>(() => {
    const id = this.session.person()?.id;
    return this.known()
      .filter(({ personId }) => personId === id)
      .map(({ skill, at, off, good, seed, level, sheetId }) => ({ skill, at: Date.parse(at), off, good, seed, level, sheetId }));
  });
  readonly waiting = computed(() => this.known().filter(({ draft }) => draft !== null).length);
  readonly opened = signal(false);
  /** What the server said of those it refused. */
  private readonly whyRefused = signal<string | null>(null);
  /** What it said where it could not be asked; null while it could, or is away. */
  private readonly failed = signal<string | null>(null);
  /** What the server said where it could not keep them; null while it could, or is away. */
  readonly trouble = computed(() => this.failed() ?? this.whyRefused());

  constructor() {
    const toSend = computed(() => this.nextOnes().length > 0);
    merge(
      this.wake,
      fromEvent(window, 'online'),
      inject(LiveFeed).news.pipe(filter(({ kind }) => kind === 'open')),
      toObservable(toSend).pipe(
        filter(Boolean),
        switchMap(() => timer(RETRY_MS, RETRY_MS)),
      ),
    )
      .pipe(
        exhaustMap(() => this.send()),
        takeUntilDestroyed(this.destroyed),
      )
      .subscribe();
    void this.open();
  }

  again(): void {
    this.refused.set(new Set());
    this.whyRefused.set(null);
    this.wake.next();
  }

  /** Returns once it is in IndexedDB. */
  async add(draft: TryDraft, judged: Judged): Promise<void> {
    const personId = this.session.person()?.id;
    if (personId === undefined) return;
    const { id, skill, at, seed, level, sheetId } = draft;
    const local: LocalTry = { id, personId, skill, at, seed, level, sheetId, ...judged, draft };
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

  /** Sends what waits until nothing is left, so that one answered meanwhile goes as well; reads what the house knows where nothing waited. */
  private async send(): Promise<void> {
    const personId = this.session.person()?.id;
    if (personId === undefined) return;
    let failed: string | null = null;
    try {
      let most = MOST_TRIES;
      if (this.nextOnes().length === 0) await this.take(personId, await this.api.call('readPractice', {}));
      for (let batch = this.nextOnes(); batch.length > 0; batch = this.nextOnes()) {
        const tries = batch.slice(0, most);
        try {
          await this.take(personId, await this.api.call('keepPractice', { body: { tries } }), tries);
        } catch (error) {
          if (!(error instanceof ServerProblem) || !ABOUT_THE_TRIES.has(error.kind)) throw error;
          most = 1; // one by one: what is wrong with one holds up no other
          if (tries.length === 1) this.refuse(tries, sayProblem(error));
        }
      }
    } catch (error) {
      failed = error instanceof ServerProblem && error.away ? null : sayProblem(error);
    }
    this.failed.set(failed);
    this.opened.set(true);
  }

  /** Why is said until they are tried again. */
  private refuse(tries: readonly { id: string }[], why: string): void {
    this.whyRefused.set(why);
    this.refused.update((refused) => new Set([...refused, ...tries.map(({ id }) => id)]));
  }

  /** What waits of the person at the bench, as it is sent. */
  private nextOnes(): TryDraft[] {
    const personId = this.session.person()?.id;
    return this.known().flatMap(({ id, personId: whose, draft }) =>
      draft === null || whose !== personId || this.refused().has(id) ? [] : [draft],
    );
  }

  /** Takes over what the house knows. `sent`: what it took just now, also where that is older than what it tells. */
  private async take(personId: string, read: readonly PracticeTry[], sent: readonly TryDraft[] = []): Promise<void> {
    const stored = read.map((each): LocalTry => ({ ...each, personId, draft: null }));
    const ids = new Set([...stored, ...sent].map(({ id }) => id));
    const left = this.known().filter((each) => !ids.has(each.id) && (each.personId !== personId || each.draft !== null));
    this.known.set([...left, ...stored].sort((a, b) => a.at.localeCompare(b.at)));
    await this.database.transaction('rw', this.database.tries, async () => {
      await this.database.tries.bulkDelete(sent.map(({ id }) => id));
      await this.database.tries.bulkPut(stored);
    });
  }
}
