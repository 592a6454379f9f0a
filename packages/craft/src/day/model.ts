/** Minutes are whole numbers from one origin; a shop's calendar is turned into windows outside. */
export type Minute = number;

/** A stretch of time, its end left out. */
export type Window = readonly [from: Minute, until: Minute];

export interface Person {
  id: string;
  /** In the order of time, none over another; nothing runs across from one to the next. */
  windows: readonly Window[];
  /** Kinds of job that this person can do. */
  can: readonly string[];
  /** Minutes past the end of their hours in which what was begun is finished; nothing is planned there. */
  overrun: Minute;
}

/** A piece of a job that takes one person whole, without a break. */
export interface Operation {
  id: string;
  minutes: Minute;
  /** Half of all times it takes no longer than that, and nine in ten no longer than that; where nothing is said, what is planned and half as much again. */
  minutesP50?: Minute | undefined;
  minutesP90?: Minute | undefined;
  /** At the earliest so long after the end of the one before it; the first one after the job is ready and its part is there. */
  after: Minute;
  /** In the same hand as all others of its job that are marked so. */
  same: boolean;
}

export interface Job {
  id: string;
  ready: Minute;
  /** Until its part is there, as planned; null where nothing is waited for. */
  hold: Minute | null;
  /** When its part comes, lognormal from now on; where nothing is said it comes as planned. */
  arrives?: Arrival | null | undefined;
  due: Minute;
  weight: number;
  kind: string;
  operations: readonly Operation[];
}

/** When something comes: half of all times by then, and nine in ten. */
export interface Arrival {
  p50: Minute;
  p90: Minute;
}

interface OfJob {
  job: string;
  operation: string;
  person: string;
}
export interface Done extends OfJob {
  end: Minute;
}
export interface Started extends OfJob {
  start: Minute;
  minutesLeft: Minute;
}
export interface Pinned extends OfJob {
  start: Minute;
}
/** Where an operation lay in the plan in force. */
export type InForce = Pinned;

/** Farther than so many minutes from where it lay an operation has moved. */
export const STAYS_WITHIN = 30;

/** A workshop at one moment: who can work when, what hangs in the rack, what is over, under way, and where it has to stay. */
export interface Rack {
  now: Minute;
  people: readonly Person[];
  jobs: readonly Job[];
  done: readonly Done[];
  started: readonly Started[];
  pinned: readonly Pinned[];
}

/** An operation at its place. */
export interface Placed extends OfJob {
  start: Minute;
  end: Minute;
}

/**
 * What is minimised, an earlier part always outweighing a later one: weights of jobs that are late or left out, weighted minutes of lateness, operations that lie elsewhere than in the plan in force (none where
 * there is none), the sum of all ends.
 */
export interface Objective {
  late: number;
  tardiness: number;
  moved: number;
  flow: number;
}

/** Why a job is in no plan: nobody can do its kind, a piece of it is too long for all windows, there is no room left, or a pin stands in its way. */
export type Reason = 'nobody-can' | 'too-long' | 'no-room' | 'pin';

export interface Plan {
  operations: readonly Placed[];
  unplanned: readonly string[];
  reasons: Readonly<Record<string, Reason>>;
  objective: Objective;
}

/** Below zero where `one` is better. */
export const compare = (one: Objective, other: Objective): number =>
  one.late - other.late || one.tardiness - other.tardiness || one.moved - other.moved || one.flow - other.flow;
