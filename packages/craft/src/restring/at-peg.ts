import { HAND_SECONDS, RESTRINGING } from '../constants/index.js';
import { atSaddle, turned } from '../simulated/index.js';
import { toDegrees } from '../units/index.js';
import { flew, isUp, lostOne, noted, onPost, put, type MistakeKind, type OnBench, type OnPost, type Wound } from './on-bench.js';
import type { Restring } from './lay-out.js';
import { jumped } from './pegs.js';
import { centsOff, longerOn, restsAt, toString } from './pulls.js';
import { isLoose, tailsLie } from './strung.js';
import { doesOf } from './threaded.js';

/** So far a button is turned before a bridge that moves finds its rest again, and where it does not move. */
const AT_ONCE = { moving: 1 / 16, fixed: 1 / 4 };
/** A string is let down so far at a time, and no farther than that many times. */
const LET_DOWN = { turns: 0.5, times: 200 };
/** Passed by less, it is called too high; by more, somebody took it for the octave under. */
const AN_EAR_CENTS = 200;

interface Turn {
  string: number;
  turns: number;
}

/** A button is turned, up above zero. Behind a nut that is shut it only pulls at the clamp. */
export function turnedBy(
  restring: Restring,
  before: OnBench,
  { string: index, turns: wanted }: Turn,
  chance: () => number,
): OnBench | null {
  const string = onPost(before, index);
  if (wanted === 0 || (string.at !== 'old' && string.at !== 'wound')) return null;
  if (before.nutShut) return noted(before, { string: null, kind: 'nut-shut', figure: wanted });
  const { now, turns } = jumped(restring, before, { string: index, turns: wanted }, chance);
  if (string.at === 'old') return drawn(restring, now, index, turns, chance);
  const lies = tailsLie(restring, now) ? now : noted(now, { string: null, kind: 'tails-not-tucked-yet', figure: 0 });
  return string.taut ? drawn(restring, lies, index, turns, chance) : wrapped(restring, lies, { index, string, turns }, chance);
}

/** Slack is wound up, and what turns are left draw it. */
function wrapped(
  restring: Restring,
  now: OnBench,
  { index, string, turns }: { index: number; string: Wound; turns: number },
  chance: () => number,
): OnBench {
  const slack = string.state.button - string.button;
  const loose = Math.max(-string.button, Math.min(turns, slack));
  const button = string.button + loose;
  const taut = turns >= slack;
  const now2 = laidOn(restring, now, index, { ...string, button, taut }, button, chance);
  if (!taut) return now2;
  const straight = straightAt(restring, now2, index, string);
  return turns > slack ? drawn(restring, straight, index, turns - slack, chance) : straight;
}

/** What shows once it is straight: more turns than the post holds, a break over the nut that is lower than it need be. */
function straightAt(restring: Restring, now: OnBench, index: number, { plan }: Wound): OnBench {
  const full = plan.wind.turns > plan.capacityTurns ? noted(now, { string: index, kind: 'post-full', figure: plan.wind.turns }) : now;
  const { nut } = plan;
  const planned = toString(restring, index).plan.nut;
  if (nut === null || planned === null || !nut.low || nut.vertical >= planned.vertical) return full;
  return noted(full, { string: index, kind: 'low-angle', figure: toDegrees(nut.vertical) });
}

/** Old or new, it is drawn bit by bit, and a bridge that moves finds its rest between. */
function drawn(restring: Restring, now: OnBench, index: number, turns: number, chance: () => number): OnBench {
  const steps = Math.ceil(Math.abs(turns) / (restring.bridge === null ? AT_ONCE.fixed : AT_ONCE.moving));
  let then = now;
  for (let step = 0; step < steps; step++) {
    const string = onPost(then, index);
    if (string.at !== 'old' && string.at !== 'wound') break;
    const next = { ...string, state: turned(atSaddle(string.of, longerOn(restring, then, index)), string.state, turns / steps) };
    if (next.state.broken) return broke(restring, then, index);
    if (next.at === 'old') then = put(then, index, next);
    else {
      then = laidOn(restring, then, index, next, next.state.button, chance);
      if (next.state.slips > string.state.slips) then = slipped(restring, then, index, next);
    }
    then = { ...then, angle: restsAt(restring, then) };
  }
  return then;
}

/** Turns come to lie on the post, or come off it again: beside one another under a guiding hand, anywhere without. */
function laidOn(restring: Restring, now: OnBench, index: number, string: Wound, button: number, chance: () => number): OnBench {
  const lie = Math.max(0, Math.floor(button / restring.instrument.gearRatio));
  const { crosses, crossingRounds } = RESTRINGING;
  const laid = string.laid.slice(0, lie);
  const gone = string.laid.slice(lie).filter((beside) => !beside).length;
  let slides = Math.max(0, string.slides - gone * crossingRounds.value);
  while (laid.length < lie) {
    // the first lies on nothing
    const beside = now.guided || laid.length === 0 || chance() >= crosses.value;
    if (!beside) slides += crossingRounds.value;
    laid.push(beside);
  }
  const then = put(now, index, { ...string, laid, slides });
  const crossings = laid.filter((beside) => !beside).length;
  return crossings > string.laid.filter((beside) => !beside).length
    ? noted(then, { string: index, kind: 'crossing', figure: crossings })
    : then;
}

/** It broke on its way up: how far over its note it was, by the last that it sounded. */
export function broke(restring: Restring, now: OnBench, index: number): OnBench {
  const string = onPost(now, index);
  const figure = centsOff(restring, now, index) ?? 0;
  return flew(noted(lostOne(now, index, 'cut'), { string: index, kind: whyBroke(restring, string, figure), figure }));
}

function whyBroke(restring: Restring, string: OnPost, cents: number): MistakeKind {
  if (string.at === 'wound' && doesOf(restring, string.anchor) === 'notches') return 'notched';
  if (cents > AN_EAR_CENTS) return 'octave-over';
  return string.at === 'wound' && string.bent === true ? 'bent' : 'over';
}

/** What held it gave way: its end, where that was fixed badly, or the few turns on its post. */
export function slipped(restring: Restring, now: OnBench, index: number, string: Wound): OnBench {
  const does = doesOf(restring, string.anchor);
  const kind = does === 'runs' || does === 'creeps' ? 'anchor' : 'slips';
  return noted(now, { string: index, kind, figure: string.plan.wind.turns });
}

/** A string is let down until a finger moves it aside. */
export function slackened(restring: Restring, now: OnBench, index: number): OnBench | null {
  const string = onPost(now, index);
  if (!isUp(string) || isLoose(restring, now, index)) return null;
  if (now.nutShut) return noted(now, { string: null, kind: 'nut-shut', figure: -LET_DOWN.turns });
  let then = now;
  let times = 0;
  for (; times < LET_DOWN.times && !isLoose(restring, then, index); times++) then = drawn(restring, then, index, -LET_DOWN.turns, () => 0);
  return { ...then, seconds: then.seconds + times * LET_DOWN.turns * HAND_SECONDS.buttonTurn.value };
}
