import type { Family, StringProperties } from '../strings/index.js';
import { fromMillimetres, toMillimetres, type Metres } from '../units/index.js';

/** How the end is fixed to its post. */
export type PostMethod = 'kink-lock' | 'over-one-under-rest' | 'bend-into-centre' | 'loop-tie';

/** What a house does where the craft leaves a choice. */
export interface HouseMethods {
  /** Turns wanted on the post. */
  turns: number;
  /** More than this settle badly and slip, whatever the break angle would like. */
  mostTurns: number;
  postMethod: PostMethod;
  /** What is left standing beyond the lock, or is trimmed once the string holds. */
  stub: Metres;
  /** Turns above the hole. */
  turnsAbove: number;
  reason: string;
}

/** Below this a string counts as thin, mm: plain steel trebles. */
const THIN_MM = 0.45;
/** Above this a wound string counts as thick, mm. */
const THICK_MM = 1;

/** Built-in choices by kind and class of string; the house, a technician or an instrument may choose otherwise. */
export function builtInMethods(
  family: Family,
  style: 'through' | 'slotted' | 'roller' | 'side-peg',
  string: StringProperties,
): HouseMethods {
  if (style === 'slotted')
    return {
      turns: 2,
      mostTurns: 4,
      postMethod: 'bend-into-centre',
      stub: fromMillimetres(3),
      turnsAbove: 0,
      reason: 'bass strings: two turns, more where no tree helps',
    };
  if (style === 'roller') {
    return {
      turns: string.construction === 'wound' ? 2 : 3,
      mostTurns: 4,
      postMethod: 'loop-tie',
      stub: fromMillimetres(25),
      turnsAbove: 0,
      reason: 'nylon: until the tie holds and no further',
    };
  }
  const plain = string.construction === 'plain';
  const postMethod: PostMethod = plain ? 'kink-lock' : 'over-one-under-rest';
  const rest = { postMethod, stub: fromMillimetres(plain ? 3 : 9), turnsAbove: plain ? 0 : 1 };
  if (string.construction !== 'plain' && string.construction !== 'wound') {
    return {
      ...rest,
      turns: 2.5,
      mostTurns: 4,
      postMethod: 'loop-tie',
      stub: fromMillimetres(15),
      turnsAbove: 0,
      reason: 'nylon at a side-hole post: two and a half turns',
    };
  }
  if (family === 'mandolin')
    return {
      ...rest,
      turns: plain ? 4.5 : 2.5,
      mostTurns: plain ? 6 : 3.5,
      reason: plain ? 'mandolin trebles: four to five turns' : 'mandolin basses: two to three turns',
    };
  return { ...rest, ...guitarTurns(string) };
}

function guitarTurns({ gauge, construction }: StringProperties): Pick<HouseMethods, 'turns' | 'mostTurns' | 'reason'> {
  if (construction === 'plain' && toMillimetres(gauge) < THIN_MM)
    return { turns: 3, mostTurns: 4, reason: 'thin plain strings: three turns' };
  if (construction === 'wound' && toMillimetres(gauge) > THICK_MM)
    return { turns: 2, mostTurns: 3, reason: 'thick wound strings: two turns, they hold with fewer' };
  return { turns: 2.5, mostTurns: 3.5, reason: 'middle strings: two and a half turns' };
}
