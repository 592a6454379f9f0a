import * as z from 'zod';
import type { CountedTurns } from '@gold-peg/craft/calibration';
import { WRAPS } from '@gold-peg/craft/constants';
import { CONSTRUCTIONS, CORE_SHAPES, FAMILIES, FINISHES } from '@gold-peg/craft/string-kinds';
import { fromMillimetres } from '@gold-peg/craft/units';
import type { BenchEvent, CountedPayload } from '@gold-peg/craft/worksheet';
import { SCRAP_REASONS, STRING_EVENTS } from '@gold-peg/craft/stages';
import {
  a4Hz,
  frequencyHz,
  gaugeMm,
  instant,
  linearDensityKgPerM,
  longText,
  note,
  postDiameterMm,
  quantity,
  uuid,
  uuidV7,
  words,
} from '../quantity/index.js';
import { tableId } from '../strings/index.js';
import { EVENT_VERSION, readEvent } from './read-event.js';
import {
  clawTurned,
  found,
  gaugeRead,
  heardAt,
  measured,
  onBridge,
  padsNoted,
  pitchRead,
  referenceRead,
  armMoved,
  nutClamped,
  springsHooked,
  springsLearned,
  stringNumber,
  toolLaid,
} from './payloads.js';

const head = {
  id: uuidV7,
  version: z.literal(EVENT_VERSION),
  jobId: uuid,
  instrumentId: uuid,
  personId: uuid,
  deviceId: uuid,
  at: instant,
};
const string = stringNumber;

export const loggedString = z.strictObject({
  construction: z.enum(CONSTRUCTIONS),
  gaugeMm,
  wrap: z.enum(WRAPS).optional(),
  finish: z.enum(FINISHES).optional(),
  layers: z.int().min(1).max(5).optional(),
  silk: z.boolean().optional(),
  coreShape: z.enum(CORE_SHAPES).optional(),
  coreMm: quantity({ from: 0.05, to: 3.8, unit: 'mm', because: 'a core is thinner than its string' }).optional(),
  linearDensityKgPerM: linearDensityKgPerM.optional(),
  stringId: tableId.optional(),
});

export const loggedTuning = z.strictObject({
  a4Hz,
  notes: z
    .array(z.strictObject({ note, frequencyHz: frequencyHz.nullable() }))
    .min(1)
    .max(18),
});

const setChosen = z
  .strictObject({
    name: words('the name of the set', 80),
    family: z.enum(FAMILIES),
    strings: z.array(loggedString).min(1).max(18),
    setId: tableId.nullable().optional(),
    tuning: loggedTuning.optional(),
    only: z.array(stringNumber).min(1, { error: 'must name at least one string: a job is about some' }).optional(),
  })
  .refine(({ only = [], strings }) => only.every((number, at) => number <= strings.length && number > (only[at - 1] ?? 0)), {
    path: ['only'],
    error: 'must name strings that are there, each once, from the high side on',
  });

const wound = z.strictObject({
  turns: quantity({ from: -0.25, to: 60, unit: '', because: 'it counts turns on the post' }),
  slackMm: quantity({ from: -400, to: 1200, unit: 'mm', because: 'it is string between nut and post' }),
  cutBeyondPostMm: quantity({ from: -400, to: 1300, unit: 'mm', because: 'it is measured past the post' }),
  nutDeg: quantity({ from: -90, to: 90, unit: '°', because: 'it is an angle over the nut' }).nullable(),
});

const counted = z.strictObject({
  turns: quantity({ from: 0, to: 20, unit: '', because: 'it counts turns lying on the post' }),
  slackMm: wound.shape.slackMm,
  stretchMm: quantity({ from: 0, to: 300, unit: 'mm', because: 'it is what a string stretches to its pitch' }),
  postDiameterMm,
  stringDiameterMm: gaugeMm,
  nutToPostMm: quantity({ from: 12, to: 400, unit: 'mm', because: 'it runs from the nut to the axis of a post' }),
  lies: z.strictObject({ slackMm: wound.shape.slackMm, nutDeg: wound.shape.nutDeg }).optional(),
});

const { wind: _wound, ...ticks } = STRING_EVENTS;
const tickKinds = [...Object.values(ticks), 'tensioned'] as const;

const kinds = [
  z.strictObject({ ...head, kind: z.literal('set-chosen'), payload: setChosen }),
  z.strictObject({ ...head, string, kind: z.enum(tickKinds), payload: z.strictObject({}) }),
  z.strictObject({ ...head, string, kind: z.literal('wound'), payload: wound }),
  z.strictObject({ ...head, string, kind: z.literal('turns-counted'), payload: counted }),
  z.strictObject({ ...head, string, kind: z.literal('scrapped'), payload: z.strictObject({ why: z.enum(SCRAP_REASONS) }) }),
  z.strictObject({ ...head, kind: z.literal('bridge-blocked'), payload: z.strictObject({ blocked: z.boolean() }) }),
  z.strictObject({ ...head, kind: z.literal('noted'), payload: z.strictObject({ text: words('the note', 2000) }) }),
  z.strictObject({ ...head, kind: z.literal('measured'), payload: measured }),
  z.strictObject({ ...head, kind: z.literal('found'), payload: found }),
  z.strictObject({ ...head, kind: z.literal('pads-noted'), payload: padsNoted }),
  z.strictObject({ ...head, kind: z.literal('tool-laid'), payload: toolLaid }),
  z.strictObject({ ...head, kind: z.literal('reference-read'), payload: referenceRead }),
  z.strictObject({ ...head, string, kind: z.literal('gauge-read'), payload: gaugeRead }),
  z.strictObject({ ...head, string, kind: z.literal('heard'), payload: heardAt }),
  z.strictObject({ ...head, string, kind: z.enum(['heard-on-bridge', 'set-on-bridge']), payload: onBridge }),
  z.strictObject({ ...head, kind: z.literal('claw-turned'), payload: clawTurned }),
  z.strictObject({ ...head, kind: z.literal('springs-hooked'), payload: springsHooked }),
  z.strictObject({ ...head, kind: z.literal('set-hung'), payload: z.strictObject({}) }),
  z.strictObject({ ...head, kind: z.literal('fine-tuners-at-mid'), payload: z.strictObject({}) }),
  z.strictObject({ ...head, kind: z.literal('arm-moved'), payload: armMoved }),
  z.strictObject({ ...head, kind: z.literal('nut-clamped'), payload: nutClamped }),
  z.strictObject({ ...head, kind: z.literal('springs-learned'), payload: springsLearned }),
  z.strictObject({ ...head, string, kind: z.literal('pitch-read'), payload: pitchRead }),
  z.strictObject({ ...head, string, kind: z.literal('seated-again'), payload: z.strictObject({}) }),
  z.strictObject({ ...head, kind: z.enum(['paused', 'resumed']), payload: z.strictObject({}) }),
  z.strictObject({ ...head, kind: z.literal('undone'), payload: z.strictObject({ eventId: uuidV7 }) }),
  z.strictObject({ ...head, kind: z.literal('handed-over'), payload: z.strictObject({ remark: longText(2000) }) }),
] as const;

/** An event of the bench log; the door through which every one enters, from browser, file or command line. */
export const benchEvent: z.ZodType<BenchEvent, BenchEvent> = z.discriminatedUnion('kind', kinds);

/** Kinds of events that are known here. */
export const EVENT_KINDS: ReadonlySet<string> = new Set(
  kinds.flatMap(({ shape: { kind } }) => ('options' in kind ? kind.options : [...kind.values])),
);

/** An event of the log, of whatever version: old ones are raised, and one from a newer version is kept as such. Only what enters is held to the letter. */
const loggedEvent: z.ZodType<BenchEvent> = z.unknown().transform((raw, context) => {
  const event = readEvent(raw, EVENT_KINDS);
  if (event !== null) return event;
  context.addIssue({ code: 'custom', message: 'must be an event with id, version, job, instrument, person, device, time and kind' });
  return z.NEVER;
});

/** An event as the log gives it back: with the server's place in the log and time. */
export const storedEvent = z.object({ event: loggedEvent, seq: z.int(), storedAt: z.string() });
export type StoredEvent = z.infer<typeof storedEvent>;

/** A count that stands, with whose and at which instrument it was. */
export const countedTurns = counted.extend({
  jobId: uuid,
  instrumentId: uuid,
  instrumentName: z.string(),
  personId: uuid,
  personName: z.string(),
  string: z.int(),
  at: z.string(),
});
export type CountedTurnsRow = z.infer<typeof countedTurns>;

/** A count as the calibration takes it. */
export const toCountedTurns = (row: CountedPayload & { instrumentId: string; personId: string }): CountedTurns => ({
  instrumentId: row.instrumentId,
  personId: row.personId,
  turns: row.turns,
  slack: fromMillimetres(row.slackMm),
  stretch: fromMillimetres(row.stretchMm),
  postDiameter: fromMillimetres(row.postDiameterMm),
  stringDiameter: fromMillimetres(row.stringDiameterMm),
  nutToPost: fromMillimetres(row.nutToPostMm),
});

export const appendOutcome = z.object({
  id: z.string(),
  outcome: z.enum(['stored', 'already-stored', 'refused']),
  seq: z.int().nullable(),
  says: z.string().nullable(),
});
export type AppendOutcome = z.infer<typeof appendOutcome>;
