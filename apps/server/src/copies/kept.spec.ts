import { describe, expect, it } from 'vitest';
import { keptOf } from './kept.js';

/** A copy every night at half past two, `nights` of them up to Thursday 26 November 2026. */
const nightly = (nights: number) =>
  Array.from({ length: nights }, (_, back) => ({ id: String(back), madeAt: new Date(Date.UTC(2026, 10, 26 - back, 2, 30)) }));

describe('copies that are kept', () => {
  it('are all of the last fourteen nights', () => expect([...keptOf(nightly(10), 'UTC')]).toHaveLength(10));

  it('are of eight weeks the last, and of twenty-four months the last', () => {
    const kept = keptOf(nightly(1000), 'UTC');
    const nights = Array.from({ length: 14 }, (_, back) => back);
    const sundays = [4, 11, 18, 25, 32, 39, 46].filter((back) => back > 13); // this week's last is last night's
    expect([...nights, ...sundays].every((back) => kept.has(String(back)))).toBe(true);
    // 14 nights, of eight weeks the five that end before them, of 24 months the 23 before this one; 31 October is no Sunday
    expect(kept.size).toBe(14 + 5 + 23);
    expect(kept.has(String(26 + 30))).toBe(false); // the first of October
  });

  it('is one of a day on which several were made: the last', () => {
    const two = [{ id: 'noon', madeAt: new Date('2026-11-26T12:00:00Z') }, { id: 'night', madeAt: new Date('2026-11-26T02:30:00Z') }]; // prettier-ignore
    expect([...keptOf(two, 'UTC')]).toEqual(['noon']);
  });
});
