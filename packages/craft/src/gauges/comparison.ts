import { bridgeChange, bridgeOn, usualSprings, type BridgeChange, type FloatingBridge, type SpringFacts } from '../balance/index.js';
import { actionChange, reliefChange, type Estimate, type NeckReading } from '../neck/index.js';
import { slotFit, type SlotFit } from '../nut/index.js';
import type { StringProperties } from '../strings/index.js';
import {
  bendFor,
  compareSets,
  loadString,
  SEMITONE,
  totalPull,
  type Bend,
  type LoadedString,
  type SetComparison,
} from '../tension/index.js';
import type { Seat, Strung } from '../tuning/index.js';
import { metres, newtons, type Newtons } from '../units/index.js';
import { bridgeTilt, type Tilt } from './bridge-tilt.js';

/** One string in its seat: how it pulls and how it feels. */
export interface SeatedString {
  string: StringProperties;
  load: LoadedString;
  /** Null where it cannot be bent by a semitone. */
  bend: Bend | null;
}

export interface ComparedString {
  seat: Seat;
  before: SeatedString | null;
  after: SeatedString;
  percent: number | null;
  /** Null where the slot has not been measured. */
  fit: SlotFit | null;
}

export interface Comparison {
  strings: ComparedString[];
  total: Newtons;
  /** Null where some string of the old set is not known. */
  change: SetComparison | null;
  relief: Estimate | null;
  action: Estimate | null;
  tilt: Tilt;
  /** What it does to a bridge that moves; null at a fixed one, and where the old set is not known. */
  balance: BridgeChange | null;
  /** Zero-based position of the string nearest to breaking. */
  tightest: number;
  /** How far the least certain pull may lie from the truth, per cent. */
  bandPercent: number;
}

export interface Stringing {
  strung: Strung;
  strings: readonly StringProperties[];
}

export function seatString(string: StringProperties, { speakingLength, path, pitch }: Seat): SeatedString {
  const bend = bendFor(SEMITONE, { string, speakingLength, path, pitch });
  return { string, load: loadString(string, speakingLength, pitch), bend: bend.kind === 'bend' ? bend.bend : null };
}

/**
 * A set against another, or against nothing known. Each in its own tuning, on the same instrument, whose neck has given as was `measured` and whose bridge has such `springs`.
 * @throws RangeError when a set has not one string for each seat.
 */
export function compareOn(
  { strung, strings }: Stringing,
  before: Stringing | null,
  measured: readonly NeckReading[] = [],
  springs: SpringFacts = usualSprings,
): Comparison {
  if (strings.length !== strung.seats.length) throw new RangeError(`${strings.length} strings for ${strung.seats.length} seats`);
  const after = seatAll({ strung, strings });
  const old = before === null ? null : seatAll(before);
  const change = old === null ? null : compareSets(pulls(old), pulls(after));
  const relief = change === null ? null : reliefChange(newtons(change.total.after - change.total.before), measured);
  const spare = after.map(({ load }) => load.semitonesToSafe);
  return {
    strings: strung.seats.map((seat, index) => {
      const seated = after[index] as SeatedString;
      const fit = seat.slotWidth === null ? null : slotFit(seat.slotWidth, seated.string.gauge);
      return { seat, before: old?.[index] ?? null, after: seated, percent: change?.strings[index]?.percent ?? null, fit };
    }),
    total: totalPull(pulls(after)),
    change,
    relief,
    action: relief === null ? null : actionChange(relief),
    tilt: bridgeTilt(strung, change?.total.percent ?? null),
    balance: balanceOf(before, { strung, strings }, springs),
    tightest: spare.indexOf(Math.min(...spare)),
    bandPercent: Math.max(...strings.map(({ bandPercent }) => bandPercent)),
  };
}

function balanceOf(before: Stringing | null, after: Stringing, springs: SpringFacts): BridgeChange | null {
  const [was, is] = [before === null ? null : bridgeStrung(before, springs), bridgeStrung(after, springs)];
  return was === null || is === null ? null : bridgeChange(was, is);
}

/** The bridge under these strings in their seats; null where it does not move. */
export const bridgeStrung = ({ strung, strings }: Stringing, springs: SpringFacts): FloatingBridge | null =>
  bridgeOn(
    strung,
    strung.seats.map(({ pitch, speakingLength, path }) => ({ pitch, scaleLength: speakingLength, extra: metres(path - speakingLength) })),
    strings,
    springs,
  );

const seatAll = ({ strung, strings }: Stringing): SeatedString[] =>
  strung.seats.flatMap((seat, index) => {
    const string = strings[index];
    return string === undefined ? [] : seatString(string, seat);
  });

const pulls = (seated: readonly SeatedString[]) => seated.map(({ load }) => load.pull);
