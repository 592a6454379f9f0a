import type { DataSource, EntityManager } from 'typeorm';
import type { CountedTurnsRow } from '@gold-peg/contract/bench-log';
import type { CountedPayload, Worksheet } from '@gold-peg/craft/worksheet';
import { TurnsCountedRow } from '../store/index.js';

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

type Counted = CountedTurnsRow & { counted: CountedPayload; at: Date };

/** Counts at an instrument, by anybody, and by a person, anywhere: what tells the one from the other. Newest first. */
export async function countsFor(store: DataSource, instrumentId: string, personId: string): Promise<CountedTurnsRow[]> {
  const newest = (which: string) => `(SELECT * FROM turns_counted WHERE ${which} ORDER BY at DESC LIMIT ${MOST_COUNTS})`;
  const rows: Counted[] = await store.query(
    `SELECT c.job_id AS "jobId", c.string, c.instrument_id AS "instrumentId", c.person_id AS "personId", c.at, c.counted,
       p.name AS "personName", i.name AS "instrumentName"
     FROM (${newest('instrument_id = $1')} UNION ${newest('person_id = $2')}) c
     JOIN person p ON p.id = c.person_id JOIN instrument i ON i.id = c.instrument_id
     ORDER BY c.at DESC, c.string LIMIT ${MOST_COUNTS}`,
    [instrumentId, personId],
  );
  return rows.map(({ counted, at, ...row }) => ({ ...row, ...counted, at: at.toISOString() }));
}
