import type { AnchorKind, PostStyle } from '../instrument/index.js';
import type { Family, StringProperties } from '../strings/index.js';
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
  /** More than this settle badly and slip, whatever the break angle would like. */
  mostTurns: number;
  postMethod: PostMethod;
  methodFrom: Chosen<PostMethod>['from'];
  /** What is left standing beyond the lock, or is trimmed once the string holds. */
  stub: Metres;
  /** Turns above the hole. */
  turnsAbove: number;
  cut: CutTiming;
  reason: string;
}

/** Whoever chose many turns has room for one more where the nut asks for it. */
const ROOM_ABOVE_CHOICE = 1;
/** What is left beyond the hole until the string holds, mm. */
const STUB_MM: Readonly<Record<PostMethod, number>> = {
  'kink-lock': 3,
  'over-one-under-rest': 9,
  'turns-first': 9,
  'bend-into-centre': 3,
  clamp: 3,
  'loop-tie': 25,
  'twice-through': 25,
};

interface Question {
  family: Family;
  style: PostStyle;
  anchor: AnchorKind;
  string: StringProperties;
  choices: LayeredChoices;
}

/** What holds for one string at its post: a technician's, a house's or an instrument's own choice where there is one, else the built-in one. */
export function methodsFor({ family, style, anchor, string, choices }: Question): HouseMethods {
  const fixing = fixingFor(style, string, choices);
  const common = {
    stringClass: stringClass(family, string),
    postMethod: fixing.value,
    methodFrom: fixing.from,
    stub: fromMillimetres(STUB_MM[fixing.value]),
    turnsAbove: style !== 'roller' && style !== 'side-peg' && fixing.value === 'over-one-under-rest' ? 1 : 0,
    cut: cutTiming(style, fixing.value, string, choices),
  };
  if (style === 'locking' || style === 'clamp') {
    const reason =
      style === 'locking'
        ? 'locking posts: pull straight and lock, less than half a turn'
        : 'head clamps: the string is held straight, no turns';
    return { ...common, turns: null, turnsFrom: 'built-in', mostTurns: 1, reason };
  }
  const builtIn = BUILT_IN_TURNS[common.stringClass];
  const turns = inForce(choices, ({ turns: chosen }) => chosen?.[common.stringClass], builtIn.turns);
  const spare = anchor === 'double-locking' ? '; the nut will be locked: what is wound now is all the room for another tuning' : '';
  return {
    ...common,
    turns: turns.value,
    turnsFrom: turns.from,
    mostTurns: turns.from === 'built-in' ? builtIn.mostTurns : Math.max(builtIn.mostTurns, turns.value + ROOM_ABOVE_CHOICE),
    reason: turns.from === 'built-in' ? builtIn.reason + spare : `${CHOSEN_BY[turns.from]}: ${turns.value} turns${spare}`,
  };
}

const CHOSEN_BY = { instrument: 'chosen for this instrument', technician: 'your own way', house: 'the way of the house' } as const;

function fixingFor(style: PostStyle, string: StringProperties, choices: LayeredChoices): Chosen<PostMethod> {
  if (style === 'slotted') return { value: 'bend-into-centre', from: 'built-in' };
  if (style === 'locking' || style === 'clamp') return { value: 'clamp', from: 'built-in' };
  if (isSoft(string)) return inForce<PostMethod>(choices, ({ softFixing }) => softFixing, 'loop-tie');
  return string.construction === 'wound'
    ? inForce<PostMethod>(choices, ({ woundFixing }) => woundFixing, 'over-one-under-rest')
    : inForce<PostMethod>(choices, ({ plainFixing }) => plainFixing, 'kink-lock');
}
