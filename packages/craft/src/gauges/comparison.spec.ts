import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { setsFor, stringProperties, type StringProperties } from '../strings/index.js';
import { retuneSeats, strungOf } from '../tuning/index.js';
import { hertz } from '../units/index.js';
import { bridgeTilt, compareOn, pitchVerdict } from './index.js';

const strung = strungOf(instrumentOf('electric-in-line'));
const sets = setsFor('electric', 6).map(({ strings }) =>
  strings.flatMap((string): StringProperties[] => {
    const outcome = stringProperties(string);
    return outcome.ok ? [outcome.value] : [];
  }),
);
const anySet = fc.constantFrom(...sets);

describe('one set against another', () => {
  it('is antisymmetric: there and back adds up to nothing, string by string and in total', () => {
    fc.assert(
      fc.property(anySet, anySet, (one, other) => {
        const there = compareOn({ strung, strings: other }, { strung, strings: one });
        const back = compareOn({ strung, strings: one }, { strung, strings: other });
        expect((there.change?.total.logRatio ?? 9) + (back.change?.total.logRatio ?? 9)).toBeCloseTo(0, 12);
        there.change?.strings.forEach(({ logRatio }, index) => expect(logRatio + (back.change?.strings[index]?.logRatio ?? 9)).toBeCloseTo(0, 12)); // prettier-ignore
        expect((there.relief?.likely ?? 9) + (back.relief?.likely ?? 9)).toBeCloseTo(0, 12);
        expect((there.action?.likely ?? 9) + (back.action?.likely ?? 9)).toBeCloseTo(0, 12);
      }),
    );
  });

  it('keeps bands in their order, and action never surer than the relief it rests on', () => {
    fc.assert(
      fc.property(anySet, anySet, (one, other) => {
        const { relief, action } = compareOn({ strung, strings: other }, { strung, strings: one });
        if (relief === null || action === null) throw new Error('both sets are known');
        for (const { low, likely, high } of [relief, action]) {
          expect(low).toBeLessThanOrEqual(likely);
          expect(likely).toBeLessThanOrEqual(high);
        }
        expect(action.high - action.low).toBeGreaterThanOrEqual(relief.high - relief.low);
      }),
    );
  });

  it('changes nothing against itself, and a lower tuning of the same set pulls less by its square', () => {
    const [set = []] = sets;
    expect(compareOn({ strung, strings: set }, { strung, strings: set }).change?.total.percent).toBeCloseTo(0, 12);
    const notes = strung.seats.map(({ pitch, note }) => ({ note, frequency: hertz(pitch * 2 ** (-2 / 12)) }));
    const lower = compareOn({ strung: retuneSeats(strung, { notes, a4: strung.a4 }), strings: set }, { strung, strings: set });
    // two semitones: 2^(−4/12) = 0.7937
    for (const { percent } of lower.strings) expect(percent).toBeCloseTo(-20.63, 2);
  });

  it('has nothing to say of relief where the old set is not known', () => {
    expect(compareOn({ strung, strings: sets[0] ?? [] }, null)).toMatchObject({ change: null, relief: null, action: null });
    expect(() => compareOn({ strung, strings: [] }, null)).toThrow(RangeError);
  });
});

describe('the tilt of a bridge', () => {
  it.each([
    ['pins', 20, 'fixed'],
    ['resting-vibrato', 5, 'may-lift'],
    ['resting-vibrato', -5, 'rests-on'],
    ['floating-vibrato', 5, 'toward-neck'],
    ['floating-vibrato', -5, 'into-body'],
    ['double-locking', 0.4, 'as-before'],
    ['double-locking', null, 'unknown'],
    ['hooked-tailpiece', 12, 'stands-loose'],
  ] as const)('%s with %s %% more pull: %s', (anchor, percent, tilt) => expect(bridgeTilt({ anchor }, percent)).toBe(tilt));
});

describe('what a pitch does to a string', () => {
  it.each([
    [120, -0.01, -5, 'breaks'],
    [90, 0.2, -0.5, 'past-safe'],
    [70, 0.5, 3, 'holds'],
    [9, 0.9, 20, 'too-slack'],
  ] as const)('%f N with %f left: %s', (pull, reserve, semitonesToSafe, verdict) =>
    expect(pitchVerdict({ pull: pull as never, reserve, semitonesToSafe })).toBe(verdict),
  );
});
