import { describe, expect, it } from 'vitest';
import { methodsFor, type LayeredChoices } from '@gold-peg/craft/methods';
import { stringProperties } from '@gold-peg/craft/strings';
import { fromInches } from '@gold-peg/craft/units';
import { choiceRows, numberRows, stringRows, turnRows, withChoice, withNumber } from './ways-form';

const thin = stringProperties({ family: 'electric', construction: 'plain', gauge: fromInches(0.01) });
const inForce = (choices: LayeredChoices) => {
  if (!thin.ok) throw new Error('no string');
  return methodsFor({ family: 'electric', number: 1, style: 'through', anchor: 'pins', string: thin.value, choices });
};

describe('ways as a form', () => {
  const all: LayeredChoices = { house: { turns: { 'thin-plain': 2 }, cutTime: 'after-it-holds' }, technician: { turns: { 'thin-plain': 4 } } }; // prettier-ignore

  it('shows every layer and whose is in force, as the craft resolves it', () => {
    const [row] = turnRows(['thin-plain'], all);
    expect(row).toMatchObject({ layers: { instrument: null, technician: '4', house: '2' }, builtIn: '3', from: 'technician' });
    expect(inForce(all)).toMatchObject({ turns: 4, turnsFrom: row?.from });
    expect(choiceRows(['plainFixing', 'woundFixing', 'softFixing', 'cutTime'], all).map(({ key, from }) => `${key} ${from}`)).toEqual([
      'plainFixing built-in',
      'woundFixing built-in',
      'softFixing built-in',
      'cutTime house',
    ]);
  });

  it('changes one choice and leaves the others; none takes it back', () => {
    const changed = withNumber(all.technician ?? {}, 'turns bass', 3);
    expect(changed).toEqual({ turns: { 'thin-plain': 4, bass: 3 } });
    expect(withNumber(changed, 'turns thin-plain', null)).toEqual({ turns: { bass: 3 } });
    const fixed = withChoice(all.house ?? {}, 'plainFixing', 'turns-first');
    expect(inForce({ house: fixed })).toMatchObject({ postMethod: 'turns-first', methodFrom: 'house' });
    expect(withChoice(fixed, 'cutTime', null)).not.toHaveProperty('cutTime');
  });

  it('has turns and an ‘at most’ for each class and for the string in hand, and numbers at the post', () => {
    let house = withNumber({}, 'most thin-plain', 2.5);
    house = withNumber(house, 'string-turns 1', 1.5);
    house = withNumber(house, 'string-most 1', 2);
    house = withNumber(house, 'stubMm', 6);
    expect(house).toEqual({ mostTurns: { 'thin-plain': 2.5 }, strings: { 1: { turns: 1.5, most: 2 } }, stubMm: 6 });
    expect(turnRows(['thin-plain'], { house }).map(({ label, layers }) => [label, layers.house])).toEqual([
      ['thin plain', null],
      ['thin plain, at most', '2.5'],
    ]);
    expect(stringRows(1, { house }).map(({ layers }) => layers.house)).toEqual(['1.5', '2']);
    expect(numberRows(['stubMm', 'nutDeg'], { house }).map(({ layers, from }) => [layers.house, from])).toEqual([
      ['6', 'house'],
      [null, 'built-in'],
    ]);
    expect(inForce({ house })).toMatchObject({ turns: 1.5, mostTurns: 2 });
    expect(withNumber(withNumber(house, 'string-turns 1', null), 'string-most 1', null).strings).toEqual({});
  });
});
