import { describe, expect, it } from 'vitest';
import { methodsFor, type LayeredChoices } from '@gold-peg/craft/methods';
import { stringProperties } from '@gold-peg/craft/strings';
import { fromInches } from '@gold-peg/craft/units';
import { choiceRows, turnRows, withChoice, withTurns } from './ways-form';

const thin = stringProperties({ family: 'electric', construction: 'plain', gauge: fromInches(0.01) });
const inForce = (choices: LayeredChoices) => {
  if (!thin.ok) throw new Error('no string');
  return methodsFor({ family: 'electric', style: 'through', anchor: 'pins', string: thin.value, choices });
};

describe('ways as a form', () => {
  const all: LayeredChoices = {
    house: { turns: { 'thin-plain': 2 }, cutTime: 'after-it-holds' },
    technician: { turns: { 'thin-plain': 4 } },
  };

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
    const changed = withTurns(all.technician ?? {}, 'bass', 3);
    expect(changed).toEqual({ turns: { 'thin-plain': 4, bass: 3 } });
    expect(withTurns(changed, 'thin-plain', null)).toEqual({ turns: { bass: 3 } });
    const fixed = withChoice(all.house ?? {}, 'plainFixing', 'turns-first');
    expect(inForce({ house: fixed })).toMatchObject({ postMethod: 'turns-first', methodFrom: 'house' });
    expect(withChoice(fixed, 'cutTime', null)).not.toHaveProperty('cutTime');
  });
});
