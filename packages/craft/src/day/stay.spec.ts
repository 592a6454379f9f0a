import { describe, expect, it } from 'vitest';
import { piece, somebody, someJob, someRack } from '../testing/index.js';
import { benchOf } from './bench.js';
import type { InForce, Rack } from './model.js';
import { asItLay } from './stay.js';

const at = (job: string, start: number, operation = 'restring', person = 'a'): InForce => ({ job, operation, person, start });
/** Where all lies, job by job, and how much of it elsewhere than it lay. */
function lies(rack: Rack, inForce: readonly InForce[]) {
  const bench = benchOf(rack, inForce);
  const calendar = asItLay(bench);
  const spots = bench.left.map(({ job }, nth) => [
    job.id,
    ...(calendar.spotsOf(nth) ?? []).map(({ person, start }) => `${start} ${rack.people[person]?.id}`),
  ]);
  return { spots: spots.map((each) => each.join(' ')), moved: calendar.objective().moved };
}

describe('a plan as it lay', () => {
  const restring = (minutes: number) => [piece('restring', minutes)];
  /** z for ten minutes, y and x for an hour each after it, and strings of z looked at as soon as x is done: nothing could be earlier but that look, and x would be in its way. */
  const jobs = [someJob('z', 400, [...restring(10), piece('tune', 3, 60)]), someJob('y', 400, restring(60)), someJob('x', 400, restring(60))]; // prettier-ignore
  const lay = [at('z', 0), at('y', 10), at('x', 70), at('z', 130, 'tune')];

  it('stays so, though one alone could be earlier and would push the others away', () => {
    expect(lies(someRack(jobs), lay)).toEqual({ spots: ['z 0 a 130 a', 'y 10 a', 'x 70 a'], moved: 0 });
  });

  it('is pushed on as a whole by the minutes that went by', () => {
    expect(lies(someRack(jobs, { now: 15 }), lay)).toEqual({ spots: ['z 15 a 145 a', 'y 25 a', 'x 85 a'], moved: 0 });
  });

  it('is pushed on by what is pinned, and what strings wait for', () => {
    const pinned = [at('y', 20)];
    // z before the pin and its look 60 minutes after it; x after the pin
    expect(lies(someRack(jobs, { pinned }), lay)).toEqual({ spots: ['z 0 a 140 a', 'y 20 a', 'x 80 a'], moved: 0 });
    const slow = [someJob('z', 400, [...restring(10), piece('tune', 3, 125)]), ...jobs.slice(1)];
    expect(lies(someRack(slow), lay)).toEqual({ spots: ['z 0 a 135 a', 'y 10 a', 'x 70 a'], moved: 0 });
  });

  it('leaves where it lay what others hold no room for, and finds room for what lay nowhere, with nobody, or beyond all hours', () => {
    const people = [somebody('a', [[0, 200]]), somebody('b', [[0, 200]])];
    const more = [...jobs, someJob('n', 400, restring(30)), someJob('g', 400, restring(20))];
    // a is full until 130: g, which lay with somebody who is gone, goes to b, and n after it
    expect(lies(someRack(more, { people }), [...lay, at('g', 5, 'restring', 'c')]).spots.slice(3)).toEqual(['n 20 b', 'g 0 b']);
    expect(lies(someRack(more, { people }), [...lay, at('g', 190)]).spots.slice(3)).toEqual(['n 0 b', 'g 160 a']); // half an hour earlier it ends in time
  });
});
