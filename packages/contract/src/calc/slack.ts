import * as z from 'zod';
import { gaugeMm, postDiameterMm, quantity, scaleMm } from '../quantity/index.js';

export const slackQuestion = z
  .strictObject({
    postDiameterMm,
    stringDiameterMm: gaugeMm,
    nutToPostMm: quantity({ from: 12, to: 400, unit: 'mm', because: 'it runs from the nut to the axis of a post on a headstock' }),
    pathMm: quantity({ from: 150, to: 1800, unit: 'mm', because: 'it is all string from anchor to post' }),
    strain: quantity({ from: 0, to: 0.5, unit: '', because: 'strings break before they stretch by half' }),
    creep: quantity({ from: 0, to: 0.3, unit: '', because: 'it is a strain on top of the elastic one' }),
    turns: quantity({
      from: -0.25,
      to: 60,
      unit: '',
      because: 'a quarter of a turn short of lying on the post is the straight string',
    }).optional(),
    slackMm: quantity({
      from: -400,
      to: 1200,
      unit: 'mm',
      because: 'it is string between nut and post; below zero, stretch alone makes more turns',
    }).optional(),
    cutBeyondPostMm: quantity({ from: -400, to: 1300, unit: 'mm', because: 'it is measured past the axis of the post' }).optional(),
    postStyle: z.enum(['through', 'slotted']),
    holeDepthMm: quantity({ from: 2, to: 40, unit: 'mm', because: 'it is the depth of a slotted post' }).optional(),
    stubMm: quantity({ from: 0, to: 80, unit: 'mm', because: 'it is what stands out of the hole' }).default(3),
    scaleMm: scaleMm.optional(),
  })
  .refine((given) => [given.turns, given.slackMm, given.cutBeyondPostMm].filter((value) => value !== undefined).length === 1, {
    path: ['turns'],
    error: 'or slackMm or cutBeyondPostMm must be given, exactly one of the three',
  })
  .refine((given) => given.postStyle !== 'slotted' || given.holeDepthMm !== undefined, {
    path: ['holeDepthMm'],
    error: 'must be given for a slotted post: the end goes that deep',
  });

export const slackAnswer = z.strictObject({
  slackMm: z.number(),
  turns: z.number(),
  rotationTurns: z.number(),
  stretchMm: z.number(),
  cutBeyondPostMm: z.number(),
  fret: z.number().nullable(),
});
