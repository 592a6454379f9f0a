import type pg from 'pg';
import { measure, type Measured } from './measure.js';
import type { OpenJob } from './questions.js';

/** The log as it is, and the same events again in a part for each month, with the same indices. */
const TABLES = { whole: 'bench_event', parts: 'log_in_parts' } as const;

/**
 * Whether old events in partitions by time would pay: the questions that the log is asked, of the table as it is and of one that is cut by months. An id could be
 * unique within its month only.
 */
export async function partitions(client: pg.Client, jobs: readonly OpenJob[]): Promise<string> {
  const months = await cutByMonths(client);
  const ids = jobs.map(({ id }) => id);
  const { rows: past } = await client.query<{ id: string }>(
    `SELECT id FROM job WHERE state = 'handed-over' ORDER BY taken_in_at LIMIT 200`,
  );
  const { rows: span } = await client.query<{ first: Date; last: Date }>(
    'SELECT min(stored_at) AS first, max(stored_at) AS last FROM bench_event',
  );
  const [first, last] = [span[0]?.first.getTime() ?? 0, span[0]?.last.getTime() ?? 0];
  const lines = [`The log in ${months} parts by month against the log as it is, bare SQL, ms (p50, p95):`];
  for (const [name, ask] of Object.entries(questions(client, { ids, past: past.map(({ id }) => id), first, last }))) {
    const [whole, parts] = [await measure(ask(TABLES.whole)), await measure(ask(TABLES.parts))];
    lines.push(`  ${name}: ${say(whole)} as it is, ${say(parts)} in parts`);
  }
  await client.query(`DROP TABLE ${TABLES.parts}`);
  return lines.join('\n');
}

const say = ({ p50, p95 }: Measured): string => `${p50.toFixed(2)}, ${p95.toFixed(2)}`;

interface Known {
  ids: readonly string[];
  past: readonly string[];
  first: number;
  last: number;
}
type Question = (table: string) => (nth: number) => Promise<number>;

function questions(client: pg.Client, { ids, past, first, last }: Known): Record<string, Question> {
  const rows = async (text: string, values: unknown[]) => (await client.query(text, values)).rowCount ?? 0;
  const month = (nth: number): [Date, Date] => {
    const from = first + ((last - first) * (nth % 20)) / 21;
    return [new Date(from), new Date(from + (last - first) / 21)];
  };
  return {
    'log of an open job': (table) => (nth) => rows(`SELECT event FROM ${table} WHERE job_id = $1 ORDER BY seq`, [ids[nth % ids.length]]),
    'log of a past job': (table) => (nth) => rows(`SELECT event FROM ${table} WHERE job_id = $1 ORDER BY seq`, [past[nth % past.length]]),
    'a page of one month': (table) => (nth) =>
      rows(`SELECT event FROM ${table} WHERE stored_at >= $1 AND stored_at < $2 ORDER BY seq DESC LIMIT 50`, month(nth)),
    'the same between two places, as it is asked': (table) => (nth) =>
      rows(
        `SELECT event FROM ${table} WHERE stored_at >= $1 AND stored_at < $2
          AND seq > coalesce((SELECT seq FROM ${table} WHERE stored_at < $1::timestamptz - interval '1 hour' ORDER BY stored_at DESC, seq DESC LIMIT 1), 0)
          AND seq < coalesce((SELECT seq FROM ${table} WHERE stored_at > $2::timestamptz + interval '1 hour' ORDER BY stored_at, seq LIMIT 1), 9223372036854775807)
         ORDER BY seq DESC LIMIT 50`,
        month(nth),
      ),
    'what came after a place': (table) => () =>
      rows(`SELECT event FROM ${table} WHERE seq > (SELECT max(seq) - 100 FROM ${TABLES.whole}) ORDER BY seq LIMIT 100`, []),
    'one more event': (table) => (nth) =>
      rows(
        `INSERT INTO ${table} (id, job_id, person_id, kind, event) SELECT gen_random_uuid(), job_id, person_id, kind, event FROM ${TABLES.whole} WHERE job_id = $1 LIMIT 1`,
        [ids[nth % ids.length]],
      ),
  };
}

/** Returns how many parts there are. */
async function cutByMonths(client: pg.Client): Promise<number> {
  const { parts } = TABLES;
  await client.query(`CREATE TABLE ${parts} (LIKE ${TABLES.whole} INCLUDING DEFAULTS) PARTITION BY RANGE (stored_at)`);
  const { rows } = await client.query<{ month: string; next: string }>(
    `SELECT m::date::text AS month, (m + interval '1 month')::date::text AS next
     FROM generate_series(date_trunc('month', (SELECT min(stored_at) FROM ${TABLES.whole})), now(), interval '1 month') m`,
  );
  for (const [nth, { month, next }] of rows.entries())
    await client.query(`CREATE TABLE ${parts}_${nth} PARTITION OF ${parts} FOR VALUES FROM ('${month}') TO ('${next}')`);
  await client.query(`INSERT INTO ${parts} SELECT * FROM ${TABLES.whole}`);
  await client.query(`CREATE UNIQUE INDEX ON ${parts} (id, stored_at)`);
  for (const columns of ['job_id, seq', 'person_id, seq', 'kind, seq', 'stored_at, seq', 'seq'])
    await client.query(`CREATE INDEX ON ${parts} (${columns})`);
  await client.query(`ANALYZE ${parts}`);
  return rows.length;
}
