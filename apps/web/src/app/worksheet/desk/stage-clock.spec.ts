import { TestBed } from '@angular/core/testing';
import { afterEach, describe, expect, it } from 'vitest';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { jobId, person, WorksheetBench } from '../../testing/worksheet-bench';
import { sayClock, StageClock } from './stage-clock';

let bench: WorksheetBench;
afterEach(() => bench.close());
const MINUTE = 60_000;

/** Something that this person did so many minutes ago. */
const ago = (minutes: number, kind: 'string-off' | 'anchored', string: number): BenchEvent => {
  const at = new Date(Date.now() - minutes * MINUTE);
  const place = Math.round(at.getTime()).toString(16).padStart(12, '0');
  return {
    id: `${place.slice(0, 8)}-${place.slice(8)}-7000-8000-00000000000${string}`,
    version: 1,
    jobId,
    instrumentId: jobId,
    personId: person.id,
    deviceId: person.id,
    at: at.toISOString(),
    kind,
    string,
    payload: {},
  };
};

describe('the clock of a stage', () => {
  it('counts what the log tells of this stage, and runs on while the stage is open', async () => {
    bench = await WorksheetBench.open({ events: [ago(9, 'string-off', 6), ago(5, 'anchored', 6), ago(2, 'string-off', 5)] }, 'anchor');
    const clock = TestBed.inject(StageClock);
    // four minutes to anchor string 6, and two since the last step
    expect(clock.spent() / MINUTE).toBeCloseTo(6, 1);
    bench.desk.stage.set('strip');
    expect(clock.spent() / MINUTE).toBeCloseTo(3 + 2, 1);
  });

  it('stands while it is stopped, in the log as on the sign', async () => {
    bench = await WorksheetBench.open({ events: [ago(3, 'string-off', 6)] }, 'strip');
    const clock = TestBed.inject(StageClock);
    await clock.toggle();
    TestBed.tick();
    expect(clock.paused()).toBe(true);
    expect(clock.spent() / MINUTE).toBeCloseTo(3, 1);
    await clock.toggle();
    expect(bench.logged.map(({ kind }) => kind)).toEqual(['paused', 'resumed']);
    expect(clock.paused()).toBe(false);
  });

  it('does not start before anything happened', async () => {
    bench = await WorksheetBench.open({}, 'strip');
    await TestBed.inject(StageClock).toggle();
    expect(bench.logged).toEqual([]);
    expect(TestBed.inject(StageClock).spent()).toBe(0);
  });

  it('expects it within the band of four jobs in five', async () => {
    bench = await WorksheetBench.open({}, 'wind');
    // an electric of six strings: 4.5 minutes each, 24 % of them at the post
    // nothing learned: e^(±1.2816 · 0.5 · √1.5) = 2.1918 times as much and as little
    const { low, high } = TestBed.inject(StageClock).expected() ?? { low: 0, high: 0 };
    expect(low).toBeCloseTo((6 * 4.5 * 0.24) / 2.1918, 2);
    expect(high).toBeCloseTo(6 * 4.5 * 0.24 * 2.1918, 2);
    bench.desk.stage.set('hand-over');
    expect(TestBed.inject(StageClock).expected()).toBeNull();
  });

  it('is said in hours, minutes and seconds', () => {
    expect([0, 59_999, 61_000, 3_723_000, -5].map(sayClock)).toEqual(['0:00:00', '0:00:59', '0:01:01', '1:02:03', '0:00:00']);
  });
});
