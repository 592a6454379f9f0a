import { Router, type Request, type RequestHandler } from 'express';
import type { DataSource } from 'typeorm';
import type * as z from 'zod';
import { ENDPOINTS, type Endpoint, type EndpointName } from '@gold-peg/contract/endpoints';
import { invalidInput } from '@gold-peg/contract/problems';
import type { Person } from '@gold-peg/contract/people';
import type { Asked, Handler, Handlers } from './handler.js';
import { Refusal } from './refusal.js';

export type WhoAsks = (request: Request) => Promise<Person | null>;

/** A router for the whole table: checks role and input, calls the handler, checks the reply. */
export function routes(handlers: Handlers, store: DataSource, whoAsks: WhoAsks): Router {
  const router = Router();
  for (const name of Object.keys(ENDPOINTS) as EndpointName[]) {
    const endpoint: Endpoint = ENDPOINTS[name];
    const method = endpoint.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
    router[method](endpoint.path, serve(endpoint, handlers[name] as Handler<EndpointName>, store, whoAsks));
  }
  return router;
}

function serve(endpoint: Endpoint, handler: Handler<EndpointName>, store: DataSource, whoAsks: WhoAsks): RequestHandler {
  return async (request, response) => {
    const person = await whoAsks(request);
    admit(endpoint, person);
    const asked = {
      params: read(endpoint.params, request.params, 'path'),
      query: read(endpoint.query, request.query, 'query'),
      body: read(endpoint.body, request.body, 'body'),
      person,
      store,
      request,
    } as Asked<EndpointName>;
    const reply: unknown = await handler(asked);
    // our own answers are held to the contract too: what fails here is our bug, and is answered as one
    response.status(endpoint.status).json(endpoint.reply.parse(reply));
  };
}

function admit({ who }: Endpoint, person: Person | null): void {
  if (who === 'anyone') return;
  if (person === null) throw new Refusal('signed-out', 'Sign in first.');
  if (who !== 'signed-in' && !who.includes(person.role)) {
    throw new Refusal('not-allowed', `This is for ${who.join(' or ')}; you are signed in as ${person.role}.`);
  }
}

function read(schema: z.ZodType | undefined, value: unknown, part: 'path' | 'query' | 'body'): unknown {
  if (schema === undefined) return undefined;
  const result = schema.safeParse(value ?? {});
  if (result.success) return result.data;
  // an id that cannot exist is simply unknown
  if (part === 'path') throw new Refusal('unknown', 'There is nothing with that id.');
  const problem = invalidInput(result.error);
  throw new Refusal('invalid', problem.detail, { fields: problem.fields ?? [] });
}
