import type { Worksheet } from '../worksheet/index.js';
import type { StringStep } from './next-step.js';

/**
 * The steps that may be done in one go with `step`: those of its stage that the school in force puts together with it, one after another in the run, and that are
 * still open. One at a time, that is all strings at Ready, Bring up, Settle and Trim, and one anywhere else.
 */
export function together(steps: readonly StringStep[], sheet: Pick<Worksheet, 'done'>, step: StringStep): StringStep[] {
  const at = steps.findIndex(({ stage, string }) => stage === step.stage && string === step.string);
  if (at < 0) return [];
  const from = steps.slice(0, at).findLastIndex(({ stage }) => stage !== step.stage) + 1;
  const past = steps.slice(at).findIndex(({ stage }) => stage !== step.stage);
  return steps.slice(from, past < 0 ? steps.length : at + past).filter(({ stage, string }) => sheet.done[stage][string] === null);
}
