import { signedIn, type Handler } from '../http/handler.js';
import { appendToLog } from './append.js';
import { readEvents } from './read-events.js';

export const appendEvents: Handler<'appendEvents'> = async (asked) => ({
  outcomes: await appendToLog(asked.store, asked.body.events, signedIn(asked).id),
});

export const jobEvents: Handler<'jobEvents'> = async ({ store, params, query }) => ({
  events: await readEvents(store, params.id, query.after),
});
