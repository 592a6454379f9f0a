import { bandOf, type Band } from '../band/index.js';
import { FLOATING } from '../constants/index.js';
import { cents, hertz, metres, type Cents, type Hertz, type Metres, type Radians } from '../units/index.js';
import { clawToLevel, type PassLeaves } from './at-bench.js';
import type { FloatingBridge } from './bridge.js';
import { drawBridge, type Unknown, type Unmeasured } from './draws.js';
import { restsFrom, settle, tunedTo } from './equilibrium.js';
import { onePass } from './one-pass.js';

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
  /** The string that is farthest off where the pass was to leave it, cents, the claw turned where it was set for that. */
  afterPass: Band;
  /** What would narrow that most if it were known, and what a pass would leave then, as a median; null where nothing would. */
  narrows: { what: Unknown; leaves: Cents } | null;
  /** Draws in which these strings find a balance. */
  held: number;
  draws: number;
}

interface Asked extends Unmeasured, PassLeaves {
  /** How all strings sound now; null for one that is off. */
  heard: readonly (Hertz | null)[];
  order: readonly number[];
  draws: number;
}

/** Of so many draws one says where its own marks would be: a band needs fewer than a share of what matters most. */
const MARKS_EVERY = 16;

/**
 * Draws what is not measured, and lets each bridge be tuned in one pass to the marks of the bridge that it is taken for: what is left then is what that pass is worth. In
 * each of them the claw stands where that bridge would be as level as the one it is taken for. `chance`: evenly between 0 and 1.
 * @throws RangeError if a string would hang slack at its mark: another order, or another way home, has to be asked for.
 */
export function foresee(asked: Asked, chance: () => number): Foreseen {
  const { bridge, claw, heard, order, toward, travel, draws } = asked;
  const taken = restsFrom(bridge, claw, heard);
  const marks = onePass(leavingAt(bridge, toward), claw, taken.rests, order, metres(claw + travel));
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

/** The same bridge with every string wanted so far from its note. */
const leavingAt = (bridge: FloatingBridge, toward: Cents): FloatingBridge => ({
  ...bridge,
  strings: bridge.strings.map((string) => ({ ...string, pitch: hertz(string.pitch * 2 ** (toward / 1200)) })),
});

function drawOne(
  asked: Asked,
  angle: Radians,
  { marks, own }: { marks: readonly { string: number; frequency: Hertz }[]; own: boolean },
  chance: () => number,
): Draw | null {
  const { heard, order, toward, travel } = asked;
  const drawn = drawBridge(asked, chance);
  if (drawn === null) return null;
  const { bridge: of, claw: stands, level, inputs } = drawn;
  const lead = Math.exp(inputs['screw-lead']);
  const before = restsFrom(of, stands, heard, angle);
  const after = marks.reduce((so, { string, frequency }) => tunedTo(of, stands, so.rests, { string, sounds: frequency }, so.angle), before);
  const left = settle(of, metres(stands + travel * lead), after.rests, after.angle).frequencies.map((frequency, index) =>
    frequency === null ? 0 : Math.abs(1200 * Math.log2(frequency / (of.strings[index]?.pitch ?? Number.NaN)) - toward),
  );
  // a claw that is turned in after the pass goes as large a part of its way to where this bridge is level
  const whole = clawToLevel(asked);
  const finalClaw = travel === 0 || whole === null ? stands : metres(stands + (travel / whole) * (level - stands));
  const marksOf = () => onePass(leavingAt(of, toward), stands, before.rests, order, finalClaw);
  return {
    inputs,
    clawTurns: (level - stands) / (0.001 * FLOATING.screwLead.value * lead),
    tilt: finalTilt(of, stands, before.angle),
    tiltNow: before.angle,
    marks: own ? new Map(marksOf().map(({ string, target }) => [string, cents(target + toward)])) : null,
    leftAfterPass: cents(Math.max(...left)),
  };
}

/** Where it lies with all in tune and the claw there. */
const finalTilt = (of: FloatingBridge, claw: Metres, from: Radians): Radians =>
  restsFrom(
    of,
    claw,
    of.strings.map(({ pitch }) => pitch),
    from,
  ).angle;

/** A gain smaller than this is none, cents. */
const WORTH_KNOWING = 0.5;
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
  return most === undefined || median(drawn) - most.leaves < WORTH_KNOWING ? null : most;
}
