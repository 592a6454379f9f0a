import * as z from 'zod';
import { gaugeMm, postDiameterMm, quantity } from '../quantity/index.js';

export const nutQuestion = z
  .strictObject({
    headstockDeg: quantity({ from: -5, to: 40, unit: '°', because: 'headstocks are flat or tilt back' }),
    faceDropMm: quantity({ from: -5, to: 30, unit: 'mm', because: 'it is how far the face starts below the slot' }),
    alongMm: quantity({ from: 12, to: 400, unit: 'mm', because: 'it runs along the face to the axis of the post' }),
    sidewaysMm: quantity({ from: -60, to: 60, unit: 'mm', because: 'it runs from the line of the slot to the axis, outward positive' }),
    holeHeightMm: quantity({ from: 0, to: 40, unit: 'mm', because: 'it is the height of the hole above the face' }),
    postDiameterMm,
    stringDiameterMm: gaugeMm,
    turns: quantity({ from: 0, to: 60, unit: '', because: 'it counts turns lying on the post' }),
    turnsAbove: quantity({ from: 0, to: 60, unit: '', because: 'it counts turns above the hole' }).default(0),
    flank: z.enum(['inside', 'outside']),
    tree: z
      .strictObject({
        distanceMm: quantity({ from: 3, to: 300, unit: 'mm', because: 'it stands between nut and post' }),
        dropMm: quantity({ from: -5, to: 30, unit: 'mm', because: 'it presses the string below the slot' }),
      })
      .optional(),
    pullN: quantity({ from: 0, to: 1000, unit: 'N', because: 'no string pulls more' }).optional(),
    wantedDeg: quantity({ from: 0, to: 60, unit: '°', because: 'it is a break angle over the nut' }).optional(),
  })
  .refine(({ turns, turnsAbove }) => turnsAbove <= turns, {
    path: ['turnsAbove'],
    error: 'must not be more than turns: it is part of them',
  });

export const nutAnswer = z.strictObject({
  verticalDeg: z.number(),
  lateralDeg: z.number(),
  totalDeg: z.number(),
  exitHeightMm: z.number(),
  lifts: z.boolean(),
  treeTouched: z.boolean(),
  downforceN: z.number().optional(),
  turnsForWanted: z.number().nullable().optional(),
});
