import type pg from 'pg';
import { MOST_EVENTS_READ } from '@gold-peg/contract/endpoints';
import { v7 as uuidV7 } from 'uuid';
import { idAt } from './histories.js';
import { measure, type Measured } from './measure.js';

export interface Row {
  name: string;
  server: Measured;
  /** The same answer by SQL alone, over one connection; null where there is no such thing. */
  sql: Measured | null;
}

/** Somebody signed in, as far as the server can tell. */
export interface Visitor {
  address: string;
  headers: Record<string, string>;
  personId: string;
}

interface Question {
  name: string;
  path: (nth: number) => string;
  sql: (nth: number) => [text: string, values: unknown[]];
}

const SUMMARY = (some: string) => `SELECT i.id, i.passport, i.name, i.facts, i.geometry->>'family', i.geometry->'strings'->0->>'scaleMm',
  jsonb_array_length(i.geometry->'strings'), i.owner_id, o.name, s.set_name, s.fitted_at, j.id
  FROM (${some}) i LEFT JOIN owner o ON o.id = i.owner_id
  LEFT JOIN LATERAL (SELECT setup->>'setName' AS set_name, fitted_at FROM setup WHERE instrument_id = i.id ORDER BY fitted_at DESC LIMIT 1) s ON true
  LEFT JOIN job j ON j.instrument_id = i.id AND j.state <> 'handed-over'`;
const SEARCH = SUMMARY('SELECT * FROM instrument WHERE search LIKE $1 ORDER BY passport LIMIT 60');

/** Common and rare words, an owner, a number, and nothing at all. */
const WORDS = ['heron', 'gannet locking', 'jessamy roke 17', 'tamsin', '10777', 'kelp twelve 99', ''];
const word = (nth: number) => WORDS[nth % WORDS.length] ?? '';

/** Passports of the demo with a long log. */
const LIVED = [117, 121, 133, 151];

export async function askAll(client: pg.Client, visitor: Visitor): Promise<Row[]> {
  const ids = async (sql: string) => (await client.query<{ id: string }>(sql)).rows.map(({ id }) => id);
  const instruments = await ids('SELECT id FROM instrument WHERE passport > 1000 ORDER BY name LIMIT 200');
  const jobs = await ids(`SELECT id FROM job WHERE state = 'handed-over' ORDER BY reason, taken_in_at LIMIT 200`);
  // what was lived for two years is what the demo made: those of most setups
  const lived = await ids('SELECT instrument_id AS id FROM setup GROUP BY 1 ORDER BY count(*) DESC LIMIT 20');
  const soon = new Date(Date.now() + 92 * 86_400_000).toISOString();
  const [long = ''] = await ids('SELECT job_id AS id FROM bench_event GROUP BY 1 ORDER BY count(*) DESC LIMIT 1');
  const nthOf = (list: readonly string[], nth: number) => list[(nth * 37) % list.length] ?? '';
  const EVENTS = 'SELECT event, seq, stored_at FROM bench_event WHERE job_id = $1 ORDER BY seq';
  const questions: Question[] = [
    {
      name: 'who is signed in: what every request costs',
      path: () => '/api/session',
      sql: () => ['SELECT * FROM session s JOIN person p ON p.id = $1 LIMIT 1', [visitor.personId]],
    },
    {
      name: 'search of the register',
      path: (nth) => `/api/instruments?search=${encodeURIComponent(word(nth))}`,
      sql: (nth) => [SEARCH, [`%${word(nth)}%`]],
    },
    {
      name: 'owners',
      path: (nth) => `/api/owners?search=${encodeURIComponent(word(nth))}`,
      sql: (nth) => [
        `WITH found AS MATERIALIZED (SELECT * FROM owner WHERE lower(name) LIKE $1)
         SELECT *, (SELECT count(*) FROM instrument WHERE owner_id = o.id) FROM found o ORDER BY lower(name), id LIMIT 60`,
        [`%${word(nth)}%`],
      ],
    },
    {
      name: 'Today',
      path: () => '/api/jobs',
      sql: () => [
        `${SUMMARY(`SELECT * FROM instrument WHERE id IN (SELECT instrument_id FROM job WHERE state <> 'handed-over')`)} ORDER BY i.passport`,
        [],
      ],
    },
    {
      name: 'passport',
      path: (nth) => `/api/instruments/${nthOf(instruments, nth)}`,
      sql: (nth) => [
        'SELECT i.*, s.setup FROM instrument i LEFT JOIN setup s ON s.instrument_id = i.id WHERE i.id = $1',
        [nthOf(instruments, nth)],
      ],
    },
    {
      name: 'passport with two years of setups',
      path: (nth) => `/api/instruments/${nthOf(lived, nth)}`,
      sql: (nth) => [
        'SELECT i.*, s.setup FROM instrument i LEFT JOIN setup s ON s.instrument_id = i.id WHERE i.id = $1',
        [nthOf(lived, nth)],
      ],
    },
    {
      name: 'what is due within three months',
      path: () => `/api/due?until=${encodeURIComponent(soon)}`,
      sql: () => ['SELECT id, due_at FROM instrument WHERE due_at < $1 AND archived_at IS NULL ORDER BY due_at, passport LIMIT 60', [soon]],
    },
    {
      name: 'the log of one passport, a page',
      path: (nth) => `/api/log?passport=${LIVED[nth % LIVED.length] ?? 0}`,
      sql: (nth) => [
        `SELECT e.event FROM bench_event e JOIN job j ON j.id = e.job_id JOIN instrument i ON i.id = j.instrument_id
         WHERE i.passport = $1 ORDER BY e.seq DESC LIMIT 100`,
        [LIVED[nth % LIVED.length] ?? 0],
      ],
    },
    { name: 'worksheet of ten events', path: (nth) => `/api/jobs/${nthOf(jobs, nth)}`, sql: (nth) => [EVENTS, [nthOf(jobs, nth)]] },
    {
      name: 'worksheet of 5,000 events, first opening',
      path: () => `/api/jobs/${long}`,
      sql: () => [`${EVENTS} LIMIT ${MOST_EVENTS_READ}`, [long]],
    },
    {
      name: 'worksheet of 5,000 events, known before',
      path: () => `/api/jobs/${long}?after=999999999`,
      sql: () => [`SELECT event FROM bench_event WHERE job_id = $1 AND seq > $2`, [long, 999_999_999]],
    },
    { name: 'shelf', path: () => '/api/stock', sql: () => ['SELECT kind, item_id, state, count(*) FROM stock_use GROUP BY 1, 2, 3', []] },
  ];
  const rows: Row[] = [];
  for (const { name, path, sql } of questions) {
    const server = await measure((nth) => get(visitor, path(nth)));
    const bare = await measure(async (nth) => JSON.stringify((await client.query(...sql(nth))).rows).length);
    rows.push({ name, server, sql: bare });
  }
  return [...rows, await appending(client, visitor), await hearing(client, visitor)];
}

async function get({ address, headers }: Visitor, path: string): Promise<number> {
  const response = await fetch(address + path, { headers });
  const text = await response.text();
  if (!response.ok) throw new Error(`${path} was answered with ${response.status}: ${text.slice(0, 200)}`);
  return text.length;
}

/** A job that lies on the bench. */
export interface OpenJob {
  id: string;
  instrumentId: string;
}

/** Jobs whose worksheets are as long as they get at a bench: that of 5,000 events is asked for by itself. */
export async function openJobs(client: pg.Client): Promise<OpenJob[]> {
  const { rows } = await client.query<OpenJob>(
    `SELECT id, instrument_id AS "instrumentId" FROM job WHERE state = 'on-bench' AND (SELECT count(*) FROM bench_event WHERE job_id = job.id) < 500
     ORDER BY taken_in_at LIMIT 50`,
  );
  return rows;
}

/** One more note on a job. */
export function note({ personId }: Visitor, job: OpenJob | undefined) {
  const head = { version: 1, jobId: job?.id, instrumentId: job?.instrumentId, personId, deviceId: idAt(1, 2) };
  return { id: uuidV7(), ...head, at: new Date().toISOString(), kind: 'noted', payload: { text: 'one more' } };
}

/** Appends events; their places in the log. */
export async function send({ address, headers }: Visitor, events: readonly object[]): Promise<number[]> {
  const response = await fetch(`${address}/api/events`, { method: 'POST', headers, body: JSON.stringify({ events }) });
  const text = await response.text();
  if (!response.ok || text.includes('"refused"')) throw new Error(`not stored: ${text.slice(0, 200)}`);
  return (JSON.parse(text) as { outcomes: { seq: number }[] }).outcomes.map(({ seq }) => seq);
}

async function appending(client: pg.Client, visitor: Visitor): Promise<Row> {
  const jobs = await openJobs(client);
  let nth = 0;
  const next = () => note(visitor, jobs[nth++ % jobs.length]);
  const server = await measure(async () => {
    await send(visitor, [next()]);
    return 0;
  });
  const sql = await measure(async () => {
    const event = next();
    await client.query('INSERT INTO bench_event (id, job_id, person_id, kind, event) VALUES ($1, $2, $3, $4, $5)', [
      event.id,
      event.jobId,
      event.personId,
      event.kind,
      event,
    ]);
    return 0;
  });
  return { name: 'append of one event', server, sql };
}

/** From sending an event until another line hears of it. */
async function hearing(client: pg.Client, visitor: Visitor): Promise<Row> {
  const [job] = await openJobs(client);
  const stop = new AbortController();
  const response = await fetch(`${visitor.address}/api/feed`, { headers: visitor.headers, signal: stop.signal });
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  const heard = async () => {
    for (;;) {
      const { value = '' } = (await reader?.read()) ?? {};
      if (value.includes('event: log')) return value.length;
    }
  };
  const server = await measure(async () => {
    const [bytes] = await Promise.all([heard(), send(visitor, [note(visitor, job)])]);
    return bytes;
  });
  stop.abort();
  return { name: 'feed: an event heard by another line', server, sql: null };
}
