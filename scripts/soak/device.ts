import { randomUUID } from 'node:crypto';
import { v7 as uuidV7 } from 'uuid';

/** What the network of a device does at the moment. */
export interface Network {
  /** Nothing gets through. */
  down: boolean;
  /** What is asked arrives so much later, ms. */
  slowMs: number;
  /** The answer is lost on the way: what was asked for happened all the same. */
  losesAnswers: boolean;
}

/** An event as a device makes it, as far as the soak has to know. */
interface Noted {
  id: string;
  jobId: string;
  at: string;
}

interface Outcome {
  id: string;
  outcome: 'stored' | 'already-stored' | 'refused';
  says: string | null;
}

const BATCH = 20;
const TRY_AGAIN_MS = 150;
const PATIENCE_MS = 4000;

interface Answer {
  status: number;
  body: unknown;
}

/**
 * Somebody's device at a bench: it takes steps down at once, by a clock of its own, keeps them until the house has acknowledged them, and sends them again whenever it
 * does not know. What it keeps outlives its browser.
 */
export class Device {
  /** Made and not acknowledged, in the order in which they were made: what a browser keeps on its disk. */
  private waiting: Noted[] = [];
  readonly made: string[] = [];
  readonly acknowledged = new Map<string, number>();
  readonly network: Network = { down: false, slowMs: 0, losesAnswers: false };
  sentAgain = 0;
  readonly refused: string[] = [];
  private readonly sent = new Set<string>();
  private readonly deviceId = randomUUID();
  private cookie = '';
  private token = '';
  private personId = '';

  constructor(
    /** Whatever server answers next, as a proxy would choose. */
    private readonly address: () => string,
    private readonly signIn: { name: string; passphrase: string },
    private readonly job: { id: string; instrumentId: string },
    /** Its clock is wrong by so much, ms. */
    private readonly clockOff: number,
  ) {}

  get left(): number {
    return this.waiting.length;
  }

  /** A step at the bench: it never waits for anything. */
  note(text: string): void {
    const at = new Date(Date.now() + this.clockOff).toISOString();
    const event = {
      ...{ id: uuidV7(), version: 1, jobId: this.job.id, instrumentId: this.job.instrumentId, personId: this.personId },
      ...{ deviceId: this.deviceId, at, kind: 'noted', payload: { text } },
    };
    this.waiting.push(event);
    this.made.push(event.id);
  }

  /** Its browser dies, whatever is under way; what it kept is there when it is opened again. */
  reopen(): void {
    this.waiting = JSON.parse(JSON.stringify(this.waiting)) as Noted[];
    this.token = '';
  }

  /** Sends what waits until nothing does, or until it is told to stop. */
  async send(goesOn: () => boolean): Promise<void> {
    while (goesOn()) {
      const batch = this.waiting.slice(0, BATCH);
      if (batch.length === 0 || !(await this.sendBatch(batch))) await pause(TRY_AGAIN_MS);
    }
  }

  private async sendBatch(batch: readonly Noted[]): Promise<boolean> {
    try {
      if (this.token === '') await this.enter();
      this.sentAgain += batch.filter(({ id }) => this.sent.has(id)).length;
      for (const { id } of batch) this.sent.add(id);
      const answer = await this.ask('POST', '/api/events', { events: batch });
      if (answer.status === 401 || answer.status === 403) this.token = '';
      if (answer.status === 422 || answer.status === 400) this.refused.push(JSON.stringify(answer.body));
      if (answer.status !== 200) return false;
      for (const { id, outcome, says } of (answer.body as { outcomes: Outcome[] }).outcomes) {
        if (outcome === 'refused') this.refused.push(says ?? 'refused');
        else this.acknowledged.set(id, (this.acknowledged.get(id) ?? 0) + 1);
        this.waiting = this.waiting.filter((event) => event.id !== id);
      }
      return true;
    } catch {
      return false; // nobody knows what became of it: it is sent again
    }
  }

  async enter(): Promise<void> {
    type Session = { csrfToken: string; person: { id: string } | null };
    let { status, body } = await this.ask('GET', '/api/session');
    if (status === 200 && (body as Session).person === null) ({ status, body } = await this.ask('POST', '/api/session', this.signIn));
    const { csrfToken, person } = body as Session;
    if (status !== 200 || person == null) throw new Error(`cannot sign in: ${status} ${JSON.stringify(body)}`);
    this.token = csrfToken;
    this.personId = person.id;
  }

  /** Ids of all that the house knows of this job, in its order. */
  async reads(): Promise<string[]> {
    if (this.token === '') await this.enter();
    const ids: string[] = [];
    for (let after = 0, more = true; more;) {
      const { status, body } = await this.ask('GET', `/api/jobs/${this.job.id}/events?after=${after}`);
      if (status !== 200) throw new Error(`the log of a job is answered with ${status}`);
      const page = body as { events: { event: { id: string }; seq: number }[]; more: boolean };
      ids.push(...page.events.map(({ event }) => event.id));
      after = page.events.at(-1)?.seq ?? after;
      more = page.more;
    }
    return ids;
  }

  /** Asks, and has no patience with who never answers, whatever became of the line. */
  private async ask(method: string, path: string, body?: unknown): Promise<Answer> {
    const enough = new AbortController();
    const timer = setTimeout(() => enough.abort(), PATIENCE_MS);
    const over = new Promise<never>((_, reject) => enough.signal.addEventListener('abort', () => reject(new Error('no answer'))));
    try {
      return await Promise.race([over, this.askOnce(method, path, enough.signal, body)]);
    } finally {
      clearTimeout(timer);
    }
  }

  private async askOnce(method: string, path: string, signal: AbortSignal, body?: unknown): Promise<Answer> {
    const { down, slowMs, losesAnswers } = this.network;
    if (down) throw new Error('no network');
    if (slowMs > 0) await pause(slowMs);
    const response = await fetch(this.address() + path, {
      method,
      headers: { cookie: this.cookie, 'x-csrf-token': this.token, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      signal,
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const text = await response.text();
    if (losesAnswers) throw new Error('the answer was lost');
    const [set] = response.headers.getSetCookie();
    if (set !== undefined) this.cookie = set.split(';')[0] ?? '';
    return { status: response.status, body: text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text };
  }
}

export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
