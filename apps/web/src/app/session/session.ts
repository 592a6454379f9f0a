import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { DEFAULT_PREFERENCES, type Person, type Preferences, type Session as Answer } from '@gold-peg/contract/people';
import { Api } from '../server/api';
import { ServerProblem } from '../server/server-problem';

const REMEMBERED = 'gold-peg.person';

/** Who is at this bench. The person is remembered on the device, so that work goes on while the server is away. */
@Injectable({ providedIn: 'root' })
export class Session {
  private readonly api = inject(Api);
  private readonly answer = signal<Answer | null>(null);

  readonly state = signal<'asking' | 'signed-in' | 'signed-out'>('asking');
  readonly person = signal<Person | null>(null);
  readonly preferences = computed<Preferences>(() => this.person()?.preferences ?? DEFAULT_PREFERENCES);
  readonly demoSignIn = computed(() => this.answer()?.demoSignIn ?? null);

  constructor() {
    this.api.signedOut.pipe(takeUntilDestroyed()).subscribe(() => this.ended());
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

  async signOut(): Promise<void> {
    this.take(await this.api.call('signOut', {}));
  }

  private ended(): void {
    this.person.set(null);
    this.state.set('signed-out');
  }

  /** Shown at once, kept by the server when it answers. */
  async prefer(change: Partial<Preferences>): Promise<void> {
    const person = this.person();
    if (person === null) return;
    const preferences = { ...person.preferences, ...change };
    this.become({ ...person, preferences });
    await this.api.call('savePreferences', { body: preferences }).catch(() => undefined); // kept on this device; the next change sends them again
  }

  private take(answer: Answer): void {
    this.answer.set(answer);
    if (answer.person === null) {
      localStorage.removeItem(REMEMBERED);
      this.ended();
    } else {
      this.become(answer.person);
    }
  }

  private become(person: Person): void {
    localStorage.setItem(REMEMBERED, JSON.stringify(person));
    this.person.set(person);
    this.state.set('signed-in');
  }
}

/** What was kept before a preference was known is filled up with what is usual. */
function recall(): Person | null {
  const person = JSON.parse(localStorage.getItem(REMEMBERED) ?? 'null') as Person | null;
  return person === null ? null : { ...person, preferences: { ...DEFAULT_PREFERENCES, ...person.preferences } };
}
