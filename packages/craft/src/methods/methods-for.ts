import type { AnchorKind, PostStyle } from '../instrument/index.js';
import type { StringProperties } from '../strings/index.js';
import type { Family } from '../string-kinds/index.js';
import { fromMillimetres, type Metres } from '../units/index.js';
import { BUILT_IN_TURNS } from './built-in.js';
import { inForce, type Chosen, type LayeredChoices, type PostMethod, type StringClass } from './choices.js';
import { cutTiming, type CutTiming } from './cut-timing.js';
import { isSoft, stringClass } from './string-class.js';

/** What is done with one string where the craft leaves a choice, and who chose. */
export interface HouseMethods {
  stringClass: StringClass;
  /** Turns wanted on the post; null where the string is pulled straight and locked. */
  turns: number | null;
  turnsFrom: Chosen<number>['from'];
  /** More than this settle badly and slip, whatever the break angle would like; where somebody chose a limit, that. */
  mostTurns: number;
  mostFrom: Chosen<number>['from'];
  postMethod: PostMethod;
  methodFrom: Chosen<PostMethod>['from'];
  /** What is left standing beyond the lock, or is trimmed once the string holds. */
  stub: Metres;
  /** Turns above the hole. */
  turnsAbove: number;
  /** The string leaves from the turn above the hole, not from the lowest. */
  leavesAbove: boolean;
  /** Break over the nut that somebody wants, degrees; null where nobody chose. */
  nutDeg: number | null;
  cut: CutTiming;
  reason: string;
}

/** What is left beyond the hole until the string holds, mm. */
const STUB_MM: Readonly<Record<PostMethod, number>> = {
  'kink-lock': 3,
  'over-one-under-rest': 9,
  'wind-down': 9,
  'under-all': 9,
  'over-last': 9,
  'turns-first': 9,
  'crossing-turn': 9,
  'bend-into-centre': 3,
  clamp: 3,
  'loop-tie': 25,
  'twice-through': 25,
};
/** However it is fixed, what creeps needs a tail until it holds, mm. */
const SOFT_STUB_MM = 25;
/** Ways in which the first or the last turn passes over the tail. */
const OVER_THE_TAIL: readonly PostMethod[] = ['over-one-under-rest', 'over-last'];

interface Question {
  family: Family;
  /** String number, 1 at the high side. */
  number: number;
  style: PostStyle;
  anchor: AnchorKind;
  string: StringProperties;
  choices: LayeredChoices;
}

/** What holds for one string at its post: a technician's, a house's or an instrument's own choice where there is one, else the built-in one. */
export function methodsFor({ family, number, style, anchor, string, choices }: Question): HouseMethods {
  const fixing = fixingFor(style, string, choices);
  const standing = style !== 'roller' && style !== 'side-peg';
  const stubMm = isSoft(string) && fixing.value !== 'clamp' ? SOFT_STUB_MM : STUB_MM[fixing.value];
  const common = {
    stringClass: stringClass(family, string),
    postMethod: fixing.value,
    methodFrom: fixing.from,
    stub: fromMillimetres(inForce(choices, (from) => from.stubMm, stubMm).value),
    turnsAbove: standing && OVER_THE_TAIL.includes(fixing.value) ? 1 : 0,
    leavesAbove: standing && fixing.value === 'over-last',
    nutDeg: inForce<number | null>(choices, (from) => from.nutDeg, null).value,
    cut: cutTiming(style, fixing.value, string, choices),
  };
  if (style === 'locking' || style === 'clamp') {
    const reason =
      style === 'locking'
        ? 'locking posts: pull straight and lock, less than half a turn'
        : 'head clamps: the string is held straight, no turns';
    return { ...common, turns: null, turnsFrom: 'built-in', mostTurns: 1, mostFrom: 'built-in', reason };
  }
  const builtIn = BUILT_IN_TURNS[common.stringClass];
  const turns = inForce(choices, (from) => from.strings?.[number]?.turns ?? ofClass(from.turns, common.stringClass), builtIn.turns);
  const most = inForce(choices, (from) => from.strings?.[number]?.most ?? ofClass(from.mostTurns, common.stringClass), builtIn.mostTurns);
  const spare = anchor === 'double-locking' ? '; the nut will be locked: what is wound now is all the room for another tuning' : '';
  return {
    ...common,
    turns: turns.value,
    turnsFrom: turns.from,
    mostTurns: most.from === 'built-in' ? Math.max(most.value, turns.value) : most.value,
    mostFrom: most.from,
    reason: turns.from === 'built-in' ? builtIn.reason + spare : `${CHOSEN_BY[turns.from]}: ${sayTurns(turns.value)}${spare}`,
  };
}

/** What was chosen for a class; the strings of a bass are one class unless its A or its lowest are chosen for by themselves. */
const ofClass = (of: Partial<Record<StringClass, number>> | undefined, stringClassOf: StringClass): number | undefined =>
  of?.[stringClassOf] ?? (stringClassOf.startsWith('bass') ? of?.bass : undefined);

const sayTurns = (turns: number) => (turns === 1 ? '1 turn' : `${turns} turns`);

/** When the tail of such a string is cut in the ways in force. */
export const cutTimingFor = (
  style: PostStyle,
  string: Pick<StringProperties, 'construction' | 'creep'>,
  choices: LayeredChoices,
): CutTiming => cutTiming(style, fixingFor(style, string, choices).value, string, choices);

const CHOSEN_BY = { instrument: 'chosen for this instrument', technician: 'your own way', house: 'the way of the house' } as const;

function fixingFor(
  style: PostStyle,
  string: Pick<StringProperties, 'construction' | 'creep'>,
  choices: LayeredChoices,
): Chosen<PostMethod> {
  if (style === 'slotted') return { value: 'bend-into-centre', from: 'built-in' };
  if (style === 'locking' || style === 'clamp') return { value: 'clamp', from: 'built-in' };
  if (isSoft(string)) return inForce<PostMethod>(choices, ({ softFixing }) => softFixing, 'loop-tie');
  return string.construction === 'wound'
    ? inForce<PostMethod>(choices, ({ woundFixing }) => woundFixing, 'over-one-under-rest')
    : inForce<PostMethod>(choices, ({ plainFixing }) => plainFixing, 'kink-lock');
}
