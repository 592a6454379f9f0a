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

// .010–.046 pulls about 459 N on 648 mm: by lever arms of 10.5 over 40 mm that is 120 N, between 8 over 50 and 14 over 33
it('says what the springs would throw the bridge back with', () => {
  const said = sayBlock(instrument, strings, (pull) => `${(10 * Math.round(pull / 10)).toFixed(0)} N`);
  expect(said).toBe('with all strings off it bears about 120 N (70 N to 190 N)');
});

it('says nothing of strings that it does not know', () => {
  expect(sayBlock(instrument, strings.with(2, null), String)).toBe('');
  expect(sayBlock(instrument, [], String)).toBe('');
});
