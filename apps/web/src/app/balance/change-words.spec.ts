import type { BridgeChange } from '@gold-peg/craft/balance';
import { fromDegrees, metres, newtons } from '@gold-peg/craft/units';
import { describe, expect, it } from 'vitest';
import { sayChange } from './change-words';

const mm = (value: number, digits = 1) => `${(1000 * value).toFixed(digits)} mm`;
const tipped: BridgeChange = {
  tilt: fromDegrees(2.04),
  tilts: { least: fromDegrees(1.1), most: fromDegrees(3.5) },
  rise: metres(0.0016),
  action: metres(-0.00005),
  turns: { ok: true, value: { low: 1.2, likely: 2.5, high: 4.1 } },
};
const lines = (change: Partial<BridgeChange> = {}, at: { turned: number; left: number | null } = { turned: 0, left: 2.5 }) =>
  Object.fromEntries(sayChange({ ...tipped, ...change }, at, mm).map(({ about, says }) => [about, says]));

describe('what follows from a set or tuning that is tried', () => {
  it('tilt, height of the back edge, action, and turns with their band', () => {
    expect(lines()).toEqual({
      'claw left alone': 'it tips 2.0° (1.1 to 3.5) toward the neck',
      'back edge': '+1.6 mm',
      'action at fret 12': '−0.05 mm',
      'claw screws': '2½ turns in each to level it (1.2 to 4.1, by springs as they may be)',
    });
    const told = lines({ tilt: fromDegrees(-1), tilts: { least: fromDegrees(-1), most: fromDegrees(-1) } })['claw left alone'];
    expect(told).toBe('it tips 1.0° into the body');
  });

  it('what was turned already, and what is left', () => {
    expect(lines({}, { turned: 1, left: 1.5 })['claw screws']).toBe('turned 1 turn in; 1½ turns in each to level it');
    expect(lines({}, { turned: 2.5, left: 0.01 })['claw screws']).toBe('turned 2½ turns in; nothing left to turn');
  });

  it('that nothing changes, and that springs cannot', () => {
    expect(lines({ tilt: fromDegrees(0.01) })).toMatchObject({ 'claw left alone': 'it stays level', 'back edge': 'where it was' });
    const few = { ok: false as const, problem: { kind: 'too-few-springs' as const, claw: metres(0.1) } };
    expect(lines({ turns: few })['claw screws']).toBe('so few springs cannot hold it: one more');
    const many = { ok: false as const, problem: { kind: 'too-many-springs' as const, needed: newtons(3), initial: newtons(8) } };
    expect(lines({ turns: many })['claw screws']).toBe('so many springs pull it back: one less');
  });
});
