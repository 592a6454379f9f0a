import type { Worksheet } from '../worksheet/index.js';
import { isDone, sameStep, type StringRun, type StringStep } from './next-step.js';

/**
 * The steps that may be done in one go with `step`: those of its stage that the school in force puts together with it, one after another in the run, and that are
 * still open. One at a time, that is all strings at Ready, Settle, Trim and the second pass of Bring up, and one anywhere else.
 */
export function together({ steps }: StringRun, sheet: Pick<Worksheet, 'done' | 'tensioned'>, step: StringStep): StringStep[] {
  const apart = ({ stage, firstPass }: StringStep) => stage !== step.stage || firstPass !== step.firstPass;
  const at = steps.findIndex((each) => sameStep(each, step));
  if (at < 0) return [];
  const from = steps.slice(0, at).findLastIndex(apart) + 1;
  const past = steps.slice(at).findIndex(apart);
  return steps.slice(from, past < 0 ? steps.length : at + past).filter((each) => !isDone(sheet, each));
}
