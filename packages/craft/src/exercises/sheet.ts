import type { Skill } from '../skills/index.js';
import type { Kinds } from './drawn-string.js';
import { exerciseOf } from './exercise.js';
import { widthsOff, type Tried } from './learner.js';

/** What somebody is given to practise: these skills on these kinds, so many tries of each, all at one level. */
export interface SheetTask {
  skills: readonly Skill[];
  kinds: Kinds;
  level: number;
  /** Tries of each skill. */
  each: number;
  /** How far off they may usually be, in widths of good work: at 1 it is good work, at 2 half as exact. */
  within: number;
}

/** What came of one skill of a sheet. */
export interface SheetResult {
  skill: Skill;
  /** Of those that were asked for. */
  tries: number;
  /** Mean of what they were off, and standard deviation about it, in the unit of the skill; of a choice the share that was wrong, and null. Null while there is nothing to take it of. */
  bias: number | null;
  spread: number | null;
  /** How far off they usually are, in widths of good work; null while there is none. */
  worth: number | null;
  /** Whether that is as was asked; null until all are done. */
  reached: boolean | null;
}

/** The first so many tries of each skill count, in the order they were made: a sheet is not done again until it comes out. */
export function sheetResults({ skills, each, within }: SheetTask, tries: readonly Tried[]): SheetResult[] {
  return skills.map((skill) => {
    const counted = tries
      .filter((one) => one.skill === skill)
      .sort((a, b) => a.at - b.at)
      .slice(0, each);
    const { bias, spread, worth } = widthsOff(skill, counted);
    return { skill, tries: counted.length, bias, spread, worth, reached: counted.length < each || worth === null ? null : worth <= within };
  });
}

/** The skill of a sheet that is asked next: the one with the fewest tries, in the order of the sheet; null where all are done. */
export function nextOfSheet({ skills, each }: SheetTask, tries: readonly Tried[]): Skill | null {
  const made = (skill: Skill) => tries.filter((one) => one.skill === skill).length;
  const left = skills.filter((skill) => made(skill) < each);
  return left.length === 0 ? null : left.reduce((few, other) => (made(other) < made(few) ? other : few));
}

/** Seeds that are looked at: kinds that give an exercise by each of them give one by any. */
const LOOKED_AT = [1, 2, 3];

/** Those of the skills that cannot be practised on any of these kinds, at that level. */
export const unfitFor = ({ skills, kinds, level }: Pick<SheetTask, 'skills' | 'kinds' | 'level'>): Skill[] =>
  skills.filter((skill) => !LOOKED_AT.every((seed) => canBeMade(skill, seed, level, kinds)));

function canBeMade(skill: Skill, seed: number, level: number, kinds: Kinds): boolean {
  try {
    exerciseOf(skill, seed, level, kinds);
    return true;
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
}
