import type { DataSource } from 'typeorm';
import { houseHours, USUAL_HOURS, type HouseHours } from '@gold-peg/contract/day';
import { DayRow } from '../store/index.js';

export const THE_DAY = 1;

/** Hours that were kept by an older house say nothing of what came later. */
export const hoursIn = (row: Pick<DayRow, 'hours'> | null): HouseHours => (row?.hours == null ? USUAL_HOURS : houseHours.parse(row.hours));

/** What the house said of its day; the usual hours where it said nothing yet. */
export async function readDay(store: DataSource): Promise<Omit<DayRow, 'id' | 'hours'> & { hours: HouseHours }> {
  const row = await store.getRepository(DayRow).findOneBy({ id: THE_DAY });
  return { hours: hoursIn(row), pinned: row?.pinned ?? [], inForce: row?.inForce ?? [], version: row?.version ?? 1 };
}
