import fc from 'fast-check';
import { expect, it } from 'vitest';
import { fromDegrees, fromMillimetres } from '../units/index.js';
import { hangAtNut } from './index.js';

const at = (deg: number, fit: 'binds' | 'fits' | 'loose' | null = 'fits', behind = 100) =>
  hangAtNut({ turned: fromDegrees(deg), speakingLength: fromMillimetres(648), behindNut: fromMillimetres(behind), fit });

it('hangs by five cents at 14° in a dry slot, by ten in one that binds', () => {
  // e^(0.18 · 0.24435) = 1.04496 on 100 of 748 mm: 600 · log2(1.0060114)
  expect(at(14).likely).toBeCloseTo(5.19, 2);
  // e^(0.35 · 0.24435) = 1.08929
  expect(at(14, 'binds').likely).toBeCloseTo(600 * Math.log2(1 + (0.08929 * 100) / 748), 2);
  expect(at(14, null)).toEqual(at(14));
});

it('hangs by more the farther it is turned and the longer it is behind the nut, and not at all where it runs straight', () => {
  expect(at(0).high).toBe(0);
  fc.assert(
    fc.property(fc.double({ min: 0.5, max: 40, noNaN: true }), fc.double({ min: 0.1, max: 10, noNaN: true }), (deg, more) => {
      expect(at(deg + more).likely).toBeGreaterThan(at(deg).likely);
      expect(at(deg, 'fits', 100 + more).likely).toBeGreaterThan(at(deg).likely);
      expect(at(deg).low).toBeLessThan(at(deg).likely);
      expect(at(deg).likely).toBeLessThan(at(deg).high);
    }),
  );
});
