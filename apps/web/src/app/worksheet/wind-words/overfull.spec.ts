import { expect, it } from 'vitest';
import type { WindPlan } from '@gold-peg/craft/procedure';
import { fromMillimetres } from '@gold-peg/craft/units';
import { sayOverfull } from './overfull';

const length = (value: number) => `${(value * 1000).toFixed(1)} mm`;

it('says how many turns would lie on a post that holds fewer, or how far the screw is too short', () => {
  const post = { kind: 'post', wind: { turns: 9.6 }, capacityTurns: 7.25 } as unknown as WindPlan;
  expect(sayOverfull(post, length)).toContain('9.6 turns would lie on a post that holds 7.3');
  const clamp = { kind: 'clamp', screw: { left: fromMillimetres(-2.4) } } as unknown as WindPlan;
  expect(sayOverfull(clamp, length)).toContain('the screw runs out 2.4 mm before');
});
