import { isTick, stageOf, type Worksheet } from '../worksheet/index.js';
import type { Stage, StringStage } from '../stages/index.js';
import type { BenchRun } from './plan-run.js';

/** A step of one string. `firstPass`: of Bring up, which comes twice, the first. */
export interface StringStep {
  stage: StringStage;
  string: number;
  firstPass: boolean;
}

/** Steps of single strings in the order of the run, and which strings are off together. */
export interface StringRun {
  steps: readonly StringStep[];
  groups: readonly (readonly number[])[];
}

type Ticks = Pick<Worksheet, 'done' | 'tensioned' | 'scrapped'>;

export const stringRun = ({ steps, groups }: Pick<BenchRun, 'steps' | 'groups'>): StringRun => ({
  steps: steps.flatMap(({ stage, string, firstPass }) => (string === null ? [] : [{ stage, string, firstPass }])),
  groups,
});

export const isDone = (sheet: Pick<Worksheet, 'done' | 'tensioned'>, { stage, string, firstPass }: StringStep): boolean =>
  (firstPass ? sheet.tensioned[string] : sheet.done[stage][string]) !== null;

export const sameStep = (a: StringStep, b: StringStep): boolean =>
  a.stage === b.stage && a.string === b.string && a.firstPass === b.firstPass;

/** The step of one string that is open at a stage, or its last one there where all are done; null where it has none. */
export function stepAt(
  { steps }: StringRun,
  sheet: Pick<Worksheet, 'done' | 'tensioned'>,
  stage: StringStage,
  string: number,
): StringStep | null {
  const here = steps.filter((step) => step.stage === stage && step.string === string);
  return here.find((step) => !isDone(sheet, step)) ?? here.at(-1) ?? null;
}

/**
 * The step that comes after `after`, or the first one. The string in hand stays in hand until it bears pull, then the others that are off with it, then whichever
 * the order in force names; a string that was lost is laid out, anchored and wound again first. What was left out before the latest step of a string is no longer
 * asked for until nothing else is left. Null when all is done.
 */
export function nextStep(run: StringRun, sheet: Ticks, after: StringStep | null = null): StringStep | null {
  const { steps, groups } = run;
  const begun = after !== null && after.stage !== 'ready';
  const fronts = groups.flat().flatMap((string) => frontOf(run, sheet, string, begun) ?? []);
  const inOrder = steps.filter((step) => fronts.some((front) => sameStep(front, step)));
  const leftOut = steps.find((step) => !isDone(sheet, step)) ?? null;
  if (after === null) return leftOut;
  const own = inOrder.find(({ string }) => string === after.string);
  if (own !== undefined && (isLost(sheet, own.string) || follows(steps, after, own))) return own;
  const group = isOffWork(after) ? (groups.find((strings) => strings.includes(after.string)) ?? []) : [];
  return inOrder.find((step) => group.includes(step.string) && isOffWork(step)) ?? inOrder[0] ?? leftOut;
}

/** What is done while a string, or one that is off with it, does not bear pull. */
const isOffWork = ({ stage, firstPass }: StringStep) => firstPass || ['strip', 'look-over', 'anchor', 'wind'].includes(stage);

const follows = (steps: readonly StringStep[], after: StringStep, next: StringStep): boolean => {
  const at = steps.findIndex((step) => sameStep(step, after));
  const following = steps[at + 1];
  return at >= 0 && following !== undefined && sameStep(following, next);
};

/** It was lost, and the one in its place is not wound yet. */
const isLost = ({ scrapped, done }: Ticks, index: number): boolean =>
  done.wind[index] === null && scrapped.some(({ string }) => string === index + 1);

/**
 * Where one string stands: the first step after the latest that was done. `begun`: strings come off already, so that whoever skipped Ready is not sent back. One in the
 * place of a lost string is laid out first, and has nothing to be taken off.
 */
function frontOf({ steps }: StringRun, sheet: Ticks, string: number, begun: boolean): StringStep | null {
  const all = steps.filter((step) => step.string === string);
  const lost = isLost(sheet, string);
  const own = lost ? all.filter(({ stage }) => stage !== 'strip' && stage !== 'look-over') : all;
  if (lost && sheet.done.ready[string] === null) return own.find(({ stage }) => stage === 'ready') ?? null;
  const latest = own.findLastIndex((step) => isDone(sheet, step));
  return own[latest < 0 && begun ? own.findIndex(({ stage }) => stage !== 'ready') : latest + 1] ?? null;
}

/** The latest step that still stands; null before the first. */
export function latestStep({ standing }: Pick<Worksheet, 'standing'>): StringStep | null {
  const event = standing.findLast(isTick);
  return event === undefined ? null : { stage: stageOf(event.kind), string: event.string - 1, firstPass: event.kind === 'tensioned' };
}

/** The stage that the work has come to: that of the step after the latest one. */
export function stageReached(run: StringRun, sheet: Worksheet): Stage {
  if (sheet.chosen === null) return 'choose';
  return nextStep(run, sheet, latestStep(sheet))?.stage ?? 'hand-over';
}
