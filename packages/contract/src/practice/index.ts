import * as z from 'zod';
import { FAULTS, HARDEST, OCTAVE_ANSWERS, SKILLS, type Skill } from '@gold-peg/craft/skills';
import { instant, newId, quantity, uuid } from '../quantity/index.js';

export {
  exerciseSheet,
  exerciseSheetDraft,
  learnerSchema,
  MOST_EACH,
  type ExerciseSheet,
  type ExerciseSheetDraft,
  type Learner,
} from './exercise-sheet.js';

/** Tries that are sent at once: each is judged anew by the server. */
export const MOST_TRIES = 20;
/** Tries of somebody that are read: more than any reckoning looks at. */
export const MOST_TRIES_READ = 1000;

/** Longer than this nobody goes on at a bridge. */
export const MOST_MOVES = 60;
const LARGEST_SEED = 2 ** 31 - 1;
const mm = (to: number, because: string) => quantity({ from: 0, to, unit: 'mm', because });

const slackAnswer = z.discriminatedUnion('way', [
  z.strictObject({ way: z.literal('lift'), liftMm: mm(400, 'nobody lifts a string higher') }),
  z.strictObject({ way: z.literal('cut'), cutMm: mm(500, 'no headstock is longer') }),
  z.strictObject({ way: z.literal('say'), turns: quantity({ from: 0, to: 30, unit: 'turns', because: 'no post takes more' }) }),
]);

const bridgeMove = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('tune'),
    string: z.int().min(0).max(11),
    cents: quantity({ from: -600, to: 600, unit: '¢', because: 'farther off no string is tuned' }),
  }),
  z.strictObject({ kind: z.literal('claw'), turns: quantity({ from: -5, to: 5, unit: 'turns', because: 'its screws are no longer' }) }),
]);

/** What is answered in each skill. */
const ANSWERS = {
  slack: slackAnswer,
  'winding-side': z.strictObject({ direction: z.enum(['anticlockwise', 'clockwise']) }),
  'which-string': z.strictObject({ choice: z.int().min(0).max(9) }),
  octave: z.strictObject({ place: z.enum(OCTAVE_ANSWERS) }),
  cents: z.strictObject({ cents: quantity({ from: -200, to: 200, unit: '¢', because: 'farther off is another note' }) }),
  'stretch-or-slip': z.strictObject({ slips: z.boolean() }),
  nylon: z.strictObject({ hours: quantity({ from: 0.5, to: 500, unit: 'h', because: 'nobody waits longer for a string' }) }),
  'nut-angle': z.strictObject({ enough: z.boolean() }),
  order: z.strictObject({ choice: z.int().min(0).max(9) }),
  fault: z.strictObject({ fault: z.enum(FAULTS) }),
  balance: z.strictObject({
    moves: z.array(bridgeMove, { error: 'must be a list of moves' }).max(MOST_MOVES, { error: `must hold at most ${MOST_MOVES} moves` }),
  }),
} as const satisfies Record<Skill, z.ZodType>;

const made = {
  id: newId,
  at: instant,
  seed: z.int({ error: 'must be a whole number' }).min(0).max(LARGEST_SEED),
  level: z.int({ error: 'must be a whole number' }).min(0).max(HARDEST),
  /** The sheet that asked for it; null of what somebody practised by themselves. */
  sheetId: uuid.nullable().default(null),
};

/** An exercise that was answered: it is made again from its seed, and judged by craft. */
export const tryDraft = z.discriminatedUnion('skill', [
  z.strictObject({ skill: z.literal('slack'), ...made, answer: ANSWERS.slack }),
  z.strictObject({ skill: z.literal('winding-side'), ...made, answer: ANSWERS['winding-side'] }),
  z.strictObject({ skill: z.literal('which-string'), ...made, answer: ANSWERS['which-string'] }),
  z.strictObject({ skill: z.literal('octave'), ...made, answer: ANSWERS.octave }),
  z.strictObject({ skill: z.literal('cents'), ...made, answer: ANSWERS.cents }),
  z.strictObject({ skill: z.literal('stretch-or-slip'), ...made, answer: ANSWERS['stretch-or-slip'] }),
  z.strictObject({ skill: z.literal('nylon'), ...made, answer: ANSWERS.nylon }),
  z.strictObject({ skill: z.literal('nut-angle'), ...made, answer: ANSWERS['nut-angle'] }),
  z.strictObject({ skill: z.literal('order'), ...made, answer: ANSWERS.order }),
  z.strictObject({ skill: z.literal('fault'), ...made, answer: ANSWERS.fault }),
  z.strictObject({ skill: z.literal('balance'), ...made, answer: ANSWERS.balance }),
]);
export type TryDraft = z.output<typeof tryDraft>;

/** The same, judged. */
export const trySchema = z.object({
  id: uuid,
  skill: z.enum(SKILLS),
  at: z.iso.datetime(),
  seed: z.int(),
  level: z.int(),
  /** In the unit of the skill; of a choice 0 right, 1 wrong. */
  off: z.number(),
  good: z.boolean(),
  sheetId: uuid.nullable().default(null),
});
export type PracticeTry = z.output<typeof trySchema>;

export const triesDraft = z.strictObject({
  tries: z
    .array(tryDraft, { error: 'must be a list of tries' })
    .min(1)
    .max(MOST_TRIES, { error: `must hold at most ${MOST_TRIES} tries` }),
});
