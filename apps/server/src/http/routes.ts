import { Router, type Request, type RequestHandler } from 'express';
import type { DataSource } from 'typeorm';
import type * as z from 'zod';
import { ENDPOINTS, PERSON_HEADER, type Endpoint, type EndpointName, type StreamName } from '@gold-peg/contract/endpoints';
import { firstUnkeepable } from '@gold-peg/contract/extent';
import { invalidInput } from '@gold-peg/contract/problems';
import type { Person } from '@gold-peg/contract/people';
import { whoAsks } from '../people/index.js';
import { type Asked, type Handler, type Handlers, Refusal, type StreamHandler } from '../handling/index.js';

/** A router for the whole table: checks role and input, calls the handler, checks the reply. */
export function routes(handlers: Handlers, { store, clock }: { store: DataSource; clock: () => Date }): Router {
  const router = Router();
  for (const name of Object.keys(ENDPOINTS) as (keyof Handlers)[]) {
    const endpoint: Endpoint = ENDPOINTS[name];
    const method = endpoint.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
    router[method](endpoint.path, serve(endpoint, handlers[name], { store, clock }));
  }
  return router;
}

function serve(
  endpoint: Endpoint,
  handler: Handlers[keyof Handlers],
  { store, clock }: { store: DataSource; clock: () => Date },
): RequestHandler {
  return async (request, response) => {
    const person = whoAsks(request);
    admit(endpoint, person, request.session?.by === 'code');
    refuseAnother(request, person);
    const asked = {
      params: read(endpoint.params, request.params, 'path'),
      query: read(endpoint.query, request.query, 'query'),
      body: read(endpoint.body, request.body, 'body'),
      person,
      store,
      now: clock(),
      request,
    };
    if ('gives' in endpoint) return (handler as StreamHandler<StreamName>)(asked as Asked<StreamName>, response);
    const reply: unknown = await (handler as Handler<EndpointName>)(asked as Asked<EndpointName>);
    // our own answers are held to the contract too: what fails here is our bug, and is answered as one
    response.status(endpoint.status).json(endpoint.reply.parse(reply));
  };
}

function admit({ who, office }: Endpoint, person: Person | null, byCode: boolean): void {
  if (who === 'anyone') return;
  if (person === null) throw new Refusal('signed-out', 'Sign in first.');
  if (who !== 'signed-in' && !who.includes(person.role)) {
    throw new Refusal('not-allowed', `This is for ${who.join(' or ')}; you are signed in as ${person.role}.`);
  }
  if (office === true && byCode)
    throw new Refusal(
      'needs-passphrase',
      'You signed in by your code, which is good for the bench: sign in with your passphrase for this.',
    );
}

/** A page says for whom it asks: another one of the same browser may have signed in somebody else since. */
function refuseAnother(request: Request, person: Person | null): void {
  const meant = request.get(PERSON_HEADER);
  if (person === null || meant === undefined || meant === person.id) return;
  throw new Refusal('another-person', `In this browser ${person.name} is signed in by now: what you did waits for you on this device.`);
}

function read(schema: z.ZodType | undefined, value: unknown, part: 'path' | 'query' | 'body'): unknown {
  if (schema === undefined) return undefined;
  const fault = firstUnkeepable(value);
  if (fault !== null) throw new Refusal('malformed', `${fault.path.join('.') || part} ${fault.says}: it cannot be kept`);
  const result = schema.safeParse(value ?? {}, { reportInput: true });
  if (result.success) return result.data;
  // an id that cannot exist is simply unknown
  if (part === 'path') throw new Refusal('unknown', 'There is nothing with that id.');
  const problem = invalidInput(result.error);
  const kind = result.error.issues.some(isOfNoForm) ? 'malformed' : 'invalid';
  throw new Refusal(kind, problem.detail, { fields: problem.fields ?? [] });
}

/** What nobody can have typed into a form: a list or an object where one word belongs, or a version that no row has. */
const isOfNoForm = ({ code, input, path }: z.core.$ZodIssue): boolean =>
  path.at(-1) === 'version' || (code === 'invalid_type' && typeof input === 'object' && input !== null);
