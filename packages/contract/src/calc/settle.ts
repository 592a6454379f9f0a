import * as z from 'zod';
import { quantity } from '../quantity/index.js';

const toleranceCents = quantity({ from: 0.1, to: 50, unit: '¢', because: 'no ear hears less, and no tuning allows more' });

const band = z.strictObject({ low: z.number().nullable(), likely: z.number().nullable(), high: z.number().nullable() });

export const settleQuestion = z.strictObject({
  dropsCents: z
    .array(quantity({ from: -100, to: 1200, unit: '¢', because: 'it is what one round of stretching cost' }))
    .max(30, { error: 'must not hold more than 30 rounds: after ten it is no longer stretch' }),
  toleranceCents,
});

export const settleAnswer = z.strictObject({
  slipProbability: z.number(),
  verdict: z.enum(['early', 'settling', 'check', 'slipping']),
  roundsLeft: band,
  nextDropCents: band,
});

export const driftQuestion = z.strictObject({
  readings: z
    .array(
      z.strictObject({
        hours: quantity({ from: 0.01, to: 1000, unit: 'h', because: 'the clock begins when the string is first brought to pitch' }),
        cents: quantity({ from: -1200, to: 1200, unit: '¢', because: 'it is how far off the string was read' }),
        retuned: z.boolean(),
      }),
    )
    .min(1, { error: 'must hold at least one reading' })
    .max(200, { error: 'must not hold more than 200 readings' })
    .superRefine((readings, context) => {
      readings.forEach(({ hours }, index) => {
        const before = readings[index - 1]?.hours ?? 0;
        if (hours <= before)
          context.addIssue({
            code: 'custom',
            path: [index, 'hours'],
            message: `must be more than ${before} h: readings go in the order of time`,
          });
      });
    }),
  limitCents: toleranceCents,
  holdCents: toleranceCents,
  holdHours: quantity({ from: 0.05, to: 1000, unit: 'h', because: 'it is how long the string has to hold' }),
});

export const driftAnswer = z.strictObject({ nextRetuneHours: band, holdsFromHours: band });
