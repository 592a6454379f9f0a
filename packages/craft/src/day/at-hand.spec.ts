import { describe, expect, it } from 'vitest';
import { piece, somebody, someJob, someRack } from '../testing/index.js';
import { insertJob, nextOf, pinFault, planDay, rackFault, replanDay, type InForce, type Placed, type Rack } from './index.js';

const time = { seed: 3, iterations: 400, goesOn: () => true };
const lies = (job: string, operation: string, start: number, end: number, person = 'a'): Placed => ({ job, operation, person, start, end });
const pin = (job: string, operation: string, start: number, person = 'a'): InForce => ({ job, operation, person, start });
const planOf = (...operations: Placed[]) => ({ operations, unplanned: [], reasons: {}, objective: { late: 0, tardiness: 0, moved: 0, flow: 0 } }); // prettier-ignore

describe('what of a rack cannot be', () => {
  const jobs = [someJob('b', 200, [piece('x', 10)], { kind: 'nylon' }), someJob('a', 200, [piece('x', 10), piece('y', 10, 5)])];
  const two = [somebody('a', [[0, 240]]), somebody('b', [[0, 240]], ['steel'])];
  const fault = (more: Partial<Rack>) => rackFault(someRack(jobs, { people: two, ...more }));
  const done = (operation: string, person = 'a') => ({ job: 'a', operation, person, end: 5 });
  const started = (operation: string, person = 'a') => ({ job: 'a', operation, person, start: 0, minutesLeft: 5 });

  it('is nothing where all can', () => {
    expect(fault({})).toBeNull();
    expect(fault({ done: [done('x')], started: [started('y')], pinned: [pin('b', 'x', 20)] })).toBeNull();
  });

  it.each<[Partial<Rack>, string, string]>([
    [{ people: [...two, somebody('b', [])] }, 'people[2].id', 'must be there once'],
    [{ jobs: [...jobs, someJob('a', 9, [])] }, 'jobs[2].id', 'must be there once'],
    [{ jobs: [someJob('a', 9, [piece('x', 1), piece('y', 1), piece('x', 1)])] }, 'jobs[0].operations[2].id', 'must be there once'],
    [{ people: [somebody('a', [[0, 10], [20, 20]])] }, 'people[0].windows[1]', 'must end after it begins'], // prettier-ignore
    [{ people: [somebody('a', [[0, 10], [20, 30], [5, 8]])] }, 'people[0].windows[2]', 'must not lie over the one before it, number 0'], // prettier-ignore
    [{ done: [{ ...done('x'), job: 'z' }] }, 'done[0].job', 'must be a job of the rack'],
    [{ started: [started('z')] }, 'started[0].operation', 'must be an operation of that job'],
    [{ pinned: [pin('a', 'x', 9, 'z')] }, 'pinned[0].person', 'must be one of the people'],
    [{ done: [done('x'), done('x')] }, 'done[1].operation', 'must be done, started or pinned once'],
    [{ done: [done('x')], started: [started('x')] }, 'started[0].operation', 'must be done, started or pinned once'],
    [{ done: [done('x')], pinned: [pin('a', 'x', 9)] }, 'pinned[0].operation', 'must be done, started or pinned once'],
    [{ started: [started('y')] }, 'started[0].operation', 'must come after x, which is neither done nor started'],
    [{ now: 30, pinned: [pin('b', 'x', 29)] }, 'pinned[0].start', 'must not be before now, 30'],
    [{ pinned: [pin('b', 'x', 9, 'b')] }, 'pinned[0].person', 'must be somebody who can do nylon'],
    [{ pinned: [pin('a', 'x', 231)] }, 'pinned[0].start', 'must lie with all its minutes in one of the windows of its person'],
    [{ pinned: [pin('a', 'x', 9), pin('b', 'x', 18)] }, 'pinned[0].start', 'must not lie over another pin or what is started'],
    [{ done: [done('x')], pinned: [pin('a', 'y', 90, 'b')] }, 'pinned[0].person', 'must be the same as for the other operations of this job that stay in one hand'], // prettier-ignore
    [{ pinned: [pin('a', 'y', 14)] }, 'pinned[0].start', 'must not be earlier than what comes before it in its job takes'],
  ])('%j', (more, field, says) => {
    expect(fault(more)).toEqual({ field, says });
  });

  it('lets windows touch, and pins lie one after another to the minute and to the end of the hours', () => {
    expect(fault({ people: [somebody('a', [[0, 10], [10, 30]])] })).toBeNull(); // prettier-ignore
    expect(fault({ pinned: [pin('a', 'x', 0), pin('b', 'x', 10), pin('a', 'y', 230)] })).toBeNull();
  });
});

describe('why a pin cannot lie there', () => {
  const jobs = [
    someJob('a', 200, [piece('x', 10), piece('y', 10, 5), piece('z', 10)], { ready: 20 }),
    someJob('b', 200, [piece('x', 30)], { hold: 40 }),
    someJob('c', 200, [
      { ...piece('x', 10), same: false },
      { ...piece('y', 10), same: false },
    ]),
  ];
  const people = [somebody('a', [[0, 100], [120, 240]]), somebody('b', [[0, 240]])]; // prettier-ignore
  const why = (each: InForce, more: Partial<Rack> = {}) => pinFault(someRack(jobs, { people, ...more }), each);

  it('is nothing where it can, and for what is not of the rack', () => {
    expect(why(pin('a', 'x', 20))).toBeNull();
    for (const each of [pin('z', 'x', 20), pin('a', 'no', 20), pin('a', 'x', 20, 'z')]) expect(why(each)).toBeNull();
  });

  it('is the minutes that do not fit before the break, or what lies there until when', () => {
    expect(why(pin('b', 'x', 80))).toEqual({ why: 'hours', minutes: 30 });
    expect(why(pin('b', 'x', 70))).toBeNull();
    const busy = { started: [{ job: 'c', operation: 'x', person: 'a', start: 30, minutesLeft: 25 }], now: 35 };
    expect(why(pin('b', 'x', 50), busy)).toEqual({ why: 'busy', job: 'c', from: 30, until: 60 });
    expect(why(pin('b', 'x', 60), busy)).toBeNull();
    expect(why(pin('b', 'x', 50, 'b'), busy)).toBeNull(); // another bench
    const pinned = { pinned: [pin('c', 'x', 75), pin('b', 'x', 50)] };
    expect(why(pin('b', 'x', 50), pinned)).toEqual({ why: 'busy', job: 'c', from: 75, until: 85 });
    expect(why(pin('b', 'x', 45), pinned)).toBeNull(); // its own old place is none of it
  });

  it('is the hand that has the rest of it, where one hand has to have it all', () => {
    const begun = { done: [{ job: 'a', operation: 'x', person: 'b', end: 30 }], now: 30 };
    expect(why(pin('a', 'y', 40), begun)).toEqual({ why: 'one-hand', person: 'b' });
    expect(why(pin('a', 'y', 40, 'b'), begun)).toBeNull();
    expect(why(pin('c', 'y', 40), { done: [{ job: 'c', operation: 'x', person: 'b', end: 30 }], now: 30 })).toBeNull();
  });

  it('is when it can begin at the earliest: ready, its part there, what is before it done, started, pinned or only planned', () => {
    const earliest = (each: InForce, more: Partial<Rack> = {}) => {
      const fault = why(each, more);
      return fault?.why === 'chain' ? fault.earliest : null;
    };
    expect(earliest(pin('a', 'x', 19))).toBe(20);
    expect(earliest(pin('b', 'x', 39))).toBe(40);
    expect(earliest(pin('a', 'y', 30))).toBe(35); // 20 + 10, and 5 of waiting
    expect(earliest(pin('a', 'z', 44))).toBe(45);
    const over = { job: 'a', operation: 'x', person: 'a' };
    expect(earliest(pin('a', 'y', 44), { done: [{ ...over, end: 40 }], now: 42 })).toBe(45);
    expect(earliest(pin('a', 'z', 52), { done: [{ ...over, end: 40 }], now: 42 })).toBe(55); // 40 + 5 + 10
    expect(earliest(pin('a', 'y', 60), { started: [{ ...over, start: 40, minutesLeft: 16 }], now: 42 })).toBe(63);
    expect(earliest(pin('a', 'y', 60), { pinned: [pin('a', 'x', 50, 'a')] })).toBe(65);
    expect(earliest(pin('a', 'y', 60), { pinned: [pin('a', 'x', 50, 'a')], now: 57 })).toBe(72); // the pin is late itself
    expect(earliest(pin('a', 'y', 60), { now: 58 })).toBe(73); // from now on
  });
});

describe('what is at hand', () => {
  const jobs = [
    someJob('n', 400, [piece('restring', 20), { ...piece('tune', 5, 40), same: false }], { kind: 'nylon' }),
    someJob('s', 400, [piece('restring', 20), piece('hand-over', 5)]),
    someJob('late', 400, [piece('restring', 30)], { ready: 55 }),
    someJob('part', 400, [piece('restring', 30)], { hold: 60 }),
  ];
  const people = [somebody('a', [[0, 240]]), somebody('b', [[0, 240]], ['nylon'])];
  const plan = planOf(
    lies('n', 'restring', 10, 30),
    lies('s', 'restring', 40, 60),
    lies('s', 'hand-over', 60, 65),
    lies('n', 'tune', 70, 75),
    lies('late', 'restring', 80, 110),
    lies('part', 'restring', 110, 140),
  );
  const rack = (more: Partial<Rack>) => someRack(jobs, { people, now: 40, ...more });
  const done = (job: string, operation: string, end: number, person = 'a') => ({ job, operation, person, end });

  it('is what one is at, and what comes then; nothing for who has nothing', () => {
    const over = [done('n', 'restring', 30)];
    const told = nextOf(rack({ done: over }), plan).people;
    expect(told).toEqual([
      { person: 'a', now: lies('s', 'restring', 40, 60), then: lies('s', 'hand-over', 60, 65) },
      { person: 'b', now: null, then: null },
    ]);
    const [before] = nextOf(rack({ now: 35, done: over }), plan).people;
    expect(before).toMatchObject({ now: null, then: { job: 's', operation: 'restring' } });
    const [until] = nextOf(rack({ now: 60, done: over }), plan).people;
    expect(until?.now).toMatchObject({ operation: 'hand-over' }); // what ends now is over
  });

  it('fits what can be begun before strings have to be looked at', () => {
    const { visit, gap, waiting } = nextOf(rack({ now: 39, done: [done('n', 'restring', 30)] }), plan);
    expect([visit?.operation, visit?.start, gap]).toEqual(['tune', 70, 31]);
    // ‘late’ is not ready yet, the part of ‘part’ is not there, the hand-over waits for its work
    expect(waiting).toEqual([{ job: 's', operation: 'restring', minutes: 20, fits: true }]);
  });

  it('begins once what is under way is over', () => {
    const running = { done: [done('n', 'restring', 30)], started: [{ job: 's', operation: 'restring', person: 'a', start: 40, minutesLeft: 18 }] }; // prettier-ignore
    const { gap, waiting } = nextOf(rack({ now: 42, ...running }), plan);
    expect(gap).toBe(10); // 42 + 18 until 70
    expect(waiting).toEqual([
      { job: 's', operation: 'hand-over', minutes: 5, fits: true },
      { job: 'late', operation: 'restring', minutes: 30, fits: false },
      { job: 'part', operation: 'restring', minutes: 30, fits: false },
    ]);
    const longer = { ...running, started: [{ ...running.started[0], minutesLeft: 40 } as (typeof running.started)[0]] };
    expect(nextOf(rack({ now: 42, ...longer }), plan).gap).toBe(0);
  });

  it('is for the hand that goes to the strings: its kinds, and what it began itself', () => {
    const toB = planOf(...plan.operations.map((each) => (each.operation === 'tune' ? { ...each, person: 'b' } : each)));
    expect(nextOf(rack({ now: 39, done: [done('n', 'restring', 30)] }), toB).waiting).toEqual([]); // only nylon
    const both = { people: [somebody('a', [[0, 240]]), somebody('b', [[0, 240]])] };
    const begun = { ...both, now: 62, done: [done('n', 'restring', 30), done('s', 'restring', 60)] };
    const left = planOf(...toB.operations.filter(({ operation }) => operation !== 'restring'), lies('s', 'hand-over', 62, 67));
    expect(nextOf(rack(begun), left).waiting).toEqual([]); // the work was a’s, and so is its hand-over
    expect(nextOf(rack({ ...begun, done: [done('n', 'restring', 30), done('s', 'restring', 60, 'b')] }), left).waiting).toMatchObject([
      { job: 's', operation: 'hand-over' },
    ]);
  });
});

describe('what fits into a gap', () => {
  const nylon = [{...piece('restring', 20), same: false }, {...piece('tune', 5, 40), same: false }]; // prettier-ignore
  const people = [somebody('a', [[0, 240]]), somebody('b', [[0, 240]])];
  const over = { job: 'n', operation: 'restring', person: 'a', end: 30 };
  /** Strings of ‘n’ are looked at from 70 on by a. */
  const at = (now: number, jobs: Rack['jobs'], placed: readonly Placed[], more: Partial<Rack> = {}) =>
    nextOf(
      someRack([someJob('n', 400, nylon, { kind: 'nylon' }), ...jobs], { people, now, ...more, done: [over, ...(more.done ?? [])] }),
      planOf(lies('n', 'tune', 70, 75), ...placed),
    );
  const waits = (...asked: Parameters<typeof at>) => at(...asked).waiting.map(({ operation }) => operation);

  it('is what is as long as the gap, and no visit itself, though its strings have waited long enough', () => {
    const job = someJob('s', 400, [piece('work', 20), piece('more', 21)]);
    expect(at(50, [job], [lies('s', 'work', 80, 100)]).waiting).toEqual([{ job: 's', operation: 'work', minutes: 20, fits: true }]);
    expect(at(51, [job], [lies('s', 'work', 80, 100)]).waiting).toMatchObject([{ fits: false }]);
    const early = at(30, [], [], { done: [{ ...over, end: -20 }] });
    expect([early.visit?.operation, early.waiting]).toEqual(['tune', []]);
  });

  it('reckons with what is under way at this bench alone', () => {
    const job = someJob('s', 400, [piece('work', 20)]);
    const started = (person: string) => ({ started: [{ job: 's', operation: 'work', person, start: 40, minutesLeft: 15 }] });
    expect(at(50, [job], [], started('b')).gap).toBe(20);
    expect(at(50, [job], [], started('a')).gap).toBe(5);
  });

  it('a first piece that has to wait is no visit, nor is what begins this minute', () => {
    const first = someJob('s', 400, [{ ...piece('work', 20), after: 30 }]);
    expect(at(50, [first], [lies('s', 'work', 60, 80)]).visit).toMatchObject({ job: 'n' });
    expect(at(70, [], []).visit).toBeNull();
  });

  it('begins once it is ready and has waited, to the minute', () => {
    const first = (ready: number, after: number) => [someJob('s', 400, [{ ...piece('work', 10), after }], { ready })];
    const placed = [lies('s', 'work', 90, 100)];
    expect([waits(50, first(40, 10), placed), waits(50, first(40, 11), placed)]).toEqual([['work'], []]);
  });

  it('begins once what is before it is over, by what is done or under way of its own job', () => {
    const job = someJob('s', 400, [piece('one', 10), piece('two', 10, 5), piece('three', 10)]);
    const other = someJob('t', 400, [piece('one', 10)]);
    const placed = [lies('s', 'two', 90, 100), lies('s', 'three', 100, 110)];
    const done = (of: string, operation: string, end: number) => ({ job: of, operation, person: 'a', end });
    expect(waits(50, [job, other], placed, { done: [done('s', 'one', 45)] })).toEqual(['two']);
    expect(waits(50, [job, other], placed, { done: [done('s', 'one', 46)] })).toEqual([]);
    expect(waits(50, [job, other], placed, { done: [done('t', 'one', 10)] })).toEqual([]);
    const running = (of: string, operation: string, minutesLeft: number) => ({ job: of, operation, person: 'b', start: 40, minutesLeft });
    const free = { ...job, operations: job.operations.map((each) => ({ ...each, same: false })) };
    // the bench of a is busy until 60 with something else
    const busy = { job: 'x', operation: 'one', person: 'a', start: 40, minutesLeft: 10 };
    const also = someJob('x', 400, [piece('one', 10)]);
    const begun = (left: number) => ({ started: [busy, running('s', 'one', left)] });
    expect(waits(50, [free, also], placed, begun(5))).toEqual(['two']); // 55 and 5 of waiting
    expect(waits(50, [free, also], placed, begun(6))).toEqual([]);
    expect(waits(50, [free, also, other], placed, { started: [busy, running('t', 'one', 1)] })).toEqual([]);
  });

  it('stays in the hand that has what has to stay in one hand, and in no other for the rest', () => {
    const job = someJob('s', 400, [{ ...piece('fetch', 5), same: false }, piece('work', 10)]);
    const placed = [lies('s', 'work', 90, 100)];
    const done = (person: string) => ({ done: [{ job: 's', operation: 'fetch', person, end: 40 }] });
    expect(waits(50, [job], placed, done('b'))).toEqual(['work']); // fetching was nobody’s in particular
    const one = { ...job, operations: job.operations.map((each) => ({ ...each, same: true })) };
    expect([waits(50, [one], placed, done('b')), waits(50, [one], placed, done('a'))]).toEqual([[], ['work']]);
  });
});

describe('why something moved', () => {
  const jobs = [someJob('a', 400, [piece('x', 40)]), someJob('b', 400, [piece('x', 40), piece('y', 10)])];
  const moved = (inForce: readonly InForce[], more: Partial<Rack> = {}) =>
    replanDay(someRack(jobs, more), inForce, time).moved.map(({ job, operation, why, by, from, to }) => ({
      what: `${job} ${operation}`,
      why,
      by,
      from,
      to,
    }));

  it('is the hours that are none any more', () => {
    const people = [somebody('a', [[100, 240]])];
    expect(moved([pin('a', 'x', 0)], { people })[0]).toMatchObject({ what: 'a x', why: 'no-hours', by: null, from: { person: 'a', start: 0 } }); // prettier-ignore
  });

  it('is what comes before it, or that the hour is over', () => {
    const late = moved([pin('b', 'y', 40)], { started: [{ job: 'b', operation: 'x', person: 'a', start: 0, minutesLeft: 90 }] });
    expect(late).toMatchObject([{ what: 'b y', why: 'behind', to: { person: 'a' } }]);
    expect(moved([pin('a', 'x', 0)], { now: 60 })[0]).toMatchObject({ what: 'a x', why: 'behind' });
  });

  it('is what lies there now', () => {
    const pinned = [pin('b', 'x', 10)];
    expect(moved([pin('a', 'x', 10)], { pinned })[0]).toMatchObject({ what: 'a x', why: 'taken', by: { job: 'b', operation: 'x' } });
  });

  it('is nothing within half an hour of where it lay with the same hand', () => {
    expect(moved([pin('a', 'x', 30)], { pinned: [pin('a', 'x', 0)] })).toEqual([]);
    const alone = { jobs: jobs.slice(0, 1), pinned: [pin('a', 'x', 0)] };
    expect(moved([pin('a', 'x', 31)], alone)).toMatchObject([{ why: 'earlier' }]);
    const two = { people: [somebody('a', [[0, 240]]), somebody('b', [[0, 240]])] };
    expect(moved([pin('a', 'x', 0, 'b')], { ...two, ...alone })).toMatchObject([{ why: 'better', to: { person: 'a' } }]);
  });
});

describe('a job that is asked for', () => {
  it('lies in the gaps of all others, which stay, in the order of time; without a time that is wanted nothing is said of one', () => {
    const others = [someJob('x', 100, [piece('restring', 40)]), someJob('y', 300, [piece('restring', 30)], { ready: 60 })];
    const { due: _due, ...job } = someJob('new', 0, [piece('restring', 20), piece('hand-over', 5)]);
    const told = insertJob(someRack(others), { ...job, due: null }, { ...time, clock: () => () => true, draws: 500, inForce: [] });
    expect(told.reason).toBeNull();
    expect(told.operations.map(({ job: of, operation, start, end }) => `${of} ${operation} ${start}–${end}`)).toEqual([
      'x restring 0–40',
      'new restring 40–60',
      'y restring 60–90',
      'new hand-over 90–95',
    ]);
    expect(told.notBefore).toEqual({ settling: 25, work: 95 });
    expect(told.wanted).toBeNull();
  });

  it('has no room where the hours are full, and says so', () => {
    const full = [someJob('x', 300, [piece('restring', 230)])];
    const { due: _due, ...job } = someJob('new', 0, [piece('restring', 20)]);
    const told = insertJob(someRack(full), { ...job, due: 200 }, { ...time, clock: () => () => true, draws: 500, inForce: [] });
    expect(told).toMatchObject({ reason: 'no-room', notBefore: { settling: 20, work: null } });
    expect(told.operations.map(({ job: of }) => of)).toEqual(planDay(someRack(full), time).operations.map(({ job: of }) => of));
    expect(told.wanted).toMatchObject({ onTime: 0, inTime: true, late: ['x'] });
  });
});
