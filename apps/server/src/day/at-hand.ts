import { LRUCache } from 'lru-cache';
import type { WorksheetFile } from '@gold-peg/contract/jobs';
import { attendedInPieces, type Attended, type JobAtHand, type LeftOfStages, type TimedStage } from '@gold-peg/craft/day';
import { isVibrato } from '@gold-peg/craft/instrument';
import { isSoft, tuningWays } from '@gold-peg/craft/methods';
import { expectedDrift, type DriftForecast } from '@gold-peg/craft/settle';
import { stringProperties, type StringProperties } from '@gold-peg/craft/strings';
import { driftOf, foldWorksheet, passed, specOf, STRING_STAGES, type Stage, type Worksheet } from '@gold-peg/craft/worksheet';

const MINUTE_MS = 60_000;

/** Forecasts by what they follow from: a day is looked at by everybody again and again, and strings are read now and then. */
const forecasts = new LRUCache<string, DriftForecast>({ max: 1000 });

function driftExpected(...asked: Parameters<typeof expectedDrift>): DriftForecast {
  const key = JSON.stringify(asked);
  const known = forecasts.get(key) ?? expectedDrift(...asked);
  forecasts.set(key, known);
  return known;
}

/** Whoever chose a set or wrote something down has not begun yet: anybody may. */
const AT_THE_COUNTER: ReadonlySet<string> = new Set(['noted', 'set-chosen']);

type Told = Pick<WorksheetFile, 'passport' | 'events' | 'house'> & {
  /** Strings that it would get, where they are others than the log and the passport say. */
  strings?: readonly StringProperties[];
};

/** A job with what its log says of it. */
export interface Known extends JobAtHand {
  /** Who began it, and when something was last done; null while nothing was. */
  hand: { personId: string; at: Date } | null;
  /** When the bench work ended, where strings are left to themselves now. */
  leftAt: Date | null;
}

/** What is left to do for a job, by its log. `times`: what stages took; `fits`: whether a piece of work has room in some hours. */
export function atHand(
  { passport, events, house, strings }: Told,
  { times, fits }: { times: readonly TimedStage[]; fits: (piece: Attended) => boolean },
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
  const moves = movesOf(sheet, { passport, house, strings: strings ?? stringsOf(sheet, passport) });
  const tensioned = sheet.tensioned.flatMap((event) => (event === null ? [] : [Date.parse(event.at)]));
  const start = tensioned.length === 0 ? null : Math.max(...tensioned);
  const leftAt = strung && work.length === 0 && begun ? hand.at : null;
  const since = leftAt === null || start === null ? 0 : Math.max(0, (leftAt.getTime() - start) / MINUTE_MS);
  return { work, begun, moves, since, hand, leftAt };
}

/** Of each stage, the share of the strings that still have it before them. */
function leftOf(sheet: Worksheet): LeftOfStages {
  const shareOf = (stage: Stage) => passed(sheet, stage).filter((done) => !done).length / Math.max(1, sheet.stringCount);
  return Object.fromEntries(STRING_STAGES.map((stage) => [stage, shareOf(stage)]));
}

/** How the strings that are going on move; null where they are steel. */
function movesOf(
  sheet: Worksheet,
  { passport, house, strings: known }: Pick<Told, 'passport' | 'house'> & { strings: readonly (StringProperties | null)[] },
): Pick<DriftForecast, 'retunes' | 'holdsFrom'> | null {
  const soft = known.map((properties, index) => properties !== null && isSoft(properties) && sheet.inJob[index] !== false);
  const family = passport.family === 'classical' || passport.family === 'ukulele';
  if (known.length === 0 ? !family : !soft.includes(true)) return null;
  const { hold } = tuningWays({ house, instrument: passport.methods });
  const each =
    soft.length === 0
      ? [driftExpected([], hold)]
      : soft.flatMap((is, index) => (is ? [driftExpected(driftOf(sheet, index), hold, known[index]?.creep)] : []));
  const slowest = each.reduce((a, b) => (b.holdsFrom.likely > a.holdsFrom.likely ? b : a));
  const first = each.reduce((a, b) => ((b.retunes[0]?.likely ?? Infinity) < (a.retunes[0]?.likely ?? Infinity) ? b : a));
  return { retunes: first.retunes, holdsFrom: slowest.holdsFrom };
}

/** Strings that were chosen, or those that are on it where nothing was chosen yet; empty where nothing is known. */
function stringsOf(sheet: Worksheet, passport: WorksheetFile['passport']): (StringProperties | null)[] {
  const chosen = sheet.chosen?.payload.strings ?? passport.current?.strings ?? [];
  return chosen.map((logged) => {
    const properties = stringProperties(specOf(passport.family, logged));
    return properties.ok ? properties.value : null;
  });
}
