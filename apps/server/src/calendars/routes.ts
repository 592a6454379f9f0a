import { timingSafeEqual } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { CalendarKind } from '@gold-peg/contract/calendars';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { writeDay } from '../day/index.js';
import { type Handler, Refusal, type StreamHandler } from '../handling/index.js';
import { writeDue } from '../register/index.js';
import { SecretRow, sharedSecret } from '../store/index.js';

/** So far ahead a calendar that subscribes is told what is due. */
const AHEAD_MS = 183 * 24 * 3_600_000;

const secretOf = (which: CalendarKind) => `${which}-calendar`;
const pathOf = (which: CalendarKind, key: string) => ENDPOINTS.subscribedCalendar.path.replace(':which', which).replace(':key', key);
const keyNow = async (store: DataSource, which: CalendarKind): Promise<string | null> =>
  (await store.getRepository(SecretRow).findOneBy({ name: secretOf(which) }))?.value ?? null;

export const calendarAddress: Handler<'calendarAddress'> = async ({ store, params: { which } }) => {
  const key = await keyNow(store, which);
  return { path: key === null ? null : pathOf(which, key) };
};

export const makeCalendarAddress: Handler<'makeCalendarAddress'> = async ({ store, params: { which } }) => {
  await store.getRepository(SecretRow).delete({ name: secretOf(which) });
  return { path: pathOf(which, await sharedSecret(store, secretOf(which))) };
};

export const withdrawCalendarAddress: Handler<'withdrawCalendarAddress'> = async ({ store, params: { which } }) => {
  await store.getRepository(SecretRow).delete({ name: secretOf(which) });
  return { path: null };
};

export const dayCalendar: StreamHandler<'dayCalendar'> = async ({ store, now, query }, response) => {
  response.type('text/calendar').attachment(`gold-peg-${query.of}.ics`);
  response.send(await writeDay(store, now, query.of));
};

export const subscribedCalendar: StreamHandler<'subscribedCalendar'> = async ({ store, now, params: { which, key } }, response) => {
  const known = await keyNow(store, which);
  if (known === null || !timingSafeEqual(Buffer.from(known), Buffer.from(key))) throw new Refusal('unknown', 'There is no such calendar.');
  const until = new Date(now.getTime() + AHEAD_MS).toISOString();
  response.type('text/calendar').send(which === 'due' ? await writeDue(store, now, until) : await writeDay(store, now, which));
};
