import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../simulated/index.js';
import { piece, someJob, someRack } from '../testing/index.js';
import { brier, correctionFrom, HONEST, honestyOf, meant, planDay, promises, toSay, type Correction, type Kept } from './index.js';

const many = (chance: number, kept: number, broken: number): Kept[] => [
  ...Array.from({ length: kept }, () => ({ chance, kept: true })),
  ...Array.from({ length: broken }, () => ({ chance, kept: false })),
];
/** A house that says one thing, and another happens as often as `truth` has it. */
function house(truth: (said: number) => number, promises: number, seed = 5): Kept[] {
  const chance = chanceFrom(seed);
  return Array.from({ length: promises }, () => {
    const said = 0.5 + 0.49 * chance();
    return { chance: said, kept: chance() < truth(said) };
  });
}

describe('what was said against what was kept', () => {
  it('counts promises that were said alike, and says between what their share lies', () => {
    const [nine, sure] = honestyOf([...many(0.92, 8, 2), ...many(1, 3, 0)]);
    expect([nine?.from, nine?.until, nine?.promises, nine?.kept]).toEqual([0.9, 0.95, 10, 8]);
    expect([nine?.said, nine?.share]).toEqual([expect.closeTo(0.92, 9), 0.8]);
    // Wilson by hand: z² = 1.64250; (0.8 + 0.082125) / 1.16425 = 0.757677, half 1.2816 / 1.16425 × √(0.016 + 0.00410625) = 0.156092
    expect(nine?.low).toBeCloseTo(0.757677 - 0.156092, 4);
    expect(nine?.high).toBeCloseTo(0.757677 + 0.156092, 4);
    expect([sure?.from, sure?.promises, sure?.high]).toEqual([0.95, 3, 1]);
    expect(honestyOf([])).toEqual([]);
  });

  it('leaves no promise out and counts none twice', () => {
    const kept = fc.record({ chance: fc.double({ min: 0, max: 1, noNaN: true }), kept: fc.boolean() });
    fc.assert(
      fc.property(fc.array(kept, { maxLength: 60 }), (promises) => {
        const parts = honestyOf(promises);
        expect(parts.reduce((sum, part) => sum + part.promises, 0)).toBe(promises.length);
        for (const { low, share, high } of parts) expect([low <= share + 1e-12, share <= high + 1e-12]).toEqual([true, true]);
      }),
    );
  });

  it('is scored by its square: a quarter where one always says half, nothing where one always knows', () => {
    expect(brier(many(0.5, 3, 4))).toBe(0.25);
    expect(brier([...many(1, 5, 0), ...many(0, 0, 5)])).toBe(0);
    expect(brier([])).toBeNull();
  });
});

describe('what is learned of it', () => {
  it('is nothing where nothing was promised, and next to nothing after one broken promise', () => {
    expect(correctionFrom([])).toEqual(HONEST);
    expect(Math.abs(meant(correctionFrom(many(0.9, 0, 1)), 0.9) - 0.9)).toBeLessThan(0.05);
  });

  it('is how an overconfident house is to be taken: its nine in ten come true seven times in ten', () => {
    const odds = (chance: number) => Math.log(chance / (1 - chance));
    const truth = (said: number) => 1 / (1 + Math.exp(-(0.7 * odds(said) - 0.6)));
    const learned = correctionFrom(house(truth, 4000));
    for (const said of [0.6, 0.75, 0.9, 0.95]) expect(Math.abs(meant(learned, said) - truth(said))).toBeLessThan(0.03);
    expect(meant(learned, 0.9)).toBeLessThan(0.76);
  });

  it('leaves an honest house honest', () => {
    const learned = correctionFrom(house((said) => said, 4000));
    for (const said of [0.6, 0.75, 0.9, 0.95]) expect(Math.abs(meant(learned, said) - said)).toBeLessThan(0.03);
  });

  it('is in what is promised: a house that is half as sure as it says needs longer to be sure', () => {
    const job = someJob('a', 50, [{ ...piece('restring', 40), minutesP50: 40, minutesP90: 60 }]);
    const rack = someRack([job]);
    const plan = planDay(rack, { seed: 1, iterations: 20, goesOn: () => true });
    const of = (correction: Correction) => promises(rack, plan, { draws: 4000, seed: 2, correction })[0];
    const [plain, learned] = [of(HONEST), of({ slope: 0.5, shift: 0 })];
    // odds of 50 within a median of 40: z = ln 1.25 / (ln 1.5 / 1.2816), 0.7597; their root is 1.778, of which the chance is 0.64
    expect(Math.abs((plain?.onTime ?? 0) - 0.7597)).toBeLessThan(0.02);
    expect(Math.abs((learned?.onTime ?? 0) - 0.64)).toBeLessThan(0.02);
    // nine in ten are odds of 9, which it says as 81: z = 2.2436 of the spread 0.31637
    expect(Math.abs((learned?.p90 ?? 0) - 40 * Math.exp(2.2436 * 0.31637))).toBeLessThan(3);
    expect(plain?.p50).toBeCloseTo(learned?.p50 ?? 0, 9);
  });

  it('never turns more likely into less likely, and can be said the other way round', () => {
    const kept = fc.record({ chance: fc.double({ min: 0, max: 1, noNaN: true }), kept: fc.boolean() });
    const chance = fc.double({ min: 0.01, max: 0.99, noNaN: true });
    fc.assert(
      fc.property(fc.array(kept, { maxLength: 40 }), chance, chance, (promises, one, other) => {
        const learned = correctionFrom(promises);
        expect(learned.slope).toBeGreaterThan(0);
        if (one < other) expect(meant(learned, one)).toBeLessThanOrEqual(meant(learned, other));
        const there = toSay(learned, one);
        if (there > 0.001 && there < 0.999) expect(meant(learned, there)).toBeCloseTo(one, 6);
      }),
    );
  });
});
