import { In, type DataSource, type EntityManager, type FindOptionsWhere } from 'typeorm';
import type { InstrumentSummary, Passport } from '@gold-peg/contract/register';
import { Refusal } from '../http/refusal.js';
import { InstrumentRow, JobRow, SetupRow } from '../store/index.js';

type Store = DataSource | EntityManager;

/** Summaries of rows, with the latest setup and the open job of each. Two queries however many there are. */
export async function summaries(store: Store, rows: readonly InstrumentRow[]): Promise<InstrumentSummary[]> {
  const ids = In(rows.map(({ id }) => id));
  const setups = await store.getRepository(SetupRow).find({ where: { instrumentId: ids }, order: { fittedAt: 'DESC' } });
  const open = await store
    .getRepository(JobRow)
    .find({ where: { instrumentId: ids, state: In(['waiting', 'on-bench']) }, order: { takenInAt: 'ASC' } });
  return rows.map((row) => {
    const latest = setups.find(({ instrumentId }) => instrumentId === row.id);
    return {
      id: row.id,
      passport: row.passport,
      name: row.name,
      facts: row.facts,
      family: row.geometry.family,
      scaleMm: row.geometry.strings[0]?.scaleMm ?? 0,
      stringCount: row.geometry.strings.length,
      ownerId: row.ownerId,
      ownerName: row.owner?.name ?? null,
      currentSet: latest?.setup.setName ?? null,
      fittedAt: latest?.fittedAt.toISOString() ?? null,
      openJobId: open.find(({ instrumentId }) => instrumentId === row.id)?.id ?? null,
    };
  });
}

/** @throws Refusal where there is none. */
export async function readPassport(store: Store, where: FindOptionsWhere<InstrumentRow>): Promise<Passport> {
  const row = await store.getRepository(InstrumentRow).findOne({ where, relations: { owner: true } });
  if (row === null) throw new Refusal('unknown', 'There is no instrument with that id.');
  const [summary] = await summaries(store, [row]);
  if (summary === undefined) throw new TypeError('one row gives one summary');
  const setups = await store.getRepository(SetupRow).find({ where: { instrumentId: row.id }, order: { fittedAt: 'DESC' } });
  return {
    ...summary,
    version: row.version,
    remark: row.remark,
    geometry: row.geometry,
    methods: row.methods,
    current: setups[0]?.setup ?? null,
    setups: setups.map(({ setup }) => setup),
  };
}
