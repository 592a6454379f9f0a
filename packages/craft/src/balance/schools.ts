import { BRIDGE_WORK, FLOATING } from '../constants/index.js';
import { cents, fromMillimetres, metres, newtons, radians, type Cents, type Metres, type Newtons, type Radians } from '../units/index.js';
import { bend } from './arm-range.js';
import type { BridgeNow } from './at-bench.js';
import { springPull, type FloatingBridge } from './bridge.js';
import { clawWhere, levelClaw } from './claw.js';
import { forcesAt, settle } from './equilibrium.js';
import { movesByEar, movesByMarks, offAt, type BringingHome, type Moves } from './moves.js';
import { finalRests } from './one-pass.js';

/** What one way home takes on this bridge, between springs that are softer and stiffer than they are taken to be. */
export interface SchoolWork {
  pegs: Range;
  /** Times the claw is turned. */
  claw: number;
  minutes: Range;
  /** Whether it comes to its end with either springs. */
  home: boolean;
}

export interface Range {
  low: number;
  high: number;
}

/** Block it level, tune all as on a fixed bridge, and let the claw out until the block falls free. */
export interface Blocked extends SchoolWork {
  /** Turns of each screw until the springs hold the block with all strings tuned, and then out again. */
  turnsIn: number;
  turnsOut: number;
  /** What the block bears while all strings are slack, and once all are tuned. */
  most: Newtons;
  tuned: Newtons;
  /** What the string that moves most is off when the claw stops a sixteenth of a turn beside it. */
  besides: Cents;
}

/** One spring more or less. */
export interface OtherSprings {
  count: number;
  /** Turns of each screw from where it is; null where no place of the claw holds these strings with so many. */
  holds: (SchoolWork & { turns: number }) | null;
  /** What a whole-tone bend of string 3 then costs the string that gives most. */
  bend: Cents;
}

/** The claw alone, no peg: it draws all strings up or lets them down. */
export interface ClawAlone {
  turns: number;
  /** What the worst string is off then. */
  leaves: Cents;
  tilt: Radians;
}

export interface SchoolsCompared {
  byMarks: SchoolWork;
  byEar: SchoolWork;
  blocked: Blocked | null;
  springs: readonly OtherSprings[];
  /** The same with the springs that are on. */
  bend: Cents;
  clawAlone: ClawAlone;
}

const LEAD = fromMillimetres(FLOATING.screwLead.value);
const TONE = cents(200);
/** Zero-based: the string that is bent most. */
const BENT = 2;

/** Every way to bring a bridge home from where it is. `rate`: between which that of its springs lies, N/m. */
export function compareSchools(now: BridgeNow, rate: Range, ways: BringingHome): SchoolsCompared {
  const { bridge, claw, rests } = now;
  const truths = truthsOf(now, rate);
  const byMarks = (taken: Pick<BridgeNow, 'bridge' | 'claw'>, all: typeof truths) => all.map((truth) => movesByMarks(truth, taken, ways));
  const count = bridge.springs.count;
  const level = levelClaw(bridge);
  return {
    byMarks: workOf(byMarks(now, truths)),
    byEar: workOf(truths.map((truth) => movesByEar(truth, ways))),
    blocked: level.ok ? blockedWork(now, level.value) : null,
    springs: [count - 1, count + 1]
      .filter((each) => each > 0 && each <= FLOATING.springs.high)
      .map((each): OtherSprings => {
        const other = (of: FloatingBridge): FloatingBridge => ({ ...of, springs: { ...of.springs, count: each } });
        const turns = turnsWith(other(bridge), claw);
        if (turns === null) return { count: each, holds: null, bend: bendAt(other(bridge)) };
        const work = workOf(byMarks({ bridge: other(bridge), claw }, truths.map((truth) => ({ ...truth, bridge: other(truth.bridge) })))); // prettier-ignore
        const [low, high] = [work.minutes.low + BRIDGE_WORK.spring.value, work.minutes.high + BRIDGE_WORK.spring.value];
        return { count: each, holds: { ...work, minutes: { low, high }, turns }, bend: bendAt(other(bridge)) };
      }),
    bend: bendAt(bridge),
    clawAlone: clawAlone(bridge, claw, rests),
  };
}

/** The same instrument with softer and with stiffer springs: it sounds and lies as it does, and its claw is where that explains it. */
function truthsOf({ bridge, claw, rests, angle }: BridgeNow, { low, high }: Range) {
  return [low, high].map((rate) => {
    const truth = { ...bridge, springs: { ...bridge.springs, rate } };
    return { bridge: truth, claw: clawWhere(truth, angle, settle(bridge, claw, rests, angle).pulls) ?? claw, rests };
  });
}

function minutesOf({ pegs, heard, claw }: Omit<Moves, 'home'>): number {
  return pegs * BRIDGE_WORK.peg.value + heard * BRIDGE_WORK.heard.value + claw * BRIDGE_WORK.claw.value;
}

function workOf(moves: readonly Moves[]): SchoolWork {
  const range = (of: (each: Moves) => number): Range => ({ low: Math.min(...moves.map(of)), high: Math.max(...moves.map(of)) });
  return {
    pegs: range(({ pegs }) => pegs),
    claw: Math.max(...moves.map(({ claw }) => claw)),
    minutes: range(minutesOf),
    home: moves.every(({ home }) => home),
  };
}

function blockedWork({ bridge, claw, rests }: BridgeNow, level: Metres): Blocked {
  const { springs } = bridge;
  const over = metres(level + LEAD * BRIDGE_WORK.overLevel.value);
  const on = rests.filter((rest) => rest !== null).length;
  const one = { pegs: on, heard: on, claw: 2 };
  const minutes = BRIDGE_WORK.block.value + minutesOf(one);
  const tuned = finalRests(bridge, level);
  const beside = metres(level + LEAD * BRIDGE_WORK.freedWithin.value);
  return {
    pegs: { low: on, high: on },
    claw: 2,
    minutes: { low: minutes, high: minutes },
    home: true,
    turnsIn: (over - claw) / LEAD,
    turnsOut: BRIDGE_WORK.overLevel.value,
    most: newtons(springs.count * springPull(springs, over)),
    tuned: newtons(springs.count * springPull(springs, over) - forcesAt(bridge, level, radians(0), tuned).springs),
    besides: worst(offAt(bridge, beside, tuned)),
  };
}

const worst = (off: readonly (number | null)[]): Cents => cents(Math.max(...off.map((each) => Math.abs(each ?? 0))));

function turnsWith(bridge: FloatingBridge, claw: Metres): number | null {
  const level = levelClaw(bridge);
  const most = bridge.springs.free + fromMillimetres(FLOATING.clawTravel.value);
  return level.ok && level.value <= most ? (level.value - claw) / LEAD : null;
}

/** Of the strings that sound beside string 3 while that is bent up a tone: the one that moves most, on a level bridge. Zero where no claw levels it. */
function bendAt(bridge: FloatingBridge): Cents {
  const level = levelClaw(bridge);
  if (!level.ok || bridge.strings.length <= BENT) return cents(0);
  const others = bend(bridge, level.value, finalRests(bridge, level.value), BENT, TONE).filter((each) => each !== null);
  return cents(Math.min(...others));
}

/** Halves what is between until it is narrower than this, m. */
const FINE = 1e-6;

/** The place of the claw at which the strings as they are stand nearest to their notes, in the sense of least squares. */
function clawAlone(bridge: FloatingBridge, claw: Metres, rests: BridgeNow['rests']): ClawAlone {
  const cost = (at: number) => offAt(bridge, metres(at), rests).reduce<number>((sum, off) => sum + Math.max(-1200, off ?? 0) ** 2, 0);
  let [low, high] = [bridge.springs.free, bridge.springs.free + fromMillimetres(FLOATING.clawTravel.value)] as [number, number];
  while (high - low > FINE) {
    const [left, right] = [low + (high - low) / 3, high - (high - low) / 3];
    if (cost(left) <= cost(right)) high = right;
    else low = left;
  }
  const at = metres((low + high) / 2);
  return { turns: (at - claw) / LEAD, leaves: worst(offAt(bridge, at, rests)), tilt: settle(bridge, at, rests).angle };
}
