import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { HouseClock } from './house-clock';

const NINE = Date.parse('2026-05-26T09:00:00.250Z');
const MINUTE = 60_000;

describe('the clock of the house', () => {
  beforeEach(() => {
    localStorage.clear();
    vi.useFakeTimers({ now: NINE, toFake: ['Date'] });
  });
  afterEach(() => {
    vi.useRealTimers();
    localStorage.clear();
    TestBed.resetTestingModule();
  });
  const clock = () => TestBed.inject(HouseClock);
  const utc = (ms: number) => new Date(ms).toUTCString();

  it('is the device’s own while it agrees with the server to a second, or has heard nothing', () => {
    expect(clock().now()).toBe(NINE);
    clock().heard(utc(NINE + 900), NINE);
    clock().heard(null, NINE);
    clock().heard('no date', NINE);
    expect(clock().now()).toBe(NINE);
  });

  it('is the server’s where the device is minutes wrong, also after a reload without the server', () => {
    clock().heard(utc(NINE + 7 * MINUTE), NINE);
    expect(Math.abs(clock().now() - NINE - 7 * MINUTE)).toBeLessThanOrEqual(1000);
    TestBed.resetTestingModule();
    expect(Math.abs(clock().now() - NINE - 7 * MINUTE)).toBeLessThanOrEqual(1000);
    clock().heard(utc(NINE), NINE); // somebody put the device right
    expect(clock().now()).toBe(NINE);
  });

  it('takes a slow answer for what it is, not for a wrong clock', () => {
    vi.setSystemTime(NINE + 9000); // the answer was nine seconds on its way
    clock().heard(utc(NINE), NINE);
    expect(clock().now()).toBe(NINE + 9000);
  });

  it('never gives an event the time of one before it, though clocks are put back', () => {
    const first = clock().next();
    const second = clock().next();
    vi.setSystemTime(NINE - 5 * MINUTE);
    const third = clock().next();
    clock().known(NINE + MINUTE);
    expect([second - first, third - second, clock().next() - NINE]).toEqual([1, 1, MINUTE + 1]);
  });
});
