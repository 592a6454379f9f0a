import type { StringOrder } from '@gold-peg/craft/methods';
import type { Newtons } from '@gold-peg/craft/units';
import { isThere, type Aim } from '../hearing';

/** Where a string is, and what bounds it. */
export interface Standing {
  /** From its note; null where it was not heard yet. */
  cents: number | null;
  aim: Aim;
  /** It was stretched there, where it has to be. */
  arrived: boolean;
  /** Cents over its note at which its pull is the most that is safe, and at which it breaks. */
  safe: number;
  breaks: number;
  /** Turns of the button to where it is brought; null where they are not known. */
  turns: number | null;
}

export interface ReadingWords {
  says: string;
  kind: 'go-on' | 'there' | 'over' | 'stop';
}

/** So near its octave the name of the note is right, and the string is not. */
const NAMED_ALIKE = 60;
/** Warned so long before the safe limit. */
const NEAR_LIMIT = 100;

/** An order that is evener by less is left out. */
const NOT_WORTH_IT = 0.9;
const ORDERS: Readonly<Record<StringOrder, string>> = {
  'low-first': 'from the lowest up',
  'high-first': 'from the highest down',
  'outside-in': 'from the outside in',
  'inside-out': 'from the middle out',
  alternating: 'from side to side',
  'toward-middle': 'from both ends to the middle',
};

/** What to do with a string that stands there: up to its note from below, never past what is safe, and never let down. */
export function sayReading({ cents, aim, arrived, safe, breaks, turns }: Standing): ReadingWords {
  if (cents === null) return { kind: 'go-on', says: 'Pluck it: the ear shows where it stands.' };
  if (cents >= breaks - NEAR_LIMIT)
    return { kind: 'stop', says: 'Stop: it is about to break. Keep your face away, and look which string this is.' };
  if (cents > safe) return { kind: 'stop', says: 'Stop: it pulls more than is safe. Is it the right octave, and the right string?' };
  if (isThere(cents, aim)) return { kind: 'there', says: sayThere(aim, arrived) };
  if (cents > aim.high) {
    const near = safe - cents < NEAR_LIMIT ? ` ${Math.round(safe - cents)} ¢ more are not safe.` : '';
    return {
      kind: 'over',
      says: `${sayCents(aim.cents === 0 ? cents : cents - aim.high)} over: stretch it back, never slacken to it; if it gives no more, go well under and come up.${near}`,
    };
  }
  const left = turns === null ? '' : `, ${sayTurns(turns)} of the button`;
  const octaves = Math.round(-cents / 1200);
  const alike = octaves >= 1 && Math.abs(cents + 1200 * octaves) <= NAMED_ALIKE;
  const under = octaves === 1 ? 'An octave under' : `${octaves} octaves under`;
  if (alike) return { kind: 'go-on', says: `${under}: the same name and the wrong string pull. Keep on${left}.` };
  return { kind: 'go-on', says: `${sayCents(aim.cents - cents)} to go${left}, from below.` };
}

function sayThere({ cents, twice }: Aim, arrived: boolean): string {
  if (cents !== 0) return 'Under its note, as it is wanted now: the others come up first.';
  return twice && !arrived ? 'At its note: one light stretch, and to the note again.' : 'At its note: it holds.';
}

const sayCents = (cents: number): string => `${cents < 10 ? cents.toFixed(1) : cents.toFixed(0)} ¢`;

/** Degrees where it is less than a third of a turn: that is what a hand sees. */
export const sayTurns = (turns: number): string => (Math.abs(turns) < 1 / 3 ? `${Math.round(360 * turns)}°` : `${turns.toFixed(1)} turns`);

/** How evenly an order loads both sides of a bridge, and which one would more evenly. `say`: a pull in the units of the person. */
export function sayOrder(
  { apart, best, order }: { apart: Newtons; best: Newtons; order: StringOrder },
  say: (pull: Newtons) => string,
): string {
  const said = `In this order the sides are never more than ${say(apart)} apart`;
  return best < NOT_WORTH_IT * apart
    ? `${said}; ${ORDERS[order]} they would keep within ${say(best)}.`
    : `${said}: hardly any order is evener.`;
}
