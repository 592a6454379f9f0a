import { FLOATING } from '../constants/index.js';
import { cents, fromMillimetres, hertz, metres, type Cents, type Metres } from '../units/index.js';
import { clawToLevel, type BridgeNow, type PassLeaves } from './at-bench.js';
import { beyondReach } from './fine-tuners.js';
import { onePass, type PassStep } from './one-pass.js';

/** What is next at a bridge: all strings heard, one pass over them, the claw before or after it, and again until all are in tune where they are. */
export type BridgeStep =
  | { kind: 'claw'; turns: number; travel: Metres }
  | { kind: 'read'; strings: readonly number[] }
  | { kind: 'set'; step: PassStep; rest: readonly PassStep[]; leaves: PassLeaves }
  | { kind: 'block'; step: PassStep }
  /** Fine tuners to the middle of their travel, while the nut is open. */
  | { kind: 'mid' }
  /** The nut is shut once all are in tune; opened again where the fine tuner of `string` does not reach its mark. */
  | { kind: 'clamp' }
  | { kind: 'unclamp'; string: number; turns: number }
  | { kind: 'done' };

interface BridgeWays {
  /** In which strings are set, zero-based. */
  order: readonly number[];
  /** Off its note by no more than that, a string is in tune. */
  tolerance: Cents;
  /** Its nut is clamped in the end, and fine tuners finish it. */
  locks?: boolean;
  /** How far one turn of a claw screw moves the claw. */
  lead?: Metres;
}

/** Less than so much of a turn is not worth taking the cover off. */
const LEAST_TURN = 1 / 8;
const LEAD = fromMillimetres(FLOATING.screwLead.value);

/** Strings that are on, and whether all of them were heard since anything moved. */
function heardOf({ bridge, rests, fresh }: BridgeNow): { on: number[]; all: boolean } {
  const on = bridge.strings.flatMap((_, index) => (rests[index] === null ? [] : [index]));
  return { on, all: on.every((index) => fresh[index]) };
}

/** How far the claw has to go, by eighths of a turn; zero where that is not worth it. */
function clawToGo(now: BridgeNow, lead: Metres): Metres {
  const turns = (clawToLevel(now) ?? 0) / lead;
  return metres(Math.abs(turns) < LEAST_TURN ? 0 : Math.round(turns / LEAST_TURN) * LEAST_TURN * lead);
}

/** Marks of what is left of a pass, in its order. */
export interface Marks {
  steps: readonly PassStep[];
  leaves: PassLeaves;
  /** The first that asks more of its string than is safe, by every way there is. */
  unsafe: PassStep | null;
}

/** Lower than this no string is set, cents: it would hang loose, and nobody would know by ear which it is. */
const LOOSE = -300;
/** Where a pass may leave all, in the order in which it is tried. */
const TOWARD = [0, 50, -50, 100, -100, 150, -150, 200, -200].map(cents);
/** Shares of the way that the claw has to go in, in the order in which they are tried: what is left of it comes after the next pass. */
const SHARES = [1, 1 / 2, 1 / 4, 1 / 8];

/**
 * Marks of what is left of a pass; none while some string was not heard before it, or the claw has to come out first. Where the claw has to go in, they are those from which it
 * brings all home: turned in under strings that are at their notes it would draw them up by a tone and more. A mark that is not safe, or hangs loose, is never given: the claw then
 * goes a part of its way after this pass, or the pass leaves all a little beside their notes, and the next brings them home.
 */
export function marksAt(now: BridgeNow, { order, lead = LEAD }: Pick<BridgeWays, 'order' | 'lead'>): Marks {
  const { on, all } = heardOf(now);
  const travel = clawToGo(now, lead);
  const left = order.filter((string) => on.includes(string) && !now.passed.includes(string));
  const passing = (leaves: PassLeaves): Marks => ({ steps: passThat(now, left, leaves), leaves, unsafe: null });
  // a pass that was begun is gone on with
  if (now.passed.length > 0) return passing(now.leaves);
  if (travel < 0 || !all) return { steps: [], leaves: { toward: cents(0), travel: metres(Math.max(0, travel)) }, unsafe: null };
  const parts = [...new Set(SHARES.map((share) => Math.ceil((share * travel) / lead / LEAST_TURN)))];
  for (const toward of TOWARD) {
    for (const eighths of parts) {
      const marks = passing({ toward, travel: metres(eighths * LEAST_TURN * lead) });
      if (marks.steps.every((step) => step.target >= LOOSE && isSafe(step))) return marks;
    }
  }
  const whole = passing({ toward: cents(0), travel });
  return { ...whole, unsafe: whole.steps.find((step) => !isSafe(step)) ?? whole.steps[0] ?? null };
}

const isSafe = ({ leastReserve }: PassStep): boolean => leastReserve === null || 1 - leastReserve <= FLOATING.safeShare.value;

/**
 * A pass that leaves all strings where it says; its marks are still told from the notes. Where its order would have a string hang loose, the string that stands
 * highest at its mark comes first: each that is set brings the bridge back for the next.
 */
function passThat({ bridge, claw, rests }: BridgeNow, left: readonly number[], { toward, travel }: PassLeaves): PassStep[] {
  const strings = bridge.strings.map((string) => ({ ...string, pitch: hertz(string.pitch * 2 ** (toward / 1200)) }));
  const pass = (order: readonly number[]) => onePass({ ...bridge, strings }, claw, rests, order, metres(claw + travel));
  const told = (steps: readonly PassStep[]) => steps.map((step) => ({ ...step, target: cents(step.target + toward) }));
  const inOrder = told(pass(left));
  if (inOrder.every(({ target }) => target >= LOOSE)) return inOrder;
  const order: number[] = [];
  while (order.length < left.length) {
    const open = left.filter((string) => !order.includes(string));
    const markOf = (string: number) => pass([...order, string]).at(-1)?.target ?? -Infinity;
    const [highest] = open.map((string) => ({ string, mark: markOf(string) })).sort((a, b) => b.mark - a.mark);
    if (highest === undefined) break;
    order.push(highest.string);
  }
  return told(pass(order));
}

export function nextAtBridge(now: BridgeNow, { order, tolerance, locks = false, lead = LEAD }: BridgeWays): BridgeStep {
  if (locks && now.nut.shutAt === null && !now.nut.mid) return { kind: 'mid' };
  const { on, all } = heardOf(now);
  const travel = clawToGo(now, lead);
  const inTune = on.every((index) => Math.abs(now.off[index] ?? Infinity) <= tolerance);
  if (on.every((index) => now.passed.includes(index)) && now.leaves.travel > 0) return clawStep(now.leaves.travel, lead);
  if (travel < 0) return clawStep(travel, lead);
  if (all && inTune && travel === 0) return { kind: locks && now.nut.shutAt === null ? 'clamp' : 'done' };
  const { steps, leaves, unsafe } = marksAt(now, { order, lead });
  const [step, ...rest] = steps;
  if (unsafe !== null) return { kind: 'block', step: unsafe };
  const beyond = step === undefined ? null : beyondReach(now, [step, ...rest]);
  if (beyond !== null) return { kind: 'unclamp', ...beyond };
  if (step === undefined) return { kind: 'read', strings: on.filter((index) => now.fresh[index] !== true) };
  return { kind: 'set', step, rest, leaves };
}

const clawStep = (travel: Metres, lead: Metres): BridgeStep => ({ kind: 'claw', turns: travel / lead, travel });
