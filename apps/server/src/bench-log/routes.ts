import { MOST_EVENTS_READ } from '@gold-peg/contract/endpoints';
import { type Handler, Refusal, signedIn } from '../handling/index.js';
import { JobRow } from '../store/index.js';
import { appendToLog } from './append.js';
import { readEvents } from './read-events.js';

export const appendEvents: Handler<'appendEvents'> = async (asked) => ({
  outcomes: await appendToLog(asked.store, asked.body.events, signedIn(asked).id),
});

export const jobEvents: Handler<'jobEvents'> = async ({ store, params, query }) => {
  const known = await store.getRepository(JobRow).existsBy({ id: params.id });
  if (!known) throw new Refusal('unknown', 'There is no job with that id.');
  const events = await readEvents(store, params.id, query.after, MOST_EVENTS_READ);
  return { events, more: events.length === MOST_EVENTS_READ };
};
