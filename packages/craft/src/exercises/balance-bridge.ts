import { instrumentOf } from '../archetypes/index.js';
import {
  bridgeUnder,
  levelClaw,
  movesByMarks,
  offAt,
  restsFrom,
  screwLead,
  settle,
  tunedTo,
  usualSprings,
  type FloatingBridge,
  type RestLengths,
} from '../balance/index.js';
import { stringOrder } from '../bench-run/index.js';
import { BRIDGE_WORK } from '../constants/index.js';
import { floats, type Instrument } from '../instrument/index.js';
import { HOLDS } from '../methods/index.js';
import { madeOf, setsFor } from '../strings/index.js';
import { cents, fromDegrees, hertz, metres, type Cents, type Metres, type Radians } from '../units/index.js';
import { atLevel, eitherWay, pickFrom } from './draw.js';
import { archetypesOf, type Kinds } from './drawn-string.js';

/** One string tuned to so far beside its note, as the tuner shows it then; or both screws of the claw turned, in above zero. */
export type BridgeMove = { kind: 'tune'; string: number; cents: number } | { kind: 'claw'; turns: number };

/** A floating bridge whose strings are off and whose claw is not where it belongs: brought home in few moves. */
export interface BalanceExercise {
  kind: string;
  name: string;
  instrument: Instrument;
  bridge: FloatingBridge;
  claw: Metres;
  rests: RestLengths;
  /** Moves that it takes by marks: each string set where it has to sound now to be right in the end. */
  best: number;
}

export interface BalanceAnswer {
  moves: readonly BridgeMove[];
}

/** How a bridge lies and sounds. `home`: level, and every string within what holds. */
export interface BridgeStands {
  angle: Radians;
  off: readonly (Cents | null)[];
  home: boolean;
}

/** How far strings are off, ¢, and the claw, turns of its screws, by level. */
const OFF = [12, 20, 30, 45];
const CLAW = [0.25, 0.5, 0.75, 1];
/** Who leaves it before it is home would go on for about so many moves. */
const NOT_HOME = 10;
const LEVEL = fromDegrees(BRIDGE_WORK.levelWithin.value);
const MOST_DRAWS = 200;
const NONE = 'no bridge can be brought home';

/** @throws RangeError where no bridge of these kinds floats, or none can be brought home. */
export function balanceExercise(chance: () => number, level: number, kinds: Kinds): BalanceExercise {
  const floating = archetypesOf(kinds).filter(({ id }) => floats(instrumentOf(id).bridge));
  for (let draw = 0; draw < MOST_DRAWS; draw++) {
    const { id, name } = pickFrom(floating, chance, NONE);
    const instrument = instrumentOf(id);
    const set = pickFrom(setsFor(instrument.family, instrument.strings.length), chance);
    const bridge = bridgeUnder(instrument, madeOf(set), usualSprings);
    const right = bridge === null ? null : levelClaw(bridge);
    if (bridge === null || right?.ok !== true) continue;
    const claw = metres(right.value + screwLead * eitherWay(atLevel(CLAW, level), chance));
    const heard = bridge.strings.map(({ pitch }) => hertz(pitch * 2 ** (eitherWay(atLevel(OFF, level), chance) / 1200)));
    const { rests } = restsFrom(bridge, claw, heard);
    const best = fewest(bridge, claw, rests);
    if (best !== null) return { kind: id, name, instrument, bridge, claw, rests, best };
  }
  throw new RangeError(NONE);
}

/** By marks, every string once: in whatever order that is. Null where it does not come home. */
function fewest(bridge: FloatingBridge, claw: Metres, rests: RestLengths): number | null {
  const order = stringOrder('outside-in', rests.length);
  const {
    home,
    pegs,
    claw: turned,
  } = movesByMarks({ bridge, claw, rests }, { bridge, claw }, { order, tolerance: HOLDS.cents, learns: false });
  return home ? pegs + turned : null;
}

/** How it stands after these moves. A move of a string that there is not changes nothing. */
export function bridgeAfter({ bridge, claw, rests }: BalanceExercise, moves: readonly BridgeMove[]): BridgeStands {
  const now = { claw, rests };
  for (const move of moves) {
    if (move.kind === 'claw') now.claw = metres(now.claw + move.turns * screwLead);
    else {
      const pitch = bridge.strings[move.string]?.pitch;
      if (pitch === undefined) continue;
      now.rests = tunedTo(bridge, now.claw, now.rests, { string: move.string, sounds: hertz(pitch * 2 ** (move.cents / 1200)) }).rests;
    }
  }
  const { angle } = settle(bridge, now.claw, now.rests);
  const off = offAt(bridge, now.claw, now.rests).map((each) => (each === null ? null : cents(each)));
  return { angle, off, home: Math.abs(angle) <= LEVEL && off.every((each) => each !== null && Math.abs(each) <= HOLDS.cents) };
}

/** Moves more than it takes by marks; fewer are as good. */
export function balanceOff(exercise: BalanceExercise, { moves }: BalanceAnswer): number {
  const more = Math.max(0, moves.length - exercise.best);
  return bridgeAfter(exercise, moves).home ? more : more + NOT_HOME;
}
