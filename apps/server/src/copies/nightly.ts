import { DateTime } from 'luxon';
import { NIGHTLY } from '@gold-peg/contract/copies';
import { MoreThanOrEqual, type DataSource } from 'typeorm';
import { readDay } from '../day/index.js';
import { CopyRow } from '../store/index.js';
import { beginCopy, type CopyPlace } from './make.js';

/** Servers of one house make one copy in a night. */
const LOCK = 7_140_003;

/** Makes tonight's copy where its hour has come and there is none; returns whether it did. */
export async function copyNightly(place: CopyPlace, now: Date): Promise<boolean> {
  const { hours } = await readDay(place.store);
  const due = lastDue(now, hours.zone);
  if (await tonights(place.store, due)) return false;
  const turn = place.store.createQueryRunner();
  try {
    const [{ mine } = { mine: false }] = (await turn.query('SELECT pg_try_advisory_lock($1) AS mine', [LOCK])) as { mine: boolean }[];
    if (!mine) return false;
    try {
      if (await tonights(place.store, due)) return false;
      await (
        await beginCopy(place, { at: now, personId: null })
      ).done;
      return true;
    } finally {
      await turn.query('SELECT pg_advisory_unlock($1)', [LOCK]);
    }
  } finally {
    await turn.release();
  }
}

/** The last half past two before now, by the clock of the house. */
export function lastDue(now: Date, zone: string): Date {
  const local = DateTime.fromJSDate(now, { zone });
  const today = local.set({ ...NIGHTLY, second: 0, millisecond: 0 });
  return (today > local ? today.minus({ days: 1 }) : today).toJSDate();
}

/** Whether a copy of that night was made by whomever, or is being made, or was tried by the house itself. */
const tonights = (store: DataSource, due: Date): Promise<boolean> =>
  store.getRepository(CopyRow).exists({ where: { madeAt: MoreThanOrEqual(due) } });
