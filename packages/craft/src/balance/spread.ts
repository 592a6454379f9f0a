import { bandOf, type Band } from '../band/index.js';
import { FINE_TUNERS } from '../constants/index.js';
import { cents, fromMillimetres, metres, type Cents, type Hertz } from '../units/index.js';
import { armRange, bend, restingAt } from './arm-range.js';
import { drawBridge, normalOf, spreadOf, type Unmeasured } from './draws.js';
import { forcesAt, restsFrom } from './equilibrium.js';
import { tunerChange } from './fine-tuners.js';

/** What the arm does to one string, by all that is not measured: semitones; where it goes slack, rad from where the bridge lies. Null where no draw has it. */
export interface ArmSpread {
  down: Band | null;
  up: Band | null;
  slackAt: Band | null;
  /** How far a bend of it moves the string that it moves most, cents. */
  bends: Band | null;
}

/** What a bridge bears and does as it stands, by all that is not measured: four times in five between low and high. */
export interface BridgeSpread {
  /** All strings together, and all springs, N. */
  strings: Band;
  springs: Band;
  /** All strings together when one that rests on the body lifts, N; null where none of them does. */
  lifts: Band | null;
  /** By string; null for one that is off. */
  arm: readonly (ArmSpread | null)[];
  /** Cents that a turn of its fine tuner changes each string by; null for one that is off. */
  perTurn: readonly (Band | null)[];
}

interface Asked extends Unmeasured {
  /** How all strings sound now; null for one that is off. */
  heard: readonly (Hertz | null)[];
  /** How far one string is bent, cents. */
  bent: Cents;
  draws: number;
}

/** Draws what is not measured, and asks each bridge, as it stands under these pitches, what it bears and does. `chance`: evenly between 0 and 1. */
export function spreadOfBridge(asked: Asked, chance: () => number): BridgeSpread | null {
  const drawn = Array.from({ length: asked.draws }, () => drawOne(asked, chance)).flatMap((each) => each ?? []);
  if (drawn.length === 0) return null;
  type Drawn = (typeof drawn)[number];
  const band = (of: (draw: Drawn) => number | null): Band | null => {
    const values = drawn.flatMap((draw) => of(draw) ?? []);
    return values.length === 0 ? null : bandOf(values.map((value) => ({ value, weight: 1 })));
  };
  const all = (of: (draw: Drawn) => number): Band => bandOf(drawn.map((draw) => ({ value: of(draw), weight: 1 })));
  return {
    strings: all(({ forces }) => forces.strings),
    springs: all(({ forces }) => forces.springs),
    lifts: band(({ lifts }) => lifts),
    arm: asked.heard.map((sounds, index) =>
      sounds === null
        ? null
        : {
            down: band(({ arm }) => arm[index]?.down ?? null),
            up: band(({ arm }) => arm[index]?.up ?? null),
            slackAt: band(({ arm, angle }) => (arm[index]?.slackAt == null ? null : arm[index].slackAt - angle)),
            bends: band(({ bends }) => bends[index] ?? null),
          },
    ),
    perTurn: asked.heard.map((_, index) => band(({ perTurn }) => perTurn[index] ?? null)),
  };
}

function drawOne(asked: Asked, chance: () => number) {
  const drawn = drawBridge(asked, chance);
  const draws = fromMillimetres(FINE_TUNERS.draws.value * Math.exp(spreadOf(FINE_TUNERS.draws) * normalOf(chance)));
  if (drawn === null) return null;
  const { bridge, claw } = drawn;
  const { angle, rests } = restsFrom(bridge, claw, asked.heard);
  const each = <Value>(of: (index: number) => Value) => bridge.strings.map((_, index) => (rests[index] === null ? null : of(index)));
  return {
    angle,
    forces: forcesAt(bridge, claw, angle, rests),
    lifts: bridge.stops.back < 0 ? null : restingAt(bridge, claw, rests).lifts,
    arm: armRange(bridge, claw, rests).strings,
    bends: each((index) => most(bend(bridge, claw, rests, index, asked.bent))),
    perTurn: each((index) => tunerChange({ bridge, claw, rests, angle }, index, 1, metres(draws))),
  };
}

/** What a bend does to the string that it lowers most. */
const most = (moved: readonly (Cents | null)[]): Cents => cents(Math.min(...moved.map((each) => each ?? 0)));
