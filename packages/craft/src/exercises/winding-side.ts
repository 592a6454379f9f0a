import type { Direction, PostStyle } from '../instrument/index.js';
import { windString } from '../procedure/index.js';
import { happens } from './draw.js';
import { drawString, type DrawnString, type Kinds } from './drawn-string.js';

/** Which way a post turns, and so on which side of it its string leaves. */
export type WindingExercise = DrawnString;

export interface WindingAnswer {
  direction: Direction;
}

/** Seen from above, a post shows which way it turns; others are seen from their end. */
const FROM_ABOVE: readonly PostStyle[] = ['through', 'slotted', 'locking', 'planetary'];
/** From this level on every other instrument is strung for the left hand: its posts turn the other way. */
const LEFT_FROM = 2;

export const windingExercise = (chance: () => number, level: number, kinds: Kinds): WindingExercise => {
  const mirrored = level >= LEFT_FROM && happens(0.5, chance);
  return drawString(chance, kinds, (drawn) => {
    if (!FROM_ABOVE.includes(drawn.place.post.style)) return null;
    if (!mirrored) return drawn;
    const instrument = { ...drawn.instrument, hand: 'left' as const };
    const plan = windString({ instrument, index: drawn.index, string: drawn.string });
    return plan?.kind === 'post' ? { ...drawn, instrument, plan } : null;
  });
};

export const windingIsRight = ({ plan }: WindingExercise, { direction }: WindingAnswer): boolean => direction === plan.direction;
