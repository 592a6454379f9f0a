import { RESTRINGING, ROUNDS } from '../constants/index.js';
import { HOLDS } from '../methods/index.js';
import {
  atSaddle,
  handStrength,
  holdFlush,
  paidOut,
  pitchNow,
  pullsOf,
  settleDown,
  stretched,
  type SimulatedString,
  type StringState,
} from '../simulated/index.js';
import { tensionFor } from '../tension/index.js';
import { fromMillimetres, hertz, metres, newtons, type Metres } from '../units/index.js';
import { slipped } from './at-peg.js';
import type { Restring } from './lay-out.js';
import { noted, onPost, put, tautOn, type Mistake, type OnBench, type Wound } from './on-bench.js';
import { longerOn, stillToRise } from './pulls.js';
import { doesOf } from './threaded.js';

/** Until it is pressed, an end takes up half of what it has left at each stretch. */
const SINKS = 0.5;
/** A usual hand, or a hard bend, pulls a string so many times as its note does. */
const HARDEST_PULL = 4 / 3;
/** An end that sinks farther was not home. */
const SHOWS = fromMillimetres(0.1);

/** Stretched by hand once; null where it is not up. */
export function stretchedBy(restring: Restring, now: OnBench, index: number, chance: () => number): OnBench | null {
  const string = tautOn(now, index);
  if (string === null) return null;
  const next = pulledByHand(string, longerOn(restring, now, index), handStrength(chance, ROUNDS.hand.value));
  const sunk = string.seat - next.seat;
  const stretchedNow = put(now, index, { ...next, rounds: string.rounds + 1, judged: false });
  const then = sunk > SHOWS ? noted(stretchedNow, { string: index, kind: 'sinks', figure: 1000 * sunk }) : stretchedNow;
  return next.state.slips > string.state.slips ? slipped(restring, then, index, next) : then;
}

/** What a pull of this strength leaves: an end sinks, a turn slides off another, and the string gives. */
export function pulledByHand(string: Wound, longer: Metres, strength: number): Wound {
  const of = atSaddle(string.of, longer);
  const given = stretched(of, string.state, strength);
  const slid = string.slides > 0 ? lengthOf(of, given, RESTRINGING.crossingDrop.value * strength) : 0;
  const sunk = string.seat * SINKS;
  const state = paidOut(of, given, metres(slid + sunk));
  return { ...string, state, seat: metres(string.seat - sunk), slides: Math.max(0, string.slides - 1) };
}

/** How much string has to come in for it to fall by so many cents. */
function lengthOf(of: SimulatedString, state: StringState, cents: number): number {
  const [sounds, { body }] = [pitchNow(of, state), pullsOf(of, state)];
  if (body === 0) return 0;
  return (of.path * (body - tensionFor(hertz(sounds * 2 ** (-cents / 1200)), of.scale, of.string))) / of.string.stiffness;
}

/** A thumb presses ball, knot, loop or saddle home: what its end had to take up, it takes up now. */
export function pressed(now: OnBench, index: number): OnBench | null {
  const string = tautOn(now, index);
  if (string === null) return null;
  return put(now, index, { ...string, state: paidOut(string.of, string.state, string.seat), seat: metres(0) });
}

/** What the next usual stretch would cost it, ¢; infinite where it does not sound any more afterwards. */
export function nextCosts(string: Wound, longer: Metres): number {
  const of = atSaddle(string.of, longer);
  const [before, after] = [pitchNow(of, string.state), pitchNow(of, pulledByHand(string, longer, 1).state)];
  return before > 0 && after > 0 ? 1200 * Math.log2(before / after) : Infinity;
}

/** Somebody says that it holds. */
export function judged(restring: Restring, now: OnBench, index: number): OnBench | null {
  const string = tautOn(now, index);
  if (string === null) return null;
  const figure = nextCosts(string, longerOn(restring, now, index));
  const then = put(now, index, { ...string, judged: true });
  const told = figure > HOLDS.cents ? noted(then, { string: index, kind: 'judged-early', figure }) : then;
  const rises = stillToRise(restring, now, index) ?? 0;
  return Math.abs(rises) > HOLDS.cents ? noted(told, { string: index, kind: 'still-cold', figure: rises }) : told;
}

/** Its tail is cut: what was fixed badly and did not show it is told now. */
export function trimmed(restring: Restring, now: OnBench, index: number, flush: boolean): OnBench | null {
  const string = onPost(now, index);
  if (string.at !== 'wound' || string.trimmed) return null;
  const then = flush ? cutFlush(restring, now, index, string) : put(now, index, { ...string, trimmed: true });
  const told = string.judged ? then : noted(then, { string: index, kind: 'trimmed-early', figure: string.rounds });
  const hidden = hiddenFault(restring, now, index, string);
  return hidden === null ? told : noted(told, hidden);
}

/** Nothing sticks out of the hole: its turns hold by so much less, and let go at once what they do not hold, unless its end lies inside the post. */
function cutFlush(restring: Restring, now: OnBench, index: number, string: Wound): OnBench {
  const left = holdFlush(string.plan);
  const cut: Wound = { ...string, trimmed: true, flush: true };
  if (left === null) return put(now, index, cut);
  const of = { ...string.of, holds: newtons(Math.min(string.of.holds ?? Infinity, left)) };
  const then = put(now, index, { ...cut, of, state: settleDown(atSaddle(of, longerOn(restring, now, index)), string.state) });
  return of.holds < HARDEST_PULL * string.plan.load.pull ? noted(then, { string: index, kind: 'flush-tail', figure: of.holds }) : then;
}

/** What an end that was fixed badly has not shown yet; null where it is right, or was told. */
function hiddenFault(restring: Restring, { mistakes }: OnBench, index: number, { seat, anchor, of }: Wound): Mistake | null {
  if (mistakes.some(({ string, kind }) => string === index && (kind === 'anchor' || kind === 'notched' || kind === 'sinks'))) return null;
  if (seat > SHOWS) return { string: index, kind: 'not-home', figure: 1000 * seat };
  switch (doesOf(restring, anchor)) {
    case 'runs':
    case 'creeps':
      return { string: index, kind: 'bad-end', figure: of.holds ?? 0 };
    case 'notches':
      return { string: index, kind: 'bad-end', figure: of.string.breakingLoad };
    default:
      return null;
  }
}
