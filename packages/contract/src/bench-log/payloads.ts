import * as z from 'zod';
import {
  FINDING_KINDS,
  FINDINGS,
  GAUGE_TOOLS,
  MEASURE_KINDS,
  measureOf,
  PAD_LIES,
  SEVERITIES,
  type FindingKind,
} from '@gold-peg/craft/findings';
import { WOODS } from '@gold-peg/craft/instrument';
import { TOOL_KINDS } from '@gold-peg/craft/tools';
import { ARM_WAYS } from '@gold-peg/craft/stages';
import { a4Hz, gaugeMm, longText, quantity } from '../quantity/index.js';

export const stringNumber = z
  .int({ error: 'must be a string number' })
  .min(1, { error: 'must be 1 or more: strings count from the high side' })
  .max(18, { error: 'must be 18 or less' });

const fret = z
  .int({ error: 'must be the number of a fret' })
  .min(1, { error: 'must be 1 or more: frets count from the nut' })
  .max(36, { error: 'must be 36 or less: no instrument has more frets' });

/** Something found on the instrument; where it has to be placed, its place is asked for. */
export const found = z
  .strictObject({
    what: z.enum(FINDING_KINDS, { error: 'must be one of the findings on the list' }),
    severity: z.enum(SEVERITIES, { error: 'must be watch, soon or now' }),
    string: stringNumber.nullable(),
    fret: fret.nullable(),
    wood: z.enum(WOODS, { error: 'must be one of the woods on the list' }).nullable(),
    text: longText(500),
  })
  .superRefine(({ what, string, fret: at }, context) => {
    const { place } = FINDINGS[what as FindingKind];
    const refuse = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
    if (place !== 'whole' && string === null) refuse('string', 'must be given: it is found under one string');
    if (place === 'whole' && string !== null) refuse('string', 'must be empty: it is found on the instrument as a whole');
    if (place === 'fret-and-string' && at === null) refuse('fret', 'must be given: it is found at one fret');
    if (place !== 'fret-and-string' && at !== null) refuse('fret', 'must be empty: it is found at no fret');
  });

/** A number taken from the instrument, in the range of what is measured. */
export const measured = z
  .strictObject({
    what: z.enum(MEASURE_KINDS, { error: 'must be one of the measures on the list' }),
    valueMm: z.number({ error: 'must be a number in mm' }),
    string: stringNumber.optional(),
    by: z.enum(GAUGE_TOOLS).optional(),
  })
  .superRefine(({ what, valueMm, string }, context) => {
    const { name, range, perString } = measureOf(what);
    const [from, to] = range;
    if (!(valueMm >= from && valueMm <= to))
      context.addIssue({ code: 'custom', path: ['valueMm'], message: `must lie between ${from} and ${to} mm: ${name} does` });
    if (perString !== (string !== undefined))
      context.addIssue({
        code: 'custom',
        path: ['string'],
        message: perString ? `must be given: ${name} is measured string by string` : `must be left out: ${name} is of the whole instrument`,
      });
  });

export const padsNoted = z.strictObject({
  clamp: z.int({ error: 'must be the number of a clamp' }).min(1).max(9),
  lies: z.enum(PAD_LIES, { error: 'must be along or across' }),
});

export const toolLaid = z.strictObject({
  tool: z.enum(TOOL_KINDS, { error: 'must be one of the tools on the list' }),
  there: z.boolean(),
  sizeMm: quantity({ from: 0.5, to: 60, unit: 'mm', because: 'it is the size of a key, or the thickness of a block' }).nullable(),
});

export const referenceRead = z.strictObject({ a4Hz });

export const gaugeRead = z.strictObject({ readMm: gaugeMm, plannedMm: gaugeMm, by: z.enum(['caliper', 'typed']) });

export const heardAt = z.strictObject({
  cents: quantity({ from: -6000, to: 2400, unit: '¢', because: 'lower a string hangs slack, and higher none stands' }),
  sure: z.number().min(0).max(1).nullable(),
  by: z.enum(['microphone', 'simulated', 'recording', 'typed']),
});

export const onBridge = z.strictObject({
  cents: quantity({ from: -1200, to: 1200, unit: '¢', because: 'more than an octave off it hangs loose or breaks' }),
  aimCents: quantity({
    from: -1200,
    to: 1200,
    unit: '¢',
    because: 'it is where the string is set for the others to bring it home',
  }).optional(),
  towardCents: quantity({ from: -400, to: 400, unit: '¢', because: 'it is where a pass leaves all strings' }).optional(),
  clawTurns: quantity({ from: 0, to: 12, unit: 'turns', because: 'it is how far the claw goes in after a pass' }).optional(),
  sure: heardAt.shape.sure,
  by: heardAt.shape.by,
});

const turnsIn = quantity({ from: -12, to: 12, unit: 'turns', because: 'a claw screw has no more thread than that' });
export const clawTurned = z
  .strictObject({ bassTurns: turnsIn, trebleTurns: turnsIn })
  .refine(({ bassTurns, trebleTurns }) => bassTurns !== 0 || trebleTurns !== 0, {
    path: ['bassTurns'],
    error: 'must not be zero with the other one: nothing was turned',
  });

export const armMoved = z.strictObject({ way: z.enum(ARM_WAYS, { error: 'must be down or up' }) });

export const nutClamped = z.strictObject({ shut: z.boolean({ error: 'must be true or false' }) });

export const springsHooked = z.strictObject({
  count: z
    .int({ error: 'must be a whole number of springs' })
    .min(1, { error: 'must be 1 or more: strings alone hold no such bridge' })
    .max(8, { error: 'must be 8 or less: no claw has more hooks' }),
});

const springBand = (from: number, to: number, unit: string) => {
  const value = quantity({ from, to, unit, because: 'it is of one spring' });
  return z.strictObject({ low: value, likely: value, high: value });
};
export const springsLearned = z.strictObject({
  count: springsHooked.shape.count,
  rateNPerMm: springBand(0.05, 20, 'N/mm'),
  initialN: springBand(0, 200, 'N'),
  trials: z.int().min(1).max(100_000),
});

export const pitchRead = z.strictObject({
  cents: quantity({ from: -1200, to: 1200, unit: '¢', because: 'more than an octave off it is another note' }),
  after: z.enum(['stretch', 'rest'], { error: 'must be stretch or rest' }),
  retuned: z.boolean(),
  by: z.enum(['typed', 'heard']),
});
