import type { StringClass } from './choices.js';

/** Turns wanted of a class where nobody chose otherwise, the most to which the nut may raise them, and the school they come from. */
export interface BuiltInTurns {
  turns: number;
  mostTurns: number;
  reason: string;
}

export const BUILT_IN_TURNS: Readonly<Record<StringClass, BuiltInTurns>> = {
  'thin-plain': { turns: 3, mostTurns: 4, reason: 'thin plain strings: three turns' },
  middle: { turns: 2.5, mostTurns: 4, reason: 'middle strings: two and a half turns' },
  'thick-wound': { turns: 2, mostTurns: 4, reason: 'thick wound strings: two turns, they hold with fewer' },
  bass: { turns: 2, mostTurns: 3, reason: 'bass strings: two turns' },
  'bass-a': { turns: 2, mostTurns: 3, reason: 'the A of a bass: two turns, three where its post stands far from the nut' },
  'bass-low': { turns: 2, mostTurns: 3, reason: 'the lowest strings of a bass: two turns, they stack high' },
  'mandolin-plain': { turns: 4.5, mostTurns: 6, reason: 'mandolin trebles: four to five turns' },
  'mandolin-wound': { turns: 2.5, mostTurns: 3.5, reason: 'mandolin basses: two to three turns' },
  'soft-plain': { turns: 3, mostTurns: 4.5, reason: 'nylon trebles: until the tie holds and no further' },
  'soft-wound': { turns: 2, mostTurns: 3.5, reason: 'nylon basses: until the tie holds and no further' },
};
