import { RESTRINGING } from '../constants/index.js';
import {
  atSaddle,
  bridgeUnderNow,
  coldAfter,
  longerBy,
  pitchNow,
  pullOfSimulated,
  pullsOf,
  strainLost,
  type PullAt,
  type SimulatedString,
  type Standing,
} from '../simulated/index.js';
import { hertz, metres, newtons, radians, type Hertz, type Metres, type Newtons, type Radians } from '../units/index.js';
import type { Restring } from './lay-out.js';
import { isUp, onPost, type OnBench, type OnPost } from './on-bench.js';

/** How much colder than the room it still is, K. */
export const coldNow = ({ cold }: Restring, { seconds, waited }: OnBench): number => coldAfter(cold, seconds + waited);

/** As much as it were longer that a string loses which is so much warmer than its neck. */
const lostTo = (cold: number, { of }: { of: SimulatedString }): number => of.path * strainLost(of.string, cold);

/** Where a bridge that moves finds its rest under these strings, as cold as it is; a block holds it level. */
export function restsAt(restring: Restring, now: OnBench): Radians {
  const { bridge, claw } = restring;
  if (bridge === null || now.blocked) return radians(0);
  const cold = coldNow(restring, now);
  const pullAt = (string: OnPost): PullAt | null =>
    isUp(string) ? pullOfSimulated(atSaddle(string.of, metres(-lostTo(cold, string))), string.state) : null;
  return bridgeUnderNow(bridge, claw, now.strings.map(pullAt), now.angle);
}

/**
 * How much longer string `index` is than with the bridge level and the neck as it is at pitch, as warm as the room: by the bridge where that moves, else by what the
 * neck gives; shorter by what a string loses that is warmer than its neck.
 */
export function longerOn(restring: Restring, now: OnBench, index: number): Metres {
  const on = onPost(now, index);
  const lost = !isUp(on) ? 0 : lostTo(coldNow(restring, now), on);
  return metres((restring.bridge === null ? byNeck(restring, now, index) : longerBy(restring.bridge, index, now.angle)) - lost);
}

/** What `index` will gain while its neck warms, ¢; null where it does not sound. */
export function stillToRise(restring: Restring, now: OnBench, index: number): number | null {
  const [cold, warm] = [centsOff(restring, now, index), centsOff(restring, { ...now, waited: Infinity }, index)];
  return cold === null || warm === null ? null : warm - cold;
}

function byNeck(restring: Restring, now: OnBench, index: number): Metres {
  const on = onPost(now, index);
  if (!isUp(on)) return metres(0);
  const { string, plan } = toString(restring, index);
  // a first-order look at a small thing: pulls as they are with the neck at rest
  const more = now.strings.reduce((sum, each, at) => sum + pullOn(each) - toString(restring, at).plan.load.pull, 0);
  const strain = plan.load.pull / string.stiffness;
  return metres((on.of.path - on.of.pastNut) * strain * (2 ** ((-RESTRINGING.neck.value * more) / 600) - 1));
}

const pullOn = (string: OnPost): number => (isUp(string) ? pullsOf(string.of, string.state).body : 0);

/** The string `index` as the instrument is. @throws RangeError where there is none: it is our bug. */
export function toString({ strings }: Restring, index: number): Restring['strings'][number] {
  const found = strings[index];
  if (found === undefined) throw new RangeError(`there is no string ${index}`);
  return found;
}

/** String `index` as it stands, with the neck and the bridge as they are; null where it is slack or off. */
export function standingNow(restring: Restring, now: OnBench, index: number): Standing | null {
  const string = onPost(now, index);
  return isUp(string) ? { of: atSaddle(string.of, longerOn(restring, now, index)), state: string.state } : null;
}

/** How hard it pulls; 0 where it is slack or off. */
export function pullNow(restring: Restring, now: OnBench, index: number): Newtons {
  const string = standingNow(restring, now, index);
  return string === null ? newtons(0) : pullsOf(string.of, string.state).body;
}

/** What it sounds when it is plucked; 0 Hz where it is slack or off. */
export function soundsNow(restring: Restring, now: OnBench, index: number): Hertz {
  const string = standingNow(restring, now, index);
  return string === null ? hertz(0) : pitchNow(string.of, string.state);
}

/** How far from its note, ¢; null where it does not sound. */
export function centsOff(restring: Restring, now: OnBench, index: number): number | null {
  const sounds = soundsNow(restring, now, index);
  return sounds > 0 ? 1200 * Math.log2(sounds / toString(restring, index).note) : null;
}
