import { FINE_TUNERS } from '../constants/index.js';
import { bisect } from '../solve/index.js';
import { tensionFor } from '../tension/index.js';
import { cents, fromMillimetres, hertz, metres, newtons, type Cents, type Metres, type Newtons } from '../units/index.js';
import { handStrength } from './chance.js';
import { creptBack, pegHolds } from './creeping-peg.js';
import { pitchNow, pulled, pullsOf, type SimulatedString, type StringState } from './string-state.js';

/** A peg is turned in steps of so much of its button. */
const STEP = 0.004;
/** A slot that lets go lets more go than it has to: friction in motion, as a share of the logarithm of friction at rest. */
const IN_MOTION = 0.6;
/** What gives way gives until so much of what it holds is left. */
const AFTER_SLIP = 0.85;
/** The same of a peg that turns back. */
const AFTER_CREEP = 0.92;

/** Turns the button by `turns`, up above zero, and lets go of it. */
export function turned(of: SimulatedString, state: StringState, turns: number): StringState {
  if (state.broken || turns === 0) return state;
  // the first of it only takes up the slack of the gears
  const play = Math.min(of.backlash, Math.max(0, state.play + turns));
  const acts = turns - (play - state.play);
  let now: StringState = { ...state, play };
  const steps = Math.ceil(Math.abs(acts) / STEP);
  for (let step = 0; step < steps && !now.broken; step++) now = drawnOn(of, now, acts / steps);
  return letGo(of, now);
}

/** A peg that friction alone holds turns back by itself where its string pulls harder than that. */
export function letGo(of: SimulatedString, state: StringState): StringState {
  let now = state;
  // what its slot lets through meanwhile turns it on
  while (pullsOf(of, now).head > pegHolds(of, now)) {
    const head = newtons(AFTER_CREEP * pegHolds(of, now));
    now = settleDown(of, creptBack(of, now, { head, body: pullsOf(of, now).body }));
  }
  return now;
}

function drawnOn(of: SimulatedString, state: StringState, acts: number): StringState {
  const button = state.button + acts;
  const { head } = pullsOf(of, state);
  const moved = (of.drawn(button) - of.drawn(state.button)) / (1 + head / of.string.stiffness);
  return settleDown(of, { ...state, button, head: metres(state.head - moved), onPost: metres(state.onPost + moved) });
}

/** Its clamp at the nut is shut: the pad drags it along a little, either way. */
export function clamped(of: SimulatedString, state: StringState, chance: () => number): StringState {
  return state.broken ? state : flattened(of, state, cents(FINE_TUNERS.padsDrag.value * Math.log(handStrength(chance, 1))));
}

/** Turns the fine tuner behind a clamped nut, in above zero: nothing slides at the nut. */
export function fineTuned(of: SimulatedString, state: StringState, turns: number): StringState {
  const { body } = pullsOf(of, state);
  if (state.broken || body === 0) return state;
  const drawn = (turns * fromMillimetres(FINE_TUNERS.draws.value)) / (1 + body / of.string.stiffness);
  const now = { ...state, body: metres(state.body - drawn) };
  return pullsOf(of, now).body >= of.string.breakingLoad ? { ...now, broken: true } : now;
}

/** Pulls it by hand, `strength` times as a usual hand does: it lets go at the nut, and loses part of what it has to settle. */
export function stretched(of: SimulatedString, state: StringState, strength: number): StringState {
  const before = pullsOf(of, state);
  if (state.broken || before.body === 0) return state;
  const freed = slidTo(of, state, 1);
  const drop = cents(of.remainder + strength * state.toSettle);
  const lower = flattened(of, { ...freed, toSettle: cents(state.toSettle * of.kept ** strength) }, drop);
  // the hand pulls harder than the pitch does
  const most = pullsOf(of, freed).body * (1 + strength / 3);
  const held = of.holds !== null && most > of.holds ? givenWay(of, lower, of.holds) : lower;
  const over = most - pegHolds(of, held);
  if (over <= 0) return held;
  const { head, body } = pullsOf(of, held);
  return creptBack(of, held, { head: newtons(Math.max(0, head - over)), body: newtons(Math.max(0, body - over)) });
}

/** So much more string between anchor and post, where an end sinks home or a turn slides off another. */
export function paidOut(of: SimulatedString, state: StringState, length: Metres): StringState {
  if (state.broken) return state;
  const share = of.pastNut / of.path;
  return { ...state, head: metres(state.head + length * share), body: metres(state.body + length * (1 - share)) };
}

/** Left alone for so many hours. */
export function rested(of: SimulatedString, state: StringState, hours: number): StringState {
  if (state.broken || pullsOf(of, state).body === 0) return state;
  const gone = of.creep * Math.log((state.hours + hours + of.onset) / (state.hours + of.onset));
  return flattened(of, { ...state, hours: state.hours + hours }, cents(gone));
}

/** Slides at the nut, gives way, breaks: whatever the pulls ask for. */
export function settleDown(of: SimulatedString, state: StringState): StringState {
  const { head, body } = pullsOf(of, state);
  const ratio = body > 0 ? head / body : Infinity;
  const lets = of.grip ** IN_MOTION;
  const slid = ratio > of.grip ? slidTo(of, state, lets) : ratio < 1 / of.grip ? slidTo(of, state, 1 / lets) : state;
  const most = Math.max(...Object.values(pullsOf(of, slid)));
  if (most >= of.string.breakingLoad) return { ...slid, broken: true };
  return of.holds !== null && most > of.holds ? givenWay(of, slid, of.holds) : slid;
}

/** Draws string through the slot until the pull past the nut is `ratio` times that of the speaking part. */
function slidTo(of: SimulatedString, state: StringState, ratio: number): StringState {
  const moved = (by: number): StringState => ({ ...state, head: metres(state.head + by), body: metres(state.body - by) });
  const excess = (by: number) => {
    const pulls = pullsOf(of, moved(by));
    return pulls.head - ratio * pulls.body;
  };
  const root = bisect(excess, -state.head / 2, state.body / 2, 1e-13);
  return root.kind === 'root' ? moved(root.x) : state;
}

function flattened(of: SimulatedString, state: StringState, drop: Cents): StringState {
  const [now, { head, body }] = [pitchNow(of, state), pullsOf(of, state)];
  if (body === 0) return state;
  const less = tensionFor(hertz(now * 2 ** (-drop / 1200)), of.scale, of.string) / body;
  return pulled(of, state, { head: head * less, body: body * less });
}

function givenWay(of: SimulatedString, state: StringState, holds: Newtons): StringState {
  const { head, body } = pullsOf(of, state);
  const less = Math.min(1, (AFTER_SLIP * holds) / Math.max(head, body));
  return { ...pulled(of, state, { head: head * less, body: body * less }), slips: state.slips + 1 };
}
