import { describe, expect, it } from 'vitest';
import { instrumentOf } from '@gold-peg/craft/instrument';
import { setsFor, stringProperties, type StringProperties } from '@gold-peg/craft/strings';
import { toMillimetres } from '@gold-peg/craft/units';
import { lanesOf } from '../desk/lane';
import { compareChoice, pullAxis } from './choose-rows';
import { consequencesOf } from './consequences';

function strings(id: string, name: string): StringProperties[] {
  const { family, strings: places } = instrumentOf(id);
  const set = setsFor(family, places.length).find((candidate) => candidate.name.startsWith(name));
  return (set?.strings ?? []).flatMap((string) => {
    const outcome = stringProperties({ family, ...string });
    return outcome.ok ? [outcome.value] : [];
  });
}
function choiceOf(id: string, next: string, old: string | null) {
  const instrument = instrumentOf(id);
  const choice = compareChoice(instrument, lanesOf(instrument, strings(id, next)), old === null ? null : strings(id, old));
  if (choice === null) throw new Error('no choice');
  return { instrument, choice };
}
const words = (id: string, next: string, old: string | null) => {
  const { instrument, choice } = choiceOf(id, next, old);
  const said = consequencesOf(instrument, choice, (length, digits) => `${toMillimetres(length).toFixed(digits)} mm`);
  return Object.fromEntries(said.map(({ about, says, grave }) => [about, { says, grave }]));
};

describe('choosing', () => {
  it('compares each string and the total: a heavier set pulls more on every string', () => {
    const { choice } = choiceOf('electric-in-line', '.010–.046', '.009–.042');
    for (const { percent } of choice.rows) expect(percent).toBeGreaterThan(0);
    const sum = choice.rows.reduce((total, { load }) => total + load.pull, 0);
    expect(choice.total).toBeCloseTo(sum, 9);
    expect(choice.comparison?.total.percent).toBeGreaterThan(5);
    expect(choice.tightest?.lane.number).toBe(1);
  });

  it('has nothing to compare with where the old set is not known', () => {
    const { choice } = choiceOf('mandolin', '.010–.034', null);
    expect(choice.comparison).toBeNull();
    expect(words('mandolin', '.010–.034', null)['relief']?.says).toContain('nothing is known');
  });

  it('says which slot a thicker string would bind in, and by how much', () => {
    const { says, grave } = words('electric-in-line', '.012–.052', '.010–.046')['nut slots'] ?? { says: '', grave: false };
    expect(grave).toBe(true);
    // slot 1 is cut for .010 + 0.08 mm; .012 leaves 0.0292 mm of the 0.05 wanted
    expect(says).toContain('1 by 0.02 mm');
    expect(words('electric-in-line', '.010–.046', '.010–.046')['nut slots']?.grave).toBe(false);
  });

  it('warns of a resting vibrato that may lift, and of a bridge that stands by its strings', () => {
    expect(words('electric-in-line', '.011–.049', '.009–.042')['bridge']).toMatchObject({ grave: true });
    expect(words('electric-in-line', '.010–.046', '.010–.046')['bridge']).toMatchObject({ grave: false });
    expect(words('mandolin', '.011–.040', '.010–.034')['bridge']?.says).toContain('one string at a time');
  });

  it('gives relief as an estimate with its band, up for more pull', () => {
    const { relief } = choiceOf('acoustic-parlour', '.013–.056', '.010–.047').choice;
    expect(relief?.low).toBeGreaterThan(0);
    expect(relief?.high).toBeGreaterThan(relief?.likely ?? 9);
    expect(words('acoustic-parlour', '.013–.056', '.010–.047')['relief']?.says).toContain('an estimate');
  });

  it('says what a bend takes, old against new: more force for a heavier set', () => {
    const says = words('electric-in-line', '.011–.049', '.009–.042')['feel']?.says ?? '';
    const [force = 0, before = 0] = [...says.matchAll(/([\d.]+) N/g)].map(([, number]) => Number(number));
    expect(force).toBeGreaterThan(before);
    expect(before).toBeGreaterThan(1);
  });

  it('draws bars on an axis that begins at nothing and leaves room past the strongest', () => {
    const { ticks, percent } = pullAxis([70, 104]);
    expect(ticks[0]).toBe(0);
    expect(percent(0)).toBe(0);
    expect(percent(52) * 2).toBeCloseTo(percent(104), 9);
    expect(percent(104)).toBeLessThan(90);
  });
});
