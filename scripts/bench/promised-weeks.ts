import {
  insertJob,
  replanDay,
  type Asked,
  type Done,
  type InForce,
  type Job,
  type Minute,
  type Operation,
  type Person,
  type Rack,
  type Started,
} from '@gold-peg/craft/day';
import { chanceFrom } from '@gold-peg/craft/simulated';

const DAY: Minute = 1440;
const NINE_IN_TEN = 1.2816;
const SEVEN_IN_TEN = 0.5244;
/** Tries of each plan: fewer than at the bench, the same for the same week. */
const ITERATIONS = 60;
const DRAWS = 1000;
const DAYS_AHEAD = 12;
const OVERRUN = 15;

export interface PromisedWeeks {
  promises: number;
  /** Shares of promises that were kept: of the hour by which half, and nine in ten, were said to be ready. */
  half: number;
  nineInTen: number;
}

interface Taken {
  job: Job;
  /** What each of its pieces really takes. */
  takes: readonly Minute[];
  p50: Minute;
  p90: Minute;
  ends: (Minute | null)[];
}

/** A bench of two, five days a week, with a break. */
const people: readonly Person[] = ['a', 'b'].map((id) => ({
  id,
  windows: Array.from({ length: DAYS_AHEAD }, (_, day) => day)
    .filter((day) => day % 7 < 5)
    .flatMap((day): [Minute, Minute][] => [
      [day * DAY + 540, day * DAY + 735],
      [day * DAY + 780, day * DAY + 1050],
    ]),
  can: ['steel', 'nylon'],
  overrun: OVERRUN,
}));

function piece(id: string, median: Minute, spread: number, { after = 0, same = false } = {}): Operation {
  const at = (deviate: number) => median * Math.exp(deviate * spread);
  return { id, minutes: Math.max(1, Math.round(at(SEVEN_IN_TEN))), minutesP50: median, minutesP90: at(NINE_IN_TEN), after, same };
}

/** A week in which instruments come in when they come in, each promised for what is honest then; and in which everything takes what it takes. */
function week(seed: number): readonly Taken[] {
  const chance = chanceFrom(seed);
  const normal = () => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
  const taken: Taken[] = [];
  let running: { started: Started; until: Minute }[] = [];
  let inForce: readonly InForce[] = [];
  let now = 540;
  /** Whose hand did what. */
  const hands = new Map<string, string>();

  const rackAt = (): Rack => ({
    now,
    people,
    jobs: taken.filter(({ ends }) => ends.at(-1) == null).map(({ job }) => job),
    done: taken.flatMap(({ job, ends }): Done[] =>
      ends.at(-1) != null
        ? []
        : job.operations.flatMap(({ id: operation }, nth) => {
            const [end, hand] = [ends[nth] ?? null, hands.get(`${job.id} ${operation}`)];
            return end === null || hand === undefined ? [] : [{ job: job.id, operation, person: hand, end: Math.ceil(end) }];
          }),
    ),
    started: running.map(({ started }) => ({ ...started, minutesLeft: leftOf(started) })),
    pinned: [],
  });
  /** What is planned to be left, as somebody at the bench would guess: what was planned less what went by, a minute at least. */
  const leftOf = ({ job, operation, start }: Started): Minute => {
    const planned = taken.find((each) => each.job.id === job)?.job.operations.find(({ id }) => id === operation)?.minutes ?? 1;
    return Math.max(1, Math.round(planned - (now - start)));
  };

  /** Everybody goes on in the order of the plan, as early as can be, until somebody comes in. */
  const workUntil = (until: Minute): void => {
    const free = new Map(people.map(({ id }) => [id, now]));
    for (const { started, until: end } of running) free.set(started.person, end);
    const next: typeof running = [];
    const finish = (job: string, operation: string, end: Minute) => {
      const of = taken.find((each) => each.job.id === job);
      const nth = of?.job.operations.findIndex(({ id }) => id === operation) ?? -1;
      if (of !== undefined && nth >= 0) of.ends[nth] = end;
    };
    for (const each of running) {
      if (each.until <= until) finish(each.started.job, each.started.operation, each.until);
      else next.push(each);
    }
    for (const { job: id, operation, person } of [...inForce].sort((a, b) => a.start - b.start)) {
      if (running.some(({ started }) => started.job === id && started.operation === operation)) continue;
      const of = taken.find((each) => each.job.id === id);
      if (of === undefined) continue;
      const nth = of.job.operations.findIndex((each) => each.id === operation);
      if (of.ends[nth] != null) continue;
      const before = nth === 0 ? of.job.ready : (of.ends[nth - 1] ?? next.find(({ started }) => started.job === id)?.until ?? Infinity);
      const takes = of.takes[nth] ?? 1;
      const from = Math.max(free.get(person) ?? now, before + (of.job.operations[nth]?.after ?? 0), now);
      const window = people.find((each) => each.id === person)?.windows.find(([a, b]) => Math.max(a, from) + takes <= b + OVERRUN);
      if (window === undefined) continue;
      const start = Math.max(window[0], from);
      if (start >= until) {
        free.set(person, Infinity); // what comes after it in the plan waits with it
        continue;
      }
      hands.set(`${id} ${operation}`, person);
      free.set(person, start + takes);
      if (start + takes <= until) of.ends[nth] = start + takes;
      else next.push({ started: { job: id, operation, person, start: Math.floor(start), minutesLeft: 1 }, until: start + takes });
    }
    running = next;
    now = Math.ceil(until);
  };

  const time = { seed, iterations: ITERATIONS, goesOn: () => true };
  for (let nth = 0; ; nth++) {
    const comes = now - 30 * Math.log(1 - chance()) * 2.4;
    const day = Math.floor(comes / DAY);
    const at = comes - day * DAY > 1050 ? (day + 1) * DAY + 540 : Math.max(comes, day * DAY + 540);
    if (at >= 5 * DAY) break;
    workUntil(at);
    const nylon = chance() < 0.35;
    const work = piece('restring', nylon ? 38 : 32 + 20 * chance(), 0.3, { same: true });
    const operations = nylon
      ? [work, piece('tune-1', 3, 0.3, { after: 40 }), piece('tune-2', 3, 0.3, { after: 90 }), piece('hand-over', 10, 0.35, { after: 960 })]
      : [work, piece('hand-over', 8, 0.35)];
    const asked: Asked = { id: String(nth), ready: now, hold: null, due: null, weight: 1, kind: nylon ? 'nylon' : 'steel', operations };
    const told = insertJob(rackAt(), asked, { ...time, clock: () => () => true, draws: DRAWS, inForce });
    if (told.p50 === null || told.p90 === null) continue; // no honest promise within these hours: it is sent home again
    const takes = operations.map(
      ({ minutesP50 = 1, minutesP90 = 1 }) => minutesP50 * Math.exp((Math.log(minutesP90 / minutesP50) / NINE_IN_TEN) * normal()),
    );
    const due = Math.ceil(told.p90);
    taken.push({ job: { ...asked, due }, takes, p50: told.p50, p90: due, ends: operations.map(() => null) });
    inForce = replanDay(rackAt(), told.operations, time).operations;
  }
  workUntil(DAYS_AHEAD * DAY);
  return taken;
}

/** So many weeks, each its own: what becomes of promises that are made by the plan of their moment, where others come in after them. */
export function promisedWeeks(weeks: number): PromisedWeeks {
  let [promises, half, nine] = [0, 0, 0];
  for (let seed = 1; seed <= weeks; seed++)
    for (const { p50, p90, ends } of week(seed)) {
      const end = ends.at(-1) ?? Infinity;
      promises++;
      if (end <= p50) half++;
      if (end <= p90) nine++;
    }
  return { promises, half: half / promises, nineInTen: nine / promises };
}
