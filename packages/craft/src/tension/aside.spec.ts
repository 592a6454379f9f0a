import fc from 'fast-check';
import { expect, it } from 'vitest';
import { metres, newtons } from '../units/index.js';
import { mostAside } from './aside.js';

// a .012 plain over 632 mm at 104 N, EA = 205 GPa × π (0.3048 mm)²/4 = 14,958 N: from 104 to 147 N the 710 mm give 2.03 mm, and 2 √(316² + y²) = 634.03 at y = 25.3 mm
it('is an inch for a treble of a guitar that may rise three semitones', () => {
  const treble = { pull: newtons(104), most: newtons(147), stiffness: 14_958, scale: metres(0.632), path: metres(0.71) };
  expect(mostAside(treble) * 1000).toBeCloseTo(25.3, 1);
  expect(mostAside({ ...treble, most: newtons(104) })).toBe(0);
});

it('pulls it there to just what it may bear, by the way back from the triangle', () => {
  const some = fc.record({
    pull: fc.double({ min: 40, max: 200, noNaN: true }),
    more: fc.double({ min: 1.05, max: 2, noNaN: true }),
    stiffness: fc.double({ min: 2000, max: 60_000, noNaN: true }),
    scale: fc.double({ min: 0.33, max: 0.9, noNaN: true }),
  });
  fc.assert(
    fc.property(some, ({ pull, more, stiffness, scale }) => {
      const path = 1.1 * scale;
      const aside = mostAside({ pull: newtons(pull), most: newtons(more * pull), stiffness, scale: metres(scale), path: metres(path) });
      const rest = path / (1 + pull / stiffness);
      const bent = path - scale + 2 * Math.hypot(scale / 2, aside);
      expect((stiffness * (bent / rest - 1)) / (more * pull)).toBeCloseTo(1, 6);
    }),
  );
});
