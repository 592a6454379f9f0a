import { expect, it } from 'vitest';
import { metres } from '@gold-peg/craft/units';
import { sayGap } from './gap-words';

const length = (value: number) => `${(value * 1000).toFixed(0)} mm`;

it('says what practice leaves, what the post makes of it, and what to measure', () => {
  const told = sayGap({ practice: { kind: 'fret', from: 2.5, to: 3 }, made: 4.8 }, length);
  expect(told).toBe('Practice pulls back to fret 2.5 to 3, this post makes fret 4.8: measure its diameter where the string lies.');
  expect(sayGap({ practice: { kind: 'fret', from: 2, to: 2 }, made: 3 }, length)).toContain('pulls back to fret 2, this post');
  const found = sayGap({ practice: { kind: 'past-post', from: metres(0.05), to: metres(0.1) }, made: 0.2 }, length);
  expect(found).toContain('leaves 50 mm to 100 mm past the post, this post makes 200 mm');
});
