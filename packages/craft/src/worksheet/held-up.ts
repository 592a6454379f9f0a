import type { Worksheet } from './fold.js';
import type { StringStage } from '../stages/index.js';

/** Why a step of a string cannot be ticked: the string is no part of the job, or is not there yet for it. */
export type HeldUp = 'not-in-job' | 'not-laid-out' | 'not-anchored' | 'not-wound';

/** What stands before a step: what is off has to be wound before it is tuned, and a string that was lost is laid out, anchored and wound anew. Null where nothing does. */
export function holdUp(
  { inJob, done, scrapped }: Pick<Worksheet, 'inJob' | 'done' | 'scrapped'>,
  stage: StringStage,
  index: number,
): HeldUp | null {
  const has = (of: StringStage) => done[of][index] != null;
  if (inJob[index] === false) return 'not-in-job';
  if (stage === 'ready' || stage === 'strip' || stage === 'look-over') return null;
  if (scrapped.some(({ string }) => string === index + 1)) {
    if (!has('ready')) return 'not-laid-out';
    if (stage !== 'anchor' && !has('anchor')) return 'not-anchored';
    return stage === 'anchor' || stage === 'wind' || has('wind') ? null : 'not-wound';
  }
  const gone = has('strip') && !has('wind');
  return gone && stage !== 'anchor' && stage !== 'wind' ? 'not-wound' : null;
}
