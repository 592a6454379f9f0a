import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SETS, setsFor, type StringSet } from '../strings/index.js';
import { fromInches, metres, toInches } from '../units/index.js';
import { confusables, identifySets, type Reading } from './index.js';
import { upperTail } from './identify.js';

const exact = (set: StringSet, off = 0): Reading[] =>
  set.strings.map(({ gauge, construction }) => ({ diameter: metres(gauge + off), wound: construction === 'wound' }));
const electric = setsFor('electric', 6);
const tens = electric.find(({ name }) => name === '.010–.046 nickel-plated steel') as StringSet;

describe('telling a set from readings', () => {
  it('adds up to one, whatever is read', () => {
    const reading = fc.record({ diameter: fc.double({ min: 0.0002, max: 0.0015, noNaN: true }).map(metres), wound: fc.boolean() });
    fc.assert(
      fc.property(fc.array(fc.option(reading), { minLength: 6, maxLength: 6 }), (readings) => {
        const { sets, none } = identifySets(readings, SETS);
        const shown = sets.reduce((sum, { probability }) => sum + probability, 0);
        expect(shown + none).toBeLessThanOrEqual(1 + 1e-9);
        // no more than the sets left out as too unlikely is missing
        expect(shown + none).toBeGreaterThan(1 - 0.005 * electric.length);
      }),
    );
  });

  it('knows every set of the table from its own gauges, or another of the same gauges', () => {
    for (const set of SETS) {
      const [first] = identifySets(exact(set), SETS).sets;
      expect(first?.farthest).toBeCloseTo(0, 12);
      const alike = SETS.filter(
        ({ strings }) => strings.length === set.strings.length && strings.every(({ gauge }, i) => gauge === set.strings[i]?.gauge),
      );
      expect(alike.map(({ id }) => id)).toContain(first?.set.id);
    }
  });

  it('is as sure of one as of the other where two sets have the same gauges', () => {
    const { sets } = identifySets(exact(tens), electric);
    const alike = sets.filter(({ farthest }) => farthest === 0);
    expect(alike.length).toBeGreaterThan(2); // nickel-plated, pure nickel, stainless, half-round
    for (const { probability } of alike) expect(probability).toBeCloseTo(alike[0]?.probability ?? 0, 9);
  });

  it('would rather believe in no set of the table than in one a tenth of a millimetre off', () => {
    const { none } = identifySets(exact(tens, 0.0001), electric);
    expect(none).toBeGreaterThan(0.9);
    expect(identifySets(exact(tens), electric).none).toBeLessThan(0.001);
  });

  it('tells a plain third from a wound one of the same diameter', () => {
    const plain = electric.find(({ name }) => name === '.011–.048 stainless flat') as StringSet;
    const asPlain = exact(plain).map((reading, index) => (index === 2 ? { ...reading, wound: false } : reading));
    const sure = identifySets(exact(plain), [plain, tens]).sets[0]?.probability ?? 0;
    expect(identifySets(asPlain, [plain, tens]).sets[0]?.probability ?? 0).toBeLessThanOrEqual(sure);
  });
});

describe('strings easily taken for one another', () => {
  it('finds .010 and .011 of a banjo set, and not the wound one', () => {
    const set = SETS.find(({ name }) => name.startsWith('.010 .011 .013 .021w .010')) as StringSet;
    const pairs = confusables(set.strings).map(({ first, second, apart }) => [first + 1, second + 1, Math.round(toInches(apart) * 1000)]);
    expect(pairs).toEqual([[1, 2, 1], [2, 5, 1]]); // prettier-ignore
  });

  it('is no question at .002, and often wrong at .0005', () => {
    const pair = (thousandths: number) =>
      confusables([
        { gauge: fromInches(0.01), construction: 'plain' },
        { gauge: fromInches(0.01 + thousandths / 1000), construction: 'plain' },
      ])[0]?.mistaken ?? Number.NaN;
    expect(pair(2)).toBeNaN(); // 0.0508 mm is 3.3 σ: once in two thousand times
    expect(pair(1)).toBeCloseTo(0.0477, 3); // 1.668 σ
    // 0.0127 mm over √2 · √(0.01² + 0.004²) = 0.01523 mm is 0.834 σ: 20.2 % (tables of the normal law)
    expect(pair(0.5)).toBeCloseTo(0.202, 2);
  });

  it('leaves out pairs that are the same string', () => {
    const mandolin = SETS.find(({ family }) => family === 'mandolin') as StringSet;
    for (const { apart } of confusables(mandolin.strings)) expect(apart).toBeGreaterThan(0);
  });

  it('tails above so many σ are as in the tables', () => {
    const tails = [0.5, 0.158655, 0.025, 0.00135].map((tail) => expect.closeTo(tail, 5));
    expect([0, 1, 1.959964, 3].map(upperTail)).toEqual(tails);
  });
});
