import { bandOf, type Band } from '../band/index.js';
import { BRIDGE_READINGS, FLOATING } from '../constants/index.js';
import { newtons, type Cents, type Hertz, type Metres, type Radians } from '../units/index.js';
import type { FloatingBridge } from './bridge.js';
import { levelClaw } from './claw.js';
import { restsFrom, settle, tunedTo } from './equilibrium.js';
import { onePass } from './one-pass.js';
import { FOUR_IN_FIVE, type SpringSample } from './springs.js';

/** What is not measured of a bridge, and what would say more of it. */
export type Unknown = 'trial' | 'springs' | 'saddle-height' | 'spring-depth' | 'stiffness' | 'screw-lead';

/** One bridge as it may really be, with what it would do. */
interface Draw {
  inputs: Readonly<Record<Unknown, number>>;
  clawTurns: number;
  tilt: Radians;
  tiltNow: Radians;
  leftAfterPass: Cents;
  /** Marks that this bridge would have had, by string; null where nobody asked. */
  marks: ReadonlyMap<number, Cents> | null;
}

/** What is foreseen of a bridge that is brought home by what is known of it: four times in five between low and high. */
export interface Foreseen {
  /** Turns of the claw screws until it is level. */
  clawTurns: Band;
  /** Where it lies once all are in tune and the claw was left alone, rad. */
  tilt: Band;
  /** Where it lies now, as these strings sound, rad. */
  tiltNow: Band;
  /** The mark of each string, cents from its note; null for one that is not in the pass. */
  marks: readonly (Band | null)[];
  /** The string that is farthest off after one pass, cents. */
  afterPass: Band;
  /** What would narrow that most if it were known, and what a pass would leave then, as a median; null where nothing would. */
  narrows: { what: Unknown; leaves: Cents } | null;
  /** Draws in which these strings find a balance. */
  held: number;
  draws: number;
}

interface Asked {
  /** As it is taken to be, springs at their likely values. */
  bridge: FloatingBridge;
  /** Where the claw stands, as far as is known. */
  claw: Metres;
  /** How all strings sound now; null for one that is off. */
  heard: readonly (Hertz | null)[];
  order: readonly number[];
  /** What is known of rate and first pull of one spring. */
  samples: readonly SpringSample[];
  /** Trials were made: then it is known how hard these springs hold against these strings, whatever each of them is. */
  tried: boolean;
  measured: ReadonlySet<Unknown>;
  draws: number;
}

/** Of so many draws one says where its own marks would be: a band needs fewer than a share of what matters most. */
const MARKS_EVERY = 8;

/**
 * Draws what is not measured, and lets each bridge be tuned in one pass to the marks of the bridge that it is taken for: what is left then is what that pass is worth. In
 * each of them the claw stands where that bridge would be as level as the one it is taken for. `chance`: evenly between 0 and 1.
 */
export function foresee(asked: Asked, chance: () => number): Foreseen {
  const { bridge, claw, heard, order, draws } = asked;
  const taken = restsFrom(bridge, claw, heard);
  const marks = onePass(bridge, claw, taken.rests, order);
  const drawn = Array.from({ length: draws }, (_, nth) =>
    drawOne(asked, taken.angle, { marks, own: nth % MARKS_EVERY === 0 }, chance),
  ).flatMap((each) => each ?? []);
  const withMarks = drawn.flatMap(({ marks: own }) => own ?? []);
  const band = (of: (draw: Draw) => number): Band => bandOf(drawn.map((draw) => ({ value: of(draw), weight: 1 })));
  return {
    clawTurns: band(({ clawTurns }) => clawTurns),
    tilt: band(({ tilt }) => tilt),
    tiltNow: band(({ tiltNow }) => tiltNow),
    marks: bridge.strings.map((_, index) => {
      const values = withMarks.flatMap((own) => own.get(index) ?? []);
      return values.length === 0 ? null : bandOf(values.map((value) => ({ value, weight: 1 })));
    }),
    afterPass: band(({ leftAfterPass }) => leftAfterPass),
    narrows: mostTelling(drawn),
    held: drawn.length,
    draws,
  };
}

function drawOne(
  { bridge, claw, heard, order, samples, tried, measured }: Asked,
  angle: Radians,
  { marks, own }: { marks: readonly { string: number; frequency: Hertz }[]; own: boolean },
  chance: () => number,
): Draw | null {
  const normal = () => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
  const about = (what: Unknown, spread: number) => (measured.has(what) ? 0 : spread * normal());
  const spring = pick(samples, chance());
  const inputs = {
    springs: Math.log(spring.rate / bridge.springs.rate),
    'saddle-height': about('saddle-height', spreadOf(FLOATING.saddleHeight)),
    'spring-depth': about('spring-depth', spreadOf(FLOATING.springDepth)),
    stiffness: about('stiffness', BRIDGE_READINGS.stiffnessSpread.value),
    'screw-lead': about('screw-lead', spreadOf(FLOATING.screwLead)),
  };
  // what brings a bridge back is its springs' rate by their depth squared beside the strings' EA by their height squared
  const ratio = inputs.stiffness + 2 * inputs['saddle-height'] - 2 * inputs['spring-depth'];
  const against = tried ? Math.exp(ratio) : 1;
  const of: FloatingBridge = {
    ...bridge,
    strings: bridge.strings.map((string) => ({
      ...string,
      stiffness: newtons(string.stiffness * Math.exp(inputs.stiffness)),
      saddleHeight: (string.saddleHeight * Math.exp(inputs['saddle-height'])) as Metres,
    })),
    springs: {
      ...bridge.springs,
      rate: spring.rate * against,
      initial: newtons(spring.initial),
      arm: (bridge.springs.arm * Math.exp(inputs['spring-depth'])) as Metres,
    },
  };
  const [levelTaken, level] = [levelClaw(bridge), levelClaw(of)];
  if (!level.ok || !levelTaken.ok) return null;
  // the claw is known by how the bridge lies: so far from level here as there, each with its own springs
  const stands = (level.value + (claw - levelTaken.value) * leverage(bridge, of)) as Metres;
  const before = restsFrom(of, stands, heard, angle);
  const after = marks.reduce((so, { string, frequency }) => tunedTo(of, stands, so.rests, { string, sounds: frequency }, so.angle), before);
  const left = settle(of, stands, after.rests, after.angle).frequencies.map((frequency, index) =>
    frequency === null ? 0 : Math.abs(1200 * Math.log2(frequency / (of.strings[index]?.pitch ?? Number.NaN))),
  );
  return {
    inputs: { ...inputs, trial: tried ? 0 : inputs.springs - ratio },
    clawTurns: (level.value - stands) / (0.001 * FLOATING.screwLead.value * Math.exp(inputs['screw-lead'])),
    tilt: finalTilt(of, stands),
    tiltNow: before.angle,
    marks: own ? new Map(onePass(of, stands, before.rests, order).map(({ string, target }) => [string, target])) : null,
    leftAfterPass: Math.max(...left) as Cents,
  };
}

/** Where it lies with all in tune and the claw there. */
const finalTilt = (of: FloatingBridge, claw: Metres): Radians =>
  restsFrom(
    of,
    claw,
    of.strings.map(({ pitch }) => pitch),
  ).angle;

/** How far a claw has to go there for what one metre does here. */
const leverage = (here: FloatingBridge, there: FloatingBridge): number =>
  (here.springs.rate * here.springs.arm) / (there.springs.rate * there.springs.arm);

/** The spread of a logarithm whose range holds four in five. */
const spreadOf = ({ low, high }: { low: number; high: number }): number => Math.log(high / low) / (2 * FOUR_IN_FIVE);

function pick(samples: readonly SpringSample[], at: number): SpringSample {
  let passed = 0;
  for (const sample of samples) {
    passed += sample.weight;
    if (passed >= at) return sample;
  }
  const last = samples.at(-1);
  if (last === undefined) throw new RangeError('samples of springs must hold at least one');
  return last;
}

/** So large a part of all draws, those nearest to what is taken for true, stands for knowing it. */
const NEAREST = 0.2;

function mostTelling(drawn: readonly Draw[]): Foreseen['narrows'] {
  const median = (draws: readonly Draw[]) => bandOf(draws.map(({ leftAfterPass }) => ({ value: leftAfterPass, weight: 1 }))).likely;
  const [first] = drawn;
  if (first === undefined) return null;
  const unknown = (Object.keys(first.inputs) as Unknown[]).filter((what) => drawn.some(({ inputs }) => inputs[what] !== 0));
  const known = unknown.map((what) => {
    const nearest = [...drawn].sort((a, b) => Math.abs(a.inputs[what]) - Math.abs(b.inputs[what])).slice(0, NEAREST * drawn.length);
    return { what, leaves: median(nearest) as Cents };
  });
  const [most] = known.sort((a, b) => a.leaves - b.leaves);
  return most === undefined || most.leaves >= median(drawn) ? null : most;
}
