import * as z from 'zod';
import { quantity } from '../quantity/index.js';

const densityKgPerM3 = quantity({ from: 200, to: 23000, unit: 'kg/m³', because: 'from floss to the heaviest metals' });
const wireMm = quantity({ from: 0.01, to: 3, unit: 'mm', because: 'no wire of a string is thinner or thicker' });

export const windingQuestion = z.strictObject({
  core: z.strictObject({
    shape: z.enum(['round', 'hex', 'floss']),
    diameterMm: quantity({ from: 0.05, to: 3, unit: 'mm', because: 'no core is thinner or thicker' }),
    densityKgPerM3,
    fill: quantity({ from: 0.3, to: 1, unit: '', because: 'it is the solid share of a floss core' }).optional(),
  }),
  layers: z
    .array(
      z.discriminatedUnion('type', [
        z.strictObject({ type: z.literal('round'), wireMm, densityKgPerM3 }),
        z.strictObject({ type: z.literal('flat'), thicknessMm: wireMm, widthMm: wireMm, densityKgPerM3 }),
        z.strictObject({
          type: z.literal('ground'),
          wireMm,
          groundMm: quantity({ from: 0, to: 2.9, unit: 'mm', because: 'it is the depth taken off the wire' }).default(0),
          densityKgPerM3,
        }),
      ]),
      { error: 'must be a list of layers, from the core outward' },
    )
    .max(8, { error: 'must have at most 8 entries: no string has more layers' }),
});

export const windingAnswer = z.strictObject({ linearDensityKgPerM: z.number(), outerMm: z.number() });
