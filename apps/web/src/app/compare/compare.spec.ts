import { describe, expect, it } from 'vitest';
import { compareOn, type Comparison } from '@gold-peg/craft/gauges';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { setsFor } from '@gold-peg/craft/strings';
import { retuneSeats, strungKind, strungOf, type Strung } from '@gold-peg/craft/tuning';
import { CONCERT_A4, hertz, toMillimetres } from '@gold-peg/craft/units';
import { stringingOf } from '../solver/wish-form';
import { compareRows, pullAxis, signed, type Saying } from './compare-rows';
import { consequencesOf } from './consequences';

const saying: Saying = {
  pull: (pull) => ({ value: pull.toFixed(0), unit: 'N' }),
  pullNumber: (pull) => pull,
  length: (length, digits = 0) => ({ value: toMillimetres(length).toFixed(digits), unit: 'mm' }),
};

function stringing(strung: Strung, name: string) {
  const set = setsFor(strung.family, strung.seats.length).find((each) => each.name.startsWith(name));
  const found = set === undefined ? null : stringingOf(strung, set.strings);
  if (found === null) throw new Error(`no ${name}`);
  return found;
}
function compare(strung: Strung, next: string, old: string | null): Comparison {
  return compareOn(stringing(strung, next), old === null ? null : stringing(strung, old));
}
const words = (strung: Strung, next: string, old: string | null) =>
  Object.fromEntries(
    consequencesOf(strung, compare(strung, next, old), (length, digits) => `${toMillimetres(length).toFixed(digits)} mm`).map(
      ({ about, ...rest }) => [about, rest],
    ),
  );
const six = instrumentOf('electric-in-line');
/** Its slots as its kind has them, and as somebody measured them. */
const typical = strungOf(six);
const slots = six.strings.map(({ slotWidth }) => slotWidth);
const electric = strungOf(six, slots);

describe('lanes of a comparison', () => {
  it('draw the old pull and the new on one axis, the change beside', () => {
    const rows = compareRows(compare(electric, '.010–.046', '.009–.042'), CONCERT_A4, saying);
    for (const { width, oldWidth, change } of rows) {
      expect(width).toBeGreaterThan(oldWidth);
      expect(change).toMatch(/^\+\d+ %$/);
    }
    // .010 against .009: (10/9)² is 23 % more
    expect(rows[0]).toMatchObject({ oldGauge: '.009', gauge: '.010', change: '+23 %', big: true });
  });

  it('put the breaking note between the marks of the scale, and leave it out where it lies beyond', () => {
    const [first, , , , , sixth] = compareRows(compare(electric, '.010–.046', null), CONCERT_A4, saying);
    expect(first?.verdict).toBe('safe');
    expect(first?.breakLeft).toBeGreaterThan(first?.safeWidth ?? 100);
    expect(sixth?.breakLeft).toBeNull();
    expect(first?.oldGauge).toBe('–');
  });

  it('say which string breaks when it is tuned too high', () => {
    const up = electric.seats.map(({ note, pitch }, index) => ({ note, frequency: index === 0 ? hertz(pitch * 1.5) : null }));
    const strung = retuneSeats(electric, { notes: up, a4: CONCERT_A4 });
    const [first, second] = compareRows(compareOn(stringing(strung, '.010–.046'), null), CONCERT_A4, saying);
    expect(first).toMatchObject({ verdict: 'breaks', safeWidth: 0, breakNote: 'A4' });
    expect(second?.verdict).toBe('safe');
  });

  it('say nothing of slots that nobody measured', () => {
    expect(compareRows(compare(strungKind('acoustic-large'), '.012–.053', null), CONCERT_A4, saying)[0]?.slot).toBeNull();
    expect(compareRows(compare(electric, '.010–.046', null), CONCERT_A4, saying)[0]?.slot).toMatchObject({
      word: 'fits',
      room: '+0.08 mm',
      typical: false,
    });
  });

  it('say in grey, as a question, what typical slots that nobody measured would do', () => {
    const [first] = compareRows(compare(typical, '.011–.049', null), CONCERT_A4, saying);
    expect(first?.slot).toEqual({ word: 'fits', room: '+0.05 mm', binds: false, typical: true });
    const sixth = compareRows(compare(typical, '.012–.052', null), CONCERT_A4, saying)[5];
    expect(sixth?.slot).toMatchObject({ word: 'binds?', binds: false });
    expect(words(typical, '.012–.052', null)['nut slots']).toMatchObject({ grave: false });
    expect(words(typical, '.012–.052', null)['nut slots']?.says).toContain('typical slots, never measured here');
  });

  it('say what no hand can bend, and tell basses on floss by their pull', () => {
    const classical = strungOf(instrumentOf('classical'));
    const rows = compareRows(compare(classical, '.028–.043 nylon', null), CONCERT_A4, saying);
    expect(rows.map(({ bend, unbent }) => (bend === null ? unbent : 'bends'))).toEqual([
      'out of reach',
      'out of reach',
      'out of reach',
      'by its pull',
      'by its pull',
      'by its pull',
    ]);
    expect(compareRows(compare(electric, '.010–.046', null), CONCERT_A4, saying).every(({ bend }) => bend !== null)).toBe(true);
  });

  it('say room and slope in inches to who works in inches', () => {
    const inches: Saying = { ...saying, length: (length, digits = 0) => ({ value: (length / 0.0254).toFixed(digits + 2), unit: 'in' }) };
    const [first] = compareRows(compare(electric, '.010–.046', null), CONCERT_A4, inches);
    expect(first?.slot?.room).toBe('+0.003 in'); // 0.08 mm
    const [metric] = compareRows(compare(electric, '.010–.046', null), CONCERT_A4, saying);
    // cents over a hundredth of an inch are 0.254 of those over a millimetre
    expect(parseFloat(first?.bend?.slope ?? '')).toBeCloseTo(0.254 * parseFloat(metric?.bend?.slope ?? ''), 0);
  });

  it('draw bars on an axis that begins at nothing and leaves room past the strongest', () => {
    const { ticks, percent } = pullAxis([70, 104]);
    expect(ticks[0]).toBe(0);
    expect(percent(52) * 2).toBeCloseTo(percent(104), 9);
    expect(percent(104)).toBeLessThan(90);
  });

  it.each([[3.2, '+3 %'], [-3.2, '−3 %'], [-0.2, '0 %']])('writes %f as %s', (value, text) => expect(signed(value, 0, ' %')).toBe(text)); // prettier-ignore
});

describe('what follows', () => {
  it('has nothing to compare with where the old set is not known', () => {
    expect(words(electric, '.010–.046', null)['neck']?.says).toContain('nothing is known');
  });

  it('says which slot a thicker string would bind in, and by how much', () => {
    const { says, grave } = words(electric, '.012–.052', '.010–.046')['nut slots'] ?? { says: '', grave: false };
    expect(grave).toBe(true);
    // slot 1 is cut for .010 + 0.08 mm; .012 leaves 0.0292 mm of the 0.05 wanted
    expect(says).toContain('1 by 0.02 mm');
    expect(words(electric, '.010–.046', '.010–.046')['nut slots']?.grave).toBe(false);
    expect(words(strungKind('acoustic-large'), '.012–.053', null)['nut slots']?.says).toContain('not measured');
  });

  it('warns of a resting vibrato that may lift, and says which way a floating one goes', () => {
    expect(words(electric, '.011–.049', '.009–.042')['bridge']).toMatchObject({
      grave: true,
      says: expect.stringContaining('lift it off the body'),
    });
    expect(words(electric, '.010–.046', '.010–.046')['bridge']).toMatchObject({ grave: false });
    expect(words(strungKind('electric-in-line-locking'), '.011–.049', '.009–.042')['bridge']?.says).toContain('toward the neck');
    expect(words(strungKind('electric-in-line-locking'), '.009–.042', '.011–.049')['bridge']?.says).toContain('into the body');
    // 376 to 460 N at 10.5 mm against three springs at 40 mm: 7.3 N more each, 6.1 mm at 1.2 N/mm, 3.6 turns of 1.7 mm
    const answer = words(strungKind('electric-in-line-locking'), '.010–.046', '.009–.042')['bridge']?.says;
    expect(answer).toMatch(/claw about 3\.\d turns in \(1\.\d to 6\.\d\)/);
    expect(words(strungKind('electric-in-line-locking'), '.012–.052', '.009–.042')['bridge']?.says).toContain('hook in one more');
    expect(words(strungKind('mandolin'), '.011–.040', '.010–.034')['bridge']?.says).toContain('one string at a time');
  });

  it('gives relief and action as estimates with bands, and sends a large change to a repairer', () => {
    const { says, grave } = words(strungOf(instrumentOf('acoustic-parlour')), '.013–.056', '.010–.047')['neck'] ?? { says: '', grave: false }; // prettier-ignore
    expect(says).toMatch(/relief \+0\.\d\d mm \(0\.\d\d mm to 0\.\d\d mm\), action at 12 \+0\.\d\d mm/);
    expect(grave).toBe(true);
    expect(says).toContain('qualified repairer');
  });

  it('says what a bend takes, old against new: more force for a heavier set', () => {
    const says = words(electric, '.011–.049', '.009–.042')['feel']?.says ?? '';
    const [force = 0, before = 0] = [...says.matchAll(/([\d.]+) N/g)].map(([, number]) => Number(number));
    expect(force).toBeGreaterThan(before);
    expect(before).toBeGreaterThan(1);
  });

  it('says it of the second string, and of another where that one alone is changed', () => {
    expect(words(electric, '.009–.042', '.009–.042')['feel']?.says).toMatch(/^string 2 /);
    const [old, heavy] = [stringing(electric, '.009–.042'), stringing(electric, '.011–.049')];
    const one = { ...old, strings: old.strings.map((string, index) => (index === 4 ? (heavy.strings[4] ?? string) : string)) };
    const told = consequencesOf(electric, compareOn(one, old), (length) => `${toMillimetres(length)}`);
    expect(told.find(({ about }) => about === 'feel')?.says).toMatch(/^string 5 /);
  });
});
