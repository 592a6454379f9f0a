import { timingSafeEqual } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { type Handler, Refusal, type StreamHandler } from '../handling/index.js';
import { SecretRow, sharedSecret } from '../store/index.js';
import { writeDue } from './due.js';

const NAME = 'due-calendar';
/** So far ahead a calendar that subscribes is told. */
const AHEAD_MS = 183 * 24 * 3_600_000;

const pathOf = (key: string) => ENDPOINTS.subscribedCalendar.path.replace(':key', key);
const keyNow = async (store: DataSource): Promise<string | null> =>
  (await store.getRepository(SecretRow).findOneBy({ name: NAME }))?.value ?? null;

export const calendarAddress: Handler<'calendarAddress'> = async ({ store }) => {
  const key = await keyNow(store);
  return { path: key === null ? null : pathOf(key) };
};

export const makeCalendarAddress: Handler<'makeCalendarAddress'> = async ({ store }) => {
  await store.getRepository(SecretRow).delete({ name: NAME });
  return { path: pathOf(await sharedSecret(store, NAME)) };
};

export const withdrawCalendarAddress: Handler<'withdrawCalendarAddress'> = async ({ store }) => {
  await store.getRepository(SecretRow).delete({ name: NAME });
  return { path: null };
};

export const subscribedCalendar: StreamHandler<'subscribedCalendar'> = async ({ store, params }, response) => {
  const key = await keyNow(store);
  if (key === null || !timingSafeEqual(Buffer.from(key), Buffer.from(params.key)))
    throw new Refusal('unknown', 'There is no such calendar.');
  response.type('text/calendar').send(await writeDue(store, new Date(Date.now() + AHEAD_MS).toISOString()));
};
