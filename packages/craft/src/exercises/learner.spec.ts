import { describe, expect, it } from 'vitest';
import { chanceFrom, normal } from '../simulated/index.js';
import { expectedWorth, levelOf, nextSkill, remembered, standingOf, type Tried } from './index.js';
import { SKILLS, type Skill } from '../skills/index.js';

const NOW = Date.UTC(2026, 4, 26, 9);
const DAY = 86_400_000;
const tried = (skill: Skill, off: number, good: boolean, at = NOW): Tried => ({ skill, off, good, at });
const [never, always] = [() => false, () => true];
const atNought = (off: number) => off === 0;
const withinEight = (off: number) => Math.abs(off) <= 8;
/** So many tries of a skill, a minute apart, the last one now. */
const many = (skill: Skill, offs: readonly number[], good: (off: number) => boolean, now = NOW): Tried[] =>
  offs.map((off, nth) => tried(skill, off, good(off), now - (offs.length - 1 - nth) * 60_000));

describe('where somebody stands', () => {
  it('finds out a known bias within 2 % after twenty tries, as often as its standard error lets it', () => {
    // 6 / √20 = 1.34: within 2 lie 86 in 100
    const found = Array.from({ length: 400 }, (_, seed) => {
      const chance = chanceFrom(seed + 1);
      const offs = Array.from({ length: 20 }, () => -9 + 6 * normal(chance));
      const { bias, spread } = standingOf('slack', many('slack', offs, withinEight));
      return { bias: bias ?? 0, spread: spread ?? 0 };
    });
    const near = found.filter(({ bias }) => Math.abs(bias + 9) < 2).length / found.length;
    expect(near).toBeGreaterThan(0.82);
    expect(near).toBeLessThan(0.91);
    const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;
    expect(mean(found.map(({ bias }) => bias))).toBeCloseTo(-9, 0);
    expect(mean(found.map(({ spread }) => spread))).toBeCloseTo(6, 0);
  });

  it('reads the last twenty, by hand: 10 and 14 twenty times each way', () => {
    const offs = [...Array.from({ length: 30 }, () => 99), ...Array.from({ length: 20 }, (_, nth) => (nth % 2 === 0 ? 10 : 14))];
    const { bias, spread, worth, wrong } = standingOf('slack', many('slack', offs, never));
    expect(bias).toBeCloseTo(12, 9);
    expect(spread).toBeCloseTo(Math.sqrt(80 / 19), 9); // twenty deviations of 2
    expect(worth).toBeCloseTo(Math.hypot(12, Math.sqrt(80 / 19)) / 8, 9);
    expect(wrong).toBe(20);
  });

  it('reads them by when they were made, and none of another skill', () => {
    const offs = [...Array.from({ length: 30 }, () => 99), ...Array.from({ length: 20 }, () => 10)];
    const mixed = [...many('slack', offs, never), ...many('cents', offs, always)].reverse();
    expect(standingOf('slack', mixed)).toMatchObject({ tries: 20, bias: 10, spread: 0, wrong: 20 });
  });

  it('says nothing of few tries, and takes who never tried for untaught', () => {
    expect(standingOf('cents', [])).toMatchObject({ tries: 0, bias: null, spread: null, worth: 4 });
    const few = standingOf('cents', many('cents', [1, -1], always));
    expect(few.bias).toBeNull();
    expect(few.worth).toBeCloseTo(0.4 * (Math.SQRT2 / 3) + 0.6 * 4, 9);
  });

  it('counts choices that were wrong: one in twenty is good work', () => {
    const offs = Array.from({ length: 20 }, (_, nth) => (nth === 4 ? 1 : 0));
    expect(standingOf('octave', many('octave', offs, atNought))).toMatchObject({ wrong: 1, worth: 1, bias: null });
  });
});

describe('how hard', () => {
  it('goes up after two that were good in turn, down after one that was not, and never below the first', () => {
    const inTurn = (good: readonly boolean[]) => good.map((each, nth) => tried('octave', each ? 0 : 1, each, NOW + nth));
    const after = (good: readonly boolean[]) => levelOf('octave', inTurn(good));
    expect(after([])).toBe(0);
    expect(after([true, true])).toBe(1);
    expect(after([true, true, true, true])).toBe(2);
    expect(after([true, true, true, false])).toBe(0);
    expect(after([false, false])).toBe(0);
    expect(after(Array.from({ length: 40 }, () => true))).toBe(6);
    // good, good, wrong: up and down again; wrong, good, good: up
    const mixed = [tried('octave', 1, false, NOW + 2), tried('octave', 0, true, NOW + 1), tried('cents', 0, true, NOW + 3)];
    expect(levelOf('octave', [...mixed, tried('octave', 0, true, NOW)])).toBe(0);
    expect(levelOf('octave', [...mixed, tried('octave', 0, true, NOW + 4), tried('octave', 0, true, NOW + 5)])).toBe(1);
  });
});

describe('what comes next', () => {
  const good = (skill: Skill, times = 20) => many(skill, Array<number>(times).fill(0), always);

  it('halves what is remembered in a half-life that doubles with each right answer', () => {
    // three right of three: 2³ days
    const tries = many('octave', [0, 0, 0], () => true);
    expect(remembered('octave', tries, NOW)).toBeCloseTo(1, 9);
    expect(remembered('octave', tries, NOW + 8 * DAY)).toBeCloseTo(0.5, 9);
    expect(remembered('octave', tries, NOW + 16 * DAY)).toBeCloseTo(0.25, 9);
    // one right, two wrong: half a day
    expect(remembered('octave', many('octave', [0, 1, 1], atNought), NOW + DAY)).toBeCloseTo(0.25, 9);
    expect(remembered('octave', [], NOW)).toBe(0);
  });

  it('is the weakest of skills that are remembered alike', () => {
    for (const weak of SKILLS) {
      const others = SKILLS.filter((skill) => skill !== weak).flatMap((skill) => good(skill));
      const halves = Array.from({ length: 20 }, (_, nth) => (nth % 2 === 0 ? 1 : 0));
      const poor = many(weak, halves, atNought);
      const sized = ['slack', 'cents', 'nylon'].includes(weak) ? poor.map((each) => ({ ...each, off: 60 })) : poor;
      expect(nextSkill([...others, ...sized], NOW)).toBe(weak);
    }
  });

  it('is the first of those that are as weak', () => expect(nextSkill([], NOW)).toBe(SKILLS[0]));

  it('is one that was never tried before one that is good, and one that is forgotten before one that is fresh', () => {
    const all = SKILLS.filter((skill) => skill !== 'nylon').flatMap((skill) => good(skill));
    expect(nextSkill(all, NOW)).toBe('nylon');
    const old = many('cents', [0, 0, 0], () => true, NOW - 30 * DAY);
    const fresh = SKILLS.filter((skill) => skill !== 'cents').flatMap((skill) => good(skill, 3));
    expect(nextSkill([...fresh, ...old], NOW)).toBe('cents');
    expect(expectedWorth('cents', old, NOW)).toBeGreaterThan(expectedWorth('cents', old, NOW - 20 * DAY));
  });
});
