import type { DataSource } from 'typeorm';
import type { Passport } from '@gold-peg/contract/register';
import { Refusal } from '../handling/index.js';
import { InstrumentRow, SetupRow } from '../store/index.js';
import { hoursOf } from './due.js';
import { summariesOf } from './summaries.js';

/** @throws Refusal where there is none. */
export async function readPassport(store: DataSource, id: string): Promise<Passport> {
  const [row, summaries, setups] = await Promise.all([
    store.getRepository(InstrumentRow).findOneBy({ id }),
    summariesOf(store, [id]),
    store.getRepository(SetupRow).find({ where: { instrumentId: id }, order: { fittedAt: 'DESC' } }),
  ]);
  const summary = summaries.get(id);
  if (row === null || summary === undefined) throw new Refusal('unknown', 'There is no instrument with that id.');
  const { version, remark, archetypeId, geometry, methods } = row;
  return {
    ...summary,
    version,
    remark,
    archivedAt: row.archivedAt?.toISOString() ?? null,
    hours: hoursOf(row),
    archetypeId,
    geometry,
    methods,
    current: setups[0]?.setup ?? null,
    setups: setups.map(({ setup }) => setup),
  };
}
