import { BRIDGE_READINGS, FLOATING } from '../constants/index.js';
import { kilogramsPerMetre, metres, newtons, type Metres } from '../units/index.js';
import type { FloatingBridge } from './bridge.js';
import { levelClaw } from './claw.js';
import { FOUR_IN_FIVE, type SpringSample } from './springs.js';

/** What is not measured of a bridge, and what would say more of it. */
export type Unknown = 'trial' | 'springs' | 'saddle-height' | 'spring-depth' | 'stiffness' | 'mass' | 'screw-lead';

/** A bridge as it is taken to be, and what is not known of it. */
export interface Unmeasured {
  /** Springs at their likely values. */
  bridge: FloatingBridge;
  /** Where the claw stands, as far as is known. */
  claw: Metres;
  /** What is known of rate and first pull of one spring. */
  samples: readonly SpringSample[];
  /** Trials were made: then it is known how hard these springs hold against these strings, whatever each of them is. */
  tried: boolean;
  measured: ReadonlySet<Unknown>;
}

/** The same bridge as it may really be. */
export interface DrawnBridge {
  /** How far each unknown was drawn from what it is taken for, as a logarithm. */
  inputs: Readonly<Record<Unknown, number>>;
  bridge: FloatingBridge;
  claw: Metres;
  /** Where its claw would stand while it is level. */
  level: Metres;
}

/** One normal deviate from two of `chance`, which lies evenly between 0 and 1. */
export const normalOf = (chance: () => number): number => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());

/** Draws what is not measured. The claw stands where that bridge would be as level as the one it is taken for. Null where its springs cannot hold it level. */
export function drawBridge({ bridge, claw, samples, tried, measured }: Unmeasured, chance: () => number): DrawnBridge | null {
  const about = (what: Unknown, spread: number) => (measured.has(what) ? 0 : spread * normalOf(chance));
  const spring = pick(samples, chance());
  const inputs = {
    springs: Math.log(spring.rate / bridge.springs.rate),
    'saddle-height': about('saddle-height', spreadOf(FLOATING.saddleHeight)),
    'spring-depth': about('spring-depth', spreadOf(FLOATING.springDepth)),
    stiffness: about('stiffness', BRIDGE_READINGS.stiffnessSpread.value),
    'screw-lead': about('screw-lead', spreadOf(FLOATING.screwLead)),
    // the strings of a set are off alike: told by how far one of them may be
    mass: about('mass', 1 / FOUR_IN_FIVE),
  };
  // what brings a bridge back is its springs' rate by their depth squared beside the strings' EA by their height squared
  const ratio = inputs.stiffness + 2 * inputs['saddle-height'] - 2 * inputs['spring-depth'];
  const against = tried ? Math.exp(ratio) : 1;
  const of: FloatingBridge = {
    ...bridge,
    strings: bridge.strings.map((string) => ({
      ...string,
      stiffness: newtons(string.stiffness * Math.exp(inputs.stiffness)),
      restDensity: kilogramsPerMetre(string.restDensity * Math.exp(inputs.mass * string.massBand)),
      saddleHeight: metres(string.saddleHeight * Math.exp(inputs['saddle-height'])),
    })),
    springs: {
      ...bridge.springs,
      rate: spring.rate * against,
      initial: newtons(spring.initial),
      arm: metres(bridge.springs.arm * Math.exp(inputs['spring-depth'])),
    },
  };
  const [levelTaken, level] = [levelClaw(bridge), levelClaw(of)];
  if (!level.ok || !levelTaken.ok) return null;
  return {
    inputs: { ...inputs, trial: tried ? 0 : inputs.springs - ratio },
    bridge: of,
    // it is known by how the bridge lies: so far from level here as there, each with its own springs
    claw: metres(level.value + (claw - levelTaken.value) * leverage(bridge, of)),
    level: level.value,
  };
}

/** How far a claw has to go there for what one metre does here. */
const leverage = (here: FloatingBridge, there: FloatingBridge): number =>
  (here.springs.rate * here.springs.arm) / (there.springs.rate * there.springs.arm);

/** The spread of a logarithm whose range holds four in five. */
export const spreadOf = ({ low, high }: { low: number; high: number }): number => Math.log(high / low) / (2 * FOUR_IN_FIVE);

/** Of samples, one at least, that by whose weight and those before it so large a share is passed. */
function pick(samples: readonly SpringSample[], at: number): SpringSample {
  let passed = 0;
  for (const sample of samples) {
    passed += sample.weight;
    if (passed >= at) return sample;
  }
  return samples.at(-1) as SpringSample;
}
