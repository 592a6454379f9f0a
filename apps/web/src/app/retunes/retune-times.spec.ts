import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { RetuneTimes } from './retune-times';

const NOON = Date.parse('2026-05-26T12:00:00Z');
const MINUTE = 60_000;
const guitar = { passport: 98, name: 'A classical', strings: [1, 2, 3], at: NOON + 20 * MINUTE };

describe('retunes on this device', () => {
  beforeEach(() => {
    localStorage.clear();
    vi.useFakeTimers({ toFake: ['Date', 'setInterval', 'clearInterval'], now: NOON });
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    vi.useRealTimers();
    localStorage.clear();
  });

  it('tell which comes next, in how many minutes, and once it is due', () => {
    const times = TestBed.inject(RetuneTimes);
    times.set('b', { ...guitar, passport: 7, at: NOON + 90 * MINUTE });
    times.set('a', guitar);
    expect([times.next()?.jobId, times.minutesToNext(), times.due()]).toEqual(['a', 20, []]);
    vi.advanceTimersByTime(20 * MINUTE + 5000);
    expect(times.due().map(({ jobId }) => jobId)).toEqual(['a']);
    times.set('a', null);
    expect([times.due(), times.next()?.jobId]).toEqual([[], 'b']);
  });

  it('stay put off until their time changes by more than a minute', () => {
    const times = TestBed.inject(RetuneTimes);
    times.set('a', { ...guitar, at: NOON });
    expect(times.due()).toHaveLength(1);
    times.putOff('a', 10);
    times.set('a', { ...guitar, at: NOON + 20_000 });
    expect([times.due(), times.minutesToNext()]).toEqual([[], 10]);
    times.set('a', { ...guitar, at: NOON + 40 * MINUTE });
    expect(times.minutesToNext()).toBe(40);
  });

  it('are there again when the page is opened again, and nothing that somebody else wrote there', () => {
    TestBed.inject(RetuneTimes).set('a', guitar);
    TestBed.resetTestingModule();
    expect(TestBed.inject(RetuneTimes).next()).toMatchObject({ jobId: 'a', passport: 98 });
    TestBed.resetTestingModule();
    localStorage.setItem('gold-peg.retunes', '{"no":1}');
    expect(TestBed.inject(RetuneTimes).next()).toBeNull();
  });

  it('come from the house for instruments that this device has not looked at, and end when the house no longer tells them', () => {
    const times = TestBed.inject(RetuneTimes);
    const told = (jobId: string, minutes: number) => ({ jobId, passport: 115, name: 'A ukulele', at: NOON + minutes * MINUTE });
    times.set('a', guitar);
    times.hearHouse([told('a', 5), told('b', 10)]);
    expect(times.next()).toMatchObject({ jobId: 'b', strings: [] }); // what was looked at here is known better here
    vi.advanceTimersByTime(10 * MINUTE + 5000);
    times.putOff('b', 30);
    times.hearHouse([told('b', 10)]); // the same again
    expect([times.due(), times.next()?.jobId]).toEqual([[], 'a']);
    times.hearHouse([told('b', 60)]); // another hour
    vi.advanceTimersByTime(20 * MINUTE);
    times.hearHouse([]);
    expect(times.due().map(({ jobId }) => jobId)).toEqual(['a']);
    times.set('a', null);
    expect(times.next()).toBeNull();
  });
});
