import type { PostStyle } from '../instrument/index.js';
import type { StringProperties } from '../strings/index.js';
import { inForce, type CutTime, type LayeredChoices, type PostMethod } from './choices.js';
import { isSoft } from './string-class.js';

/** When to cut one string, and why then. */
export interface CutTiming {
  when: CutTime | 'bend-first';
  why:
    | 'the-slot-hides-the-end'
    | 'the-core-would-slip'
    | 'the-lock-must-hold-first'
    | 'the-tie-must-hold-first'
    | 'wrapped-by-hand-first'
    | 'the-bend-holds-in-the-clamp'
    | 'cut-to-the-mark'
    | 'cut-once-wound'
    | 'trim-when-it-holds';
}

/** Cut now, later, or bend first: where the post or the string leaves a choice, the school in force decides. */
export function cutTiming(
  style: PostStyle,
  method: PostMethod,
  string: Pick<StringProperties, 'construction' | 'creep'>,
  choices: LayeredChoices,
): CutTiming {
  const wound = string.construction === 'wound';
  if (style === 'slotted')
    return wound ? { when: 'bend-first', why: 'the-core-would-slip' } : { when: 'before-winding', why: 'the-slot-hides-the-end' };
  if (style === 'locking') return { when: 'after-it-holds', why: 'the-lock-must-hold-first' };
  if (style === 'clamp') return { when: 'bend-first', why: 'the-bend-holds-in-the-clamp' };
  if (isSoft(string)) return { when: 'after-it-holds', why: 'the-tie-must-hold-first' };
  if (method === 'turns-first' || method === 'crossing-turn') return { when: 'after-it-holds', why: 'wrapped-by-hand-first' };
  const when = inForce<CutTime>(choices, ({ cutTime }) => cutTime, 'before-winding').value;
  return { when, why: WHY[when] };
}

const WHY = { 'before-winding': 'cut-to-the-mark', 'after-winding': 'cut-once-wound', 'after-it-holds': 'trim-when-it-holds' } as const;
