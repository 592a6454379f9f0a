import type { JobSummary } from '@gold-peg/contract/jobs';
import type { Person, Session } from '@gold-peg/contract/people';
import { DEMO_PEOPLE } from '../demo/people.js';

export interface Answer {
  status: number;
  type: string;
  // whatever the endpoint answers; each spec says what it expects of it
  body: any; // eslint-disable-line @typescript-eslint/no-explicit-any
}

/** A browser as far as the server can tell: keeps its cookie and sends its token. */
export class Visitor {
  private readonly cookies = new Map<string, string>();
  private token = '';
  person: Person | null = null;

  constructor(readonly address: string) {}

  async ask(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Answer> {
    const response = await fetch(this.address + path, {
      method,
      headers: {
        cookie: this.cookieHeader,
        'x-csrf-token': this.token,
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(body === undefined
        ? {}
        : { body: typeof body === 'string' || body instanceof Uint8Array ? (body as BodyInit) : JSON.stringify(body) }),
    });
    for (const set of response.headers.getSetCookie()) {
      const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(set) ?? [];
      this.cookies.set(name, value);
    }
    const type = response.headers.get('content-type') ?? '';
    if (type === 'text/event-stream') await response.body?.cancel(); // it would go on for ever
    const text = response.bodyUsed ? '' : await response.text();
    return { status: response.status, type, body: text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text };
  }

  async arrive(): Promise<this> {
    const { body } = await this.ask('GET', '/api/session');
    this.take(body as Session);
    return this;
  }

  /** Signs in by whatever path, and takes the token that the page gets. */
  async enter(path: string, body: object): Promise<Answer> {
    const answer = await this.ask('POST', path, body);
    if (answer.status === 200) this.take(answer.body as Session);
    return answer;
  }

  /** Signs in as somebody of the demo by role. */
  async signIn(role: Person['role']): Promise<this> {
    const who = DEMO_PEOPLE.find((person) => person.role === role);
    await this.arrive();
    const { body } = await this.ask('POST', '/api/session', { name: who?.name, passphrase: who?.passphrase });
    this.take(body as Session);
    return this;
  }

  get personId(): string {
    return this.person?.id ?? '';
  }

  get cookieHeader(): string {
    return [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ');
  }

  forgetToken(): void {
    this.token = '';
  }

  async job(passport: number): Promise<JobSummary> {
    const { body } = await this.ask('GET', '/api/jobs');
    const found = (body as JobSummary[]).find(({ instrument }) => instrument.passport === passport);
    if (found === undefined) throw new Error(`no open job for passport ${passport}`);
    return found;
  }

  private take(session: Session): void {
    this.person = session.person;
    this.token = session.csrfToken;
  }
}
