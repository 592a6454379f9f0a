import { ROUNDS } from '../constants/index.js';
import {
  chanceFrom,
  handStrength,
  pitchNow,
  pullsOf,
  stretched,
  turned,
  wound,
  type SimulatedString,
  type StringState,
} from '../simulated/index.js';
import { cents, newtons, type Cents } from '../units/index.js';
import { pitchOf } from '../instrument/index.js';
import { atLevel, happens, oneOf } from './draw.js';
import { drawString, type DrawnString, type Kinds } from './drawn-string.js';

/** Three rounds of stretching by hand and tuning back, on a string that settles or on one whose hold gives way. */
export interface SlipExercise extends DrawnString {
  /** What each round cost. */
  drops: readonly Cents[];
  slips: boolean;
}

export interface SlipAnswer {
  slips: boolean;
}

const SHOWN = 3;
/** What the last round costs of what the first did, by level: where it settles from and to, where it slips from and to. The nearer to one another, the harder to tell. */
const LAST_TO_FIRST = [
  { settles: [0, 0.15], slips: [0.85, 1.6] },
  { settles: [0.05, 0.2], slips: [0.75, 1.3] },
  { settles: [0.1, 0.3], slips: [0.65, 1.1] },
  { settles: [0.15, 0.4], slips: [0.55, 0.9] },
] as const;
/** A hold that gives way under the hand: at so much of the pull at pitch, from and to. */
const HOLDS_AT = [1.04, 1.16] as const;
/** A button turns by so much at a time. */
const STEP = 0.02;
const MOST_STEPS = 200;
/** Less than this nobody would call a round. */
const LEAST_DROP = 6;

export function slipExercise(chance: () => number, level: number, kinds: Kinds): SlipExercise {
  const slips = happens(0.5, chance);
  const ranges = atLevel(LAST_TO_FIRST, level);
  const [least, most] = slips ? ranges.slips : ranges.settles;
  return drawString(chance, kinds, (drawn) => {
    const drops = roundsOn(drawn, slips, oneOf(2 ** 31, chance));
    const [first = 0, , last = 0] = drops ?? [];
    const fits = first >= LEAST_DROP && last > least * first && last <= most * first;
    return drops !== null && fits ? { ...drawn, drops, slips } : null;
  });
}

/** What three rounds cost on the simulated string, brought to its note and tuned back each time; null where it breaks or cannot be brought back. */
function roundsOn({ plan, string, instrument, place }: DrawnString, slips: boolean, seed: number): Cents[] | null {
  const chance = chanceFrom(seed);
  const { pull } = plan.load;
  const [low, high] = HOLDS_AT;
  const holds = slips ? newtons((low + (high - low) * chance()) * pull) : null;
  const borne = { pitch: pitchOf(instrument, place), rounds: 0 };
  const { of, state } = wound({ plan, string, scale: place.scaleLength, gearRatio: instrument.gearRatio, holds, borne }, chance);
  const drops: Cents[] = [];
  let now: StringState | null = state;
  for (let round = 0; round < SHOWN && now !== null; round++) {
    const after = stretched(of, now, handStrength(chance, ROUNDS.hand.value));
    const drop = 1200 * Math.log2(pitchNow(of, now) / pitchNow(of, after));
    if (!Number.isFinite(drop)) return null;
    drops.push(cents(Math.round(drop * 10) / 10));
    now = broughtUp(of, after, pull);
  }
  return now === null ? null : drops;
}

/** Turned up until it pulls so; null where it breaks or gives way before. */
function broughtUp(of: SimulatedString, state: StringState, pull: number): StringState | null {
  let now = state;
  for (let step = 0; step < MOST_STEPS && !now.broken && now.slips === state.slips; step++) {
    if (pullsOf(of, now).body >= pull) return now;
    now = turned(of, now, STEP);
  }
  return null;
}

export const slipIsRight = ({ slips }: SlipExercise, answer: SlipAnswer): boolean => answer.slips === slips;
