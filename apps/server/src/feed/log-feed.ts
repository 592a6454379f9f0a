import { setImmediate } from 'node:timers/promises';
import type pg from 'pg';
import type { Logger } from 'pino';
import { feedMessage, type FeedMessage } from '@gold-peg/contract/endpoints';
import { LOG_CHANNEL } from '../bench-log/index.js';
import { clientFor, readAddress } from '../store/index.js';
import { SESSIONS_CHANNEL } from '../people/index.js';

export interface Listener {
  /** The latest change of each job that changed. */
  changed(messages: readonly FeedMessage[]): void;
  sessionsEnded(): void;
  /** This server stops: whoever listens goes to another. */
  stopping(): void;
}

export interface LogFeed {
  /** Stands once the database has been heard for the first time. */
  readonly up: Promise<void>;
  /** Calls back soon after every change that any server commits, until the returned function is called. */
  listen(listener: Listener): () => void;
  /** How many listen. */
  listening(): number;
  /** The place in the log up to which everything was told; null before the first. */
  toldUpTo(): number | null;
  stop(): Promise<void>;
}

const RETRY_MS = 500;
/** What changes within this time is told together: hundreds of lines are written to at once, and whoever appended has their answer before. */
const TOLD_AFTER_MS = 200;
/** Lines that are written to before anything else has its turn. */
const AT_A_TIME = 4;

/** What was committed after a place in the log, the latest of each job. */
const MISSED = `SELECT DISTINCT ON (e.job_id) e.job_id AS "jobId", j.instrument_id AS "instrumentId", e.seq::float8 AS seq
  FROM bench_event e JOIN job j ON j.id = e.job_id WHERE e.seq > $1 ORDER BY e.job_id, e.seq DESC`;

/** Listens to the database on a connection of its own, and again when it was lost: then it tells what it missed. */
export function openFeed(url: string, log: Logger): LogFeed {
  const address = readAddress(url);
  const Client = clientFor(address);
  const listeners = new Set<Listener>();
  let client: pg.Client | null = null;
  let stopped = false;
  let place: number | null = null;
  let isUp = () => {};
  const up = new Promise<void>((resolve) => (isUp = resolve));

  /** The latest of each job that is still to be told. */
  const untold = new Map<string, FeedMessage>();
  let telling: NodeJS.Timeout | null = null;

  function tell(message: FeedMessage): void {
    place = Math.max(place ?? 0, message.seq);
    untold.set(message.jobId, message);
    telling ??= setTimeout(() => void tellAll(), TOLD_AFTER_MS);
  }

  async function tellAll(): Promise<void> {
    if (telling !== null) clearTimeout(telling);
    telling = null;
    const messages = [...untold.values()];
    untold.clear();
    if (messages.length > 0) await tellInTurn(messages);
  }

  /** A few lines at a time: what else is asked meanwhile is not held up by hundreds of them. */
  async function tellInTurn(messages: readonly FeedMessage[]): Promise<void> {
    let told = 0;
    for (const listener of listeners) {
      if (++told % AT_A_TIME === 0) await setImmediate();
      if (listeners.has(listener)) listener.changed(messages);
    }
  }

  function hear(channel: string, payload = 'null'): void {
    if (channel === SESSIONS_CHANNEL) for (const { sessionsEnded } of listeners) sessionsEnded();
    if (channel !== LOG_CHANNEL) return;
    const read = feedMessage.safeParse(JSON.parse(payload));
    if (read.success) tell(read.data);
  }

  /** What comes after LISTEN is heard, what came before stands in the log: nothing falls between. */
  async function catchUp(next: pg.Client): Promise<void> {
    if (place === null) {
      const { rows } = await next.query<{ seq: number }>('SELECT coalesce(max(seq), 0)::float8 AS seq FROM bench_event');
      place = rows[0]?.seq ?? 0;
      return;
    }
    const { rows } = await next.query<FeedMessage>(MISSED, [place]);
    for (const message of rows) tell(message);
    for (const { sessionsEnded } of listeners) sessionsEnded(); // perhaps: each looks for itself
  }

  async function connect(): Promise<void> {
    if (stopped) return;
    const next = new Client({ connectionString: address.url, application_name: 'gold-peg feed' });
    let lost = false;
    const again = (error?: Error) => {
      if (lost || stopped) return;
      lost = true;
      log.warn({ err: error }, 'the log feed lost the database and tries again');
      setTimeout(() => void connect(), RETRY_MS).unref();
    };
    next.on('error', again);
    next.on('end', () => again());
    next.on('notification', ({ channel, payload }) => hear(channel, payload));
    try {
      await next.connect();
      await next.query(`LISTEN ${LOG_CHANNEL}`);
      await next.query(`LISTEN ${SESSIONS_CHANNEL}`);
      client = next;
      await catchUp(next);
      isUp();
    } catch (error) {
      again(error as Error);
    }
  }

  void connect();
  return {
    up,
    listen(listener) {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    listening: () => listeners.size,
    toldUpTo: () => place,
    async stop() {
      stopped = true;
      await tellAll(); // a line that has ended is not written to any more
      for (const { stopping } of listeners) stopping();
      await client?.end();
    },
  };
}
