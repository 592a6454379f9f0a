import type { DataSource, EntityManager } from 'typeorm';
import type { InstrumentSummary } from '@gold-peg/contract/register';
import { containing } from './search.js';

type Store = DataSource | EntityManager;
type Row = Omit<InstrumentSummary, 'fittedAt'> & { fittedAt: Date | null };

/** Summaries of some instruments, each with its owner, its latest setup and its open job. */
const SUMMARIES = (some: string) => `
  SELECT i.id, i.passport, i.name, i.facts, i.geometry->>'family' AS family, (i.geometry->'strings'->0->>'scaleMm')::float8 AS "scaleMm",
    jsonb_array_length(i.geometry->'strings') AS "stringCount", i.owner_id AS "ownerId", o.name AS "ownerName",
    s.set_name AS "currentSet", s.fitted_at AS "fittedAt", j.id AS "openJobId"
  FROM (${some}) i
  LEFT JOIN owner o ON o.id = i.owner_id
  LEFT JOIN LATERAL (
    SELECT setup->>'setName' AS set_name, fitted_at FROM setup WHERE instrument_id = i.id ORDER BY fitted_at DESC LIMIT 1
  ) s ON true
  LEFT JOIN job j ON j.instrument_id = i.id AND j.state <> 'handed-over'
  ORDER BY i.passport`;

const toSummary = ({ fittedAt, ...row }: Row): InstrumentSummary => ({ ...row, fittedAt: fittedAt?.toISOString() ?? null });

/** By id, in one query however many there are. */
export async function summariesOf(store: Store, ids: readonly string[]): Promise<ReadonlyMap<string, InstrumentSummary>> {
  const rows: Row[] = await store.query(SUMMARIES('SELECT * FROM instrument WHERE id = ANY($1)'), [ids]);
  return new Map(rows.map((row) => [row.id, toSummary(row)]));
}

/** Instruments that a search finds, by passport, from the one after `after` on. */
export async function summariesFound(
  store: Store,
  { search, after, limit }: { search: string; after: number; limit: number },
): Promise<InstrumentSummary[]> {
  const some = `SELECT * FROM instrument WHERE passport > $2 AND search LIKE lower($1) ORDER BY passport LIMIT $3`;
  const rows: Row[] = await store.query(SUMMARIES(some), [containing(search), after, limit]);
  return rows.map(toSummary);
}
