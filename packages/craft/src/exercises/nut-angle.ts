import type { PostPlan } from '../procedure/index.js';
import { windString } from '../procedure/index.js';
import { toDegrees } from '../units/index.js';
import { atLevel, happens, oneOf } from './draw.js';
import { drawString, type DrawnString, type Kinds } from './drawn-string.js';

/** A string over its nut, seen from the side: does it press enough? */
export interface NutExercise extends DrawnString {
  /** As it was wound: with as many turns as lie there, not as many as are wanted. */
  wound: PostPlan;
  turns: number;
  /** Break over the nut as it is, and as it is wanted, degrees. */
  degrees: number;
  wanted: number;
  enough: boolean;
}

export interface NutAnswer {
  enough: boolean;
}

/** How far from what is wanted it is, degrees at least and at most, by level. */
const AWAY = [
  [2.5, 6],
  [1.5, 4],
  [1, 3],
  [0.6, 2],
  [0.3, 1.2],
] as const;
const QUARTERS = 18;

export function nutExercise(chance: () => number, level: number, kinds: Kinds): NutExercise {
  const [least, most] = atLevel(AWAY, level);
  const enough = happens(0.5, chance);
  return drawString(chance, kinds, (drawn) => {
    const turns = 1 + oneOf(QUARTERS, chance) / 4;
    if (drawn.place.post.style === 'locking') return null; // its turns are not chosen
    const wound = windString({ ...drawn, turns });
    if (wound?.kind !== 'post' || wound.nut === null || wound.wind.slack < 0 || turns > wound.capacityTurns) return null;
    const [degrees, wanted] = [toDegrees(wound.nut.vertical), toDegrees(wound.nut.wanted)];
    const away = Math.abs(degrees - wanted);
    if (degrees > wanted !== enough || away < least || away > most) return null;
    return { ...drawn, wound, turns, degrees, wanted, enough };
  });
}

export const nutIsRight = ({ enough }: NutExercise, answer: NutAnswer): boolean => answer.enough === enough;
