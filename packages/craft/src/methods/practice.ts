import { KINDS_OF_STRING } from '../constants/index.js';
import type { PostStyle } from '../instrument/index.js';
import type { Family } from '../string-kinds/index.js';
import { fromMillimetres, type Metres } from '../units/index.js';
import type { StringClass } from './choices.js';

/** What practitioners leave of such a string at such a post, without any computing. */
export type Practice = { kind: 'fret'; from: number; to: number } | { kind: 'past-post'; from: Metres; to: Metres };

interface Question {
  family: Family;
  style: PostStyle;
  stringClass: StringClass;
  scaleLength: Metres;
}

/** Pulled back to just past fret 1 on a guitar, to fret 2 or to 2½ to 3 on a mandolin; 50 to 100 mm past the post of a bass. Null where practice has no such rule. */
export function practiceOf({ family, style, stringClass, scaleLength }: Question): Practice | null {
  if (family === 'bass' && style === 'slotted') return { kind: 'past-post', from: fromMillimetres(50), to: fromMillimetres(100) };
  if (style !== 'through') return null;
  if (family === 'mandolin' && scaleLength < fromMillimetres(KINDS_OF_STRING.mandolinBelow.value))
    return stringClass === 'mandolin-plain' ? { kind: 'fret', from: 2.5, to: 3 } : { kind: 'fret', from: 2, to: 2 };
  const guitar = family === 'acoustic' || family === 'electric';
  return guitar ? { kind: 'fret', from: 1, to: 1.5 } : null;
}
