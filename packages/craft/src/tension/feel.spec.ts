import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stringProperties } from '../strings/index.js';
import { cents, frequencyOf, fromInches, hertz, kilogramsPerMetre, metres } from '../units/index.js';
import { bendFor, SEMITONE, tensionFor, type Bendable } from './index.js';

const plain = (thousandths: number) => {
  const outcome = stringProperties({ family: 'electric', construction: 'plain', gauge: fromInches(thousandths / 1000) });
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
};
const bendable = (thousandths: number, note: string, extra = 0.06): Bendable => ({
  string: plain(thousandths),
  speakingLength: metres(0.648),
  path: metres(0.648 + extra),
  pitch: frequencyOf(note),
});
const bend = (what: Bendable, rise = SEMITONE) => {
  const outcome = bendFor(rise, what);
  if (outcome.kind !== 'bend') throw new Error('out of reach');
  return outcome.bend;
};

describe('the feel of a bend', () => {
  it('takes for a semitone the travel that stretches the string by what the pull must grow, by hand', () => {
    // .010 at E4: T = 72.3 N, EA = 10306 N. The pull must grow by 2^(2/12) − 1 = 12.25 %, a little more for the longer half:
    // 8.9 N / 10306 N · 0.703 m = 0.61 mm of stretch; two halves of 324 mm make that at √(2 · 324 · 0.305) ≈ 14 mm aside.
    const { travel, force } = bend(bendable(10, 'E4'));
    expect(travel * 1000).toBeGreaterThan(13.5);
    expect(travel * 1000).toBeLessThan(15);
    // two halves of 81 N leaning 14/324 each
    expect(force).toBeCloseTo((2 * 81.4 * travel) / Math.hypot(0.324, travel), 0);
  });

  it('goes a centimetre aside for 127.4 cents on a string of round numbers, all that matters counted', () => {
    // 0.4 g/m, 600 mm at 250 Hz: 36 N, strained by 0.004 of EA = 9 kN. 10 mm aside make each half 0.16662 mm longer, 0.00047796 of the 697.21 mm that lie slack;
    // EA of quick changes 12 kN: 41.7355 N. ½ log₂(1.159321 · 1.00447796/1.004 · (300/300.16662)²) of an octave
    const string = { linearDensity: kilogramsPerMetre(0.0004), stiffness: 9000, stiffnessAtPitch: 12_000, thins: false };
    const round: Bendable = { string, speakingLength: metres(0.6), path: metres(0.7), pitch: hertz(250) };
    const { travel, force } = bend(round, cents(127.42));
    expect(travel * 1000).toBeCloseTo(10, 2);
    expect(force).toBeCloseTo((2 * 41.7355 * 10) / 300.16662, 2);
    expect(() => bendFor(SEMITONE, { ...round, path: metres(0) })).toThrow('path');
  });

  it('goes as far on a plain string of any gauge at less pull: the stretch per semitone is T/EA', () => {
    const light = bend(bendable(10, 'E4'));
    const heavy = bend(bendable(12, 'E4'));
    // strain at a given pitch does not depend on gauge, so the travel does not either; the force goes with the section
    expect(heavy.travel / light.travel).toBeCloseTo(1, 3);
    expect(heavy.force / light.force).toBeCloseTo(1.44, 2);
  });

  it('goes farther where more string behind nut and saddle shares the stretch', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.2, noNaN: true }), fc.double({ min: 0.005, max: 0.1, noNaN: true }), (extra, more) => {
        expect(bend(bendable(10, 'E4', extra + more)).travel).toBeGreaterThan(bend(bendable(10, 'E4', extra)).travel);
      }),
    );
  });

  it('rises with the square of the travel at first: half the cents at 1/√2 of the way', () => {
    const small = bend(bendable(10, 'E4'), cents(10));
    const half = bend(bendable(10, 'E4'), cents(5));
    expect(small.travel / half.travel).toBeCloseTo(Math.SQRT2, 2);
    expect(small.centsPerMillimetre).toBeCloseTo((2 * 10) / (small.travel * 1000), 1);
  });

  it('says that a soft string cannot be bent so far', () => {
    const soft = { linearDensity: kilogramsPerMetre(0.0004), stiffness: 150, stiffnessAtPitch: 150, thins: true };
    const outcome = bendFor(cents(700), { string: soft, speakingLength: metres(0.65), path: metres(0.71), pitch: frequencyOf('E4') });
    expect(outcome.kind).toBe('out-of-reach');
  });

  it('begins at the pull of the string at rest', () => {
    const { force, travel } = bend(bendable(10, 'E4'), cents(0.1));
    expect(force / ((2 * tensionFor(frequencyOf('E4'), metres(0.648), plain(10)) * travel) / 0.324)).toBeCloseTo(1, 3);
  });
});
