import type { Request, Response } from 'express';
import type { DataSource } from 'typeorm';
import type { BodyOf, EndpointName, ParamsOf, QueryOf, ReplyOf, StreamName } from '@gold-peg/contract/endpoints';
import type { Person } from '@gold-peg/contract/people';

/** What every handler is given: checked input, the store, and who asks. */
export interface Asked<K extends EndpointName | StreamName> {
  params: ParamsOf<K>;
  query: QueryOf<K>;
  body: BodyOf<K>;
  person: Person | null;
  store: DataSource;
  /** By the clock of the house. */
  now: Date;
  request: Request;
}

export type Handler<K extends EndpointName> = (asked: Asked<K>) => Promise<ReplyOf<K>>;
/** Answers by itself with what is no JSON. */
export type StreamHandler<K extends StreamName> = (asked: Asked<K>, response: Response) => Promise<void>;

/** One handler per endpoint of the contract: an entry without one does not compile. */
export type Handlers = { [K in EndpointName]: Handler<K> } & { [K in StreamName]: StreamHandler<K> };

/** @throws TypeError where the table lets anyone in: then the handler must not ask. */
export function signedIn({ person }: Pick<Asked<EndpointName>, 'person'>): Person {
  if (person === null) throw new TypeError('the table lets anyone in here');
  return person;
}
