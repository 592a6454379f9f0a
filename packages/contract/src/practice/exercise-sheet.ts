import * as z from 'zod';
import { HARDEST, SKILLS } from '@gold-peg/craft/skills';
import { newId, quantity, uuid, words } from '../quantity/index.js';

/** Most tries of a skill that a sheet asks for: a learner is read by no more. */
export const MOST_EACH = 20;
const MOST_PEOPLE = 40;
const MOST_KINDS = 40;

const skill = z.enum(SKILLS, { error: 'must be a skill that can be practised' });
const noneTwice = (list: readonly unknown[]) => new Set(list).size === list.length;

/** What somebody is given to practise: these skills, on instruments of these kinds, each so often. */
const task = {
  skills: z
    .array(skill, { error: 'must be a list of skills' })
    .min(1, { error: 'must name a skill: without one there is nothing to practise' })
    .refine(noneTwice, { error: 'must name each skill once' }),
  /** Kinds by the ids of their archetypes; all there are where none is named. */
  kinds: z
    .array(z.string().max(60), { error: 'must be a list of kinds' })
    .max(MOST_KINDS, { error: `must hold at most ${MOST_KINDS} kinds` })
    .refine(noneTwice, { error: 'must name each kind once' }),
  level: z
    .int({ error: 'must be a whole number' })
    .min(0)
    .max(HARDEST, { error: `must be at most ${HARDEST + 1}: nothing harder is made` }),
  each: z
    .int({ error: 'must be a whole number of tries' })
    .min(1, { error: 'must be at least one try' })
    .max(MOST_EACH, { error: `must be at most ${MOST_EACH}: more tries say no more of a hand` }),
  /** How far off they may usually be, in widths of good work. */
  within: quantity({ from: 0.5, to: 4, unit: '× good work', because: 'half is as exact as a hand gets, at four somebody untaught stands' }),
};

export const exerciseSheetDraft = z.strictObject({
  id: newId,
  title: words('the title', 60),
  forIds: z
    .array(uuid, { error: 'must be a list of people' })
    .min(1, { error: 'must name somebody: a sheet is given to people' })
    .max(MOST_PEOPLE, { error: `must hold at most ${MOST_PEOPLE} people` })
    .refine(noneTwice, { error: 'must name each person once' }),
  ...task,
});
export type ExerciseSheetDraft = z.output<typeof exerciseSheetDraft>;

const named = z.object({ id: uuid, name: z.string() });
/** What came of one skill: means and spread in its unit, `worth` in widths of good work. */
const result = z.object({
  skill,
  tries: z.int(),
  bias: z.number().nullable(),
  spread: z.number().nullable(),
  worth: z.number().nullable(),
  reached: z.boolean().nullable(),
});

export const exerciseSheet = z.object({
  id: uuid,
  title: z.string(),
  madeBy: named,
  madeAt: z.iso.datetime(),
  ...task,
  /** To whom it was given, with what came of it; whoever does not own the house sees themselves alone. */
  people: z.array(named.extend({ results: z.array(result) })),
});
export type ExerciseSheet = z.output<typeof exerciseSheet>;

/** How somebody stands who lets the owner of the house see it. */
export const learnerSchema = named.extend({
  standings: z.array(
    z.object({ skill, tries: z.int(), bias: z.number().nullable(), spread: z.number().nullable(), wrong: z.int(), worth: z.number() }),
  ),
});
export type Learner = z.output<typeof learnerSchema>;
