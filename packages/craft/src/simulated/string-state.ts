import type { StringProperties } from '../strings/index.js';
import { fundamentalAt } from '../tension/index.js';
import { hertz, metres, newtons, type Cents, type Hertz, type Metres, type Newtons } from '../units/index.js';

/** What of a simulated string does not change while it is worked on. */
export interface SimulatedString {
  string: StringProperties;
  scale: Metres;
  /** From the anchor to where it meets the post, and the part of that which lies past the nut. */
  path: Metres;
  pastNut: Metres;
  /** What the peg has drawn in after so many turns of the button. */
  drawn: (buttonTurns: number) => Metres;
  /** Turns of the button that do nothing when it goes the other way. */
  backlash: number;
  /** Ratio of pulls at which the string slips through its nut slot, e^(μθ). */
  grip: number;
  /** What the first stretch by hand costs and goes on costing, and the share of it that the next one costs. */
  firstDrop: Cents;
  remainder: Cents;
  kept: number;
  /** What creep takes in each e-fold of time, and when it begins to slow down, h. */
  creep: Cents;
  onset: number;
  /** Pull at which its anchor or its wraps give way; null where they hold. */
  holds: Newtons | null;
  /** Played for months: it sounds dull, and not for long. */
  worn: boolean;
  /** Torque that a peg bears which friction alone holds, N m; null where gears do. */
  pegGrip: number | null;
}

/** How it is now. Lengths are those without pull. */
export interface StringState {
  /** Turns of the button since it was straight, and how far the slack of the gears is taken up, 0 to `backlash`. */
  button: number;
  play: number;
  /** Past the nut, from the nut to the anchor, and on the post. */
  head: Metres;
  body: Metres;
  onPost: Metres;
  /** What the next usual stretch by hand costs, beside what each costs. */
  toSettle: Cents;
  /** Hours that it has borne pull. */
  hours: number;
  slips: number;
  /** How often its peg turned back by itself. */
  crept: number;
  broken: boolean;
}

const lengthOf = ({ path, pastNut }: SimulatedString): Metres => metres(path - pastNut);

/** Pull of a piece of this length whose length without pull is `rest`. */
const pullOf = ({ stiffness }: StringProperties, length: Metres, rest: Metres): Newtons =>
  newtons(Math.max(0, stiffness * (length / rest - 1)));

/** Past the nut and in the speaking part: friction in the slot parts them. */
export function pullsOf(of: SimulatedString, { head, body, broken }: StringState): { head: Newtons; body: Newtons } {
  if (broken) return { head: newtons(0), body: newtons(0) };
  return { head: pullOf(of.string, of.pastNut, head), body: pullOf(of.string, lengthOf(of), body) };
}

/** What it sounds, as the tension room has it; 0 Hz where it hangs slack or is gone. */
export function pitchNow(of: SimulatedString, state: StringState): Hertz {
  const { body } = pullsOf(of, state);
  return body > 0 ? fundamentalAt(body, of.scale, of.string) : hertz(0);
}

/** Brought up so far and left there, the same pull all along. `pull`: above zero. */
export function strungUp(of: SimulatedString, pull: Newtons, button: number): StringState {
  const rest = (length: Metres) => metres(length / (1 + pull / of.string.stiffness));
  return {
    button,
    play: of.backlash,
    head: rest(of.pastNut),
    body: rest(lengthOf(of)),
    onPost: metres(0),
    toSettle: of.firstDrop,
    hours: 0,
    slips: 0,
    crept: 0,
    broken: false,
  };
}

/** The same string, pulled so in both parts. */
export function pulled(of: SimulatedString, state: StringState, pulls: { head: number; body: number }): StringState {
  const { stiffness } = of.string;
  return { ...state, head: metres(of.pastNut / (1 + pulls.head / stiffness)), body: metres(lengthOf(of) / (1 + pulls.body / stiffness)) };
}
