import type { DataSource, EntityManager } from 'typeorm';
import type { InstrumentSummary, OrderWay, RegisterOrder } from '@gold-peg/contract/register';
import { containing } from './search.js';

type Store = DataSource | EntityManager;
type Row = Omit<InstrumentSummary, 'fittedAt'> & { fittedAt: Date | null };

/** Summaries of some instruments, each with its owner, its latest setup and its open job. */
const SUMMARIES = (some: string, order = 'i.passport') => `
  SELECT i.id, i.passport, i.name, i.facts, i.geometry->>'family' AS family, (i.geometry->'strings'->0->>'scaleMm')::float8 AS "scaleMm",
    jsonb_array_length(i.geometry->'strings') AS "stringCount", i.owner_id AS "ownerId", o.name AS "ownerName",
    s.set_name AS "currentSet", s.fitted_at AS "fittedAt", j.id AS "openJobId"
  FROM (${some}) i
  LEFT JOIN owner o ON o.id = i.owner_id
  LEFT JOIN LATERAL (
    SELECT setup->>'setName' AS set_name, fitted_at FROM setup WHERE instrument_id = i.id ORDER BY fitted_at DESC LIMIT 1
  ) s ON true
  LEFT JOIN job j ON j.instrument_id = i.id AND j.state <> 'handed-over'
  ORDER BY ${order}`;

const toSummary = ({ fittedAt, ...row }: Row): InstrumentSummary => ({ ...row, fittedAt: fittedAt?.toISOString() ?? null });

/** By id, in one query however many there are. */
export async function summariesOf(store: Store, ids: readonly string[]): Promise<ReadonlyMap<string, InstrumentSummary>> {
  const rows: Row[] = await store.query(SUMMARIES('SELECT * FROM instrument WHERE id = ANY($1)'), [ids]);
  return new Map(rows.map((row) => [row.id, toSummary(row)]));
}

/** What the indexes of the instruments are made of; the passport parts those that are alike. */
const KEYS: Readonly<Record<RegisterOrder, (table: string) => string>> = {
  passport: (table) => `${table}.passport`,
  name: (table) => `lower(${table}.name)`,
  owner: (table) => `lower(${table}.owner_name)`,
  strings: (table) => `${table}.fitted_at`,
};

export interface Find {
  search: string;
  /** Passport of the instrument that was read last. */
  after?: number | undefined;
  limit: number;
  order: RegisterOrder;
  way: OrderWay;
  /** Those that left the register, and no others. */
  archived: boolean;
}

/** Of an instrument of `table`: that it is in the register, or that it left it. */
export const isThere = (table: string, archived = false): string => `${table}.archived_at IS ${archived ? 'NOT ' : ''}NULL`;

/** Instruments that a search finds, in an order, from the one after `after` on. */
export async function summariesFound(store: Store, { search, after, limit, order, way, archived }: Find): Promise<InstrumentSummary[]> {
  const [key, pattern] = [KEYS[order], containing(search)];
  // found first and sorted then: all that match may stand at the end of the order, and the planner would read it from the start
  const sought = pattern !== containing() && order !== 'passport';
  const [found, from] = sought
    ? ['WITH found AS MATERIALIZED (SELECT * FROM instrument WHERE search LIKE lower($1))', 'found']
    : ['', 'instrument'];
  const beyond = way === 'asc' ? '>' : '<';
  const last = `SELECT ${key('l')}, l.passport FROM instrument l WHERE l.passport = $3`;
  const further = after === undefined ? '' : `AND (${key('f')}, f.passport) ${beyond} (${last})`;
  const inOrder = (table: string) => `${key(table)} ${way}, ${table}.passport ${way}`;
  const some = `${found} SELECT f.* FROM ${from} f WHERE f.search LIKE lower($1) AND ${isThere('f', archived)} ${further} ORDER BY ${inOrder('f')} LIMIT $2`;
  const rows: Row[] = await store.query(SUMMARIES(some, inOrder('i')), [pattern, limit, ...(after === undefined ? [] : [after])]);
  return rows.map(toSummary);
}
