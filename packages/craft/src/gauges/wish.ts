import type { StringSet, TableString } from '../strings/index.js';
import type { Bend } from '../tension/index.js';
import type { Strung } from '../tuning/index.js';
import type { Newtons } from '../units/index.js';

/** What the strings should do. Lists have one entry for each seat. */
export type Wish =
  /** Every string pulls alike: as much as stated, or at whatever level comes out most even. */
  | { kind: 'equal-pull'; pull: Newtons | null }
  /** Each string pulls as stated: as the old set did, for instance, in its old tuning. */
  | { kind: 'pulls'; pulls: readonly Newtons[] }
  /** A semitone's bend takes the same force and travel as on another instrument or set. */
  | { kind: 'feel'; bends: readonly (Bend | null)[] }
  /** All together pull as much as stated, shared evenly or in the proportions given. */
  | { kind: 'total'; total: Newtons; shares: readonly number[] | null };

/** How many of each can be taken, by id. */
export interface OnTheShelf {
  strings: ReadonlyMap<string, number>;
  sets: ReadonlyMap<string, number>;
}

export interface GaugeQuestion {
  strung: Strung;
  table: readonly TableString[];
  sets: readonly StringSet[];
  wish: Wish;
  /** How much each string counts, one by default; zero leaves it free. */
  weights: readonly number[];
  /** Which seats must carry a wound string or a smooth one; null where either will do. */
  wound: readonly (boolean | null)[];
  /** Only what lies there; null for the whole table. */
  stock: OnTheShelf | null;
  /** A set must be bought, and at most so many of its strings replaced by singles; null where any strings will do. */
  mostSingles: number | null;
  /** Strings of several lines and windings may stand beside one another; else smooth ones are of one line, and wound ones of one. */
  mixed: boolean;
  /** How many answers are wanted. */
  answers: number;
}

export interface GaugeAnswer {
  strings: readonly TableString[];
  /** The set they come from, and how many of them do not. */
  set: StringSet | null;
  singles: number;
  /** Weighted mean square of what the wish misses, in logarithms. */
  cost: number;
  /** The same as per cent, on average over the strings. */
  missesPercent: number;
  /** Pull, or force of a bend, against what was wished, per cent. Null for strings that are left free. */
  missPercent: readonly (number | null)[];
}

export type GaugeProblem =
  /** No string of the table can stand in this seat: none listed, or none that is safe at its pitch and not slack. */
  { kind: 'no-string'; seat: number; listed: number } | { kind: 'no-set' } | { kind: 'nothing-in-stock' };
