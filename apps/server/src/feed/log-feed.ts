import { Client } from 'pg';
import type { Logger } from 'pino';
import { feedMessage, type FeedMessage } from '@gold-peg/contract/endpoints';
import { LOG_CHANNEL } from '../bench-log/index.js';

export interface LogFeed {
  /** Calls back for every change that any server commits, until the returned function is called. */
  listen(hear: (message: FeedMessage) => void): () => void;
  stop(): Promise<void>;
}

const RETRY_MS = 500;

/** Listens to the database on a connection of its own, and again when it was lost. */
export function openFeed(url: string, log: Logger): LogFeed {
  const listeners = new Set<(message: FeedMessage) => void>();
  let client: Client | null = null;
  let stopped = false;

  async function connect(): Promise<void> {
    if (stopped) return;
    const next = new Client({ connectionString: url });
    let lost = false;
    const again = (error?: Error) => {
      if (lost || stopped) return;
      lost = true;
      log.warn({ error: error?.message }, 'the log feed lost the database and tries again');
      setTimeout(() => void connect(), RETRY_MS).unref();
    };
    next.on('error', again);
    next.on('end', () => again());
    next.on('notification', ({ payload }) => {
      const read = feedMessage.safeParse(JSON.parse(payload ?? 'null'));
      if (read.success) for (const hear of listeners) hear(read.data);
    });
    try {
      await next.connect();
      await next.query(`LISTEN ${LOG_CHANNEL}`);
      client = next;
    } catch (error) {
      again(error as Error);
    }
  }

  void connect();
  return {
    listen(hear) {
      listeners.add(hear);
      return () => void listeners.delete(hear);
    },
    async stop() {
      stopped = true;
      await client?.end();
    },
  };
}
