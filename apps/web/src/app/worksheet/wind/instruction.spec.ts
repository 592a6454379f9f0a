import { describe, expect, it } from 'vitest';
import { kindPicture } from '../../register/kind-picture';
import { instructionFor } from './instruction';

function told(archetypeId: string, number: number): string {
  const { lanes, plans } = kindPicture(archetypeId, 300);
  const [lane, plan] = [lanes[number - 1], plans[number - 1]];
  if (lane === undefined || plan == null) throw new Error('no lane');
  return instructionFor(lane, plan).join(' ');
}

describe('what to do now at the post', () => {
  it('locks a plain string with its tail under itself, a wound one over one and under the rest', () => {
    expect(told('acoustic-parlour', 1)).toContain('under the string, up and over');
    expect(told('acoustic-parlour', 6)).toContain('First turn above the tail, all others below');
  });

  it('bends a wound string before it is cut at a slotted post', () => {
    expect(told('bass-in-line', 4)).toMatch(/Bend it square a little beyond the mark, then cut/);
  });

  it('turns the bass side anticlockwise and the treble side clockwise, in line all one way', () => {
    expect(told('acoustic-parlour', 6)).toContain('Turn anticlockwise');
    expect(told('acoustic-parlour', 1)).toContain('Turn clockwise');
    expect(told('electric-in-line', 1)).toContain('Turn anticlockwise');
  });

  it('winds the outer strings of a classical outside, the inner four inside', () => {
    expect([1, 6].map((number) => told('classical', number))).toEqual([
      expect.stringContaining('outside'),
      expect.stringContaining('outside'),
    ]);
    for (const number of [2, 3, 4, 5]) expect(told('classical', number)).toContain('inside of the roller');
  });

  it('winds the fifth string of a banjo into its pip', () => {
    expect(told('banjo-five-string', 5)).toContain('pip');
  });
});
