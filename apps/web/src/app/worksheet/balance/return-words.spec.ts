import type { ReturnJudged, StringReturn } from '@gold-peg/craft/balance';
import { cents, fromDegrees } from '@gold-peg/craft/units';
import { describe, expect, it } from 'vitest';
import { sayReturn } from './return-words';

const judged = (returns: readonly [StringReturn, number][], tilt = 0): ReturnJudged => ({
  strings: returns.map(([each, own]) => ({ after: cents(own), own: cents(own), judged: each })),
  bridge: { tilt: fromDegrees(tilt), most: cents(Math.abs(tilt) * 60), sticks: tilt !== 0 },
});

describe('what came back after the arm, in words', () => {
  it('nothing to say, once and from both sides', () => {
    const dives = sayReturn(judged([['returns', 0.3]]), { down: [], up: null });
    expect(dives).toBe('All came back after the dives: nothing hangs, nothing slips.');
    expect(sayReturn(judged([['returns', 0.3]]), { down: [], up: [] })).toBe('All came back, from below and from above.');
  });

  it('which strings, by how much, and where to look', () => {
    expect(sayReturn(judged([['friction', -5.24], ['returns', 0], ['friction', -3]]), { down: [], up: [] })).toBe(
      'String 1 and 3 came back 5.2 ¢, 3.0 ¢ low: friction: look at nut slot and tree, and at its saddle.',
    ); // prettier-ignore
    expect(sayReturn(judged([['slips', -9]]), { down: [], up: [] })).toContain('it slips: look at its wraps or clamp');
    expect(sayReturn(judged([['one-way', -4]]), { down: [], up: null })).toContain('pull the arm up a few times');
    expect(sayReturn(judged([['friction', 4]]), { down: null, up: [] })).toContain('came back 4.0 ¢ high: friction');
    const pulls = sayReturn(judged([['returns', 0]]), { down: null, up: [] });
    expect(pulls).toBe('All came back after the pulls up: nothing hangs, nothing slips.');
    expect(sayReturn(judged([['hung', 4]]), { down: [], up: null })).toContain('came back 4.0 ¢ high: it had hung before');
  });

  it('the bridge itself, with its knife edges', () => {
    expect(sayReturn(judged([['returns', 0]], 0.1), { down: [], up: null })).toBe(
      'The bridge itself came back 0.10° forward, up to 6.0 ¢ on a string: look at knife edges and posts, and at the hooks of its springs.',
    );
  });
});
