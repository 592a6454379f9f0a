import express, { type RequestHandler } from 'express';
import { ENDPOINTS, type Endpoint } from '@gold-peg/contract/endpoints';
import { jsonExtent } from '@gold-peg/contract/extent';
import { Refusal } from '../handling/index.js';

/** Lists and objects inside one another that a request of ours may need, with room to spare. */
const DEEPEST = 24;
const MOST_VALUES = 5000;
/** The log comes in batches. */
const MOST_VALUES_OF_EVENTS = 60_000;

/** Refuses what no request of ours could hold before anything is made of it: reading a megabyte of commas would hold up everybody. */
const refuseTooMuch = (mostValues: number) => (_request: unknown, _response: unknown, body: Buffer) => {
  const { depth, values } = jsonExtent(body.toString('utf8'));
  if (depth > DEEPEST) throw new Refusal('malformed', `body must not have more than ${DEEPEST} lists and objects inside one another`);
  if (values > mostValues) throw new Refusal('too-large', `body must hold at most ${mostValues} values: this has ${values}`);
};

const parser = (limit: string, mostValues: number) => express.json({ limit, verify: refuseTooMuch(mostValues) });
const PARSERS = new Map([
  [ENDPOINTS.signIn.path, parser('2kb', 20)],
  [ENDPOINTS.changePassphrase.path, parser('2kb', 20)],
  [ENDPOINTS.appendEvents.path, parser('1mb', MOST_VALUES_OF_EVENTS)],
]) as ReadonlyMap<string, RequestHandler>;
const OTHERS = parser('1mb', MOST_VALUES);

/** Endpoints that take a file as it is, by their paths; a slash more or less is the same path. */
const TAKING = Object.values<Endpoint>(ENDPOINTS).flatMap((endpoint) => {
  if (!('takes' in endpoint) || endpoint.takes === undefined) return [];
  const { types, mostBytes } = endpoint.takes;
  const path = new RegExp(`^${endpoint.path.replace(/:\w+/g, '[^/]+')}/?$`);
  return { path, method: endpoint.method, parse: express.raw({ type: [...types], limit: mostBytes }) };
});

/** Reads a body of JSON, as large as its endpoint may need, or a file. */
export const readBody: RequestHandler = (request, response, next) => {
  const file = TAKING.find(({ path, method }) => method === request.method && path.test(request.path));
  (file?.parse ?? PARSERS.get(request.path) ?? OTHERS)(request, response, next);
};
