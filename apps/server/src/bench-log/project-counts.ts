import { In, type DataSource, type EntityManager } from 'typeorm';
import type { CountedTurnsRow } from '@gold-peg/contract/bench-log';
import type { Worksheet } from '@gold-peg/craft/worksheet';
import { InstrumentRow, PersonRow, TurnsCountedRow } from '../store/index.js';

/** Writes what the log says about turns counted in one job. */
export async function projectCounts(tx: EntityManager, jobId: string, sheet: Worksheet): Promise<void> {
  await tx.delete(TurnsCountedRow, { jobId });
  const rows = sheet.counted.flatMap((event) =>
    event === null
      ? []
      : [
          {
            jobId,
            string: event.string,
            instrumentId: event.instrumentId,
            personId: sheet.wound[event.string - 1]?.personId ?? event.personId, // whose hand left the slack
            at: new Date(event.at),
            counted: event.payload,
          },
        ],
  );
  await tx.insert(TurnsCountedRow, rows);
}

/** Most counts that bear on one worksheet: the newest, since posts are exchanged and hands learn. */
const MOST_COUNTS = 300;

/** Counts at an instrument, by anybody, and by a person, anywhere: what tells the one from the other. Newest first. */
export async function countsFor(store: DataSource, instrumentId: string, personId: string): Promise<CountedTurnsRow[]> {
  const rows = await store
    .getRepository(TurnsCountedRow)
    .find({ where: [{ instrumentId }, { personId }], order: { at: 'DESC', string: 'ASC' }, take: MOST_COUNTS });
  const people = await store.getRepository(PersonRow).findBy({ id: In(rows.map((row) => row.personId)) });
  const instruments = await store.getRepository(InstrumentRow).findBy({ id: In(rows.map((row) => row.instrumentId)) });
  return rows.map(({ counted, at, ...row }) => ({
    ...row,
    ...counted,
    at: at.toISOString(),
    personName: people.find(({ id }) => id === row.personId)?.name ?? '',
    instrumentName: instruments.find(({ id }) => id === row.instrumentId)?.name ?? '',
  }));
}
