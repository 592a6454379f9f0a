import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { expectedEffort, minutesToSpare } from './index.js';

const HOUR_MS = 3_600_000;
const steel = Array.from({ length: 6 }, () => 'plain' as const);
const nylon = Array.from({ length: 4 }, () => 'nylon' as const);

describe('the latest start', () => {
  it('needs a day more for strings that go on moving', () => {
    expect(expectedEffort('acoustic', steel).settlingHours).toBe(0);
    expect(expectedEffort('ukulele', nylon).settlingHours).toBe(24);
    expect(expectedEffort('classical', ['plain', 'wound']).settlingHours).toBe(24);
  });

  it('takes ten minutes and so many for each string: 40 for six strings of a flat-top', () => {
    expect(expectedEffort('acoustic', steel).attendedMinutes).toBe(40);
    expect(expectedEffort('acoustic', steel, true).attendedMinutes).toBe(55); // a bridge that moves is balanced in a quarter of an hour
  });

  it('leaves 26 h − 24 h − 30 min for a ukulele promised in 26 h, and is too late for tomorrow night’s nylon', () => {
    const effort = expectedEffort('ukulele', nylon);
    expect(minutesToSpare(26 * HOUR_MS, 0, effort)).toBeCloseTo(90, 9);
    expect(minutesToSpare(20 * HOUR_MS, 0, effort)).toBeLessThan(0);
  });

  it('runs down with the clock, minute by minute', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), fc.integer({ min: 0, max: 1000 }), (now, minutes) => {
        const effort = { attendedMinutes: 30, settlingHours: 0 };
        const before = minutesToSpare(5e8, now, effort);
        expect(before - minutesToSpare(5e8, now + minutes * 60_000, effort)).toBeCloseTo(minutes, 6);
      }),
    );
  });
});
