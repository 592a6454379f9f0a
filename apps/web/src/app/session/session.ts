import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { DEFAULT_PREFERENCES, personSchema, type Person, type Preferences, type Session as Answer } from '@gold-peg/contract/people';
import { filter, fromEvent, merge } from 'rxjs';
import { Api } from '../server/api';
import { Connection } from '../server/connection';
import { keepHouseZone } from '../server/house-zone';
import { sayProblem, ServerProblem } from '../server/server-problem';

const REMEMBERED = 'gold-peg.person';
const WAITING = 'gold-peg.preferences-waiting';
/** More often than that nobody changes their preferences in a row elsewhere. */
const MOST_TRIES = 3;

/** Who is at this bench. The person is remembered on the device, so that work goes on while the server is away. */
@Injectable({ providedIn: 'root' })
export class Session {
  private readonly api = inject(Api);
  private readonly connection = inject(Connection);
  private readonly answer = signal<Answer | null>(null);
  private sending: Promise<void> = Promise.resolve();

  readonly state = signal<'asking' | 'signed-in' | 'signed-out'>('asking');
  readonly person = signal<Person | null>(null);
  readonly preferences = computed<Preferences>(() => this.person()?.preferences ?? DEFAULT_PREFERENCES);
  /** Steps at the bench, measures and tables are for those who work there. */
  readonly mayWork = computed(() => this.person()?.role !== 'counter');
  /** Signed in by a code at the bench: good for the bench, not for the office. */
  readonly byCode = computed(() => this.answer()?.byCode === true);
  /** Where this device is one of the bench. */
  readonly bench = computed(() => this.answer()?.bench ?? null);
  /** Why nobody was signed out, though that was asked for. */
  readonly staysIn = signal<string | null>(null);
  readonly demoSignIn = computed(() => this.answer()?.demoSignIn ?? null);

  constructor() {
    this.connection.signedOut.pipe(takeUntilDestroyed()).subscribe(() => this.ended());
    // the session is the browser's: where another page signed somebody else in, this one is theirs as well
    merge(this.connection.anotherPerson, fromEvent<StorageEvent>(window, 'storage').pipe(filter(({ key }) => key === REMEMBERED)))
      .pipe(takeUntilDestroyed())
      .subscribe(() => void this.ask());
  }

  async ask(): Promise<void> {
    try {
      this.take(await this.api.call('session', {}));
    } catch (error) {
      const remembered = recall();
      if (error instanceof ServerProblem && error.away && remembered !== null) this.become(remembered);
      else this.state.set('signed-out');
    }
  }

  async signIn(name: string, passphrase: string): Promise<void> {
    this.take(await this.api.call('signIn', { body: { name, passphrase } }));
  }

  /** On a device of the bench. */
  async signInByCode(personId: string, code: string): Promise<void> {
    this.take(await this.api.call('signInByCode', { body: { personId, code } }));
  }

  /** The session is the server's: who cannot be signed out is told so. */
  async signOut(): Promise<void> {
    this.staysIn.set(null);
    try {
      this.take(await this.api.call('signOut', {}));
    } catch (error) {
      this.staysIn.set(`You are still signed in. ${sayProblem(error)}`);
    }
  }

  private ended(): void {
    this.connection.person = null;
    this.person.set(null);
    this.state.set('signed-out');
  }

  /** Shown at once, kept by the server when it answers; until then it waits on this device. Several changes go out one after the other. */
  prefer(change: Partial<Preferences> | ((now: Preferences) => Partial<Preferences>)): Promise<void> {
    const person = this.person();
    if (person === null) return Promise.resolve();
    const changes = typeof change === 'function' ? change(person.preferences) : change;
    keepWaiting(person.id, { ...waitingOf(person.id), ...changes });
    this.become({ ...person, preferences: { ...person.preferences, ...changes } });
    this.sending = this.sending.then(() => this.sendPreferences());
    return this.sending;
  }

  /** What this person changed here goes on top of whatever they changed elsewhere, preference by preference. */
  private async sendPreferences(tries = MOST_TRIES): Promise<void> {
    const person = this.person();
    const waiting = person === null ? null : waitingOf(person.id);
    if (person === null || waiting === null) return;
    const preferences = { ...person.preferences, ...waiting };
    try {
      const kept = await this.api.call('savePreferences', { body: { version: person.version, preferences } });
      const left = Object.entries(waitingOf(person.id) ?? {}).filter(([key, value]) => waiting[key as keyof Preferences] !== value);
      keepWaiting(person.id, left.length === 0 ? null : Object.fromEntries(left));
      this.become({ ...kept, preferences: { ...kept.preferences, ...waitingOf(person.id) } });
    } catch (error) {
      const now = error instanceof ServerProblem && error.kind === 'stale' ? personSchema.safeParse(error.problem.current) : undefined;
      if (now?.success !== true || tries === 0) return; // the next change, or the next opening, tries again
      this.become({ ...now.data, preferences: { ...now.data.preferences, ...waiting } });
      await this.sendPreferences(tries - 1);
    }
  }

  private take(answer: Answer): void {
    keepHouseZone(answer.zone);
    this.answer.set(answer);
    if (answer.person === null) {
      localStorage.removeItem(REMEMBERED);
      this.ended();
    } else {
      const { person } = answer;
      this.become({ ...person, preferences: { ...person.preferences, ...waitingOf(person.id) } });
      this.sending = this.sending.then(() => this.sendPreferences());
    }
  }

  private become(person: Person): void {
    const remembered = JSON.stringify(person);
    if (localStorage.getItem(REMEMBERED) !== remembered) localStorage.setItem(REMEMBERED, remembered);
    this.connection.person = person.id;
    this.person.set(person);
    this.state.set('signed-in');
  }
}

/** Preferences of a person that the server has not kept yet; null where there are none. */
function waitingOf(personId: string): Partial<Preferences> | null {
  const kept = JSON.parse(localStorage.getItem(WAITING) ?? 'null') as { personId: string; changes: Partial<Preferences> } | null;
  return kept?.personId === personId ? kept.changes : null;
}

function keepWaiting(personId: string, changes: Partial<Preferences> | null): void {
  if (changes === null) localStorage.removeItem(WAITING);
  else localStorage.setItem(WAITING, JSON.stringify({ personId, changes }));
}

/** What was kept before a preference was known is filled up with what is usual. */
function recall(): Person | null {
  const person = JSON.parse(localStorage.getItem(REMEMBERED) ?? 'null') as Person | null;
  return person === null ? null : { ...person, preferences: { ...DEFAULT_PREFERENCES, ...person.preferences } };
}
