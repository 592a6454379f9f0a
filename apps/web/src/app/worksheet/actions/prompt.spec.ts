import { TestBed } from '@angular/core/testing';
import { describe, expect, it } from 'vitest';
import { Measures } from '../../preferences/measures';
import { kindPicture } from '../../build';
import { bigNumbers, spokenPrompt } from './prompt';

const at = (kind: string, index: number) => {
  const { lanes, plans } = kindPicture(kind, 300);
  const [lane, plan] = [lanes[index], plans[index]];
  if (lane === undefined || plan == null) throw new Error('no lane');
  return { lane, numbers: bigNumbers(lane, plan, TestBed.inject(Measures), 1) };
};

describe('what is read from two metres, and said aloud', () => {
  it('is turns, slack in the own measure, cut and direction of a string at its post', () => {
    const { lane, numbers } = at('acoustic-parlour', 3);
    expect(numbers.map(({ label }) => label)).toEqual(['turns', 'slack', 'cut past the post', 'turn it']);
    expect(spokenPrompt(lane, null, numbers)).toMatch(
      /^String 4, D\. turns: 2 and a half\. slack: fret 1\.\d\. cut past the post: \d+ millimetres\. turn it: anticlockwise\.$/,
    );
  });

  it('is arc, cut and screw of one in a clamp', () => {
    const { lane, numbers } = at('electric-headless', 0);
    const told = spokenPrompt(lane, null, numbers);
    expect(told).toMatch(/slack: arc \d+ millimetres\. cut past the clamp: \d+ millimetres\. screw: \d+ turns/);
  });

  it('is what to do where there are no numbers', () => {
    const { lane } = at('acoustic-parlour', 0);
    expect(spokenPrompt(lane, { does: 'Slacken until it is limp.' }, [])).toBe('String 1, E. Slacken until it is limp.');
    expect(spokenPrompt(lane, null, [])).toBe('String 1, E.');
  });

  it('reads a bare fraction as such', () => {
    const { lane } = at('acoustic-parlour', 0);
    expect(spokenPrompt(lane, null, [{ label: 'turns', value: '¼' }])).toContain('turns: 0 and a quarter');
  });
});
