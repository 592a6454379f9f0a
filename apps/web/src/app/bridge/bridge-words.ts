import {
  levelClaw,
  type Band,
  type BridgeNow,
  type BridgeStep,
  type ClawProblem,
  type Foreseen,
  type Unknown,
} from '@gold-peg/craft/balance';
import { FLOATING } from '@gold-peg/craft/constants';
import { fromMillimetres } from '@gold-peg/craft/units';

const FRACTIONS: Readonly<Record<number, string>> = { 0.125: '⅛', 0.25: '¼', 0.375: '⅜', 0.5: '½', 0.625: '⅝', 0.75: '¾', 0.875: '⅞' };

/** Nearer to a stop than this it lies on it, rad. */
const NEAR = 1e-6;

/** By eighths, as a screw is turned: 1¼. */
export function sayEighths(turns: number): string {
  const eighths = Math.round(Math.abs(turns) * 8) / 8;
  const [whole, part] = [Math.floor(eighths), FRACTIONS[eighths % 1] ?? ''];
  return whole === 0 && part !== '' ? part : `${whole}${part}`;
}

/** "1¼ turns in": what each screw of the claw does. */
export const sayClaw = (turns: number): string =>
  `${sayEighths(turns)} ${Math.abs(turns) > 1 ? 'turns' : 'turn'} ${turns < 0 ? 'out' : 'in'}`;

/** What each screw does, where they do the same and where they do not. */
export function sayScrews({ bass, treble }: { bass: number; treble: number }): string {
  if (bass === treble) return `each screw of the claw ${sayClaw(bass)}`;
  const one = (turns: number) => (turns === 0 ? 'left' : sayClaw(turns));
  return `bass screw of the claw ${one(bass)}, treble screw ${one(treble)}`;
}

/** Below zero with its sign, to a tenth. */
export function signed(cents: number, digits = 1): string {
  const rounded = Number(cents.toFixed(digits));
  return `${rounded < 0 ? '−' : rounded > 0 ? '+' : ''}${Math.abs(rounded).toFixed(digits)}`;
}

/** "±8": how far the true one may lie from what is shown, four times in five. Nothing where that is known well, or was reckoned before it moved. */
export function plusMinus(band: Band | null | undefined, shown: number, digits = 0): string {
  if (band == null) return '';
  const within = Math.max(band.high - shown, shown - band.low);
  return shown < band.low || shown > band.high || Number(within.toFixed(digits)) === 0 ? '' : `±${within.toFixed(digits)}`;
}

export const list = (numbers: readonly number[]): string =>
  numbers.length < 2 ? numbers.join('') : `${numbers.slice(0, -1).join(', ')} and ${numbers.at(-1) ?? ''}`;

/** What is done at the fine tuners while the nut is open. `only`: indices of the strings that the job is about, null for all; the others stay behind their pads as they are. */
export function sayToMiddle(only: readonly number[] | null): string {
  if (only === null) return 'every fine tuner to the middle of its travel, before pegs are turned';
  const strings = list(only.map((lane) => lane + 1));
  return only.length === 1
    ? `the fine tuner of string ${strings} to the middle of its travel, before its peg is turned; the others stay as they are`
    : `the fine tuners of string ${strings} to the middle of their travel, before their pegs are turned; the others stay as they are`;
}

/** What is to be done with the string in hand, as a sentence. `toward`: where the pass leaves all; `others`: numbers of those that come after it. */
export function sayMark(note: string, { target, toward }: { target: number; toward: number }, others: readonly number[]): string {
  const mark = Math.round(target * 10) / 10;
  const aim = mark === 0 ? note : `${note} ${signed(mark)} ¢`;
  if (toward !== 0) return `Tune to ${aim} now: this pass leaves all at ${signed(toward, 0)} ¢, the next brings them home.`;
  if (others.length === 0) return `Tune to ${aim}: it is the last, and all are home.`;
  if (mark === 0) return `Tune to ${note} now: what follows does not move it.`;
  const way = mark > 0 ? 'comes down' : 'comes up';
  return `Tune to ${aim} now: it ${way} to 0 when ${list(others)} ${others.length === 1 ? 'is' : 'are'} ${mark > 0 ? 'up' : 'down'}.`;
}

/** The same where the claw is turned in after the pass. */
export const sayMarkForClaw = (note: string, target: number): string =>
  `Tune to ${note} ${signed(target)} ¢ now: the claw, turned in afterwards, brings it to 0.`;

export const UNKNOWN_NAMES: Readonly<Record<Unknown, string>> = {
  trial: 'a trial: lower one string, hear the others',
  springs: 'the rate of the springs',
  'saddle-height': 'the height of the saddles over the edge',
  'spring-depth': 'the depth of the spring hooks',
  stiffness: 'the cores of the strings',
  mass: 'the weight of the strings',
  'screw-lead': 'the lead of the claw screws',
};

/** What would narrow the pass most, and to what. */
export const sayNarrows = (narrows: Foreseen['narrows']): string =>
  narrows === null ? '' : `Known best by ${UNKNOWN_NAMES[narrows.what]}: then about ±${narrows.leaves.toFixed(0)} ¢.`;

export const sayTooMany = ({ needed, initial }: ClawProblem): string =>
  `So many springs cannot balance these strings: each would have to pull ${needed.toFixed(0)} N, and its coils open at ${initial.toFixed(0)} N. Unhook one.`;

/** What stands in the way of a balance here: springs that cannot hold it level wherever the claw is, or a stop that it lies on; and the way on. Null for one that floats, or rests as it should. */
export function sayObstacle({ bridge, angle }: Pick<BridgeNow, 'bridge' | 'angle'>): string | null {
  const level = levelClaw(bridge);
  if (!level.ok) return sayTooMany(level.problem);
  const { springs, stops } = bridge;
  if (level.value > springs.free + fromMillimetres(FLOATING.clawTravel.value))
    return 'So few springs cannot hold these strings: the claw would meet the wall before the bridge is level. Hook in one more.';
  if (angle > stops.forward - NEAR)
    return 'It lies on its stop toward the neck: claw in, or one more spring; until then marks and arm say nothing.';
  // one that rests on the body lies on it by design
  if (stops.back < 0 && angle < stops.back + NEAR)
    return 'Its back edge lies on the body: claw out, or one spring less; until then marks and arm say nothing.';
  return null;
}

/** The large button of what is next; null where there is none. */
export function sayAct(
  step: BridgeStep | { kind: 'lower'; string: number } | { kind: 'reckon' },
  screws: { bass: number; treble: number } | null,
): string | null {
  switch (step.kind) {
    case 'claw':
      return screws === null || screws.bass === screws.treble ? `Claw turned ${sayClaw(screws?.bass ?? 0)}` : 'Both screws turned';
    case 'read':
      return step.strings.length > 1 ? 'Another string first' : null;
    case 'set':
      return `String ${step.step.string + 1} set`;
    case 'lower':
      return `String ${step.string + 1} a tone down`;
    case 'mid':
      return 'Fine tuners at mid travel';
    case 'clamp':
      return 'Clamps are shut';
    case 'unclamp':
      return 'Clamps are open';
    case 'block':
    case 'reckon':
      return null;
    case 'done':
      return 'All balanced';
  }
}
