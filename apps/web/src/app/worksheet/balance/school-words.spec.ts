import type { SchoolsCompared } from '@gold-peg/craft/balance';
import { cents, newtons, radians } from '@gold-peg/craft/units';
import { describe, expect, it } from 'vitest';
import { schoolRows } from './school-words';

const work = (pegs: number, claw: number, minutes: number, home = true) => ({
  pegs: { low: pegs, high: pegs },
  claw,
  minutes: { low: minutes, high: minutes + 1.6 },
  home,
});
const compared = (more: Partial<SchoolsCompared> = {}): SchoolsCompared => ({
  byMarks: work(12, 1, 11),
  byEar: work(200, 7, 110, false),
  blocked: { ...work(6, 2, 12), turnsIn: 3.375, turnsOut: 1, most: newtons(127), tuned: newtons(6.1), besides: cents(3.6) },
  springs: [
    { count: 2, holds: null, bend: cents(-65) },
    { count: 4, holds: { ...work(12, 2, 16), turns: -1.375 }, bend: cents(-54) },
  ],
  bend: cents(-59),
  clawAlone: { turns: 0.5, leaves: cents(60), tilt: radians(0.0175) },
  ...more,
});
const rows = (more: Partial<SchoolsCompared> = {}) =>
  schoolRows(compared(more), { order: [6, 5, 4, 3, 2, 1], newtons: (pull) => `${pull} N` });
const row = (id: string, more: Partial<SchoolsCompared> = {}) => rows(more).find((each) => each.id === id);

describe('ways home in words', () => {
  it('how many pegs, claw and time, and that it does not end', () => {
    expect(row('marks')).toMatchObject({ pegs: '12', claw: 'once', minutes: '11 to 13 min' });
    expect(row('ear')).toMatchObject({ pegs: 'over 200', claw: '7 times', minutes: 'over 110 min' });
  });

  it('what a block bears, turns in and out, and what a sixteenth is worth', () => {
    expect(row('block')?.steps).toBe(
      'Claw 3⅜ turns in, until the springs hold the block: 127 N while strings are slack, 6.1 N once they are up. ' +
        'Tune 6 5 4 3 2 1 as on a fixed bridge. Claw 1 turn out, by sixteenths, until it falls free: a sixteenth beside it is 3.6 ¢.',
    );
    expect(row('block', { blocked: null })).toBeUndefined();
  });

  it('what another spring does, and that fewer cannot hold', () => {
    expect(row('4 springs')?.steps).toContain('claw 1⅜ turns out; then to the marks. A whole-tone bend of string 3 then draws another down by 54 ¢, now by 59.'); // prettier-ignore
    expect(row('2 springs')).toMatchObject({ pegs: null, minutes: '–' });
  });

  it('what the claw alone leaves, and nothing where it stands best', () => {
    const told = row('claw')?.steps;
    expect(told).toContain('Claw ½ turn in, no peg: all strings move together. The worst is left 60 ¢ off, the bridge at +1.0°.');
    expect(row('claw', { clawAlone: { turns: 0.01, leaves: cents(0), tilt: radians(0) } })).toMatchObject({ claw: '–' });
  });

  it('every way that can be gone says what can go wrong', () => {
    for (const each of rows()) expect(each.risk === '').toBe(each.pegs === null);
  });
});
