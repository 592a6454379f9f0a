import { describe, expect, it } from 'vitest';
import { exerciseOf, nextOfSheet, sheetResults, unfitFor, type SheetTask, type Tried } from './index.js';
import type { Skill } from '../skills/index.js';

const TASK: SheetTask = { skills: ['slack', 'fault'], kinds: [], level: 0, each: 4, within: 1 };
const AT = Date.UTC(2026, 4, 26, 9);
const tries = (skill: Skill, offs: readonly number[]): Tried[] => offs.map((off, nth) => ({ skill, off, good: false, at: AT + nth }));
const result = (skill: Skill, offs: readonly number[], task = TASK) =>
  sheetResults(task, tries(skill, offs)).find((each) => each.skill === skill);

describe('what came of a sheet', () => {
  it('is mean and spread of the tries, by hand: 4, 8, 4, 8 % have mean 6 and spread √(16/3), together √(36 + 16/3) of 8 %', () => {
    const { bias, spread, worth, reached } = result('slack', [4, 8, 4, 8]) ?? {};
    expect(bias).toBeCloseTo(6, 9);
    expect(spread).toBeCloseTo(Math.sqrt(16 / 3), 9);
    expect(worth).toBeCloseTo(Math.sqrt(36 + 16 / 3) / 8, 9);
    expect(reached).toBe(true);
  });

  it('is of choices the share that was wrong: one of four is five times the one in twenty that is good work', () => {
    expect(result('fault', [0, 1, 0, 0])).toMatchObject({ bias: 0.25, spread: null, reached: false });
    expect(result('fault', [0, 1, 0, 0])?.worth).toBeCloseTo(5, 9);
    expect(result('fault', [0, 0, 0, 0])).toMatchObject({ worth: 0, reached: true });
  });

  it('holds to what was asked: the same hand may do for one sheet and not for another', () => {
    const offs = [9, 11, 9, 11];
    expect(result('slack', offs)?.reached).toBe(false);
    expect(result('slack', offs, { ...TASK, within: 1.5 })?.reached).toBe(true);
  });

  it('counts tries of its own skill by when they were made, in whatever order they are told', () => {
    const told = [...tries('slack', [50, 50, 50, 50, 0, 0, 0, 0]).reverse(), ...tries('fault', [1, 0, 0])];
    const [slack, fault] = sheetResults(TASK, told);
    expect([slack?.bias, slack?.tries, fault?.tries, fault?.reached]).toEqual([50, 4, 3, null]);
  });

  it('is reached where somebody is off by just what was asked', () => {
    expect(result('fault', [0, 1, 0, 0], { ...TASK, within: 5 })?.reached).toBe(true);
  });

  it('counts the first tries, and says nothing before all are there', () => {
    expect(result('slack', [50, 50, 50, 50, 0, 0, 0, 0])?.bias).toBe(50);
    expect(result('slack', [0, 0, 0])).toMatchObject({ tries: 3, reached: null });
    expect(result('slack', [])).toEqual({ skill: 'slack', tries: 0, bias: null, spread: null, worth: null, reached: null });
  });
});

it('asks for the skill with the fewest tries, and for nothing once all are made', () => {
  expect(nextOfSheet(TASK, [])).toBe('slack');
  expect(nextOfSheet(TASK, tries('slack', [1]))).toBe('fault');
  expect(nextOfSheet(TASK, [...tries('slack', [1, 1, 1, 1]), ...tries('fault', [0])])).toBe('fault');
  expect(nextOfSheet(TASK, [...tries('slack', [1, 1, 1, 1]), ...tries('fault', [0, 0, 0, 0])])).toBeNull();
});

describe('kinds of a sheet', () => {
  it('are those of its exercises, and of no others', () => {
    for (const skill of ['slack', 'winding-side', 'octave', 'order', 'fault'] as const)
      for (let seed = 1; seed <= 10; seed++)
        expect(['mandolin', 'acoustic-large']).toContain(exerciseOf(skill, seed, 1, ['mandolin', 'acoustic-large']).kind);
  });

  it('leave an exercise as it is where none is named', () => expect(exerciseOf('slack', 77, 1, [])).toEqual(exerciseOf('slack', 77, 1)));

  it('are unfit for what asks for a post where there is no head', () => {
    for (const skill of ['slack', 'octave', 'nut-angle'] as const)
      expect(unfitFor({ skills: [skill], kinds: ['electric-headless'], level: 0 })).toEqual([skill]);
  });

  it('are unfit for what they have not: nothing floats on a ukulele, nothing goes round a post without a head', () => {
    expect(unfitFor({ skills: ['slack', 'balance'], kinds: ['ukulele-concert'], level: 0 })).toEqual(['balance']);
    expect(unfitFor({ skills: ['slack', 'cents'], kinds: ['electric-headless'], level: 0 })).toEqual(['slack']);
    expect(unfitFor({ skills: ['balance'], kinds: ['ukulele-concert', 'electric-double-locking'], level: 0 })).toEqual([]);
  });
});
