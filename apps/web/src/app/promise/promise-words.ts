import { minutesToSpare, type Effort } from '@gold-peg/craft/day';
import { houseTime } from '../server/house-zone';

const MINUTE_MS = 60_000;
const TIME = houseTime({ weekday: 'short', hour: '2-digit', minute: '2-digit' });
const sayTime = (ms: number) => TIME.format(new Date(ms)).replace(',', '');

/** That settling cannot keep a promise, with the time from which it could be kept; null where it can, or where nothing is promised. Times in ms and ISO 8601. */
export function sayPromise(promisedAt: string | null, now: number, effort: Effort): string | null {
  if (promisedAt === null || effort.settlingHours === 0) return null;
  const promised = Date.parse(promisedAt);
  const spare = minutesToSpare(promised, now, effort);
  if (!Number.isFinite(promised) || spare >= 0) return null;
  return `Promised for ${sayTime(promised)}, but these strings go on moving for ${effort.settlingHours} h: begun now, they hold from about ${sayTime(promised - spare * MINUTE_MS)}. Say so now.`;
}
