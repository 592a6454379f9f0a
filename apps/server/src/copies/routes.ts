import { createReadStream } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { Copy } from '@gold-peg/contract/copies';
import { In, IsNull, Not, type DataSource } from 'typeorm';
import { act } from '../acts/index.js';
import { type Handler, Refusal, signedIn, type StreamHandler } from '../handling/index.js';
import { CopyRow } from '../store/index.js';
import { beginCopy, type CopyPlace } from './make.js';

/** One that was being made for so long died with its server. */
const LONGEST_HOURS = 6;

async function readCopies(store: DataSource, now: Date): Promise<Copy[]> {
  const rows: (Omit<Copy, 'madeAt' | 'carriedAt'> & { madeAt: Date; carriedAt: Date | null })[] = await store.query(
    `SELECT c.id, c.made_at AS "madeAt", p.name AS "madeBy", c.bytes, c.instruments, c.lines, c.seconds, c.carried_at AS "carriedAt",
       CASE WHEN c.died THEN 'failed' ELSE c.state END AS state, CASE WHEN c.died THEN 'The server that made it was stopped.' ELSE c.says END AS says
     FROM (SELECT *, state = 'under-way' AND made_at < $1 AS died FROM copy WHERE file <> '') c LEFT JOIN person p ON p.id = c.person_id
     ORDER BY c.made_at DESC`,
    [new Date(now.getTime() - LONGEST_HOURS * 3_600_000)],
  );
  return rows.map(({ madeAt, carriedAt, ...row }) => ({
    ...row,
    madeAt: madeAt.toISOString(),
    carriedAt: carriedAt?.toISOString() ?? null,
  }));
}

async function lastCarried(store: DataSource): Promise<string | null> {
  const [last] = await store.getRepository(CopyRow).find({ where: { carriedAt: Not(IsNull()) }, order: { carriedAt: 'DESC' }, take: 1 });
  return last?.carriedAt?.toISOString() ?? null;
}

const placeOf = (asked: { request: { app: { locals: Record<string, unknown> } } }) =>
  asked.request.app.locals['copies'] as CopyPlace | null;

export const listCopies: Handler<'listCopies'> = async (asked) => ({
  folder: placeOf(asked)?.folder ?? null,
  carriedAt: await lastCarried(asked.store),
  copies: await readCopies(asked.store, asked.now),
});

/** Answers once it is begun; how it goes is seen in the list. */
export const makeCopy: Handler<'makeCopy'> = async (asked) => {
  const place = placeOf(asked);
  if (place === null) throw new Refusal('invalid', 'This server was given no folder for copies: COPIES_FOLDER names one.');
  const { row } = await beginCopy(place, { at: asked.now, personId: signedIn(asked).id });
  const begun = (await readCopies(asked.store, asked.now)).find(({ id }) => id === row.id);
  if (begun === undefined) throw new TypeError('what was begun is there');
  return begun;
};

export const copyFile: StreamHandler<'copyFile'> = async (asked, response) => {
  const place = placeOf(asked);
  const copies = asked.store.getRepository(CopyRow);
  const copy = await copies.findOneBy({ id: asked.params.id, state: In(['written', 'compared']), file: Not('') });
  if (copy === null || place === null) throw new Refusal('unknown', 'There is no such copy on this server.');
  const stream = createReadStream(join(place.folder, copy.file));
  await new Promise<void>((opened, fail) => {
    stream.once('open', () => opened());
    stream.once('error', () => fail(new Refusal('unknown', 'The file of that copy is gone from the folder of copies.')));
  });
  await act(asked, 'export', `${copy.file} carried out`);
  await copies.update(copy.id, { carriedAt: asked.now });
  response.type('application/json').setHeader('content-disposition', `attachment; filename="${copy.file}"`);
  await pipeline(stream, response);
};
