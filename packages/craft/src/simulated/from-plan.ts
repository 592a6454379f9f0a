import { DRIFT, PEGS, ROUNDS, SETTLING_OF } from '../constants/index.js';
import type { WindPlan } from '../procedure/index.js';
import { takeUp, rotationFor } from '../post/index.js';
import type { StringProperties } from '../strings/index.js';
import { tensionFor } from '../tension/index.js';
import { cents, fromMillimetres, hertz, metres, newtons, radians, type Hertz, type Metres, type Newtons } from '../units/index.js';
import { handStrength } from './chance.js';
import { atSaddle } from './on-bridge.js';
import { strungUp, type SimulatedString, type StringState } from './string-state.js';

export interface Strung {
  plan: WindPlan;
  string: StringProperties;
  scale: Metres;
  gearRatio: number;
  /** Null where anchor and wraps hold. */
  holds: Newtons | null;
  /** What its peg bears, N m, where friction alone holds that. */
  pegGrip?: number | null;
  /** What it was brought to already, and how often it was stretched by hand; null where it hangs just taut. */
  borne?: { pitch: Hertz; rounds: number } | null;
  /** How much longer it is meanwhile, where its bridge tipped. */
  longer?: Metres;
}

/** A string that was wound as planned, and how it will behave: each a little otherwise, by `chance`. */
export function wound(
  { plan, string, scale, gearRatio, holds, pegGrip = null, borne = null, longer = metres(0) }: Strung,
  chance: () => number,
): { of: SimulatedString; state: StringState } {
  const varied = (typical: number, spread: number = SETTLING_OF.spread.value) => typical * handStrength(chance, spread);
  const soft = string.thins;
  const of: SimulatedString = {
    string,
    scale,
    path: plan.stretch.path,
    pastNut: pastNut(plan),
    drawn: drawnBy(plan, gearRatio),
    backlash: varied(PEGS.backlash.value) / 360,
    grip: Math.exp(varied(PEGS.friction.value) * (plan.kind === 'post' && plan.nut !== null ? plan.nut.total : radians(0.1))),
    firstDrop: cents(varied(soft ? SETTLING_OF.polymer.value : ROUNDS.typicalFirstDrop.value)),
    remainder: cents(varied(ROUNDS.typicalRemainder.value)),
    kept: Math.min(SETTLING_OF.mostKept.value, varied(SETTLING_OF.kept.value, SETTLING_OF.keptSpread.value)),
    creep: cents(varied(soft ? DRIFT.amplitude.value : SETTLING_OF.steelCreep.value)),
    onset: DRIFT.onset.value,
    ...{ holds, pegGrip, worn: false },
  };
  const sounds = tensionFor(hertz(PEGS.sounds.value), scale, string);
  const taut = newtons(Math.max(plan.load.pull * PEGS.taut.value, Math.min(sounds, plan.load.pull / 2)));
  if (borne === null) return { of, state: strungUp(of, taut, buttonAt(plan, gearRatio, taut)) };
  const pull = tensionFor(borne.pitch, metres(scale + longer), string);
  const state = strungUp(atSaddle(of, longer), pull, buttonAt(plan, gearRatio, pull));
  return { of, state: { ...state, toSettle: cents(of.firstDrop * of.kept ** borne.rounds) } };
}

const pastNut = (plan: WindPlan): Metres => (plan.kind === 'post' ? plan.geometry.nutToPost : fromMillimetres(PEGS.toClamp.value));

function drawnBy(plan: WindPlan, gearRatio: number): (button: number) => Metres {
  if (plan.kind === 'clamp') return (button) => metres((button * plan.screw.used) / plan.screw.turns);
  return (button) => takeUp(radians(Math.max(0, (2 * Math.PI * button) / gearRatio)), plan.geometry);
}

/** Turns of the button at which it pulls so: at its note it has drawn what the plan says, less what the rest of the stretch takes. */
function buttonAt(plan: WindPlan, gearRatio: number, pull: Newtons): number {
  const left = plan.stretch.path * (plan.load.strain - (plan.load.strain * pull) / plan.load.pull);
  if (plan.kind === 'clamp') return ((plan.screw.used - left) / plan.screw.used) * plan.screw.turns;
  const rotation = (2 * Math.PI * plan.buttonTurns) / gearRatio;
  return (rotationFor(metres(Math.max(0, takeUp(radians(rotation), plan.geometry) - left)), plan.geometry) / (2 * Math.PI)) * gearRatio;
}
