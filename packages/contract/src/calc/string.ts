import * as z from 'zod';
import { WRAPS } from '@gold-peg/craft/constants';
import { CONSTRUCTIONS, FAMILIES } from '@gold-peg/craft/string-kinds';
import { a4Hz, frequencyHz, gaugeIn, linearDensityKgPerM, note, quantity, scaleMm } from '../quantity/index.js';

export const stringQuestion = z
  .strictObject({
    family: z.enum(FAMILIES),
    construction: z.enum(CONSTRUCTIONS),
    gaugeIn,
    wrap: z.enum(WRAPS).optional(),
    coreIn: quantity({ from: 0.002, to: 0.15, unit: 'in', because: 'a core is thinner than its string' }).optional(),
    linearDensityKgPerM: linearDensityKgPerM.optional(),
    scaleMm,
    note: note.optional(),
    frequencyHz: frequencyHz.optional(),
    a4Hz: a4Hz.optional(),
  })
  .refine(({ note, frequencyHz }) => (note === undefined) !== (frequencyHz === undefined), {
    path: ['note'],
    error: 'or frequencyHz must be given, and not both',
  })
  .refine(({ construction, coreIn, wrap }) => construction === 'wound' || (coreIn === undefined && wrap === undefined), {
    path: ['construction'],
    error: 'must be wound where a core or a wrap is given',
  });

export const stringAnswer = z.strictObject({
  linearDensityKgPerM: z.number(),
  pullN: z.number(),
  pullLbf: z.number(),
  bandPercent: z.number(),
  breakingLoadN: z.number(),
  reservePercent: z.number(),
  breakingFrequencyHz: z.number(),
  stiffnessN: z.number(),
  strain: z.number(),
});
