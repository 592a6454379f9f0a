import { describe, expect, it } from 'vitest';
import type { StringSet } from '../strings/index.js';
import { fromMillimetres, metres, type Metres } from '../units/index.js';
import { checkString, confusables, firstLaidOut, identifySets, zeroError, type Reading } from './index.js';

const MAKING = { plain: 0.004, wound: 0.012 };
/** Spread of a reading, mm: a caliper to a hundredth, and what was made. */
const spread = (of: 'plain' | 'wound') => Math.hypot(0.01, MAKING[of]);
const density = (off: number, of: 'plain' | 'wound') => Math.exp(-0.5 * (off / spread(of)) ** 2) / (spread(of) * Math.sqrt(2 * Math.PI));
const string = (mm: number, construction: 'plain' | 'wound' = 'plain') => ({ gauge: fromMillimetres(mm), construction });
const setOf = (name: string, ...strings: readonly ReturnType<typeof string>[]) => ({ id: name, name, strings }) as unknown as StringSet;
const reading = (mm: number, wound: boolean | null = null): Reading => ({ diameter: fromMillimetres(mm), wound });

describe('which set it is, by Bayes’ rule', () => {
  const light = setOf('light', string(0.25), string(0.6, 'wound'));
  const heavy = setOf('heavy', string(0.28), string(0.65, 'wound'));
  const three = setOf('three', string(0.25), string(0.6, 'wound'), string(0.7, 'wound'));

  it('each set of so many strings 0.9 by their count, none of them 0.1 at one per mm; unlikely ones are not shown', () => {
    const { sets, none } = identifySets([reading(0.262), null], [heavy, three, light]);
    const masses = [0.45 * density(0.012, 'plain'), 0.45 * density(0.018, 'plain'), 0.1];
    const sum = masses.reduce((all, each) => all + each, 0);
    expect(sets.map(({ set }) => set.name)).toEqual(['light', 'heavy']);
    expect(sets.map(({ probability }) => probability)).toEqual([
      expect.closeTo((masses[0] ?? 0) / sum, 9),
      expect.closeTo((masses[1] ?? 0) / sum, 9),
    ]);
    expect(none).toBeCloseTo(0.1 / sum, 9);
    expect(sets.map(({ farthest }) => farthest)).toEqual([expect.closeTo(12e-6, 12), expect.closeTo(18e-6, 12)]);
    expect(identifySets([reading(0.25), null], [light, heavy]).sets.map(({ set }) => set.name)).toEqual(['light', 'heavy']);
    expect(identifySets([reading(0.235), null], [light, heavy]).sets.map(({ set }) => set.name)).toEqual(['light']); // the other is 4 deviations off
  });

  it('a look at the winding counts 0.99 where it agrees and 0.01 where it does not, and nothing where nobody looked', () => {
    const smooth = setOf('smooth', string(0.25), string(0.6));
    const odds = (wound: boolean | null) => {
      const { sets } = identifySets([null, reading(0.6, wound)], [light, smooth]);
      const of = (name: string) => sets.find(({ set }) => set.name === name)?.probability ?? Number.NaN;
      return of('light') / of('smooth');
    };
    const alike = density(0, 'wound') / density(0, 'plain');
    expect(odds(null)).toBeCloseTo(alike, 9);
    expect(odds(true)).toBeCloseTo(99 * alike, 6);
    expect(1 / odds(false)).toBeCloseTo(99 / alike, 6);
  });
});

describe('strings taken for one another', () => {
  it('wound ones by their wider spread; a wound one and a plain one never', () => {
    // 0.02 mm over √2 · 0.01562 is 0.905 σ: 18.3 % (tables of the normal law)
    const [pair] = confusables([string(0.6, 'wound'), string(0.62, 'wound')]);
    expect(pair).toMatchObject({ first: 0, second: 1, mistaken: expect.closeTo(0.1827, 3) as number });
    expect(confusables([string(0.6), string(0.61, 'wound')])).toEqual([]);
    expect(confusables([string(0.6, 'wound'), string(0.61)])).toEqual([]);
    expect(confusables([string(0.6), string(0.6)])).toEqual([]);
  });
});

describe('whether it is the string it should be', () => {
  const packet = [string(0.25), string(0.28), string(0.29), string(0.28, 'wound')];

  it('0.92 that it is, 0.06 shared by the others of the packet, a winding that nobody saw a hundredth of that, 0.02 none', () => {
    const checked = checkString(fromMillimetres(0.272), packet, 0);
    const masses = [
      0.92 * density(0.022, 'plain'),
      0.02 * density(0.008, 'plain'),
      0.02 * density(0.018, 'plain'),
      0.0002 * density(0.008, 'wound'),
      0.02,
    ];
    const sum = masses.reduce((all, each) => all + each, 0);
    expect(checked.planned).toBeCloseTo((masses[0] ?? 0) / sum, 9);
    expect(checked.rival).toEqual({ index: 1, probability: expect.closeTo((masses[1] ?? 0) / sum, 9) as number });
    expect(checked.none).toBeCloseTo(0.02 / sum, 9);
    expect(checked.off).toBeCloseTo(22e-6, 12);
    expect(checked.verdict).toBe('doubtful'); // 83 against 13 of a hundred
  });

  it('the likeliest other is told, wherever it lies in the packet', () => {
    expect(checkString(fromMillimetres(0.292), packet, 0)).toMatchObject({ verdict: 'another', rival: { index: 2 } });
    const wound = checkString(fromMillimetres(0.292), packet, 3);
    const masses = [0.92 * density(0.012, 'wound'), 0.0002 * density(0.002, 'plain'), 0.02];
    expect(wound.rival?.index).toBe(2);
    expect((wound.rival?.probability ?? 0) / wound.planned).toBeCloseTo((masses[1] ?? 0) / (masses[0] ?? 1), 9);
  });

  it('is alone in its packet where all are alike', () => {
    const { planned, rival, none } = checkString(fromMillimetres(0.26), [string(0.25), string(0.25)], 1);
    const mine = 0.98 * density(0.01, 'plain');
    expect([planned, rival, none]).toEqual([expect.closeTo(mine / (mine + 0.02), 9), null, expect.closeTo(0.02 / (mine + 0.02), 9)]);
  });

  it('names the string that there is not', () => expect(() => checkString(fromMillimetres(0.25), packet, 7)).toThrow('no string 7'));
});

describe('a caliper that was not zeroed', () => {
  const off = (...microns: number[]) => microns.map((each) => ({ read: metres(0.00025 + each * 1e-6), string: string(0.25) }));

  it('is suspected from two readings on, where all lie 4 standard errors off and more than 15 µm', () => {
    expect((zeroError(off(40, 42)) ?? 0) * 1e6).toBeCloseTo(41, 6); // 41 / (10.77 / √2) = 5.4
    expect(zeroError(off(20, 20))).toBeNull(); // 2.6 standard errors
    expect(zeroError(off(...Array<number>(16).fill(14)))).toBeNull(); // 5.2 of them, and within the last digit
    expect((zeroError(off(...Array<number>(16).fill(16))) ?? 0) * 1e6).toBeCloseTo(16, 6);
  });

  it('moves all alike: what scatters by more than three deviations is no zero', () => {
    expect(zeroError(off(100, 0))).toBeNull();
    expect(zeroError(off(40, 40, 40, 140))).toBeNull(); // one of four is another string
    expect(zeroError(off(50, 80, 65))).not.toBeNull();
  });

  it('weighs plain strings more than wound ones, by the inverse of their variance', () => {
    const [plain, wound] = [spread('plain') ** -2, spread('wound') ** -2];
    const read = [...off(40, 40), { read: metres(0.00066), string: string(0.6, 'wound') }];
    expect((zeroError(read) ?? 0) * 1e6).toBeCloseTo((80 * plain + 60 * wound) / (2 * plain + wound), 6);
  });
});

describe('what is laid out first', () => {
  const slots = [metres(0.0003), metres(0.0004)];
  /** A set whose strings leave so much room in these slots, µm. */
  const leaving = (...room: number[]) => setOf(room.join(), ...room.map((each, index) => string(1000 * (slots[index] ?? 0) - each / 1000)));
  const [middle, wide, narrow, uneven] = [leaving(85, 85), leaving(100, 100), leaving(60, 60), leaving(70, 100)];
  const laid = (sets: readonly StringSet[], onShelf: readonly StringSet[], of: readonly Metres[] = slots) =>
    firstLaidOut(sets, of, (set) => (onShelf.includes(set) ? 1 : 0))?.name;

  it('is the closest to half way between binding and buzzing, evenly, of what lies on the shelf', () => {
    const all = [uneven, narrow, wide, middle];
    expect(laid(all, all)).toBe(middle.name);
    expect(laid(all, [uneven, narrow, wide])).toBe(wide.name); // 15 µm off
    expect(laid(all, [uneven, narrow])).toBe(narrow.name); // 25 off; 70 and 100 lie 15 from their mean each
    expect(laid(all, [uneven])).toBe(uneven.name);
    expect(laid([middle, uneven], [uneven])).toBe(uneven.name); // none at hand is passed over
  });

  it('is the middle one by weight where none of them lies there, of those that fit', () => {
    const [binds, loose] = [leaving(5, 5), leaving(250, 250)];
    expect(laid([middle, wide, narrow], [])).toBe(middle.name);
    expect(laid([binds, wide, loose, middle, narrow], [binds, loose])).toBe(middle.name);
    expect(laid([loose, binds], [binds])).toBe(binds.name); // nothing fits: the heavier half of its kind
  });

  it('has as many strings as the nut has slots', () => {
    const more = setOf('more', string(0.215), string(0.315), string(0.5));
    expect(laid([more, wide], [more])).toBe(wide.name);
  });
});
