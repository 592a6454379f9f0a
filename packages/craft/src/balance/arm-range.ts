import { bisect } from '../solve/index.js';
import { radians, type Cents, type Hertz, type Metres, type Newtons, type Radians } from '../units/index.js';
import { frequencyFor, pullOf, speaking, springPull, springReach, type FloatingBridge, type RestLengths } from './bridge.js';
import { settle, tunedTo } from './equilibrium.js';

/** How far the arm moves one string from where it is: semitones, up above zero; null where it hangs slack there. */
export interface StringRange {
  down: number | null;
  up: number | null;
  /** Where it goes slack on the way down; null where it does not before the stop. */
  slackAt: Radians | null;
}

/** What the arm does to each string between the stops; null for a string that is off. `slackFirst`: the one that hangs slack before all others. */
export interface ArmRange {
  strings: readonly (StringRange | null)[];
  slackFirst: number | null;
}

/** Every string keeps its rest length while the arm holds the bridge anywhere between its stops. */
export function armRange(bridge: FloatingBridge, claw: Metres, rests: RestLengths): ArmRange {
  const { angle, frequencies } = settle(bridge, claw, rests);
  const strings = bridge.strings.map((string, index) => {
    const [rest, here] = [rests[index] ?? null, frequencies[index] ?? null];
    if (rest === null || here === null || here === 0) return null;
    const pullAt = (at: number) => pullOf(string, speaking(string, radians(at)).length, rest);
    const semitones = (at: Radians): number | null => {
      const pull = pullAt(at);
      return pull === 0 ? null : 12 * Math.log2(frequencyFor(string, speaking(string, at).length, pull) / here);
    };
    return {
      down: semitones(bridge.stops.forward),
      up: semitones(bridge.stops.back),
      slackAt: slackAngle(pullAt, angle, bridge.stops.forward),
    };
  });
  const slack = strings.flatMap((string, index) => (string?.slackAt == null ? [] : [{ index, at: string.slackAt }]));
  return { strings, slackFirst: slack.sort((a, b) => a.at - b.at)[0]?.index ?? null };
}

/** The pull falls all the way forward; the string is slack from where it reaches nothing. */
function slackAngle(pullAt: (angle: number) => number, from: Radians, to: Radians): Radians | null {
  const root = bisect((angle) => (pullAt(angle) > 0 ? 1 : -1), from, to, 1e-9);
  return root.kind === 'root' ? radians(root.x) : null;
}

/** What holds a bridge that rests on the body, by springs alone. */
export interface Resting {
  /** All strings together as they are. */
  pull: Newtons;
  /** The same when it lifts. */
  lifts: Newtons;
}

/** `bridge` rests where its back stop is: it lifts once the strings' moment is that of the springs there. */
export function restingAt(bridge: FloatingBridge, claw: Metres, rests: RestLengths): Resting {
  const angle = bridge.stops.back;
  const pulls = bridge.strings.map((string, index) => {
    const rest = rests[index] ?? null;
    return rest === null ? 0 : pullOf(string, speaking(string, angle).length, rest);
  });
  const moment = bridge.strings.reduce((sum, string, index) => sum - (pulls[index] ?? 0) * speaking(string, angle).first, 0);
  const spring = springReach(bridge.springs, claw, angle);
  const held = bridge.springs.count * springPull(bridge.springs, spring.length) * spring.first;
  const pull = pulls.reduce<number>((sum, each) => sum + each, 0);
  return { pull: pull as Newtons, lifts: ((pull * held) / moment) as Newtons };
}

/**
 * What bending one string by `by` does to the others: cents that each sounds elsewhere, zero for the bent one, null for those that are off. A bend of so many cents
 * is heard where the bridge gives way, so the finger pushes farther than at a fixed one.
 */
export function bend(bridge: FloatingBridge, claw: Metres, rests: RestLengths, string: number, by: Cents): (Cents | null)[] {
  const was = settle(bridge, claw, rests);
  const here = was.frequencies[string] ?? null;
  if (here === null || here === 0) return was.frequencies.map(() => null);
  const sounds = (here * 2 ** (by / 1200)) as Hertz;
  const bent = tunedTo(bridge, claw, rests, { string, sounds }, was.angle);
  const now = settle(bridge, claw, bent.rests, bent.angle);
  return now.frequencies.map((frequency, index) => {
    const before = was.frequencies[index] ?? null;
    if (frequency === null || before === null || before === 0) return null;
    return (index === string ? 0 : 1200 * Math.log2(frequency / before)) as Cents;
  });
}
