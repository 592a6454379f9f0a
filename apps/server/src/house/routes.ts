import type { DataSource, EntityManager } from 'typeorm';
import { MOST_NAMED, type House, type HouseTool } from '@gold-peg/contract/register';
import { act } from '../acts/index.js';
import { type Handler, Refusal } from '../handling/index.js';
import { HouseRow, THE_HOUSE } from '../store/index.js';
import { sayChanges } from './say-changes.js';

export async function readHouse(store: DataSource | EntityManager): Promise<House> {
  const { methods, version } = await store.getRepository(HouseRow).findOneByOrFail({ id: THE_HOUSE });
  return { methods, version };
}

export const house: Handler<'house'> = ({ store }) => readHouse(store);

/** Sizes stand in the latest setup of each instrument: an older one was another hardware, or a worse guess. */
const TOOLS = `SELECT t->>'tool' AS tool, (t->>'sizeMm')::float8 AS "sizeMm", count(*)::int AS instruments,
    to_jsonb((array_agg(jsonb_build_object('id', s.id, 'passport', s.passport) ORDER BY s.passport))[1:${MOST_NAMED}]) AS at
  FROM (SELECT DISTINCT ON (u.instrument_id) i.id, i.passport, u.setup->'sizes' AS sizes FROM setup u JOIN instrument i ON i.id = u.instrument_id
    ORDER BY u.instrument_id, u.fitted_at DESC) s
  CROSS JOIN jsonb_array_elements(coalesce(s.sizes, '[]')) t GROUP BY 1, 2 ORDER BY 1, 2`;

export const houseTools: Handler<'houseTools'> = ({ store }) => store.query<HouseTool[]>(TOOLS);

export const changeHouse: Handler<'changeHouse'> = async (asked) => {
  const { store, body } = asked;
  const { version, methods } = body;
  const before = await readHouse(store);
  const { affected } = await store.getRepository(HouseRow).update({ id: THE_HOUSE, version }, { methods, version: version + 1 });
  const current = await readHouse(store);
  if (affected === 0) throw new Refusal('stale', 'Somebody changed the ways of the house meanwhile: look at them again.', { current });
  const changes = sayChanges(before.methods, methods);
  if (changes !== '') await act(asked, 'ways', changes);
  return current;
};
