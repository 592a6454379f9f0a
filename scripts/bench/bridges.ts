import { instrumentOf } from '@gold-peg/craft/archetypes';
import {
  bridgeUnder,
  calibrateSprings,
  foresee,
  foretell,
  levelClaw,
  movesByEar,
  movesByMarks,
  restsFrom,
  settle,
  usualSprings,
  USUAL_SPRINGS,
  type FloatingBridge,
} from '@gold-peg/craft/balance';
import { chanceFrom, handStrength } from '@gold-peg/craft/simulated';
import { setsFor, stringProperties } from '@gold-peg/craft/strings';
import { cents, fromDegrees, hertz, metres, newtons, type Hertz, type Metres } from '@gold-peg/craft/units';

const ORDER = [5, 4, 3, 2, 1, 0];
const FLAT = [-30, -60, -80, -100, -50, -20];
/** Cents within which all have to be. */
const WITHIN = 3;
const ERRORS = { pitch: cents(0.5), tilt: fromDegrees(0.3) };

/** A floating bridge under ten to forty-six. */
export function benchBridge(): { bridge: FloatingBridge; claw: Metres; heard: Hertz[] } {
  const instrument = instrumentOf('electric-in-line-locking');
  const set = setsFor('electric', 6).find(({ name }) => name.startsWith('.010–.046'));
  const strings = (set?.strings ?? []).map((spec) => {
    const properties = stringProperties(spec);
    return properties.ok ? properties.value : null;
  });
  const bridge = bridgeUnder(instrument, strings, usualSprings);
  if (bridge === null) throw new Error('the bridge of the bench moves');
  return {
    bridge,
    claw: levelOf(bridge),
    heard: bridge.strings.map(({ pitch }, index) => hertz(pitch * 2 ** ((FLAT[index] ?? 0) / 1200))),
  };
}

function levelOf(bridge: FloatingBridge): Metres {
  const level = levelClaw(bridge);
  if (!level.ok) throw new Error('the bridge of the bench has a level');
  return level.value;
}

/** What 2,000 draws over what is not measured say of a pass. */
export function foreseeOnce(): void {
  const { bridge, claw, heard } = benchBridge();
  const samples = calibrateSprings(bridge, null, [], ERRORS)?.samples ?? [];
  const unmeasured = { bridge, claw, samples, tried: false, measured: new Set<never>() };
  foresee({ ...unmeasured, heard, order: ORDER, toward: cents(0), travel: metres(0), draws: 2000 }, chanceFrom(1));
}

/** How many pegs are turned until all are in tune: after one trial by the marks, and string after string to its note. Medians of so many simulated bridges. */
export function movesAtBridges(count: number): { byMarks: number; byEar: number } {
  const chance = chanceFrom(20_261_127);
  const { bridge } = benchBridge();
  const withSprings = (rate: number, initial: number) => ({ ...bridge, springs: { ...bridge.springs, rate, initial: newtons(initial) } });
  const moves = Array.from({ length: count }, () => {
    const truth = withSprings(bridge.springs.rate * handStrength(chance, 0.3), bridge.springs.initial * handStrength(chance, 0.4));
    return { byMarks: byMarks(truth, bridge), byEar: byEar(truth) };
  });
  const median = (of: 'byMarks' | 'byEar') => moves.map((each) => each[of]).sort((a, b) => a - b)[Math.floor(count / 2)] ?? 0;
  return { byMarks: median('byMarks'), byEar: median('byEar') };
}

const startOf = (truth: FloatingBridge) =>
  restsFrom(
    truth,
    levelOf(truth),
    truth.strings.map(({ pitch }, index) => hertz(pitch * 2 ** ((FLAT[index] ?? 0) / 1200))),
  ).rests;

const WAYS = { order: ORDER, tolerance: cents(WITHIN) };

const byEar = (truth: FloatingBridge): number => movesByEar({ bridge: truth, claw: levelOf(truth), rests: startOf(truth) }, WAYS).pegs;

/** The lowest string a tone down and the others heard is the first move. */
function byMarks(truth: FloatingBridge, taken: FloatingBridge): number {
  const claw = levelOf(truth);
  const before = settle(truth, claw, startOf(truth)).frequencies;
  const change = [{ string: 5, sounds: hertz((before[5] ?? 1) * 2 ** (-200 / 1200)) }];
  const after = foretell(truth, { at: claw }, { before, change })?.frequencies ?? [];
  const learned = calibrateSprings(taken, null, [{ before, change, after }], ERRORS, USUAL_SPRINGS);
  const known = {
    ...taken,
    springs: { ...taken.springs, rate: learned?.rate.likely ?? 0, initial: newtons(learned?.initial.likely ?? 0) },
  };
  const { rests } = restsFrom(truth, claw, after);
  return 1 + movesByMarks({ bridge: truth, claw, rests }, { bridge: known, claw: levelOf(known) }, WAYS).pegs;
}
