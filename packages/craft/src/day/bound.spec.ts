import { describe, expect, it } from 'vitest';
import { piece, somebody, someJob, someRack } from '../testing/index.js';
import { benchOf } from './bench.js';
import { leastLate, leastTardiness } from './bound.js';
import type { Job, Rack } from './model.js';

/** Half an hour of work by itself, due then; a job that weighs so much. */
const job = (due: number, weight: number, more: Partial<Job> = {}) =>
  someJob(`${due} ${weight}`, due, [piece('restring', 30)], { weight, ...more });
const late = (jobs: Job[], more: Partial<Rack> = {}) => leastLate(benchOf(someRack(jobs, more)));
const tardiness = (jobs: Job[], more: Partial<Rack> = {}) => leastTardiness(benchOf(someRack(jobs, more)));

describe('what no plan can keep', () => {
  it('is what is late by itself, or done by nobody', () => {
    const jobs = [job(20, 3), job(30, 5), job(200, 7, { kind: 'gut' })];
    expect(late(jobs)).toBe(10);
    // thirty minutes, ten of them late; 30 more than all of 240 for what is left out
    expect(tardiness(jobs)).toBe(3 * 10 + 7 * (240 + 30 - 200));
    expect([late([job(30, 5)]), tardiness([job(30, 5)])]).toEqual([0, 0]);
  });

  it('is the lightest that gives way where minutes are short, at each time by which something is due', () => {
    expect(late([job(90, 1), job(90, 2), job(90, 3)])).toBe(0); // ninety minutes by then
    expect(late([job(89, 1), job(89, 2), job(89, 3)])).toBe(1);
    expect(late([job(59, 1), job(59, 2), job(59, 3)])).toBe(1 + 2);
    expect(late([job(59, 2), job(59, 3), job(400, 1)])).toBe(2); // what is due later gives no room
    const long = job(70, 4, { operations: [piece('restring', 60)] });
    expect(late([long, job(70, 3), job(70, 3)])).toBe(4); // one of an hour in place of two of half an hour
    expect(late([job(20, 5), job(40, 1), job(40, 1)])).toBe(5 + 1); // beside what is lost anyway
  });

  it('counts the hours of those who could, until then, less what is pinned or begun', () => {
    const two = [job(60, 1), job(60, 2)];
    const b = somebody('b', [[0, 240]]);
    expect(late(two, { people: [somebody('a', [[40, 240]]), b] })).toBe(0);
    expect(late(two, { people: [somebody('a', [[40, 240]]), somebody('b', [[0, 240]], ['gut'])] })).toBe(1 + 2);
    const pinned = [{ job: '60 1', operation: 'restring', person: 'a', start: 10 }];
    expect(late(two, { pinned })).toBe(2); // from 40 on there are twenty minutes, before it ten
    expect(late(two, { pinned, people: [somebody('a', [[0, 240]]), b] })).toBe(0);
  });
});
