import type { Construction, Family } from '../string-kinds/index.js';
import { livesOf, type Fitting } from './lives.js';
import { wearOf, type HoursAsked, type Wear } from './wear.js';

/** What one job left, with the kind of each string. */
export interface FittingOf extends Fitting {
  strings: readonly { string: number; construction: Construction; fittedAt?: string | undefined }[];
}

/** What is known of an instrument's strings, in its passport. */
export interface StrungSince {
  family: Family;
  /** As its setups say; the latest is what is on it. */
  setups: readonly FittingOf[];
  hours: HoursAsked | null;
}

/** An instrument that should come back, and the string that says so. */
export interface Due {
  /** Numbered from 1. */
  string: number;
  /** By string, in the order of their numbers. */
  wear: ReadonlyMap<number, Wear>;
}

/** Condition of every string that is on an instrument, and which of them is worn first; null where nothing is known of its strings. */
export function dueOf({ family, setups, hours }: StrungSince, now: number): Due | null {
  const latest = [...setups].sort((a, b) => Date.parse(b.fittedAt) - Date.parse(a.fittedAt))[0];
  const alike = new Map<string, Wear | null>();
  const wear = new Map(
    (latest?.strings ?? []).flatMap(({ string, construction }): [number, Wear][] => {
      const lives = livesOf(setups, string);
      // most strings of a set are of one kind, and lived together
      const key = JSON.stringify([construction, lives]);
      const of = alike.get(key) ?? wearOf({ construction, family, lives, hours, now });
      alike.set(key, of);
      return of === null ? [] : [[string, of]];
    }),
  );
  const [first] = [...wear].sort(([, a], [, b]) => a.due.likely - b.due.likely);
  return first === undefined ? null : { string: first[0], wear };
}
