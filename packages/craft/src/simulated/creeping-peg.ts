import { newtons, type Newtons } from '../units/index.js';
import { pulled, type SimulatedString, type StringState } from './string-state.js';

/** By so much of a turn of its button the lever of a peg is looked at. */
const LOOK = 0.01;

/** What a whole turn of the button draws in at this place, m. */
const drawnByTurn = ({ drawn }: SimulatedString, button: number): number => (drawn(button + LOOK) - drawn(button)) / LOOK;

/** Pull at which the peg turns back: T r = grip, where r is the lever at which the string leaves it; infinite where gears hold it. */
export function pegHolds(of: SimulatedString, { button }: StringState): Newtons {
  return newtons(of.pegGrip === null ? Infinity : (2 * Math.PI * of.pegGrip) / drawnByTurn(of, button));
}

/** Its peg turned back until the string pulls so: what comes off the post lies between post and anchor again. */
export function creptBack(of: SimulatedString, state: StringState, pulls: { head: Newtons; body: Newtons }): StringState {
  const eased = pulled(of, state, pulls);
  const out = eased.head + eased.body - state.head - state.body;
  const button = state.button - (out * (1 + pulls.head / of.string.stiffness)) / drawnByTurn(of, state.button);
  return { ...eased, onPost: (state.onPost - out) as StringState['onPost'], button, crept: state.crept + 1 };
}
