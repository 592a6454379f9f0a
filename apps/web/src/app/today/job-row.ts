import type { JobSummary } from '@gold-peg/contract/jobs';
import { expectedEffort, minutesToSpare } from '@gold-peg/craft/day';
import { STAGE_NAMES } from '../worksheet/stage-rule/stage-names';

/** One line of the rack: what it is, what it takes, and how much time is left before it has to be started. */
export interface JobRow {
  job: JobSummary;
  passport: string;
  takes: string;
  promised: string;
  left: string;
  state: 'late' | 'soon' | 'time' | 'open';
  stage: string;
}

const HOUR = 60;
const SOON_MINUTES = 3 * HOUR;

export function jobRow(job: JobSummary, now: number): JobRow {
  const { family, stringCount } = job.instrument;
  const soft = family === 'classical' || family === 'ukulele';
  const effort = expectedEffort(
    family,
    Array.from({ length: stringCount }, () => (soft ? 'nylon' : 'plain')),
  );
  // what a device kept before paces were learned has none
  const attendedMinutes = job.attendedMinutes === 0 ? effort.attendedMinutes : job.attendedMinutes;
  const spare = job.promisedAt === null ? null : minutesToSpare(Date.parse(job.promisedAt), now, { ...effort, attendedMinutes });
  return {
    job,
    passport: String(job.instrument.passport).padStart(4, '0'),
    takes: `${Math.round(attendedMinutes)} min${effort.settlingHours > 0 ? ` + ${effort.settlingHours} h settling` : ''}${job.learnedFrom > 0 ? ', your pace' : ''}`,
    promised: job.promisedAt === null ? 'no hurry' : `promised ${dayAndTime(new Date(job.promisedAt))}`,
    left: job.state === 'on-bench' ? `at ${STAGE_NAMES[job.stage]}` : sayLeft(spare, now),
    state: spare === null ? 'open' : spare < 0 ? 'late' : spare < SOON_MINUTES ? 'soon' : 'time',
    stage: STAGE_NAMES[job.stage],
  };
}

const dayAndTime = (date: Date) =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit' }).format(date).replace(',', '');

function sayLeft(spare: number | null, now: number): string {
  if (spare === null) return 'when there is time';
  if (spare < 0) return `${sayDuration(-spare)} too late: call the owner`;
  if (spare < SOON_MINUTES) return `start by ${dayAndTime(new Date(now + spare * 60_000))}`;
  return `${sayDuration(spare)} to spare`;
}

function sayDuration(minutes: number): string {
  if (minutes >= 48 * HOUR) return `${Math.floor(minutes / (24 * HOUR))} days`;
  if (minutes >= 2 * HOUR) return `${Math.floor(minutes / HOUR)} h`;
  return `${Math.round(minutes)} min`;
}
