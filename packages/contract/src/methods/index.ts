import * as z from 'zod';
import {
  ANCHORINGS,
  CUT_TIMES,
  SLACK_SCHOOLS,
  SOFT_FIXINGS,
  STEEL_FIXINGS,
  STRETCHINGS,
  STRING_CLASSES,
  STRING_ORDERS,
  STRIPPINGS,
  TIE_PASSES,
  type HandMeasures,
  type MethodChoices,
} from '@gold-peg/craft/methods';
import { fromMillimetres } from '@gold-peg/craft/units';
import { quantity } from '../quantity/index.js';

const turns = quantity({ from: 0.5, to: 8, unit: 'turns', because: 'fewer do not hold and more do not settle' });

const offset = quantity({ from: -50, to: 50, unit: '¢', because: 'farther off it is nearer another note' });

const stringKey = z.string().regex(/^([1-9]|1[0-8])$/, { error: 'must be the number of a string, 1 to 18' });
const tucks = z
  .int({ error: 'must be a whole number of tucks' })
  .min(1, { error: 'must be 1 or more: a tail that is not tucked runs' })
  .max(4, {
    error: 'must be 4 or less: more find no room on the block',
  });

/** What a house, a person or an instrument chose where the craft leaves a choice. */
export const methodChoices = z.strictObject({
  turns: z.partialRecord(z.enum(STRING_CLASSES), turns).optional(),
  mostTurns: z.partialRecord(z.enum(STRING_CLASSES), turns).optional(),
  strings: z
    .record(stringKey, z.strictObject({ turns: turns.optional(), most: turns.optional(), offsetCents: offset.optional() }))
    .optional(),
  stubMm: quantity({ from: 1, to: 60, unit: 'mm', because: 'it is what is left standing beyond the lock' }).optional(),
  nutDeg: quantity({ from: 1, to: 20, unit: '°', because: 'it is a break over the nut' }).optional(),
  plainFixing: z.enum(STEEL_FIXINGS).optional(),
  woundFixing: z.enum(STEEL_FIXINGS).optional(),
  softFixing: z.enum(SOFT_FIXINGS).optional(),
  cutTime: z.enum(CUT_TIMES).optional(),
  stripping: z.enum(STRIPPINGS).optional(),
  stringOrder: z.enum(STRING_ORDERS).optional(),
  anchoring: z.enum(ANCHORINGS).optional(),
  stretching: z.enum(STRETCHINGS).optional(),
  toleranceCents: quantity({ from: 0.5, to: 10, unit: '¢', because: 'nearer no reading is good to, and farther off is heard' }).optional(),
  heldSeconds: quantity({ from: 0.5, to: 3, unit: 's', because: 'sooner it is not read, and longer few strings sound' }).optional(),
  driftCents: quantity({ from: 1, to: 30, unit: '¢', because: 'nearer no string that creeps stays, and farther off is heard' }).optional(),
  holdHours: quantity({ from: 0.25, to: 48, unit: 'h', because: 'it is how long an instrument is played before it is tuned' }).optional(),
  tieSmooth: z.enum(TIE_PASSES).optional(),
  tucksSmooth: tucks.optional(),
  tucksWound: tucks.optional(),
}) satisfies z.ZodType<MethodChoices>;

export const slackSchool = z.enum(SLACK_SCHOOLS);

const hand = (what: string, from: number, to: number) => quantity({ from, to, unit: 'mm', because: `it is ${what}` });
/** A person's hand as they measured it. */
export const handMeasures = z.strictObject({
  fistMm: hand('the height of a fist', 40, 160),
  fingerMm: hand('the breadth of a finger', 8, 40),
  spacerMm: hand('thumb to first finger', 15, 140),
});
export type HandRead = z.infer<typeof handMeasures>;

export const toHand = ({ fistMm, fingerMm, spacerMm }: HandRead): HandMeasures => ({
  fist: fromMillimetres(fistMm),
  finger: fromMillimetres(fingerMm),
  spacer: fromMillimetres(spacerMm),
});
