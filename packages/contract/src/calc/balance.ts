import * as z from 'zod';
import { a4Hz, frequencyHz, linearDensityKgPerM, note, quantity, scaleMm } from '../quantity/index.js';

const bridgeString = z
  .strictObject({
    stiffnessN: quantity({ from: 100, to: 500_000, unit: 'N', because: 'it is the EA of a string' }),
    linearDensityKgPerM,
    scaleMm,
    extraMm: quantity({ from: 0, to: 600, unit: 'mm', because: 'it is string behind nut and saddle' }),
    saddleHeightMm: quantity({ from: 3, to: 30, unit: 'mm', because: 'it is the height of a saddle above the edge it tips on' }),
    saddleOffsetMm: quantity({
      from: -40,
      to: 40,
      unit: 'mm',
      because: 'it is how far a saddle stands from the edge, positive toward the nut',
    }),
    note: note.optional(),
    frequencyHz: frequencyHz.optional(),
    nowHz: frequencyHz.nullable().optional(),
    breakingLoadN: quantity({ from: 10, to: 5000, unit: 'N', because: 'it is what breaks a string' }).optional(),
  })
  .refine(({ note, frequencyHz }) => (note === undefined) !== (frequencyHz === undefined), {
    path: ['note'],
    error: 'or frequencyHz must be given, and not both',
  });

const readingOf = { string: z.int({ error: 'must be a place in strings' }).min(0), fromHz: frequencyHz, toHz: frequencyHz };

export const balanceQuestion = z
  .strictObject({
    strings: z
      .array(bridgeString)
      .min(1, { error: 'must hold at least one string' })
      .max(12, { error: 'must not hold more than 12 strings: no floating bridge does' }),
    springs: z.strictObject({
      count: z.int({ error: 'must be a whole number' }).min(1, { error: 'must be 1 or more' }).max(8, { error: 'must be 8 or less' }),
      rateNPerMm: quantity({ from: 0.1, to: 10, unit: 'N/mm', because: 'it is the rate of one spring' }),
      initialN: quantity({ from: 0, to: 60, unit: 'N', because: 'it is what opens the coils of one spring' }),
      freeMm: quantity({ from: 20, to: 120, unit: 'mm', because: 'it is a spring that nothing pulls' }),
      armMm: quantity({ from: 10, to: 80, unit: 'mm', because: 'it is the depth of the hook below the edge' }),
      clawMm: z.union([
        quantity({ from: 20, to: 250, unit: 'mm', because: 'it runs from the hook of a level bridge to the claw' }),
        z.literal('level'),
      ]),
    }),
    stops: z.strictObject({
      backDeg: quantity({ from: -45, to: 0, unit: '°', because: 'backward is below zero' }),
      forwardDeg: quantity({ from: 0, to: 60, unit: '°', because: 'toward the nut is above zero' }),
    }),
    order: z.array(z.int({ error: 'must be a place in strings' })).optional(),
    want: z.enum(['equilibrium', 'claw', 'coupling', 'onePass', 'calibrate', 'range'], {
      error: 'must be equilibrium, claw, coupling, onePass, calibrate or range',
    }),
    readings: z
      .array(
        z.strictObject({
          ...readingOf,
          others: z.array(z.strictObject(readingOf)).min(1, { error: 'must hold at least one string that was read' }),
        }),
      )
      .min(1, { error: 'must hold at least one string that was tuned elsewhere' })
      .max(50, { error: 'must not hold more than 50: one string of each kind says enough' })
      .optional(),
    readingCents: quantity({ from: 0.02, to: 20, unit: '¢', because: 'it is how far a reading of pitch errs' }).optional(),
    a4Hz: a4Hz.optional(),
  })
  .superRefine(({ strings, order, want, readings }, context) => {
    if (want === 'calibrate' && readings === undefined)
      context.addIssue({ code: 'custom', path: ['readings'], message: 'must be given: it is what springs are known by' });
    for (const [at, { string, others }] of (readings ?? []).entries()) {
      const places = [string, ...others.map((other) => other.string)];
      if (new Set(places).size !== places.length || places.some((place) => place >= strings.length))
        context.addIssue({
          code: 'custom',
          path: ['readings', at],
          message: `must name places from 0 to ${strings.length - 1}, each once at most`,
        });
    }
    const heard = strings.filter(({ nowHz }) => nowHz !== undefined).length;
    if (heard > 0 && heard < strings.length)
      context.addIssue({
        code: 'custom',
        path: ['strings'],
        message: 'must all have nowHz where one has it; null for a string that is off',
      });
    if (want !== 'onePass') return;
    const places = [...(order ?? [])].sort((a, b) => a - b);
    if (new Set(places).size !== places.length || places.some((place) => place < 0 || place >= strings.length))
      context.addIssue({ code: 'custom', path: ['order'], message: `must name places from 0 to ${strings.length - 1}, each once at most` });
  });

const numbers = z.array(z.number().nullable());
const band = z.strictObject({ low: z.number(), likely: z.number(), high: z.number() });

/** Which of them, `want` says. */
export const balanceAnswer = z.union([
  z.strictObject({
    angleDeg: z.number(),
    contact: z.enum(['none', 'back', 'forward']),
    stable: z.boolean(),
    cents: numbers,
    pullN: numbers,
  }),
  z.strictObject({ clawMm: z.number(), clawTravelMm: z.number().nullable(), clawTurns: z.number().nullable() }),
  z.strictObject({ coupling: z.array(z.array(z.number())) }),
  z.strictObject({
    steps: z.array(
      z.strictObject({
        string: z.int(),
        targetCents: z.number(),
        targetHz: z.number(),
        angleDeg: z.number(),
        pullN: z.number(),
        reservePercent: z.number().nullable(),
      }),
    ),
  }),
  z.strictObject({ rateNPerMm: band, initialN: band }),
  z.strictObject({
    range: z.array(
      z.strictObject({
        string: z.int(),
        downSemitones: z.number().nullable(),
        upSemitones: z.number().nullable(),
        slackDeg: z.number().nullable(),
      }),
    ),
    slackFirst: z.int().nullable(),
  }),
]);
