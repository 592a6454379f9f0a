import { restingAngle, speaking, type FloatingBridge } from '../balance/index.js';
import { metres, newtons, radians, type Metres, type Newtons, type Radians } from '../units/index.js';
import { pullsOf, type SimulatedString, type StringState } from './string-state.js';

/** How hard a string pulls at its saddle once that lies so much farther from the nut. */
export type PullAt = (longer: Metres) => Newtons;

/** How much longer a string is than on a level bridge, once that tipped by `angle`; shorter below zero. */
export function longerBy({ strings }: FloatingBridge, index: number, angle: Radians): Metres {
  const string = strings[index];
  if (string === undefined) throw new RangeError(`the bridge has no string ${index}`);
  return metres(speaking(string, angle).length - speaking(string, radians(0)).length);
}

/** The string with its saddle where a bridge that tipped has it. */
export const atSaddle = (of: SimulatedString, longer: Metres): SimulatedString => ({
  ...of,
  path: metres(of.path + longer),
  scale: metres(of.scale + longer),
});

/** A simulated string pulls with its speaking part: what lies past the nut is held there by friction. */
export const pullOfSimulated =
  (of: SimulatedString, state: StringState): PullAt =>
  (longer) =>
    pullsOf(atSaddle(of, longer), state).body;

/** Where the bridge lies under these strings; `null` for one that is off. */
export const bridgeUnderNow = (bridge: FloatingBridge, claw: Metres, strings: readonly (PullAt | null)[], from: Radians): Radians =>
  restingAngle(
    bridge,
    claw,
    (index, length) => {
      const [pullAt, string] = [strings[index] ?? null, bridge.strings[index]];
      return pullAt === null || string === undefined ? newtons(0) : pullAt(metres(length - speaking(string, radians(0)).length));
    },
    from,
  );
