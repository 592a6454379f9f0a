import type { Day, DayJob } from '@gold-peg/contract/day';
import { BEGUN, HAND_OVER_ID, isVisit, type Placed, type Plan, type Promised } from '@gold-peg/craft/day';
import { inHundred } from './in-hundred';
import { timeScale, type TimeScale } from './time-scale';

export const GROOVE_PX = 44;
const LANE_PX = 26;
const PAD_PX = 10;
/** Room for the name at the end of a groove. */
const NAME_PX = 92;
const FLAG_PX = 50;
const PASSPORT_PX = 36;

export interface Block {
  placed: Placed;
  job: DayJob;
  kind: 'work' | 'visit' | 'hand-over';
  x: number;
  width: number;
  y: number;
  passport: string;
  minutes: number;
  started: boolean;
  pinned: boolean;
}
export interface Visit {
  x: number;
  at: number;
}
export interface StringLine {
  job: DayJob;
  passport: string;
  /** From its block down to its lane, and from visit to visit; drawn as it sags. */
  path: string;
  y: number;
  visits: readonly Visit[];
  /** Where it is ready; null beyond the rail. */
  readyX: number | null;
  ready: number;
  labelX: number;
  flag: { x: number; says: string; state: 'kept' | 'doubtful' | 'late' } | null;
  moves: boolean;
}
export interface Groove {
  person: { id: string; name: string };
  y: number;
  /** Jobs of this bench that begin beyond the rail. */
  beyond: number;
}
export interface Rail {
  scale: TimeScale;
  nowX: number;
  grooves: readonly Groove[];
  blocks: readonly Block[];
  lines: readonly StringLine[];
  height: number;
}

/** Chances under these are doubtful, and bad. */
export const DOUBTFUL_BELOW = 0.8;
const BAD_BELOW = 0.5;

export const passportOf = ({ passport }: Pick<DayJob, 'passport'>): string => String(passport).padStart(4, '0');

/** How a plan lies on the rail of hours: a groove for each bench, below it the strings that are left to move, to the flag of what is promised. */
export function railOf(
  day: Day,
  plan: Plan,
  { width, days, promises }: { width: number; days: number; promises: readonly Promised[] },
): Rail {
  const scale = timeScale(day, { width: width - PAD_PX - NAME_PX, days });
  const x = (minute: number) => PAD_PX + scale.x(minute);
  const shown = plan.operations.filter(({ start, operation }) => start < scale.until && operation !== BEGUN);
  const grooves: Groove[] = [];
  const blocks: Block[] = [];
  const lines: StringLine[] = [];
  let y = PAD_PX;
  for (const { id, name } of day.people) {
    const own = shown.filter(({ person }) => person === id);
    for (const placed of own) {
      const job = day.jobs.find((each) => each.id === placed.job);
      if (job !== undefined) blocks.push(blockOf(day, job, placed, { x, y }));
    }
    // a string hangs under the bench that worked it last by hand
    const hanging = day.jobs.flatMap((job) => {
      const all = plan.operations.filter((each) => each.job === job.id).sort((a, b) => a.start - b.start);
      const work = all.findLast(({ operation }) => kindOf(operation) === 'work');
      const hand = work?.person ?? day.done.find((each) => each.job === job.id)?.person ?? all[0]?.person;
      return hand === id && all.length > 0 ? [lineOf(day, job, { all, work: work ?? null, x, scale, promises, grooveY: y })] : [];
    });
    const ends: number[] = [];
    const here = hanging.filter(({ begin }) => begin < scale.until);
    grooves.push({ person: { id, name }, y, beyond: hanging.length - here.length });
    for (const line of here.sort((a, b) => a.from - b.from)) {
      const free = ends.findIndex((end) => end + 12 <= line.from);
      const lane = free < 0 ? ends.length : free;
      ends[lane] = line.to;
      const laneY = y + GROOVE_PX + 22 + lane * LANE_PX;
      lines.push(line.at(laneY));
    }
    y += GROOVE_PX + (ends.length === 0 ? PAD_PX : 22 + ends.length * LANE_PX);
  }
  // always in the order of the rack: what is in focus keeps it when the plan lays it elsewhere
  const nth = ({ job, placed }: Block) => 100 * day.jobs.indexOf(job) + job.operations.findIndex(({ id }) => id === placed.operation);
  blocks.sort((a, b) => nth(a) - nth(b));
  return { scale, nowX: x(day.now), grooves, blocks, lines, height: y + PAD_PX };
}

const kindOf = (operation: string): Block['kind'] => (operation === HAND_OVER_ID ? 'hand-over' : isVisit(operation) ? 'visit' : 'work');

function blockOf(day: Day, job: DayJob, placed: Placed, { x, y }: { x: (minute: number) => number; y: number }): Block {
  const is = (each: { job: string; operation: string }) => each.job === placed.job && each.operation === placed.operation;
  return {
    placed,
    job,
    kind: kindOf(placed.operation),
    x: x(placed.start),
    width: Math.max(3, x(placed.end) - x(placed.start) - 1),
    y,
    passport: passportOf(job),
    minutes: placed.end - placed.start,
    started: day.started.some(is),
    pinned: day.pinned.some(is),
  };
}

interface Hanging {
  /** When it is left to itself. */
  begin: number;
  from: number;
  to: number;
  at: (y: number) => StringLine;
}

function lineOf(
  day: Day,
  job: DayJob,
  told: {
    all: readonly Placed[];
    work: Placed | null;
    x: (minute: number) => number;
    scale: TimeScale;
    promises: readonly Promised[];
    grooveY: number;
  },
): Hanging {
  const { all, work, x, scale, promises, grooveY } = told;
  const begin = work?.end ?? day.now;
  const visits = all
    .filter(({ operation, start }) => kindOf(operation) === 'visit' && start < scale.until)
    .map(({ start }) => ({ x: x(start), at: start }));
  const ready = all.at(-1)?.end ?? begin;
  const readyX = ready < scale.until ? x(ready) : null;
  const onTime = promises.find((each) => each.job === job.id)?.onTime ?? null;
  const flagX = job.promisedAt === null || job.due >= scale.until ? null : x(Math.max(job.due, scale.from));
  const state = ready > job.due || (onTime ?? 1) < BAD_BELOW ? 'late' : (onTime ?? 1) < DOUBTFUL_BELOW ? 'doubtful' : 'kept';
  const says = onTime === null ? '…' : `${inHundred(onTime)} %`;
  const from = x(begin);
  const lastX = Math.max(readyX ?? x(scale.until), visits.at(-1)?.x ?? 0, from + 14);
  return {
    begin,
    // a promise that is over before the work begins has its flag to the left of it
    from: Math.min(from, flagX ?? from),
    to: Math.max(lastX + 46, (flagX ?? 0) + (flagX === null ? 0 : FLAG_PX + PASSPORT_PX + 18)),
    at: (y) => ({
      job,
      passport: passportOf(job),
      path: sagging([from, ...visits.map((visit) => visit.x), lastX], { top: grooveY + GROOVE_PX, y, moves: job.moves }),
      y,
      visits,
      readyX,
      ready,
      labelX: besideFlag(from + 16, flagX),
      flag: flagX === null ? null : { x: flagX, says, state },
      moves: job.moves,
    }),
  };
}

/** Where a passport stands: over the beginning of its line, or behind the flag that would hide it there. */
const besideFlag = (x: number, flagX: number | null): number =>
  flagX !== null && flagX < x + PASSPORT_PX && flagX + FLAG_PX > x ? flagX + FLAG_PX + 4 : x;

/** From the groove down to the lane, then from stop to stop: a string that loses pitch sags between them, one that holds lies straight. */
function sagging(stops: readonly number[], { top, y, moves }: { top: number; y: number; moves: boolean }): string {
  const [first = 0, ...rest] = stops;
  const down = `M${first},${top} C${first},${y - 4} ${first + 2},${y} ${first + 12},${y}`;
  let before = first + 12;
  const parts = rest.map((stop) => {
    const to = Math.max(before, stop);
    const sag = moves ? Math.min(9, (to - before) * 0.08) : 0;
    const part = `C${before + (to - before) / 3},${y + sag} ${before + (2 * (to - before)) / 3},${y + sag} ${to},${y + sag * 0.6} M${to},${y}`;
    before = to;
    return part;
  });
  return [down, ...parts].join(' ');
}
