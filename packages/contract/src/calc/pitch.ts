import * as z from 'zod';
import { a4Hz, frequencyHz, quantity } from '../quantity/index.js';

export const pitchQuestion = z.strictObject({
  targetsHz: z
    .array(frequencyHz)
    .max(18, { error: 'must not hold more than 18 pitches: no instrument has more strings' })
    .default(() => []),
  a4Hz: a4Hz.optional(),
  hopMs: quantity({ from: 5, to: 1000, unit: 'ms', because: 'it is how far one window lies from the next' }).default(
    1000 * (2048 / 48_000),
  ),
});

export const pitchAnswer = z.strictObject({
  frames: z.array(
    z.strictObject({
      timeS: z.number(),
      frequencyHz: z.number().nullable(),
      note: z.string().nullable(),
      cents: z.number().nullable(),
      confidence: z.number(),
      inharmonicity: z.number().optional(),
    }),
  ),
});
