import { inject, Injectable, signal } from '@angular/core';
import { ENDPOINTS, PERSON_HEADER, type Call, type EndpointName, type JsonEndpoint, type ReplyOf } from '@gold-peg/contract/endpoints';
import { problemSchema } from '@gold-peg/contract/problems';
import { Subject } from 'rxjs';
import { HouseClock } from '../bench-log/house-clock';
import { serverAway, ServerProblem } from './server-problem';

/** Who has not answered by then does not answer: a request that hangs must not hold up what comes after it. */
export const TIME_LIMIT_MS = 10_000;

interface Parts {
  params?: Record<string, string>;
  query?: Record<string, string | number | undefined>;
  body?: unknown;
}

/** The typed client of the contract's table. */
@Injectable({ providedIn: 'root' })
export class Api {
  /** Whether the last request got an answer. */
  readonly away = signal(false);
  /** Fires when an answer says that nobody is signed in any more. */
  readonly signedOut = new Subject<void>();
  private readonly clock = inject(HouseClock);
  /** Fires when an answer says that somebody else signed in, in another page of this browser. */
  readonly anotherPerson = new Subject<void>();
  /** For whom this page asks; null before anybody is signed in. */
  person: string | null = null;
  private csrfToken = '';

  /** @throws ServerProblem for every answer that is not the one asked for. */
  async call<K extends EndpointName>(name: K, call: Call<K>): Promise<ReplyOf<K>> {
    try {
      return await this.send<K>(ENDPOINTS[name], call as Parts);
    } catch (error) {
      if (!(error instanceof ServerProblem) || error.kind !== 'forged-request') throw error;
      await this.call('session', {}); // the token belongs to a session that has ended: take the new one and try once more
      return this.send<K>(ENDPOINTS[name], call as Parts);
    }
  }

  private async send<K extends EndpointName>(endpoint: JsonEndpoint, parts: Parts): Promise<ReplyOf<K>> {
    const response = await this.fetch(urlOf(endpoint.path, parts), {
      method: endpoint.method,
      headers: {
        accept: 'application/json',
        'x-csrf-token': this.csrfToken,
        ...(this.person === null || endpoint.path === ENDPOINTS.session.path ? {} : { [PERSON_HEADER]: this.person }),
        ...(parts.body === undefined ? {} : { 'content-type': 'application/json' }),
      },
      ...(parts.body === undefined ? {} : { body: JSON.stringify(parts.body) }),
    });
    const answer: unknown = await response.json().catch(() => null); // also where the answer breaks off
    if (!response.ok) {
      const problem = problemOf(answer);
      if (problem.kind === 'signed-out') this.signedOut.next();
      if (problem.kind === 'another-person') this.anotherPerson.next();
      throw problem;
    }
    const reply = endpoint.reply.parse(answer) as ReplyOf<K>;
    if (endpoint.path === ENDPOINTS.session.path) this.csrfToken = (reply as ReplyOf<'session'>).csrfToken;
    return reply;
  }

  private async fetch(url: string, init: RequestInit): Promise<Response> {
    const askedAt = Date.now();
    try {
      const response = await fetch(url, { ...init, signal: AbortSignal.timeout(TIME_LIMIT_MS) });
      this.clock.heard(response.headers.get('date'), askedAt);
      // a proxy or the service worker answers 504 for a server that is gone
      if (response.status === 504) throw serverAway();
      this.away.set(response.status === 503);
      return response;
    } catch {
      this.away.set(true);
      throw serverAway();
    }
  }
}

function urlOf(path: string, { params, query }: Parts): string {
  const filled = path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params?.[key] ?? ''));
  const search = new URLSearchParams(
    Object.entries(query ?? {}).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]])),
  );
  return search.size === 0 ? filled : `${filled}?${search}`;
}

function problemOf(answer: unknown): ServerProblem {
  const read = problemSchema.safeParse(answer);
  return read.success ? new ServerProblem(read.data, read.data.status === 503) : serverAway();
}
