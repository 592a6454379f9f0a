import type { DataSource } from 'typeorm';
import type { Passport } from '@gold-peg/contract/register';
import { Refusal } from '../http/refusal.js';
import { InstrumentRow, SetupRow } from '../store/index.js';
import { summariesOf } from './summaries.js';

/** @throws Refusal where there is none. */
export async function readPassport(store: DataSource, id: string): Promise<Passport> {
  const row = await store.getRepository(InstrumentRow).findOneBy({ id });
  const summary = (await summariesOf(store, [id])).get(id);
  if (row === null || summary === undefined) throw new Refusal('unknown', 'There is no instrument with that id.');
  const setups = await store.getRepository(SetupRow).find({ where: { instrumentId: id }, order: { fittedAt: 'DESC' } });
  const { version, remark, geometry, methods } = row;
  return { ...summary, version, remark, geometry, methods, current: setups[0]?.setup ?? null, setups: setups.map(({ setup }) => setup) };
}
