import type * as z from 'zod';
import { CALENDARS } from './calendars.js';
import type { Endpoint } from './endpoint.js';
import { HOUSE } from './house.js';
import { PEOPLE } from './people.js';
import { PRACTICE } from './practice.js';
import { REGISTER } from './register.js';
import { STRINGS } from './strings.js';
import { WORK } from './work.js';

/** Every endpoint, declared once: the server validates by this table both ways, the browser's client is typed by it, OpenAPI is made from it. */
export const ENDPOINTS = { ...PEOPLE, ...HOUSE, ...REGISTER, ...WORK, ...STRINGS, ...CALENDARS, ...PRACTICE } as const satisfies Record<
  string,
  Endpoint
>;

type AnyName = keyof typeof ENDPOINTS;
/** Endpoints that answer with something else than JSON. */
export type StreamName = { [K in AnyName]: (typeof ENDPOINTS)[K] extends { gives: string } ? K : never }[AnyName];
export type EndpointName = Exclude<AnyName, StreamName>;
type Of<K extends AnyName> = (typeof ENDPOINTS)[K];
type Part<K extends AnyName, P extends string, D extends 'in' | 'out'> =
  Of<K> extends Record<P, infer S extends z.ZodType> ? (D extends 'in' ? z.input<S> : z.output<S>) : undefined;

export type ParamsOf<K extends AnyName> = Part<K, 'params', 'out'>;
export type QueryOf<K extends AnyName> = Part<K, 'query', 'out'>;
export type BodyOf<K extends AnyName> = Part<K, 'body', 'out'>;
export type ReplyOf<K extends EndpointName> = z.output<Of<K>['reply']>;

/** What a caller passes: only the parts that the endpoint has. */
export type Call<K extends EndpointName> = (Of<K> extends { params: z.ZodType } ? { params: Part<K, 'params', 'in'> } : unknown) &
  (Of<K> extends { query: z.ZodType } ? { query?: Part<K, 'query', 'in'> } : unknown) &
  (Of<K> extends { body: z.ZodType } ? { body: Part<K, 'body', 'in'> } : unknown) &
  (Of<K> extends { takes: object } ? { file: unknown } : unknown);
