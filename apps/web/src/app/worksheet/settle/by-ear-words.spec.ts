import { expect, it } from 'vitest';
import { cents } from '@gold-peg/craft/units';
import { sayRound } from './by-ear-words';

it('says what the hand does next: tuned from below, never slackened, stretched once it is there', () => {
  const tune = (off: number | null) => sayRound({ kind: 'tune' }, { number: 3, off, tolerance: 2 });
  expect(tune(null)).toContain('Pluck string 3');
  expect(tune(-17)).toContain('from below');
  expect(tune(6)).toContain('never slacken');
  expect(sayRound({ kind: 'stretch', before: cents(0.4), at: 0 }, { number: 3, off: 0.4, tolerance: 2 })).toContain('stretch string 3');
});
