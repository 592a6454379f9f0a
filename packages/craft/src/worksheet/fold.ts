import { placeOf } from '../findings/index.js';
import { unreachable } from '../outcome/index.js';
import type { ToolKind } from '../tools/index.js';
import type { BenchEvent, EventOf } from './events.js';
import { stageOf } from './stages.js';
import { STAGES, STRING_STAGES, type Stage, type StringEventKind, type StringStage } from '../stages/index.js';

/** The state of a job: what its plan and its log add up to. */
export interface Worksheet {
  stringCount: number;
  chosen: EventOf<'set-chosen'> | null;
  /** Whether each string is part of the job: all, unless only some were chosen. */
  inJob: readonly boolean[];
  /** Per stage, per string (zero-based): the event that did it, or null. */
  done: Readonly<Record<StringStage, readonly (BenchEvent | null)[]>>;
  /** Strings that hung under their pull before they were on: since when. */
  hung: readonly (EventOf<'set-hung'> | null)[];
  wound: readonly (EventOf<'wound'> | null)[];
  /** Strings that bear pull since they were wound: first pass of Bring up. */
  tensioned: readonly (EventOf<'tensioned'> | EventOf<'brought-up'> | null)[];
  /** Turns that were counted on the posts of strings that are wound. */
  counted: readonly (EventOf<'turns-counted'> | null)[];
  /** Strings that were lost on the way, each with why. */
  scrapped: readonly EventOf<'scrapped'>[];
  /** A block holds the floating bridge level. */
  blocked: boolean;
  notes: readonly EventOf<'noted'>[];
  /** The last of each kind, and of each string where strings are measured one by one; apart for the instrument as it came and with new strings up. */
  measurements: readonly EventOf<'measured'>[];
  /** The last word on each place where something was found. */
  findings: readonly EventOf<'found'>[];
  /** Which way the pads of each clamp lay, by clamp. */
  pads: readonly EventOf<'pads-noted'>[];
  /** The last word on each tool of the bench. */
  tools: Readonly<Partial<Record<ToolKind, EventOf<'tool-laid'>>>>;
  /** The tuner's reference as it was read. */
  reference: EventOf<'reference-read'> | null;
  /** What was read on the new strings. */
  gauges: readonly (EventOf<'gauge-read'> | null)[];
  /** How far each string was off whenever it was read, in the order of time, since it was seated. */
  /** Its bridge moves with the pull of the strings: it is balanced before they are settled. */
  balances: boolean;
  /** What happened to a bridge that moves, oldest first. */
  onBridge: readonly OnBridgeEvent[];
  /** What its springs were found to be in this job. */
  springs: EventOf<'springs-learned'> | null;
  /** Readings on the way up, of the string that is on. */
  heard: readonly (readonly EventOf<'heard'>[])[];
  pitches: readonly (readonly EventOf<'pitch-read'>[])[];
  /** The clock stands still. */
  paused: boolean;
  handedOver: EventOf<'handed-over'> | null;
  /** Events that still stand, oldest first. */
  standing: readonly BenchEvent[];
}

export type OnBridgeEvent = EventOf<
  'heard-on-bridge' | 'set-on-bridge' | 'claw-turned' | 'springs-hooked' | 'fine-tuners-at-mid' | 'nut-clamped' | 'arm-moved' | 'measured'
>;

export function emptyWorksheet(stringCount: number, balances = false): Worksheet {
  const none = Array.from({ length: stringCount }, () => null);
  return {
    stringCount,
    chosen: null,
    inJob: none.map(() => true),
    done: Object.fromEntries(STRING_STAGES.map((stage) => [stage, none])) as unknown as Worksheet['done'],
    hung: none,
    wound: none,
    tensioned: none,
    counted: none,
    scrapped: [],
    blocked: false,
    notes: [],
    measurements: [],
    findings: [],
    pads: [],
    tools: {},
    reference: null,
    gauges: none,
    balances,
    onBridge: [],
    springs: null,
    heard: none.map(() => []),
    pitches: none.map(() => []),
    paused: false,
    handedOver: null,
    standing: [],
  };
}

/**
 * The fold: one state for any order of arrival. Events are taken once each, by id, in the order of their ids (UUID v7: by time); an event that a
 * later one undoes is left out as if it had never been, so undo is exact. Events for strings the instrument does not have are ignored. `balances`: its bridge moves.
 */
export function foldWorksheet(stringCount: number, log: readonly BenchEvent[], balances = false): Worksheet {
  const byId = new Map(log.map((event) => [event.id, event]));
  const undone = new Set(log.flatMap((event) => (event.kind === 'undone' ? [event.payload.eventId] : [])));
  const standing = [...byId.values()]
    .filter((event) => event.kind !== 'undone' && !undone.has(event.id))
    .filter((event) => !('string' in event) || (event.string >= 1 && event.string <= stringCount))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  return standing.reduce(apply, { ...emptyWorksheet(stringCount, balances), standing });
}

function apply(sheet: Worksheet, event: BenchEvent): Worksheet {
  switch (event.kind) {
    case 'set-chosen':
      return {
        ...sheet,
        chosen: event,
        inJob: sheet.inJob.map((_, index) => event.payload.only?.includes(index + 1) ?? true),
        hung: areTheSame(sheet.chosen, event) ? sheet.hung : sheet.hung.map(() => null),
      };
    case 'set-hung':
      return { ...sheet, hung: sheet.hung.map((since, index) => since ?? (isToCome(sheet, index) ? event : null)) };
    case 'wound':
      return {
        ...tick(sheet, event),
        wound: sheet.wound.with(event.string - 1, event),
        counted: sheet.counted.with(event.string - 1, null), // a count is of the winding before it
      };
    case 'tensioned':
      return { ...sheet, tensioned: sheet.tensioned.with(event.string - 1, event) };
    case 'brought-up':
      return {
        ...tick(sheet, event),
        tensioned: sheet.tensioned.with(event.string - 1, sheet.tensioned[event.string - 1] ?? event), // at pitch: it bears pull
      };
    case 'turns-counted':
      return sheet.wound[event.string - 1] === null ? sheet : { ...sheet, counted: sheet.counted.with(event.string - 1, event) };
    case 'laid-out':
    case 'string-off':
    case 'looked-over':
    case 'anchored':
    case 'balanced':
    case 'settled':
    case 'trimmed':
      return tick(sheet, event);
    case 'scrapped':
      return scrap(sheet, event);
    case 'bridge-blocked':
      return { ...sheet, blocked: event.payload.blocked };
    case 'noted':
      return { ...sheet, notes: [...sheet.notes, event] };
    case 'measured':
      return {
        ...onBridge(sheet, event),
        measurements: lastOf(sheet.measurements, event, (each) => `${measuredOf(each)} ${asItCame(sheet, each)}`),
      };
    case 'found':
      return { ...sheet, findings: lastOf(sheet.findings, event, ({ payload }) => placeOf(payload)) };
    case 'pads-noted':
      return { ...sheet, pads: lastOf(sheet.pads, event, ({ payload }) => String(payload.clamp)) };
    case 'tool-laid':
      return { ...sheet, tools: { ...sheet.tools, [event.payload.tool]: event } };
    case 'reference-read':
      return { ...sheet, reference: event };
    case 'gauge-read':
      return { ...sheet, gauges: sheet.gauges.with(event.string - 1, event) };
    case 'heard':
      return { ...sheet, heard: sheet.heard.with(event.string - 1, [...(sheet.heard[event.string - 1] ?? []), event]) };
    case 'pitch-read':
      return { ...sheet, pitches: sheet.pitches.with(event.string - 1, [...(sheet.pitches[event.string - 1] ?? []), event]) };
    case 'heard-on-bridge':
    case 'set-on-bridge':
    case 'claw-turned':
    case 'springs-hooked':
    case 'fine-tuners-at-mid':
    case 'nut-clamped':
    case 'arm-moved':
      return onBridge(sheet, event);
    case 'springs-learned':
      return { ...sheet, springs: event };
    case 'seated-again':
      return { ...sheet, pitches: sheet.pitches.with(event.string - 1, []) };
    case 'paused':
    case 'resumed':
      return { ...sheet, paused: event.kind === 'paused' };
    case 'handed-over':
      return { ...sheet, handedOver: sheet.handedOver ?? event };
    case 'from-newer':
      return sheet;
    case 'undone':
      return sheet; // taken out before the fold
    default:
      return unreachable(event);
  }
}

/** Of what is measured only how level it stands, at either end, says something of the bridge. */
const onBridge = (sheet: Worksheet, event: OnBridgeEvent): Worksheet =>
  event.kind === 'measured' && event.payload.what !== 'bridge-level' && event.payload.what !== 'bridge-level-treble'
    ? sheet
    : { ...sheet, onBridge: [...sheet.onBridge, event] };

/** The list with `event` in the place of the one that says the same thing, or at its end. */
function lastOf<E extends BenchEvent>(list: readonly E[], event: E, keyOf: (each: E) => string): E[] {
  return [...list.filter((each) => keyOf(each) !== keyOf(event)), event];
}

/** What a new string has to go through again; the old one stays off, and what was under it stays looked over. */
const AGAIN: readonly StringStage[] = ['ready', 'anchor', 'wind', 'bring-up', 'balance', 'settle', 'trim'];

function scrap(sheet: Worksheet, event: EventOf<'scrapped'>): Worksheet {
  const index = event.string - 1;
  const done = Object.fromEntries(
    STRING_STAGES.map((stage) => [stage, AGAIN.includes(stage) ? sheet.done[stage].with(index, null) : sheet.done[stage]]),
  ) as unknown as Worksheet['done'];
  return {
    ...sheet,
    done,
    wound: sheet.wound.with(index, null),
    hung: sheet.hung.with(index, null),
    tensioned: sheet.tensioned.with(index, null),
    counted: sheet.counted.with(index, null),
    gauges: sheet.gauges.with(index, null),
    heard: sheet.heard.with(index, []),
    pitches: sheet.pitches.with(index, []),
    onBridge: sheet.onBridge.filter(({ kind }) => kind !== 'heard-on-bridge' && kind !== 'set-on-bridge'), // with another string all stand elsewhere
    scrapped: [...sheet.scrapped, event],
  };
}

function tick(sheet: Worksheet, event: EventOf<StringEventKind>): Worksheet {
  const stage = stageOf(event.kind);
  return { ...sheet, done: { ...sheet.done, [stage]: sheet.done[stage].with(event.string - 1, event) } };
}

/** Stages of this job, in the order of the work. */
export const stagesOf = ({ balances }: Pick<Worksheet, 'balances'>): readonly Stage[] =>
  balances ? STAGES : STAGES.filter((stage) => stage !== 'balance');

/** Whether each string has passed a stage: choosing and handing over pass all strings at once, and a string that is no part of the job has nothing to pass. */
export function passed(sheet: Worksheet, stage: Stage): boolean[] {
  if (stage === 'choose') return Array.from({ length: sheet.stringCount }, () => sheet.chosen !== null);
  if (stage === 'hand-over') return Array.from({ length: sheet.stringCount }, () => sheet.handedOver !== null);
  if (stage === 'balance' && !sheet.balances) return sheet.inJob.map(() => true);
  return sheet.done[stage].map((event, index) => event !== null || sheet.inJob[index] === false);
}

/** Whether both are about the same strings: what hangs goes on hanging. */
const areTheSame = (before: Worksheet['chosen'], now: EventOf<'set-chosen'>): boolean =>
  JSON.stringify(before?.payload.strings) === JSON.stringify(now.payload.strings);

/** A string of the job that is not on yet. */
const isToCome = ({ inJob, tensioned }: Worksheet, index: number): boolean => inJob[index] !== false && tensioned[index] === null;

const measuredOf = ({ payload }: EventOf<'measured'>): string => `${payload.what} ${payload.string ?? ''}`;

/** Whether this was measured before any new string bore pull: it is of the instrument with the strings it came with. */
export const asItCame = ({ tensioned }: Pick<Worksheet, 'tensioned'>, { id }: Pick<EventOf<'measured'>, 'id'>): boolean =>
  tensioned.every((event) => event === null || event.id > id);
