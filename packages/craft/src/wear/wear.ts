import { bandOf, type Band } from '../band/index.js';
import { WEAR, type Constant } from '../constants/index.js';
import type { Construction, Family } from '../string-kinds/index.js';
import type { StringLife } from './lives.js';

const DAY_MS = 86_400_000;
const YEAR_DAYS = 365.25;
/** A normal deviate that is exceeded, up and down, one time in ten. */
const ONE_IN_TEN = 1.2816;

/** What a player said of an instrument. */
export interface HoursAsked {
  weeklyHours: number;
  /** Milliseconds since 1970. */
  askedAt: number;
}

/** What a string went through, and when it is likely to be due. Days of `Band` are milliseconds since 1970. */
export interface Wear {
  ageDays: number;
  /** Played since it was fitted, h. */
  playedHours: Band;
  /** When it is worn, four times in five between low and high; before now where nobody came with it. */
  due: Band;
  /** Played when it is worn, h. */
  lastsHours: Band;
  /** Lives of this string that were lived to their end, and taught that. */
  learnedFrom: number;
}

interface Asked {
  construction: Construction;
  family: Family;
  /** Of this string, the one that is on it now last. */
  lives: readonly StringLife[];
  /** Null where nobody asked the player. */
  hours: HoursAsked | null;
  /** Milliseconds since 1970. */
  now: number;
}

/** What a string of this kind lasts while it is played, h. */
export function playedUntilWorn(family: Family, construction: Construction): Constant {
  if (construction === 'plain') return WEAR.plainSteel;
  if (construction !== 'wound') return WEAR.polymer;
  if (family === 'bass') return WEAR.woundBass;
  return family === 'classical' || family === 'ukulele' ? WEAR.woundPolymer : WEAR.woundSteel;
}

/** Steps of a normal deviate, from four spreads below to four above. */
const DEVIATES = Array.from({ length: 41 }, (_, nth) => (nth - 20) / 5);
const density = (deviate: number): number => Math.exp(-(deviate ** 2) / 2);

/**
 * When a string is worn. Wear adds up: 1/L = (w/7)/H + 1/D per day, with w hours played a week, H hours of play and D days of standing by that a string of its kind lasts. How long
 * strings last on this instrument, with its player, is learned from those that were on it before: a normal prior of ln L whose spread is that of H, w and D, each by its share of the
 * wear; a set that was changed is one life, a string that was replaced by itself lasted at least so long. That nobody
 * came with what is on it now says nothing: dull strings are played on. Null while nothing is on it.
 */
export function wearOf({ construction, family, lives, hours, now }: Asked): Wear | null {
  const current = lives.at(-1);
  if (current === undefined || current.to !== null) return null;
  const ageDays = Math.max(0, (now - current.from) / DAY_MS);
  const play = playedUntilWorn(family, construction);
  const weekly = hours?.weeklyHours ?? WEAR.weeklyHours.value;
  const perDay = weekly / 7;
  const lasts = 1 / (perDay / play.value + 1 / WEAR.unplayed.value);
  const played = (perDay / play.value) * lasts;
  const knows = hours === null ? spreadOf(WEAR.weeklyHours) : WEAR.askedHours.value;
  const prior = Math.hypot(played * spreadOf(play), played * knows, (1 - played) * spreadOf(WEAR.unplayed));
  // hours that were asked long ago are not those of today: what was learned then may not hold
  const yearsSince = hours === null ? 1 : Math.max(0, now - hours.askedAt) / DAY_MS / YEAR_DAYS;
  const changed = played * WEAR.hoursInAYear.value * Math.sqrt(yearsSince);
  const learned = DEVIATES.map((deviate) => ({
    log: Math.log(lasts) + deviate * prior,
    weight: density(deviate) * likelihood(lives, Math.log(lasts) + deviate * prior),
  }));
  const spread = Math.hypot(WEAR.fromSetToSet.value, changed);
  const lastsDays = bandOf(
    learned.flatMap(({ log, weight }) =>
      DEVIATES.map((deviate) => ({ value: Math.exp(log + deviate * spread), weight: weight * density(deviate) })),
    ),
  );
  const since = (days: number): number => current.from + days * DAY_MS;
  return {
    ageDays,
    playedHours: within(ageDays * perDay, hours === null ? spreadOf(WEAR.weeklyHours) : Math.hypot(knows, changed)),
    due: { low: since(lastsDays.low), likely: since(lastsDays.likely), high: since(lastsDays.high) },
    lastsHours: { low: lastsDays.low * perDay, likely: lastsDays.likely * perDay, high: lastsDays.high * perDay },
    learnedFrom: lives.filter(({ ended }) => ended === 'with-its-set').length,
  };
}

/** How well lives that ended fit strings that last exp(`log`) days as a rule. */
function likelihood(lives: readonly StringLife[], log: number): number {
  const spread = WEAR.fromSetToSet.value;
  return lives.reduce((product, { from, to, ended }) => {
    if (to === null || to <= from) return product;
    const away = (Math.log((to - from) / DAY_MS) - log) / spread;
    return product * (ended === 'early' ? beyond(away) : density(away));
  }, 1);
}

const ALL = DEVIATES.reduce((sum, deviate) => sum + density(deviate), 0);
/** How likely a normal deviate is larger. */
const beyond = (than: number): number => DEVIATES.reduce((sum, deviate) => (deviate > than ? sum + density(deviate) : sum), 0) / ALL;

/** The spread of a logarithm whose range holds four in five. */
const spreadOf = ({ low, high }: Constant): number => Math.log(high / low) / (2 * ONE_IN_TEN);

const within = (likely: number, spread: number): Band => ({
  low: likely * Math.exp(-ONE_IN_TEN * spread),
  likely,
  high: likely * Math.exp(ONE_IN_TEN * spread),
});
