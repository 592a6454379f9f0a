import { FEED_HEARTBEAT_MS } from '@gold-peg/contract/endpoints';
import { signedIn, type StreamHandler } from '../handling/index.js';
import { sessionStands } from '../people/index.js';
import type { LogFeed } from './log-feed.js';

/** Server-sent events: `event: log` for every change of the log, as long as the session stands. */
export const feedRoute =
  (feed: LogFeed): StreamHandler<'feed'> =>
  async (asked, response) => {
    const { id } = signedIn(asked);
    await feed.up;
    response.writeHead(200, { 'content-type': 'text/event-stream', connection: 'keep-alive' });
    response.write('retry: 1000\n\n');
    const endWithSession = async () => {
      // a database that is away says nothing about the session: the line stays, and is asked for again
      const stands = await sessionStands(asked.store, asked.request, id).catch(() => true);
      if (!stands) response.end();
    };
    const deaf = feed.listen({
      changed: (messages) => response.write(messages.map((message) => `event: log\ndata: ${JSON.stringify(message)}\n\n`).join('')),
      sessionsEnded: () => void endWithSession(),
      stopping: () => response.end(),
    });
    const heartbeat = setInterval(() => {
      response.write('event: here\ndata:\n\n');
      void endWithSession();
    }, FEED_HEARTBEAT_MS); // a line that went dead is noticed, and one whose session ran out is closed
    response.on('close', () => {
      clearInterval(heartbeat);
      deaf();
    });
  };
