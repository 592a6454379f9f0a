import { scaleTime, timeHour } from 'd3';
import type { JobRow } from './job-row';

const HOUR_MS = 3_600_000;
const LEAST_HOURS = 12;
const STEP_HOURS = [1, 2, 3, 6, 12] as const;
const MOST_TICKS = 12;
/** Width of a flag, per cent of the rule on a tablet. */
const FLAG_ROWS = 3;
const FLAG_PERCENT = 8.5;

export interface PromiseRule {
  hours: { left: number; label: string; day: string }[];
  marks: { left: number; passport: string; state: JobRow['state']; row: number; label: string }[];
}

/** The rule of time from now to the last promise: an hour tick here and there, a mark for each promise. Left in per cent. */
export function promiseTicks(rows: readonly JobRow[], now: number): PromiseRule {
  const promises = rows.flatMap((row) => (row.job.promisedAt === null ? [] : [{ row, at: Date.parse(row.job.promisedAt) }]));
  const last = Math.max(now + LEAST_HOURS * HOUR_MS, ...promises.map(({ at }) => at + 4 * HOUR_MS));
  const scale = scaleTime().domain([now, last]).range([0, 100]);
  const step = STEP_HOURS.find((hours) => (last - now) / HOUR_MS / hours <= MOST_TICKS) ?? 24;
  const hours = scale.ticks(timeHour.every(step) ?? timeHour).map((tick) => ({
    left: scale(tick),
    label: `${String(tick.getHours()).padStart(2, '0')}:00`,
    day: tick.getHours() < step ? new Intl.DateTimeFormat('en-GB', { weekday: 'short' }).format(tick) : '',
  }));
  const ends = Array.from({ length: FLAG_ROWS }, () => -100);
  const marks = promises
    .sort((a, b) => a.at - b.at)
    .map(({ row, at }) => {
      const left = scale(at);
      // rows of flags, so that promises close together stay readable; where none has room, the one that ended first
      const free = ends.findIndex((end) => end <= left - FLAG_PERCENT);
      const place = free < 0 ? ends.indexOf(Math.min(...ends)) : free;
      ends[place] = left;
      return { left, passport: row.passport, state: row.state, row: place, label: `${row.passport} ${row.promised}` };
    });
  return { hours, marks };
}
