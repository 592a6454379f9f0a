import type { DataSource } from 'typeorm';
import type { Act, ActKind } from '@gold-peg/contract/people';
import { ACT_COLUMNS, writeActRows } from '@gold-peg/contract/sheets';
import { type Handler, type StreamHandler, writeParts } from '../handling/index.js';
import { act } from './act.js';

/** Lines that are in memory at once while a file is written. */
const BATCH = 1000;

interface Read {
  id: string;
  at: Date;
  personId: string | null;
  name: string | null;
  kind: ActKind;
  says: string;
}

async function readActs(
  store: DataSource,
  { before, beforeId, person, limit }: { before?: string | undefined; beforeId?: string; person?: string | undefined; limit: number },
): Promise<Act[]> {
  const rows: Read[] = await store.query(
    `SELECT a.id, a.at, a.person_id AS "personId", p.name, a.kind, a.says FROM act a LEFT JOIN person p ON p.id = a.person_id
     WHERE ($1::timestamptz IS NULL OR a.at < $1 OR (a.at = $1 AND a.id < $2::uuid)) AND ($3::uuid IS NULL OR a.person_id = $3)
     ORDER BY a.at DESC, a.id DESC LIMIT $4`,
    [before ?? null, beforeId ?? null, person ?? null, limit],
  );
  return rows.map(({ id, at, personId, name, kind, says }) => ({
    id,
    at: at.toISOString(),
    person: personId === null || name === null ? null : { id: personId, name },
    kind,
    says,
  }));
}

export const listActs: Handler<'listActs'> = ({ store, query }) => readActs(store, query);

export const actsCsv: StreamHandler<'actsCsv'> = async (asked, response) => {
  await act(asked, 'export', 'who did what, as CSV');
  response.type('text/csv').setHeader('content-disposition', 'attachment; filename="gold-peg-acts.csv"');
  await writeParts(response, async function* () {
    yield `${ACT_COLUMNS.join(',')}\n`;
    for (let last: Act | undefined; ;) {
      const acts = await readActs(asked.store, { ...(last === undefined ? {} : { before: last.at, beforeId: last.id }), limit: BATCH });
      if (acts.length > 0) yield writeActRows(acts);
      if (acts.length < BATCH) return;
      last = acts.at(-1);
    }
  });
};
