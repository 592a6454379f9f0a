import { In, type DataSource } from 'typeorm';
import type { Day } from '@gold-peg/contract/day';
import { type Handler, Refusal, refuseField, signedIn } from '../handling/index.js';
import { act } from '../acts/index.js';
import { DayRow, PersonRow } from '../store/index.js';
import { askedFor } from './asked.js';
import { hoursIn, THE_DAY } from './hours.js';
import { keptPromises, sinceWhen } from './kept.js';
import { rackOf } from './rack.js';
import { sayFirst } from './say-pin.js';
import { nextVisits } from './told.js';

const look = (asked: Parameters<typeof signedIn>[0] & { store: DataSource; now: Date }): Promise<Day> =>
  rackOf(asked.store, asked.now, signedIn(asked).id);

export const day: Handler<'day'> = (asked) => look(asked);

export const askedJob: Handler<'askedJob'> = (asked) =>
  askedFor(asked.store, asked.now, { askedBy: signedIn(asked).id, instrumentId: asked.params.id });

export const visits: Handler<'visits'> = async (asked) => ({ visits: nextVisits(await look(asked)) });

export const promisesKept: Handler<'promisesKept'> = async ({ store, now }) => ({
  since: sinceWhen(now).toISOString(),
  promises: await keptPromises(store, now),
});

export const pin: Handler<'pin'> = async (asked) => {
  const { store, body } = asked;
  const { jobId, operation, place } = body;
  const before = await look(asked);
  const job = before.jobs.find(({ id }) => id === jobId);
  if (job?.operations.some(({ id }) => id === operation) !== true) throw refuseField('operation', 'must be left to do of an open job');
  if (place !== null) {
    const begun = [...before.done, ...before.started].some((each) => each.job === jobId && each.operation === operation);
    if (begun) throw refuseField('operation', 'must not have begun: what has stays where it is');
    const start = Math.round((Date.parse(place.startAt) - Date.parse(before.origin)) / MINUTE_MS);
    const pin = { job: jobId, operation, person: place.personId, start };
    if (!before.people.some(({ id }) => id === place.personId)) throw refuseField('personId', 'must be somebody who works at the bench');
    const others = before.pinned.filter((each) => each.job !== jobId || each.operation !== operation);
    const says = sayFirst({ ...before, pinned: [pin, ...others] });
    if (says !== null) throw new Refusal('invalid', `It cannot lie there: ${says}.`, { fields: [{ field: 'place', says }] });
  }
  await change(store, (now) => {
    const others = now.pinned.filter((each) => each.jobId !== jobId || each.operation !== operation);
    return { pinned: place === null ? others : [...others, { jobId, operation, ...place }] };
  });
  return look(asked);
};

export const keepPlan: Handler<'keepPlan'> = async (asked) => {
  const { store, body } = asked;
  const kept = await change(store, () => ({ inForce: body.operations }), body.version);
  if (!kept) throw new Refusal('stale', 'The day was planned anew meanwhile, on another device.', { current: await look(asked) });
  return look(asked);
};

export const changeHours: Handler<'changeHours'> = async (asked) => {
  const { store, body } = asked;
  const kept = await change(store, () => ({ hours: body.hours }), body.version);
  if (!kept)
    throw new Refusal('stale', 'Somebody changed the hours of the house meanwhile: look at them again.', { current: await look(asked) });
  await act(asked, 'hours', 'changed');
  return look(asked);
};

/** Anybody of the house may say it: who is ill does not come in to do so. */
export const setAway: Handler<'setAway'> = async (asked) => {
  const { store, body } = asked;
  const { personId, day: date, away } = body;
  const person = await store.getRepository(PersonRow).findOneBy({ id: personId, role: In(['owner', 'technician']), standing: 'works' });
  if (person === null) throw refuseField('personId', 'must be somebody who works at the bench');
  await change(store, (row) => {
    const hours = hoursIn(row);
    const own = hours.people.find((each) => each.personId === personId) ?? { personId, week: null, away: [], can: null };
    const days = [...own.away.filter((each) => each !== date), ...(away ? [date] : [])].sort();
    return { hours: { ...hours, people: [...hours.people.filter((each) => each !== own), { ...own, away: days }] } };
  });
  return look(asked);
};

const MINUTE_MS = 60_000;

/** Changes the one row of the day, and counts its version; false where `version` is no more the one that stands. */
async function change(store: DataSource, to: (now: DayRow) => Partial<DayRow>, version?: number): Promise<boolean> {
  await store.query(
    `INSERT INTO "day" ("id", "hours", "pinned", "in_force", "version") VALUES ($1, NULL, '[]', '[]', 1) ON CONFLICT DO NOTHING`,
    [THE_DAY],
  );
  return store.transaction(async (tx) => {
    const row = await tx.getRepository(DayRow).findOneOrFail({ where: { id: THE_DAY }, lock: { mode: 'pessimistic_write' } });
    if (version !== undefined && version !== row.version) return false;
    await tx.getRepository(DayRow).save({ ...row, ...to(row), version: row.version + 1 });
    return true;
  });
}
