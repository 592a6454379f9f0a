import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cents } from '../units/index.js';
import { heardInRound, type RoundPhase } from './by-ear.js';

/** Plucks as (cents off, seconds), one after the other, and what each of them says a round cost. */
function follow(plucks: readonly (readonly [number, number])[], tolerance = 2): (number | null)[] {
  let phase: RoundPhase = { kind: 'tune' };
  return plucks.map(([off, seconds]) => {
    const step = heardInRound(phase, { off: cents(off), at: 1000 * seconds }, cents(tolerance));
    phase = step.phase;
    return step.lost;
  });
}

describe('rounds by ear', () => {
  it('cost what the string lost between its note and the pluck after the stretch', () => {
    const said = follow([
      [-30, 0], // tuned
      [-8, 5],
      [-0.5, 10], // at its note
      [-38.5, 20], // stretched
      [1, 30], // tuned again
      [-16, 40],
      [0, 50],
      [-1.5, 60], // a round that cost little leaves it where it is
      [-2, 70],
    ]);
    expect(said).toEqual([null, null, null, 38, null, 17, null, 1.5, 0.5]);
  });

  it('are no rounds where it was plucked again at once, or turned up', () => {
    expect(follow([[0, 0], [-1, 1.5], [-0.5, 3], [-9, 9]])).toEqual([null, null, null, 8.5]); // prettier-ignore
    expect(follow([[0, 0], [4, 10], [-3, 20], [1, 30]])).toEqual([null, null, null, null]); // prettier-ignore
  });

  it('count to the edge: tuned to the tolerance, stretched for two and a half seconds, up by no more than the tolerance', () => {
    expect(follow([[-2, 0], [-10, 2.5]])).toEqual([null, 8]); // prettier-ignore
    expect(follow([[2, 0], [4, 10]])).toEqual([null, -2]); // prettier-ignore
    expect(follow([[-2.1, 0], [-10, 5]])).toEqual([null, null]); // prettier-ignore
  });

  it('add up to all that was lost from note to note, whatever the drops', () => {
    const drops = fc.array(fc.double({ min: 2.5, max: 120, noNaN: true }), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(drops, (lost) => {
        const plucks = lost.flatMap((drop, round) => [[0, 20 * round] as const, [-drop, 20 * round + 10] as const]);
        const rounds = follow(plucks).filter((said) => said !== null);
        expect(rounds).toHaveLength(lost.length);
        const [told, all] = [rounds, lost].map((list) => list.reduce<number>((sum, each) => sum + each, 0));
        expect(told).toBeCloseTo(all ?? NaN, 9);
      }),
    );
  });
});
