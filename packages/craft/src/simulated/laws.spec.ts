import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { CALIPER, WARMTH } from '../constants/index.js';
import { windString } from '../procedure/index.js';
import { setsFor, stringProperties } from '../strings/index.js';
import { fromMillimetres, metres } from '../units/index.js';
import { caliperReadings, chanceFrom, coldAfter, pitchNow, pullsOf, strainLost, stretched, turned, wound } from './index.js';
import type { SimulatedString, StringState } from './index.js';

/** Some string of some kind that goes round a post, hanging just taut: its peg has no play, its slot grips so. */
function anyString(seed: number, grip: number) {
  const chance = chanceFrom(seed);
  for (;;) {
    const instrument = instrumentOf(ARCHETYPES[Math.floor(chance() * ARCHETYPES.length)]?.id ?? '');
    const index = Math.floor(chance() * instrument.strings.length);
    const [spec, place] = [setsFor(instrument.family, instrument.strings.length)[0]?.strings[index], instrument.strings[index]];
    const read = spec === undefined ? null : stringProperties(spec);
    const plan = read?.ok === true ? windString({ instrument, index, string: read.value }) : null;
    if (read?.ok !== true || plan?.kind !== 'post' || place === undefined) continue;
    const facts = { plan, string: read.value, scale: place.scaleLength, gearRatio: instrument.gearRatio, holds: null };
    const { of, state } = wound(facts, chance);
    return { of: { ...of, grip, backlash: 0 }, state: { ...state, play: 0 }, pull: plan.load.pull };
  }
}
/** Turned by small steps until it pulls so, up or down. */
function brought(of: SimulatedString, from: StringState, pull: number, step: number): StringState {
  let now = from;
  for (let turns = 0; turns < 20_000 && pullsOf(of, now).body < pull === step > 0; turns++) now = turned(of, now, step);
  return now;
}
const seeds = fc.integer({ min: 1, max: 1e6 });
const off = (now: number, from: number) => 1200 * Math.log2(now / from);

describe('any simulated string', () => {
  it('draws in, round its post, what it loses of its length: the sum of turns is the path times ln (1 + ε)', () => {
    fc.assert(
      fc.property(seeds, fc.double({ min: 0.2, max: 0.95, noNaN: true }), (seed, share) => {
        const { of, state, pull } = anyString(seed, 1);
        const taut = pullsOf(of, state).body;
        const up = brought(of, state, taut + share * (pull - taut), 0.02);
        const strain = (now: StringState) => pullsOf(of, now).body / of.string.stiffness;
        const drawn = of.drawn(up.button) - of.drawn(state.button);
        expect(drawn / (of.path * Math.log((1 + strain(up)) / (1 + strain(state))))).toBeCloseTo(1, 3);
        // and what is on the post and on the instrument is the whole of it
        expect(up.head + up.body + up.onPost).toBeCloseTo(state.head + state.body + state.onPost, 12);
      }),
      { numRuns: 15 },
    );
  });

  it('comes back to its pitch where its peg goes there and back, without friction', () => {
    fc.assert(
      fc.property(seeds, fc.double({ min: 0.05, max: 1.5, noNaN: true }), (seed, turns) => {
        const { of, state, pull } = anyString(seed, 1);
        const up = brought(of, state, 0.6 * pull, 0.02);
        const [down, back] = [turned(of, up, -turns / 4), turned(of, turned(of, up, -turns / 4), turns / 4)];
        expect(pitchNow(of, down)).toBeLessThan(pitchNow(of, up));
        expect(Math.abs(off(pitchNow(of, back), pitchNow(of, up)))).toBeLessThan(0.5);
      }),
      { numRuns: 15 },
    );
  });

  it('reads the same from below whatever came before; from above it hangs sharp, and the first stretch lets it fall', () => {
    fc.assert(
      fc.property(seeds, fc.double({ min: 1.03, max: 1.2, noNaN: true }), (seed, grip) => {
        const { of, state, pull } = anyString(seed, grip);
        const [target, over] = [0.75 * pull, 0.85 * pull];
        const step = 0.002;
        const below = brought(of, state, target, step);
        const was = brought(of, state, over, step);
        const again = brought(of, brought(of, was, 0.6 * pull, -step), target, step);
        const above = brought(of, was, target, -step);
        /** What is left of it once a hand has let it go at the nut, without the stretch. */
        const freed = (now: StringState) =>
          stretched({ ...of, firstDrop: 0 as never, remainder: 0 as never }, { ...now, toSettle: 0 as never }, 1);
        const falls = (now: StringState) => off(pitchNow(of, now), pitchNow(of, freed(now)));
        const ratio = (now: StringState) => pullsOf(of, now).head / pullsOf(of, now).body;
        for (const now of [below, again]) {
          expect(ratio(now)).toBeGreaterThan(1); // it slid through its slot toward the post last
          expect(ratio(now)).toBeLessThanOrEqual(grip + 1e-9);
          expect(falls(now)).toBeLessThan(0);
        }
        expect(ratio(above)).toBeLessThan(1);
        expect(falls(above)).toBeGreaterThan(0);
      }),
      { numRuns: 12 },
    );
  });

  it('is the same, bit for bit, from the same seed under the same hands', () => {
    fc.assert(
      fc.property(seeds, fc.array(fc.double({ min: -0.5, max: 1, noNaN: true }), { maxLength: 12 }), (seed, turns) => {
        const run = () => {
          const { of, state } = anyString(seed, 1.1);
          return turns.reduce((now, each) => stretched(of, turned(of, now, each), 1), state);
        };
        expect(run()).toEqual(run());
      }),
      { numRuns: 12 },
    );
  });
});

describe('warmth', () => {
  it('takes strain from a string by what it grows more than wood, by hand: steel 7.5 and nylon 86 millionths a degree', () => {
    expect(strainLost({ thins: false }, 10)).toBeCloseTo(75e-6, 12);
    expect(strainLost({ thins: true }, 10)).toBeCloseTo(860e-6, 12);
  });

  it('is at the room by e in each twenty minutes', () => {
    expect(coldAfter(10, 0)).toBe(10);
    expect(coldAfter(10, WARMTH.neck.value)).toBeCloseTo(10 / Math.E, 9);
    expect(coldAfter(10, Infinity)).toBe(0);
  });
});

it('a caliper reads the gauge, its own zero, and a hundredth of noise: mean and spread of ten thousand', () => {
  const chance = chanceFrom(5);
  const gauge = fromMillimetres(0.254);
  const [zero, count] = [fromMillimetres(0.02), 1];
  const read = () => 1000 * (caliperReadings({ gauge, construction: 'plain' }, { zero, count }, chance)[0] ?? 0);
  const all = Array.from({ length: 10_000 }, read);
  const mean = all.reduce((sum, each) => sum + each, 0) / all.length;
  const spread = Math.sqrt(all.reduce((sum, each) => sum + (each - mean) ** 2, 0) / all.length);
  expect(mean).toBeCloseTo(0.274, 3);
  expect(spread).toBeCloseTo(Math.hypot(CALIPER.reading.value, CALIPER.making.value), 3);
  const same = caliperReadings({ gauge, construction: 'plain' }, { zero: metres(0), count: 200 }, chance).map((each) => 1000 * each);
  // closed on one string again and again only the reading spreads: what it was made stays
  expect(Math.max(...same) - Math.min(...same)).toBeLessThan(8 * CALIPER.reading.value);
});
