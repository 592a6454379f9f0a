import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromMillimetres, toMillimetres } from '../units/index.js';
import { capacityBelow, exitHeight, secondLayerRise, turnHeight } from './index.js';

const mm = fromMillimetres;
const wrapped = { postDiameter: mm(6), stringDiameter: mm(0.81) };

describe('the stack of turns', () => {
  it('is a little higher per turn than the string is thick: 0.81 mm lie at 0.8106', () => {
    expect(toMillimetres(turnHeight(wrapped))).toBeCloseTo(0.8106, 4);
  });

  it('has touching turns: their distance square to the string is its diameter', () => {
    fc.assert(
      fc.property(fc.double({ min: 4, max: 14, noNaN: true }), fc.double({ min: 0.2, max: 3, noNaN: true }), (post, string) => {
        const height = toMillimetres(turnHeight({ postDiameter: mm(post), stringDiameter: mm(string) }));
        const lean = Math.atan(height / (Math.PI * (post + string)));
        expect(height * Math.cos(lean)).toBeCloseTo(string, 9);
      }),
    );
  });

  it('lowers the string with each turn below the hole, and not with those above', () => {
    expect(toMillimetres(exitHeight(mm(9.5), 2.5, wrapped))).toBeCloseTo(9.5 - 2.5 * 0.81058, 3);
    expect(exitHeight(mm(9.5), -1, wrapped)).toBe(mm(9.5));
  });

  it('holds as many turns as bring the string down to the face', () => {
    const full = capacityBelow(mm(9.5), wrapped);
    expect(toMillimetres(exitHeight(mm(9.5), full, wrapped))).toBeCloseTo(0.405, 9);
    expect(capacityBelow(mm(0.2), wrapped)).toBe(0);
  });

  it('rides a second layer in the hollows of the first: 0.866 d farther out', () => {
    // three circles that touch stand in an equal triangle, of height √3/2 of its side
    expect(secondLayerRise(fromMillimetres(1))).toBeCloseTo(0.000866, 6);
  });
});
