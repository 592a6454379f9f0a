import { archetype, instrumentOf } from '../archetypes/index.js';
import { bridgeUnder, levelClaw, usualSprings, type FloatingBridge } from '../balance/index.js';
import { WARMTH } from '../constants/index.js';
import { firstLaidOut } from '../gauges/index.js';
import { pitchOf, type Instrument } from '../instrument/index.js';
import { windString, type PostPlan } from '../procedure/index.js';
import { chanceFrom } from '../simulated/index.js';
import { madeOf, setsFor, type StringProperties } from '../strings/index.js';
import { metres, type Hertz, type Metres } from '../units/index.js';
import { pegGrips } from './peg-grips.js';

/** Every so many seeds one comes in from the cold. */
const COLD_EACH = 3;

/** One string that is to come on: what it is, and how it would be wound as planned. */
export interface ToString {
  string: StringProperties;
  plan: PostPlan;
  note: Hertz;
  scale: Metres;
}

/** An instrument on the simulated bench, with the set that fits its nut: what does not change while it is restrung. */
export interface Restring {
  kind: string;
  name: string;
  /** Of the set. */
  set: string;
  seed: number;
  instrument: Instrument;
  strings: readonly ToString[];
  /** Null where the bridge does not move. */
  bridge: FloatingBridge | null;
  claw: Metres;
  /** What each peg bears as it comes, N m; null of those that gears hold. */
  pegs: readonly (number | null)[];
  /** How much colder than the room it came in, K: a third of them do. */
  cold: number;
}

/** Lays one out; null for a kind that no set of the table fits, or whose strings go round no post. `seed`: what hands and strings do follows from it. */
export function layOut(kind: string, seed: number): Restring | null {
  const known = archetype(kind);
  if (known === undefined) return null;
  const instrument = instrumentOf(kind);
  const slots = instrument.strings.map(({ slotWidth }) => slotWidth);
  const set = firstLaidOut(setsFor(instrument.family, instrument.strings.length), slots, () => 0);
  if (set === null) return null;
  const made = madeOf(set);
  const strings = instrument.strings.flatMap((place, index): ToString[] => {
    const string = made[index] as StringProperties;
    const plan = windString({ instrument, index, string });
    return plan?.kind === 'post' ? [{ string, plan, note: pitchOf(instrument, place), scale: place.scaleLength }] : [];
  });
  if (strings.length < instrument.strings.length) return null;
  const bridge = bridgeUnder(
    instrument,
    strings.map(({ string }) => string),
    usualSprings,
  );
  const level = bridge === null ? null : levelClaw(bridge);
  const claw = level?.ok === true ? level.value : (bridge?.springs.free ?? metres(0));
  const plans = strings.map(({ plan }) => plan);
  return {
    kind,
    name: known.name,
    set: set.name,
    seed,
    instrument,
    strings,
    bridge,
    claw,
    pegs: pegGrips(instrument, plans, seed),
    cold: comesIn(seed),
  };
}

function comesIn(seed: number): number {
  if (seed % COLD_EACH !== 0) return 0;
  const { leastCold, mostCold } = WARMTH;
  return Math.round(leastCold.value + (mostCold.value - leastCold.value) * chanceFrom(seed)());
}
