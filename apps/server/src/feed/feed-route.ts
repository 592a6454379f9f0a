import type { RequestHandler } from 'express';
import type { WhoAsks } from '../http/routes.js';
import { Refusal } from '../http/refusal.js';
import type { LogFeed } from './log-feed.js';

/** A comment now and then, so that a line that went dead is noticed. */
const HEARTBEAT_MS = 15_000;

/** Server-sent events: `event: log` for every change of the log. */
export const feedRoute =
  (feed: LogFeed, whoAsks: WhoAsks): RequestHandler =>
  async (request, response) => {
    if ((await whoAsks(request)) === null) throw new Refusal('signed-out', 'Sign in first.');
    response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' });
    response.write('retry: 1000\n\n');
    const deaf = feed.listen((message) => response.write(`event: log\ndata: ${JSON.stringify(message)}\n\n`));
    const heartbeat = setInterval(() => response.write(': here\n\n'), HEARTBEAT_MS);
    request.on('close', () => {
      clearInterval(heartbeat);
      deaf();
    });
  };
