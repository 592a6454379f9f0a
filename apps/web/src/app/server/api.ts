import { inject, Injectable } from '@angular/core';
import { ENDPOINTS, type Call, type EndpointName, type JsonEndpoint, type ReplyOf } from '@gold-peg/contract/endpoints';
import { firstValueFrom } from 'rxjs';
import { Connection } from './connection';
import { HTTP } from './http';
import { ServerProblem } from './server-problem';

interface Parts {
  params?: Record<string, string>;
  query?: Record<string, string | number | undefined>;
  body?: unknown;
  /** A file as it is, in place of a body. */
  file?: unknown;
}

/** The typed client of the contract's table. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HTTP);
  private readonly connection = inject(Connection);

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

  private async send<K extends EndpointName>({ method, path, reply }: JsonEndpoint, parts: Parts): Promise<ReplyOf<K>> {
    const request = this.http.request<unknown>(method, urlOf(path, parts), {
      body: parts.body ?? parts.file,
      headers: { accept: 'application/json' },
    });
    const answer = reply.parse(await firstValueFrom(request)) as ReplyOf<K>;
    if (path === ENDPOINTS.session.path) this.connection.csrfToken = (answer as ReplyOf<'session'>).csrfToken;
    return answer;
  }
}

function urlOf(path: string, { params, query }: Parts): string {
  const filled = path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params?.[key] ?? ''));
  const search = new URLSearchParams(
    Object.entries(query ?? {}).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]])),
  );
  return search.size === 0 ? filled : `${filled}?${search}`;
}
