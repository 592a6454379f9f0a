import * as z from 'zod';
import { uuid } from '../quantity/index.js';

/** So often the feed says at least that it is there, with an event `here`, ms. */
export const FEED_HEARTBEAT_MS = 5000;

/** What the feed says of each change of the log: where it reaches by now in that job. */
export const feedMessage = z.object({ jobId: uuid, instrumentId: uuid, seq: z.int() });
export type FeedMessage = z.infer<typeof feedMessage>;
