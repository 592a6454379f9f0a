import { expect, it } from 'vitest';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { SETS, stringProperties } from '@gold-peg/craft/strings';
import { sayBlock } from './block-words';

const instrument = instrumentOf('electric-double-locking');
const set = SETS.find(({ id }) => id === 'electric-nickel-10-13-17-26w-36w-46w');
const strings = (set?.strings ?? []).map((spec) => {
  const properties = stringProperties(spec);
  return properties.ok ? properties.value : null;
});

// published pulls of .010–.046 on 648 mm add up to 103.6 lbf, 461 N: by arms of 10.5 over 40 mm that is 121 N, between 74 (8 over 50) and 195.5 (14 over 33)
it('says what the springs would throw the bridge back with', () => {
  const said = sayBlock(instrument, strings, (pull) => `${(20 * Math.round(pull / 20)).toFixed(0)} N`);
  expect(said).toBe('with all strings off it bears about 120 N (80 N to 200 N)');
});

it('says nothing of strings that it does not know', () => {
  expect(sayBlock(instrument, strings.with(2, null), String)).toBe('');
  expect(sayBlock(instrument, [], String)).toBe('');
});
