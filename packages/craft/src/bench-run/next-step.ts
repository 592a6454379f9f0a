import type { Stage, StringStage, Worksheet } from '../worksheet/index.js';
import type { RunStep } from './plan-run.js';

/** A step of one string. */
export interface StringStep {
  stage: StringStage;
  string: number;
}

/** Steps of single strings in the order of the run. */
export const stringSteps = (steps: readonly RunStep[]): StringStep[] =>
  steps.flatMap(({ stage, string }) => (string === null ? [] : [{ stage, string }]));

/** The first step that is not done: from the one after `after` on and round, or from the beginning; null when all are done. */
export function nextStep(steps: readonly StringStep[], sheet: Pick<Worksheet, 'done'>, after: StringStep | null = null): StringStep | null {
  const start = after === null ? 0 : steps.findIndex(({ stage, string }) => stage === after.stage && string === after.string) + 1;
  const onward = [...steps.slice(start), ...steps.slice(0, start)];
  return onward.find(({ stage, string }) => sheet.done[stage][string] === null) ?? null;
}

/** The stage that the work has come to: that of the first step of the run that is not done. */
export function stageReached(steps: readonly StringStep[], sheet: Worksheet): Stage {
  if (sheet.chosen === null) return 'choose';
  return nextStep(steps, sheet)?.stage ?? 'hand-over';
}
