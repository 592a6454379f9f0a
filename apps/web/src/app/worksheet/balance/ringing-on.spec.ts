import { hertz } from '@gold-peg/craft/units';
import { expect, it } from 'vitest';
import { isRingingOn } from './ringing-on';

const g3 = { lane: 2, sounds: hertz(196 * 2 ** (40.5 / 1200)), at: 1000 };

it('is the string before it where that sounded so a moment ago: a G, 40 cents over its note, is no B 360 cents flat', () => {
  const asB = { lane: 1, sounds: hertz(246.94 * 2 ** (-359.5 / 1200)), at: 3000 };
  expect(isRingingOn(g3, asB)).toBe(true);
  expect(isRingingOn(g3, { ...asB, at: 6000 })).toBe(false);
  expect(isRingingOn(g3, { ...asB, sounds: hertz(246.94 * 2 ** (75 / 1200)) })).toBe(false);
});

it('is not the same string plucked again, nor the first that is heard', () => {
  expect(isRingingOn(g3, { ...g3, at: 2000 })).toBe(false);
  expect(isRingingOn(null, g3)).toBe(false);
});
