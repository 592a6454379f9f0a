import { HAND_SECONDS } from '../constants/index.js';
import { rested } from '../simulated/index.js';
import type { Radians } from '../units/index.js';
import { pulledByHand } from './at-string.js';
import type { Restring } from './lay-out.js';
import type { OnBench, OnPost } from './on-bench.js';
import { centsOff, longerOn, restsAt, toString } from './pulls.js';

/** What a restring would be worth on a bench. */
export interface Worth {
  /** How many turns each is off what was planned, above zero too many; null of strings that are not wound. */
  turnsOff: readonly (number | null)[];
  /** The lowest break over the nut, of which string, and what is wanted there; null where none is up. */
  least: { string: number; angle: Radians; wanted: Radians } | null;
  seconds: number;
  /** What it takes at a usual pace, without a thing done twice, s. */
  usual: number;
  lost: number;
  rounds: readonly number[];
  /** How far from its note each string would be after a week of playing, ¢; null of one that does not sound. */
  inAWeek: readonly (number | null)[];
}

const WEEK_HOURS = 168;
/** A week of playing pulls a string about as a hand does so often, so strongly. */
const PLAYING = [0.5, 0.5, 0.5];
/** Rounds until a usual string holds. */
const USUAL_ROUNDS = 3;

export function worthOf(restring: Restring, now: OnBench): Worth {
  const angles = now.strings.flatMap((string, index) =>
    string.at === 'wound' && string.taut && string.plan.nut !== null
      ? [{ string: index, angle: string.plan.nut.vertical, wanted: string.plan.nut.wanted }]
      : [],
  );
  return {
    turnsOff: now.strings.map((string, index) =>
      string.at === 'wound' ? string.plan.wind.turns - toString(restring, index).plan.wind.turns : null,
    ),
    least: angles.sort((a, b) => a.angle - a.wanted - (b.angle - b.wanted))[0] ?? null,
    seconds: now.seconds,
    usual: usualSeconds(restring),
    lost: now.lost.length,
    rounds: now.strings.map((string) => (string.at === 'wound' ? string.rounds : 0)),
    inAWeek: afterAWeek(restring, now),
  };
}

function afterAWeek(restring: Restring, now: OnBench): (number | null)[] {
  const then = {
    ...now,
    waited: Infinity, // long since as warm as the room
    strings: now.strings.map((string, index): OnPost => {
      if (string.at !== 'wound' || !string.taut) return string;
      const longer = longerOn(restring, now, index);
      const played = PLAYING.reduce((played, strength) => pulledByHand(played, longer, strength), string);
      return { ...played, state: rested(played.of, played.state, WEEK_HOURS) };
    }),
  };
  const rests = { ...then, angle: restsAt(restring, then) };
  return now.strings.map((_, index) => centsOff(restring, rests, index));
}

/** Both ends off and on, its turns down and up, three rounds, a look and a cut, string by string; a nut or a block where there is one. */
function usualSeconds({ strings, instrument }: Restring): number {
  const s = HAND_SECONDS;
  const each = (s.takeOff.value + s.anchor.value + s.thread.value + s.press.value + s.judge.value + s.trim.value) as number;
  const rounds = (USUAL_ROUNDS + 1) * s.pluck.value + USUAL_ROUNDS * (s.stretch.value + s.buttonTurn.value);
  const turning = strings.reduce((sum, { plan }) => sum + 1.5 * plan.buttonTurns * s.buttonTurn.value, 0);
  const nut = instrument.bridge.anchor === 'double-locking' ? 2 * s.nut.value : 0;
  return s.cover.value + nut + turning + strings.length * (each + rounds);
}

/** Whether every string is on, was said to hold and has its tail cut, and a locking nut is shut. */
export const isFinished = ({ instrument }: Restring, { strings, nutShut, blocked }: OnBench): boolean =>
  strings.every((string) => string.at === 'wound' && string.judged && string.trimmed) &&
  (instrument.bridge.anchor !== 'double-locking' || nutShut) &&
  !blocked;
