import { LRUCache } from 'lru-cache';
import type { WorksheetFile } from '@gold-peg/contract/jobs';
import { attendedInPieces, LONGEST_WAIT, type Attended, type JobAtHand, type LeftOfStages, type TimedStage } from '@gold-peg/craft/day';
import { isVibrato } from '@gold-peg/craft/instrument';
import { isSoft, tuningWays } from '@gold-peg/craft/methods';
import { expectedDrift, type DriftForecast, type DriftReading } from '@gold-peg/craft/settle';
import { stringProperties, type StringProperties } from '@gold-peg/craft/strings';
import { driftOf, foldWorksheet, passed, pulledSince, specOf, type Worksheet } from '@gold-peg/craft/worksheet';
import { STRING_STAGES, type Stage } from '@gold-peg/craft/stages';

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;

/** Forecasts by what they follow from: a day is looked at by everybody again and again, and strings are read now and then. */
const forecasts = new LRUCache<string, DriftForecast>({ max: 1000 });

function driftExpected(...asked: Parameters<typeof expectedDrift>): DriftForecast {
  const key = JSON.stringify(asked);
  const known = forecasts.get(key) ?? expectedDrift(...asked);
  forecasts.set(key, known);
  return known;
}

/** Whoever chose a set or wrote something down has not begun yet: anybody may. */
const AT_THE_COUNTER: ReadonlySet<string> = new Set(['noted', 'set-chosen', 'set-hung']);
/** Forecasts differ by no more from one quarter of an hour to the next. */
const HOURS_STEP = 0.25;

type Told = Pick<WorksheetFile, 'passport' | 'events' | 'house'> & {
  /** Strings that it would get, where they are others than the log and the passport say. */
  strings?: readonly StringProperties[];
  /** Since when they hang, where they would. */
  hung?: Date;
};

/** A job with what its log says of it. */
export interface Known extends JobAtHand {
  /** Who began it, and when something was last done; null while nothing was. */
  hand: { personId: string; at: Date } | null;
  /** When the bench work ended, where strings are left to themselves now. */
  leftAt: Date | null;
  /** All strings of the job are on, or hang: nothing is waited for. */
  there: boolean;
  /** Until when its strings hang under their pull before the work begins: with its end they hold; null where they do not. */
  hangsUntil: Date | null;
}

/** What is left to do for a job, by its log. `times`: what stages took; `fits`: whether a piece of work has room in some hours. */
export function atHand(
  { passport, events, house, strings, hung }: Told,
  { times, fits, at }: { times: readonly TimedStage[]; fits: (piece: Attended) => boolean; at: Date },
): Known {
  const sheet = foldWorksheet(
    passport.stringCount,
    events.map(({ event }) => event),
    isVibrato(passport.geometry.bridge),
  );
  const last = sheet.standing.findLast(({ kind }) => !AT_THE_COUNTER.has(kind));
  const hand = last === undefined ? null : { personId: last.personId, at: new Date(last.at) };
  const { family, stringCount } = passport;
  const left = leftOf(sheet);
  const strung = (left['bring-up'] ?? 0) === 0;
  const work = attendedInPieces(times, hand?.personId ?? '', { family, stringCount, left, fits });
  const begun = hand !== null;
  const soft = softOf(sheet, { passport, strings: strings ?? stringsOf(sheet, passport) });
  const { hold } = tuningWays({ house, instrument: passport.methods });
  const hangs = strung || soft === null ? null : hangingSince(sheet, soft, hung);
  if (hangs !== null && soft !== null) {
    const works = work.reduce((sum, { median }) => sum + median, 0) * MINUTE_MS;
    const holds = slowestOf(soft.map(({ creep }) => driftExpected([], hold, creep)));
    const longest = Math.min(LONGEST_WAIT, holds.holdsFrom.likely * 60); // it may be never
    const until = begun ? at.getTime() : Math.max(at.getTime(), hangs.getTime() + longest * MINUTE_MS - works);
    const hours = Math.max(HOURS_STEP, HOURS_STEP * Math.round((until + works - hangs.getTime()) / HOUR_MS / HOURS_STEP));
    const moves = movesOf(soft.map(({ creep }) => driftExpected([{ hours, cents: null, retuned: true }], hold, creep)));
    return { work, begun, moves, since: hours * 60, hand, leftAt: null, there: true, hangsUntil: begun ? null : new Date(until) };
  }
  const moves = soft === null ? null : movesOf(soft.map(({ readings, creep }) => driftExpected(readings, hold, creep)));
  const pulled = sheet.tensioned.flatMap((_, index) => Date.parse(pulledSince(sheet, index) ?? '') || []);
  const start = pulled.length === 0 ? null : Math.max(...pulled);
  const leftAt = strung && work.length === 0 && begun ? hand.at : null;
  const since = leftAt === null || start === null ? 0 : Math.max(0, (leftAt.getTime() - start) / MINUTE_MS);
  return { work, begun, moves, since, hand, leftAt, there: (left.anchor ?? 0) === 0, hangsUntil: null };
}

/** Since when all strings hang that move and are to go on; null where one of them does not. `hung`: since when they would. */
function hangingSince({ hung }: Worksheet, soft: readonly Soft[], would?: Date): Date | null {
  if (would !== undefined) return would;
  const since = soft.map(({ index }) => (index === null ? null : hung[index])?.at);
  const known = since.flatMap((at) => (at === undefined ? [] : [Date.parse(at)]));
  return known.length < since.length ? null : new Date(Math.max(...known));
}

/** Of each stage, the share of the strings that still have it before them. */
function leftOf(sheet: Worksheet): LeftOfStages {
  const shareOf = (stage: Stage) => passed(sheet, stage).filter((done) => !done).length / Math.max(1, sheet.stringCount);
  return Object.fromEntries(STRING_STAGES.map((stage) => [stage, shareOf(stage)]));
}

/** A string that is going on and moves: its readings by now, and how far it creeps, where that is known. */
interface Soft {
  /** Null where nothing is known of its strings. */
  index: number | null;
  readings: DriftReading[];
  creep: number | undefined;
}

/** The strings that are going on and move; null where all are steel. */
function softOf(
  sheet: Worksheet,
  { passport, strings: known }: Pick<Told, 'passport'> & { strings: readonly (StringProperties | null)[] },
): Soft[] | null {
  const family = passport.family === 'classical' || passport.family === 'ukulele';
  if (known.length === 0) return family ? [{ index: null, readings: [], creep: undefined }] : null;
  const soft = known.flatMap((properties, index) =>
    properties !== null && isSoft(properties) && sheet.inJob[index] !== false
      ? [{ index, readings: driftOf(sheet, index), creep: properties.creep }]
      : [],
  );
  return soft.length === 0 ? null : soft;
}

/** They are tuned again with the first of them, and hold with the last. */
const movesOf = (each: readonly DriftForecast[]): Pick<DriftForecast, 'retunes' | 'holdsFrom'> => {
  const first = each.reduce((a, b) => ((b.retunes[0]?.likely ?? Infinity) < (a.retunes[0]?.likely ?? Infinity) ? b : a));
  return { retunes: first.retunes, holdsFrom: slowestOf(each).holdsFrom };
};
const slowestOf = (each: readonly DriftForecast[]): DriftForecast =>
  each.reduce((a, b) => (b.holdsFrom.likely > a.holdsFrom.likely ? b : a));

/** Strings that were chosen, or those that are on it where nothing was chosen yet; empty where nothing is known. */
function stringsOf(sheet: Worksheet, passport: WorksheetFile['passport']): (StringProperties | null)[] {
  const chosen = sheet.chosen?.payload.strings ?? passport.current?.strings ?? [];
  return chosen.map((logged) => {
    const properties = stringProperties(specOf(passport.family, logged));
    return properties.ok ? properties.value : null;
  });
}
