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
  type HandMeasures,
  type MethodChoices,
} from '@gold-peg/craft/methods';
import { fromMillimetres } from '@gold-peg/craft/units';
import { quantity } from '../quantity/index.js';

const turns = quantity({ from: 0.5, to: 8, unit: 'turns', because: 'fewer do not hold and more do not settle' });

/** What a house, a person or an instrument chose where the craft leaves a choice. */
export const methodChoices = z.strictObject({
  turns: z.partialRecord(z.enum(STRING_CLASSES), turns).optional(),
  plainFixing: z.enum(STEEL_FIXINGS).optional(),
  woundFixing: z.enum(STEEL_FIXINGS).optional(),
  softFixing: z.enum(SOFT_FIXINGS).optional(),
  cutTime: z.enum(CUT_TIMES).optional(),
  stripping: z.enum(STRIPPINGS).optional(),
  stringOrder: z.enum(STRING_ORDERS).optional(),
  anchoring: z.enum(ANCHORINGS).optional(),
  stretching: z.enum(STRETCHINGS).optional(),
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
