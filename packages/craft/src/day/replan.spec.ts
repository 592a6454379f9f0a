import { describe, expect, it } from 'vitest';
import { piece, someJob, someRack } from '../testing/index.js';
import { insertJob, nextOf, planDay, replanDay, replanQuietly, type InForce, type Plan, type Rack } from './index.js';

const time = { seed: 1, iterations: 2000, goesOn: () => true };
const at = (job: string, start: number, person = 'a', operation = 'restring') => ({ job, operation, person, start });
const two = () => [someJob('x', 200, [piece('restring', 40)]), someJob('y', 240, [piece('restring', 40)])];

describe('a plan for people who work by it', () => {
  /** y lies first, then x; both are late whatever is done, but for `due`. */
  const rack = (minutes: number, due = { x: 10, y: 10 }) =>
    someRack([someJob('x', due.x, [piece('restring', 40)]), someJob('y', due.y, [piece('restring', minutes)])]);
  const lay = (minutes: number) => [at('y', 0), at('x', minutes)];
  const first = ({ operations }: Plan) => operations[0]?.job;

  it('moves nobody for a little less lateness, and does for much', () => {
    // y of 50 first: 40 + 80 minutes late; x first: 30 + 80, ten less
    expect([first(replanDay(rack(50), lay(50), time)), first(replanQuietly(rack(50), lay(50), time))]).toEqual(['x', 'y']);
    expect(replanQuietly(rack(50), lay(50), time).moved).toEqual([]);
    // y of 100 first: 90 + 130; x first: 30 + 130, sixty less
    expect(first(replanQuietly(rack(100), lay(100), time))).toBe('x');
  });

  it('moves for every promise that is kept by it', () => {
    const one = rack(50, { x: 40, y: 90 });
    expect([first(replanQuietly(one, lay(50), time)), replanQuietly(one, lay(50), time).objective.late]).toEqual(['x', 0]);
  });

  it('takes what moves no more and ends sooner', () => {
    // nothing has to stay: a look at strings that was not planned yet, into the gap before what lies later
    const job = someJob('n', 400, [piece('tune', 3)]);
    const later = someJob('x', 400, [piece('restring', 40)]);
    const plan = replanQuietly(someRack([later, job]), [at('x', 100)], time);
    const found = plan.operations.map(({ job: of, start }) => [of, start]);
    expect(found).toEqual(replanDay(someRack([later, job]), [at('x', 100)], time).operations.map(({ job: of, start }) => [of, start]));
    expect([plan.operations[0]?.job, plan.operations[0]?.start, plan.moved]).toEqual(['n', 0, []]);
  });

  it('shows what stays at once, and no plan that it may not take; with nothing in force it plans as ever', () => {
    const shown: Plan[] = [];
    replanQuietly(rack(50), lay(50), { ...time, better: (plan) => shown.push(plan) });
    expect(shown.map(first)).toEqual(['y']);
    expect(replanQuietly(rack(50), [], time)).toEqual(replanDay(rack(50), [], time));
  });
});

it('is as it lay, up to half an hour earlier, and nobody waits for it, where no other can be worth it', () => {
  const goesOn = () => expect.fail('it looked for others');
  const told = (rack: Rack, lay: InForce[]) => replanQuietly(rack, lay, { seed: 1, iterations: null, goesOn });
  const kept = { iterations: 0, moved: [], operations: [at('y', 30), at('x', 90)] };
  expect(told(someRack(two()), [at('y', 60), at('x', 120)])).toMatchObject(kept);
  // late by its own minutes alone
  const late = someRack([someJob('x', 10, [piece('restring', 40)])]);
  expect(told(late, [at('x', 0)])).toMatchObject({ ...kept, operations: [at('x', 0)] });
});

describe('a plan that is made anew', () => {
  it('leaves all where it lay as long as promises are kept, though the sum of ends would be less', () => {
    const { operations, moved, objective } = replanDay(someRack(two()), [at('y', 60), at('x', 120)], time);
    expect(moved).toEqual([]);
    // half an hour earlier is no move: y from 30, x from 90
    expect(operations.map(({ job, start }) => [job, start])).toEqual([['y', 30], ['x', 90]]); // prettier-ignore
    expect(objective.moved).toBe(0);
  });
});

describe('a job that is asked for', () => {
  const nylon = (due: number | null) => ({
    ...someJob('new', 0, [piece('restring', 40), { ...piece('tune', 3, 60), same: false }], { kind: 'nylon' }),
    due,
  });
  const asked = { ...time, clock: () => () => true, draws: 1000, inForce: [] };

  it('finds its least end with all others where they are, told apart by its strings and by the work', () => {
    // x until 40 and y until 80; then 40 of its own, 60 of waiting, 3
    const told = insertJob(someRack(two()), nylon(null), asked);
    expect(told.notBefore).toEqual({ settling: 103, work: 183 });
    expect(told.operations.filter(({ job }) => job !== 'new')).toEqual(planDay(someRack(two()), time).operations);
    expect(told.wanted).toBeNull();
    expect(told.p90 ?? 0).toBeGreaterThan(told.p50 ?? 0);
  });

  it('begins as soon as what is begun ends, sooner than that was planned', () => {
    // x of 40 from 0 on has five left at 20; its second piece lies from 25 to 35, then 40 of the new one, 60 of waiting, 3
    const x = someJob('x', 200, [piece('restring', 40), piece('trim', 10)]);
    const started = [{ ...at('x', 0), minutesLeft: 5 }];
    const told = insertJob(someRack([x], { now: 20, started }), nylon(null), asked);
    expect(told.notBefore).toEqual({ settling: 20 + 103, work: 35 + 103 });
    const answer = told.operations.map(({ start, end }) => [start, end]);
    expect(answer).toEqual([0, 25, 35, 135].map((start, nth) => [start, [25, 35, 75, 138][nth]]));
  });

  it('says the chance of a time that is wanted, and whom it would make late', () => {
    const tight = [someJob('x', 40, [piece('restring', 40)]), someJob('y', 80, [piece('restring', 40)])];
    const hopeless = someJob('h', 5, [piece('restring', 10)]); // late whether or not somebody comes in between
    const told = insertJob(someRack([...tight, hopeless]), nylon(110), asked);
    expect(told.wanted?.onTime).toBeLessThan(0.05);
    expect(told.wanted?.inTime).toBe(true);
    expect(told.wanted?.late).toEqual(['x']); // it has the first 40 then, y the next: x ends at 120
    // first it is in time while its own 40 take 47 at most, z = ln(47/40) / (ln 1.5 / 1.2816): 0.695, and y after it does not hold up the look at its strings
    expect(told.wanted?.first).toBeGreaterThan(0.55);
    expect(told.wanted?.first).toBeLessThan(0.72);
    expect(insertJob(someRack(tight), nylon(90), asked).wanted).toMatchObject({ inTime: false, late: [] }); // its strings alone take 103
  });

  it('has no place where nobody can do it', () => {
    const told = insertJob(someRack(two()), { ...nylon(null), kind: 'gut' }, asked);
    expect(told).toMatchObject({ reason: 'nobody-can', p90: null, notBefore: { settling: null, work: null } });
  });
});

describe('what is next', () => {
  it('has no gap where no strings are waited for', () => {
    const rack = someRack(two());
    expect(nextOf(rack, planDay(rack, time))).toMatchObject({ visit: null, gap: null, waiting: [] });
  });
});
