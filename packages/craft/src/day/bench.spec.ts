import { describe, expect, it } from 'vitest';
import { piece, somebody, someJob, someRack } from '../testing/index.js';
import { benchOf } from './bench.js';
import type { InForce, Job, Rack } from './model.js';
import { pieceOf } from './piece.js';

const at = (job: string, operation: string, start: number, person = 'a'): InForce => ({ job, operation, person, start });
const people = [somebody('a', [[0, 40], [45, 100], [150, 200]]), somebody('b', [[0, 60]], ['gut'])]; // prettier-ignore
const started = [{ ...at('x', 'restring', 20), minutesLeft: 10 }];
const x = someJob('x', 90, [piece('restring', 40), piece('trim', 20, 5), piece('tune', 3, 60, false)], { weight: 2, hold: 30, ready: 10 });
const y = someJob('y', 300, [piece('restring', 15)]);

const made = (jobs: Job[], more: Partial<Rack> = {}, inForce: InForce[] = []) => benchOf(someRack(jobs, { people, ...more }), inForce);

describe('a rack that is made ready for planning', () => {
  it('has as gaps the hours that are to come, less what is begun and what is pinned', () => {
    const pinned = [at('y', 'restring', 160), at('x', 'trim', 70)];
    // begun until 60, trimmed from 70 to 90, y from 160 to 175
    expect(made([x, y], { now: 50, started, pinned }).gaps).toEqual([[[60, 70], [90, 100], [150, 160], [175, 200]], [[50, 60]]]); // prettier-ignore
    expect(made([x, y], { now: 60 }).gaps[1]).toEqual([]);
  });

  it('goes on from what is done or begun, in the hand that has it, and first from when its part is there', () => {
    const from = (more: Partial<Rack>) => made([x], { now: 50, ...more }).left.map((left) => [left.from, left.hand, left.free.length])[0];
    expect(from({})).toEqual([30, null, 3]);
    expect(from({ jobs: [{ ...x, ready: 35 }] })).toEqual([35, null, 3]);
    expect(from({ done: [{ ...at('x', 'restring', 5, 'b'), end: 45 }] })).toEqual([45, 1, 2]);
    expect(from({ started })).toEqual([60, 0, 2]);
    expect(from({ pinned: [at('x', 'tune', 160, 'b')] })).toEqual([30, null, 3]); // whoever comes by looks at strings
  });

  it('costs what it is late where it is left out, and leaves what is pinned where that lies', () => {
    const leftOut = (lay: InForce[], ...pinned: InForce[]) => made([x], { pinned }, lay).left[0]?.leftOut;
    // all hours end at 200; 63 minutes of its own after that, against 90, at weight two
    expect(leftOut([])).toEqual({ late: 2, tardiness: 2 * (200 + 63 - 90), moved: 0, flow: 0 });
    expect(leftOut([at('x', 'trim', 110)], at('x', 'trim', 70))).toMatchObject({ moved: 1, flow: 90 });
    expect(leftOut([at('x', 'trim', 100)], at('x', 'trim', 70))).toMatchObject({ moved: 0, flow: 90 });
  });

  it('has no place where nobody can do it, or nobody has so long, but for what is pinned', () => {
    const never = (job: Partial<Job>, ...pinned: InForce[]) => made([{ ...y, ...job }], { pinned }).left[0]?.never;
    expect([never({}), never({ kind: 'wire' }), never({ kind: 'wire', operations: [] })]).toEqual([null, 'nobody-can', null]);
    const [fits, long] = [55, 56].map((minutes) => ({ operations: [piece('restring', minutes), piece('trim', 5)] }));
    expect([never(fits ?? {}), never(long ?? {})]).toEqual([null, 'too-long']);
    expect(never(long ?? {}, at('y', 'restring', 45))).toBeNull();
  });

  it('counts what is begun elsewhere than it lay', () => {
    const moved = (lay: InForce) => made([x, y], { now: 50, started }, [lay]).startedMoved;
    expect([at('x', 'restring', 50), at('x', 'restring', 51), at('x', 'restring', 20, 'b')].map(moved)).toEqual([0, 1, 1]);
    expect([at('x', 'trim', 90), at('y', 'restring', 90)].map(moved)).toEqual([0, 0]);
  });
});

describe('a piece by its names', () => {
  it('has its job and what comes before it there; what is called otherwise is none', () => {
    const named = (job: string, operation: string) => pieceOf([x, y], { job, operation });
    expect(named('y', 'restring')).toEqual({ job: y, operation: y.operations[0], before: null });
    expect(named('x', 'tune')).toEqual({ job: x, operation: x.operations[2], before: x.operations[1] });
    expect([named('y', 'trim'), named('z', 'restring')]).toEqual([null, null]);
  });
});
