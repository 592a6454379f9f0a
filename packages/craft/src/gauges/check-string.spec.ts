import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromMillimetres, metres } from '../units/index.js';
import { checkString, zeroError } from './index.js';

const plain = (mm: number) => ({ gauge: fromMillimetres(mm), construction: 'plain' as const });
const wound = (mm: number) => ({ gauge: fromMillimetres(mm), construction: 'wound' as const });
/** .010 .013 .017 plain, .026 .036 .046 wound. */
const SIX = [plain(0.254), plain(0.33), plain(0.432), wound(0.66), wound(0.914), wound(1.168)];
const read = (mm: number, index: number, strings = SIX) => checkString(fromMillimetres(mm), strings, index);

describe('the check of a string', () => {
  it('takes a reading within a hundredth for what it should be, and tells a neighbour from it', () => {
    expect(read(0.26, 0).verdict).toBe('as-planned');
    expect(read(0.33, 0)).toMatchObject({ verdict: 'another', rival: { index: 1 } });
    expect(read(0.55, 0).verdict).toBe('none-of-them');
    expect(read(0.33, 0).off * 1000).toBeCloseTo(0.076, 9);
  });

  it('has chances that add up to one at most, and believes less the farther it reads off', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5 }), fc.double({ min: 0, max: 0.2, noNaN: true }), (index, off) => {
        const gauge = SIX[index]?.gauge ?? metres(0);
        const near = checkString(metres(gauge + off / 2000), SIX, index);
        const far = checkString(metres(gauge + off / 1000), SIX, index);
        expect(near.planned + near.none + (near.rival?.probability ?? 0)).toBeLessThanOrEqual(1 + 1e-9);
        expect(far.planned).toBeLessThanOrEqual(near.planned + 1e-12);
      }),
    );
  });

  it('cannot tell strings of one gauge apart, and does not try', () => {
    const pairs = [plain(0.279), plain(0.279), plain(0.381), plain(0.381)];
    expect(read(0.28, 0, pairs)).toMatchObject({ verdict: 'as-planned' });
    expect(read(0.28, 1, pairs).planned).toBeCloseTo(read(0.28, 0, pairs).planned, 12);
    expect(checkString(fromMillimetres(0.3), [plain(0.279)], 0).rival).toBeNull();
  });
});

describe('a caliper that was not zeroed', () => {
  const all = (shift: number, strings = SIX) => strings.map((string) => ({ read: metres(string.gauge + shift / 1000), string }));

  it('shows by all readings being off alike', () => {
    expect((zeroError(all(0.04)) ?? 0) * 1000).toBeCloseTo(0.04, 9);
    expect((zeroError(all(-0.03)) ?? 0) * 1000).toBeCloseTo(-0.03, 9);
  });

  it('is not suspected from one reading, from right ones, or from one wrong string', () => {
    expect(zeroError(all(0.05).slice(0, 1))).toBeNull();
    expect(zeroError(all(0.002))).toBeNull();
    const wrong = all(0).map((each, index) => (index === 0 ? { ...each, read: fromMillimetres(0.33) } : each));
    expect(zeroError(wrong)).toBeNull();
  });
});
