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
/** What changes is told within this time; what changes until its turn comes is told to a line together. */
const TOLD_WITHIN_MS = 200;
/** Lines are told in so many turns, one after the other: hundreds of them at once would hold up whoever appends meanwhile. A few lines have a turn each, and hear sooner. */
const TURNS = 10;
/** What was committed after a place in the log, the latest of each job. */
const MISSED = `SELECT DISTINCT ON (e.job_id) e.job_id AS "jobId", j.instrument_id AS "instrumentId", e.seq::float8 AS seq
  FROM bench_event e JOIN job j ON j.id = e.job_id WHERE e.seq > $1 ORDER BY e.job_id, e.seq DESC`;

/** Some of the lines, and the latest of each job that they are still to be told. */
class Turn {
  readonly lines = new Set<Listener>();
  readonly untold = new Map<string, FeedMessage>();

  tell(): void {
    const messages = [...this.untold.values()];
    this.untold.clear();
    if (messages.length > 0) for (const line of this.lines) line.changed(messages);
  }
}

/** Listens to the database on a connection of its own, and again when it was lost: then it tells what it missed. */
export function openFeed(url: string, log: Logger): LogFeed {
  const address = readAddress(url);
  const Client = clientFor(address);
  let client: pg.Client | null = null;
  let stopped = false;
  let place: number | null = null;
  let isUp = () => {};
  const up = new Promise<void>((resolve) => (isUp = resolve));

  const turns = Array.from({ length: TURNS }, () => new Turn());
  let telling: NodeJS.Timeout | null = null;
  const listeners = () => turns.flatMap(({ lines }) => [...lines]);

  function tell(message: FeedMessage): void {
    place = Math.max(place ?? 0, message.seq);
    for (const { lines, untold } of turns) if (lines.size > 0) untold.set(message.jobId, message);
    telling ??= setInterval(nextTurn, TOLD_WITHIN_MS / TURNS);
  }

  function nextTurn(): void {
    const turn = turns.find(({ untold }) => untold.size > 0);
    if (turn === undefined) return stopTelling();
    turns.push(...turns.splice(turns.indexOf(turn), 1)); // whoever was told waits for all others
    turn.tell();
  }

  function stopTelling(): void {
    if (telling !== null) clearInterval(telling);
    telling = null;
  }

  function hear(channel: string, payload = 'null'): void {
    if (channel === SESSIONS_CHANNEL) for (const { sessionsEnded } of listeners()) sessionsEnded();
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
    for (const { sessionsEnded } of listeners()) sessionsEnded(); // perhaps: each looks for itself
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
      const emptiest = turns.reduce((least, turn) => (turn.lines.size < least.lines.size ? turn : least));
      emptiest.lines.add(listener);
      return () => void emptiest.lines.delete(listener);
    },
    listening: () => listeners().length,
    toldUpTo: () => place,
    async stop() {
      stopped = true;
      stopTelling();
      for (const turn of turns) turn.tell(); // a line that has ended is not written to any more
      for (const { stopping } of listeners()) stopping();
      await client?.end();
    },
  };
}
