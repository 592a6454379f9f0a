import { describe, expect, it } from 'vitest';
import { WEAR } from '../constants/index.js';
import { dueOf, livesOf, playedUntilWorn, wearOf, type Fitting, type Wear } from './index.js';

const DAY = 86_400_000;
const day = (nth: number) => Date.UTC(2025, 0, 1) + nth * DAY;
const on = (nth: number) => new Date(day(nth)).toISOString();
const days = (ms: number) => (ms - day(0)) / DAY;
/** Fitted on those days, the last of them still on. */
const lives = (...fitted: number[]) =>
  fitted.map((from, nth) => {
    const to = fitted[nth + 1];
    return { from: day(from), to: to === undefined ? null : day(to), ended: to === undefined ? null : ('with-its-set' as const) };
  });
const wound = { family: 'acoustic', construction: 'wound' } as const;
const asked = (weeklyHours: number, nth = 0) => ({ weeklyHours, askedAt: day(nth) });

describe('how long a string lasts before its instrument was known', () => {
  it('is what it is played, and what it stands', () => {
    // 7 h a week: 1/90 of its hours each day and 1/540 of its days, 77 days by hand
    const wear = wearOf({ ...wound, lives: lives(0), hours: asked(7), now: day(0) });
    expect(days(wear?.due.likely ?? NaN)).toBeGreaterThan(0.93 * 77.1);
    expect(days(wear?.due.likely ?? NaN)).toBeLessThan(1.07 * 77.1);
    expect(wear?.playedHours.likely).toBe(0);
    expect(wear?.learnedFrom).toBe(0);
  });

  it('is longer for bass strings, longer unplayed, and no longer than it stands', () => {
    const due = (family: 'acoustic' | 'bass', hours: number) =>
      days(wearOf({ family, construction: 'wound', lives: lives(0), hours: asked(hours), now: day(0) })?.due.likely ?? NaN);
    expect(due('bass', 7)).toBeGreaterThan(1.8 * due('acoustic', 7));
    expect(due('acoustic', 1)).toBeGreaterThan(2 * due('acoustic', 7));
    expect(due('acoustic', 0.001)).toBeLessThan(1.1 * 540);
  });

  it.each([
    ['plain', 'bass', WEAR.plainSteel],
    ['plain', 'electric', WEAR.plainSteel],
    ['nylon', 'classical', WEAR.polymer],
    ['gut', 'bass', WEAR.polymer],
    ['wound', 'bass', WEAR.woundBass],
    ['wound', 'classical', WEAR.woundPolymer],
    ['wound', 'ukulele', WEAR.woundPolymer],
    ['wound', 'mandolin', WEAR.woundSteel],
  ] as const)('is that of its kind: %s on a %s', (construction, family, lasts) => {
    expect(playedUntilWorn(family, construction)).toBe(lasts);
  });

  it('is as unsure as its hours, its play and its standing are, each by its share, and as one set is from another', () => {
    // six sevenths of the wear are play where it is played an hour a day: 1/90 against 1/540
    const spreadOf = (low: number, high: number) => Math.log(high / low) / (2 * 1.2816);
    const prior = Math.hypot((6 / 7) * spreadOf(40, 220), (6 / 7) * 0.15, spreadOf(270, 1100) / 7);
    const { due, lastsHours } = wearOf({ ...wound, lives: lives(0), hours: asked(7), now: day(0) }) as Wear;
    expect(Math.log(days(due.high) / days(due.low)) / (2 * 1.2816 * Math.hypot(prior, 0.25))).toBeCloseTo(1, 1);
    for (const end of ['low', 'likely', 'high'] as const) expect(lastsHours[end]).toBeCloseTo(days(due[end]), 6);
    const half = wearOf({ ...wound, lives: lives(0), hours: asked(14), now: day(0) }) as Wear;
    for (const end of ['low', 'likely', 'high'] as const) expect(half.lastsHours[end]).toBeCloseTo(2 * days(half.due[end]), 6);
  });

  it('was played as much as the player said, less surely each year, and least where nobody asked', () => {
    const played = (hours: ReturnType<typeof asked> | null) =>
      (wearOf({ ...wound, lives: lives(0), hours, now: day(70) }) as Wear).playedHours;
    const spread = ({ low, likely, high }: Wear['playedHours']) =>
      [Math.log(likely / low), Math.log(high / likely)].map((each) => each / 1.2816);
    expect(played(asked(14, 70)).likely).toBeCloseTo(140, 9);
    for (const side of spread(played(asked(7, 70)))) expect(side).toBeCloseTo(0.15, 9);
    for (const side of spread(played(asked(7, 70 - 365.25)))) expect(side).toBeCloseTo(Math.hypot(0.15, (0.35 * 6) / 7), 9);
    for (const side of spread(played(asked(7, 70 - 4 * 365.25)))) expect(side).toBeCloseTo(Math.hypot(0.15, (2 * 0.35 * 6) / 7), 9);
    for (const side of spread(played(null))) expect(side).toBeCloseTo(Math.log(12 / 1.5) / (2 * 1.2816), 9);
  });

  it('is told in a wider band where nobody asked the player', () => {
    const width = (hours: ReturnType<typeof asked> | null) => {
      const { low = NaN, high = NaN } = wearOf({ ...wound, lives: lives(0), hours, now: day(0) })?.due ?? {};
      return Math.log(days(high) / days(low));
    };
    expect(width(null)).toBeGreaterThan(1.2 * width(asked(5)));
  });
});

describe('what an instrument teaches', () => {
  it('is how long its sets were on: 150 days each, whatever was thought before', () => {
    const wear = wearOf({ ...wound, lives: lives(0, 150, 300, 450, 600), hours: asked(4, 600), now: day(600) });
    const lasts = (wear?.due.likely ?? NaN) - day(600);
    expect(lasts / DAY).toBeGreaterThan(135);
    expect(lasts / DAY).toBeLessThan(160);
    // a single set lies within a quarter of the usual: ln high/low is 2 × 1.2816 × 0.25 and a little for what is not known yet
    const width = Math.log(((wear?.due.high ?? NaN) - day(600)) / ((wear?.due.low ?? NaN) - day(600)));
    expect(width).toBeGreaterThan(0.6);
    expect(width).toBeLessThan(0.8);
    expect(wear?.learnedFrom).toBe(4);
  });

  it('narrows with each set', () => {
    const width = (...fitted: number[]) => {
      const last = fitted.at(-1) ?? 0;
      const { low = NaN, high = NaN } = wearOf({ ...wound, lives: lives(...fitted), hours: asked(5, last), now: day(last) })?.due ?? {};
      return Math.log((high - day(last)) / (low - day(last)));
    };
    expect(width(0, 100)).toBeLessThan(width(0));
    expect(width(0, 100, 200, 300)).toBeLessThan(width(0, 100));
  });

  it('holds less where the hours were asked long ago: asked again it is narrower', () => {
    const width = (at: number) => {
      const { low = NaN, high = NaN } = wearOf({ ...wound, lives: lives(0, 150, 300), hours: asked(5, at), now: day(300) })?.due ?? {};
      return high - low;
    };
    expect(width(300)).toBeLessThan(0.85 * width(-430));
  });

  it('takes a string that was replaced by itself for one that lasted at least so long', () => {
    const broke = [{ from: day(0), to: day(10), ended: 'early' as const }, { from: day(10), to: null, ended: null }]; // prettier-ignore
    const fresh = wearOf({ ...wound, lives: [{ from: day(10), to: null, ended: null }], hours: asked(5, 10), now: day(10) });
    const wear = wearOf({ ...wound, lives: broke, hours: asked(5, 10), now: day(10) });
    expect(wear?.due.likely ?? NaN).toBeGreaterThanOrEqual(fresh?.due.likely ?? NaN);
    expect(wear?.due.likely ?? NaN).toBeLessThan((fresh?.due.likely ?? NaN) + 5 * DAY);
    expect(wear?.learnedFrom).toBe(0);
    // one that broke after a year of what is worn after 77 days says that they last here
    const held = [{ from: day(0), to: day(365), ended: 'early' as const }, { from: day(365), to: null, ended: null }]; // prettier-ignore
    const after = wearOf({ ...wound, lives: held, hours: asked(7, 365), now: day(365) });
    expect(days(after?.due.likely ?? NaN) - 365).toBeGreaterThan(2 * 77);
  });

  it('is nothing from a string that was off as soon as it was on', () => {
    const none = [{ from: day(0), to: day(0), ended: 'with-its-set' as const }, ...lives(0)];
    const at = (of: typeof none | ReturnType<typeof lives>) => wearOf({ ...wound, lives: of, hours: asked(5), now: day(0) })?.due;
    expect(at(none)).toEqual(at(lives(0)));
  });
});

describe('what is on it now', () => {
  it('is due whether somebody came with it or not', () => {
    const at = (now: number) => wearOf({ ...wound, lives: lives(0), hours: asked(7, now), now: day(now) });
    expect(at(900)?.due).toEqual(at(0)?.due);
    expect(at(80)?.ageDays).toBe(80);
    expect(at(80)?.playedHours.likely).toBeCloseTo(80, 9); // 7 h a week
  });

  it('is nothing where no string is on', () => {
    expect(wearOf({ ...wound, lives: [], hours: null, now: day(0) })).toBeNull();
    expect(wearOf({ ...wound, lives: [{ from: day(0), to: day(1), ended: 'early' }], hours: null, now: day(2) })).toBeNull();
  });
});

describe('lives of a string', () => {
  const fitting = (nth: number, only?: number[], kept: Record<number, number> = {}): Fitting => ({
    fittedAt: on(nth),
    ...(only !== undefined && { only: { strings: only } }),
    strings: [1, 2].map((string) => ({ string, ...(kept[string] !== undefined && { fittedAt: on(kept[string]) }) })),
  });

  it('begin and end with their sets, or early where one was replaced by itself', () => {
    const fittings = [fitting(200), fitting(0), fitting(80, [1], { 2: 0 })];
    expect(livesOf(fittings, 1)).toEqual([
      { from: day(0), to: day(80), ended: 'early' },
      { from: day(80), to: day(200), ended: 'with-its-set' },
      { from: day(200), to: null, ended: null },
    ]);
    expect(livesOf(fittings, 2).map(({ from, ended }) => [days(from), ended])).toEqual([[0, 'with-its-set'], [200, null]]); // prettier-ignore
    expect(livesOf(fittings, 3)).toEqual([]);
  });
});

describe('an instrument', () => {
  it('is due with the string that is worn first: a wound one, but for those that are newer', () => {
    const strings = [{ string: 1, construction: 'plain' as const }, { string: 2, construction: 'wound' as const }]; // prettier-ignore
    const first = { fittedAt: on(0), strings };
    expect(dueOf({ family: 'acoustic', setups: [first], hours: null }, day(10))?.string).toBe(2);
    const replaced = { fittedAt: on(60), only: { strings: [2] }, strings: [{...strings[0], fittedAt: on(0) } as never, strings[1] as never] }; // prettier-ignore
    const due = dueOf({ family: 'acoustic', setups: [replaced, first], hours: asked(5, 60) }, day(61));
    expect(dueOf({ family: 'acoustic', setups: [first, replaced], hours: asked(5, 60) }, day(61))).toEqual(due);
    expect(due?.string).toBe(1);
    expect(due?.wear.get(2)?.ageDays).toBe(1);
    expect(dueOf({ family: 'acoustic', setups: [], hours: null }, day(0))).toBeNull();
  });
});
