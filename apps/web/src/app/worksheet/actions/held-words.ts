import type { HeldUp } from '@gold-peg/craft/worksheet';
import type { Stage } from '@gold-peg/craft/stages';

/** Why a step of a string cannot be ticked, what the button does instead, and where that leads. */
export function sayHeldUp(why: HeldUp, number: number): { says: string; act: string; leadsTo: Stage | null } {
  switch (why) {
    case 'not-in-job':
      return { says: `String ${number} is no part of this job: it stays as it is.`, act: 'On with the job', leadsTo: null };
    case 'not-laid-out':
      return { says: `String ${number} was lost: another is laid out first.`, act: `String ${number} to Ready`, leadsTo: 'ready' };
    case 'not-anchored':
      return { says: `String ${number} was lost: the new one is anchored first.`, act: `String ${number} to Anchor`, leadsTo: 'anchor' };
    case 'not-wound':
      return { says: `String ${number} is off: it is wound first.`, act: `String ${number} to Wind`, leadsTo: 'wind' };
  }
}
