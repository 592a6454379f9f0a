import * as z from 'zod';
import { quantity } from '../quantity/index.js';

const pullChangeN = quantity({ from: -2000, to: 2000, unit: 'N', because: 'it is how much more all strings pull together than before' });
const reliefChangeMm = quantity({ from: -4, to: 4, unit: 'mm', because: 'it is how much more the neck is bowed than before' });

export const neckQuestion = z.strictObject({
  pullChangeN,
  measured: z
    .array(z.strictObject({ pullChangeN, reliefChangeMm }))
    .max(200, { error: 'must not hold more than 200 readings' })
    .default([]),
});

const band = z.strictObject({ low: z.number(), likely: z.number(), high: z.number() });
export const neckAnswer = z.strictObject({ reliefChangeMm: band, action12ChangeMm: band });
