import type { Job, Person, Rack } from '../day/index.js';

/** An operation of a job in a made-up rack, in one hand with the others unless it says otherwise. */
export const piece = (id: string, minutes: number, after = 0, same = true) => ({ id, minutes, after, same });

export const someJob = (id: string, due: number, operations: Job['operations'], more: Partial<Job> = {}): Job => ({
  id,
  ready: 0,
  hold: null,
  due,
  weight: 1,
  kind: 'steel',
  operations,
  ...more,
});

export const somebody = (id: string, windows: Person['windows'], can = ['steel', 'nylon'], overrun = 0): Person => ({
  id,
  windows,
  can,
  overrun,
});

/** One person, four hours, from minute 0. */
export const someRack = (jobs: Job[], more: Partial<Rack> = {}): Rack => ({
  now: 0,
  people: [somebody('a', [[0, 240]])],
  jobs,
  done: [],
  started: [],
  pinned: [],
  ...more,
});

/** A figure that is known. */
export const bandAt = (likely: number) => ({ low: likely, likely, high: likely });
