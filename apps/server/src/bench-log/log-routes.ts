import type { Response } from 'express';
import type { DataSource } from 'typeorm';
import type { LogLine, LogQuery } from '@gold-peg/contract/bench-log';
import { LOG_COLUMNS, writeLogRows } from '@gold-peg/contract/sheets';
import { act } from '../acts/index.js';
import { type Handler, type StreamHandler, writeParts } from '../handling/index.js';

/** Lines that are in memory at once while a file is written. */
const BATCH = 1000;

interface Part {
  /** From which place on, or before which, lines are read. */
  after?: number | undefined;
  before?: number | undefined;
  limit: number;
}

/**
 * Places of the log between which all lines of a span of time lie. A line says when its transaction began, and may have waited for its turn since, never for an hour. Without this
 * the log is read back from its end until the span is reached: a second, for a month two years ago among two million lines.
 */
const fromPlace = (moment: string) =>
  `e.seq > coalesce((SELECT seq FROM bench_event WHERE stored_at < ${moment}::timestamptz - interval '1 hour' ORDER BY stored_at DESC, seq DESC LIMIT 1), 0)`;
const toPlace = (moment: string) =>
  `e.seq < coalesce((SELECT seq FROM bench_event WHERE stored_at > ${moment}::timestamptz + interval '1 hour' ORDER BY stored_at, seq LIMIT 1), 9223372036854775807)`;

/** Lines that pass the filter: on from `after`, the oldest first; else back from `before`, the latest first. */
async function readLines(
  store: DataSource,
  { person, passport, kind, from, to }: LogQuery,
  { after, before, limit }: Part,
): Promise<LogLine[]> {
  const values: unknown[] = [];
  const given = (value: unknown, says: (place: string) => string) => (value === undefined ? [] : [says(`$${values.push(value)}`)]);
  const wanted = [
    ...given(person, (place) => `e.person_id = ${place}`),
    ...given(
      passport,
      (place) => `e.job_id IN (SELECT j.id FROM job j JOIN instrument i ON i.id = j.instrument_id WHERE i.passport = ${place})`,
    ),
    ...given(kind, (place) => `e.kind = ${place}`),
    ...given(from, (place) => `e.stored_at >= ${place} AND ${fromPlace(place)}`),
    ...given(to, (place) => `e.stored_at < ${place} AND ${toPlace(place)}`),
    ...given(after, (place) => `e.seq > ${place}`),
    ...given(before, (place) => `e.seq < ${place}`),
  ];
  const way = after === undefined ? 'DESC' : 'ASC';
  const rows: (Omit<LogLine, 'seq' | 'storedAt' | 'string' | 'payload'> & { seq: string; storedAt: Date; event: Partial<LogLine> })[] =
    await store.query(
      `SELECT l.seq, l.stored_at AS "storedAt", p.name AS person, i.passport, i.name AS instrument, l.job_id AS "jobId", l.kind, l.event
     FROM (SELECT e.* FROM bench_event e ${wanted.length === 0 ? '' : `WHERE ${wanted.join(' AND ')}`} ORDER BY e.seq ${way} LIMIT $${values.push(limit)}) l
     JOIN person p ON p.id = l.person_id JOIN job j ON j.id = l.job_id JOIN instrument i ON i.id = j.instrument_id ORDER BY l.seq ${way}`,
      values,
    );
  return rows.map(({ seq, storedAt, event, ...row }) => ({
    seq: Number(seq),
    storedAt: storedAt.toISOString(),
    ...row,
    string: event.string ?? null,
    payload: event.payload ?? {},
  }));
}

export const readLog: Handler<'readLog'> = async ({ store, query: { before, limit, ...filter } }) => {
  const lines = await readLines(store, filter, { before, limit });
  return { lines, next: lines.length < limit ? null : (lines.at(-1)?.seq ?? null) };
};

/** All lines that pass, a batch at a time. */
async function* written(
  store: DataSource,
  filter: LogQuery,
  write: (lines: readonly LogLine[], first: boolean) => string,
): AsyncGenerator<string> {
  for (let after = 0, first = true; ; first = false) {
    const lines = await readLines(store, filter, { after, limit: BATCH });
    if (lines.length > 0) yield write(lines, first);
    if (lines.length < BATCH) return;
    after = lines.at(-1)?.seq ?? after;
  }
}

const asFile = (response: Response, type: string, name: string): void => {
  response.type(type).setHeader('content-disposition', `attachment; filename="${name}"`);
};

export const logCsv: StreamHandler<'logCsv'> = async (asked, response) => {
  const { store, query } = asked;
  await act(asked, 'export', 'the log of the bench as csv');
  asFile(response, 'text/csv', 'gold-peg-log.csv');
  await writeParts(response, async function* () {
    yield `${LOG_COLUMNS.join(',')}\n`;
    yield* written(store, query, writeLogRows);
  });
};

export const logJson: StreamHandler<'logJson'> = async (asked, response) => {
  const { store, query } = asked;
  await act(asked, 'export', 'the log of the bench as json');
  asFile(response, 'application/json', 'gold-peg-log.json');
  const rows = (lines: readonly LogLine[], first: boolean) =>
    `${first ? '' : ','}\n${lines.map((line) => JSON.stringify(line)).join(',\n')}`;
  await writeParts(response, async function* () {
    yield '[';
    yield* written(store, query, rows);
    yield '\n]\n';
  });
};
