import { GOOD_WORK, LEARNING } from '../constants/index.js';
import type { Judged } from './exercise.js';
import { HARDEST, measureOf, SKILLS, type Skill } from '../skills/index.js';

/** An exercise that somebody answered, milliseconds since 1970. */
export interface Tried extends Judged {
  skill: Skill;
  at: number;
}

/** How somebody works today, by their last tries. */
export interface Standing {
  skill: Skill;
  tries: number;
  /** Mean of what they were off, in the unit of the skill; null of choices and of too few tries. */
  bias: number | null;
  /** Standard deviation about that. */
  spread: number | null;
  /** Of the last tries, those that were wrong. */
  wrong: number;
  /** How far from right they usually are, in widths of good work: at 1 and under it is good work. Drawn to that of somebody untaught while there are few tries. */
  worth: number;
}

const A_DAY_MS = 86_400_000;
const lastOf = (skill: Skill, tries: readonly Tried[]): Tried[] =>
  tries
    .filter((each) => each.skill === skill)
    .sort((a, b) => a.at - b.at)
    .slice(-LEARNING.tries.value);

/** How far off tries of one skill usually are: mean and standard deviation in its unit (null of a choice), and the two together in widths of good work. All null of no tries. */
export function widthsOff(
  skill: Skill,
  tries: readonly Pick<Tried, 'off'>[],
): { bias: number | null; spread: number | null; worth: number | null } {
  if (tries.length === 0) return { bias: null, spread: null, worth: null };
  const mean = tries.reduce((sum, { off }) => sum + off, 0) / tries.length;
  const width = GOOD_WORK[skill].value;
  // of a choice off is 0 or 1: its mean is the share that was wrong
  if (measureOf(skill) === 'choice') return { bias: mean, spread: null, worth: mean / width };
  const variance = tries.reduce((sum, { off }) => sum + (off - mean) ** 2, 0) / Math.max(1, tries.length - 1);
  return { bias: mean, spread: Math.sqrt(variance), worth: Math.hypot(mean, Math.sqrt(variance)) / width };
}

/** @param tries of one person, in any order. */
export function standingOf(skill: Skill, tries: readonly Tried[]): Standing {
  const last = lastOf(skill, tries);
  const wrong = last.filter(({ good }) => !good).length;
  const { bias, spread, worth } = widthsOff(skill, last);
  const known = Math.min(1, last.length / LEARNING.least.value);
  const sizes = measureOf(skill) === 'size' && known === 1;
  return {
    ...{ skill, tries: last.length, wrong, bias: sizes ? bias : null, spread: sizes ? spread : null },
    worth: known * (worth ?? 0) + (1 - known) * LEARNING.untaught.value,
  };
}

/** How hard the next exercise is: one level up after two that were good in turn, one down after one that was not (the transformed up-down staircase of Levitt, 1971). */
export function levelOf(skill: Skill, tries: readonly Tried[]): number {
  let [level, inTurn] = [0, 0];
  for (const { good } of tries.filter((each) => each.skill === skill).sort((a, b) => a.at - b.at)) {
    inTurn = good ? inTurn + 1 : 0;
    if (!good) level = Math.max(0, level - 1);
    if (inTurn < 2) continue;
    level = Math.min(HARDEST, level + 1);
    inTurn = 0;
  }
  return level;
}

/**
 * The share of a skill that is still there: half-life regression (Settles and Meeder, 2016), p = 2^(−Δ/h), with the weights of the Leitner system, h = 2^(right − wrong) days,
 * between a quarter of an hour and 274 days.
 */
export function remembered(skill: Skill, tries: readonly Tried[], now: number): number {
  const last = lastOf(skill, tries);
  const latest = last.at(-1);
  if (latest === undefined) return 0;
  const right = last.filter(({ good }) => good).length;
  const halfLife = Math.min(LEARNING.longest.value, Math.max(LEARNING.shortest.value, 2 ** (2 * right - last.length)));
  return 2 ** (-Math.max(0, now - latest.at) / A_DAY_MS / halfLife);
}

/** How far from good work somebody would be at their next try of a skill: as they stand, so far as they remember it, and as one untaught so far as they do not. */
export function expectedWorth(skill: Skill, tries: readonly Tried[], now: number): number {
  const share = remembered(skill, tries, now);
  return share * standingOf(skill, tries).worth + (1 - share) * LEARNING.untaught.value;
}

/** The skill that has most to gain: farthest from good work by the time it is asked for; where all are good, that which is forgotten soonest. */
export function nextSkill(tries: readonly Tried[], now: number): Skill {
  const each = SKILLS.map((skill) => ({ skill, gain: expectedWorth(skill, tries, now) }));
  return each.reduce((most, other) => (other.gain > most.gain ? other : most)).skill;
}
