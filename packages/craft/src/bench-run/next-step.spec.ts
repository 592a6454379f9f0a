import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import type { Stripping } from '../methods/index.js';
import { emptyWorksheet, type BenchEvent, type EventOf, type Worksheet } from '../worksheet/index.js';
import { nextStep, planRun, stageReached, stringSteps, together, type StringStep } from './index.js';

const stepsOf = (stripping: Stripping) => {
  const instrument = instrumentOf('acoustic-parlour');
  const run = planRun({ instrument, strings: instrument.strings.map(() => null), choices: {}, stripping });
  if (!run.ok) throw new Error(run.problem.kind);
  return stringSteps(run.value.steps);
};
const ticked = (sheet: Worksheet, { stage, string }: StringStep): Worksheet => ({
  ...sheet,
  done: { ...sheet.done, [stage]: sheet.done[stage].with(string, { id: 'a' } as BenchEvent) },
});
/** All that Space does, from the first step on. */
function bySpace(steps: readonly StringStep[]): StringStep[] {
  const walked: StringStep[] = [];
  let sheet = emptyWorksheet(6);
  for (let step = nextStep(steps, sheet); step !== null && walked.length < 100; step = nextStep(steps, sheet, step)) {
    walked.push(step);
    sheet = ticked(sheet, step);
  }
  return walked;
}
const said = (steps: readonly StringStep[]) => steps.map(({ stage, string }) => `${stage} ${string + 1}`);

describe('the next step', () => {
  it('leads one string at a time from peg to pitch, all strings together by stages', () => {
    expect(said(bySpace(stepsOf('one-at-a-time'))).slice(6, 12)).toEqual([
      'strip 6',
      'look-over 6',
      'anchor 6',
      'wind 6',
      'strip 5',
      'look-over 5',
    ]);
    expect(said(bySpace(stepsOf('all-off'))).slice(6, 13)).toEqual([
      'strip 6',
      'strip 5',
      'strip 4',
      'strip 3',
      'strip 2',
      'strip 1',
      'look-over 6',
    ]);
  });

  it('walks through every step of the run once, and then there is none', () => {
    for (const school of ['one-at-a-time', 'pairs', 'all-off'] as const) expect(bySpace(stepsOf(school))).toEqual(stepsOf(school));
  });

  it('comes back to what was left out, after what follows the step in hand', () => {
    const steps = stepsOf('all-off');
    const sheet = ticked(emptyWorksheet(6), { stage: 'trim', string: 0 });
    expect(nextStep(steps, sheet, { stage: 'trim', string: 0 })).toEqual({ stage: 'ready', string: 5 });
    expect(nextStep(steps, sheet, { stage: 'strip', string: 1 })).toEqual({ stage: 'strip', string: 0 });
  });

  it('has come to choosing first, to the stage of what is next, and to the hand-over at last', () => {
    const steps = stepsOf('one-at-a-time');
    const chosen = { ...emptyWorksheet(6), chosen: { id: 'c' } as EventOf<'set-chosen'> };
    expect(stageReached(steps, emptyWorksheet(6))).toBe('choose');
    expect(stageReached(steps, chosen)).toBe('ready');
    const upTo = (count: number) => steps.slice(0, count).reduce(ticked, chosen);
    expect(stageReached(steps, upTo(9))).toBe('wind'); // laid out, and string 6 off, looked over and anchored
    expect(stageReached(steps, upTo(10))).toBe('strip'); // on with string 5
    expect(stageReached(steps, upTo(steps.length))).toBe('hand-over');
  });
});

describe('steps in one go', () => {
  const at = (stripping: Stripping, step: StringStep, sheet = emptyWorksheet(6)) => said(together(stepsOf(stripping), sheet, step));

  it('are those that the school puts together: one, the pair, or all', () => {
    expect(at('one-at-a-time', { stage: 'strip', string: 4 })).toEqual(['strip 5']);
    expect(at('pairs', { stage: 'strip', string: 4 })).toEqual(['strip 6', 'strip 5']);
    expect(at('all-off', { stage: 'strip', string: 4 })).toHaveLength(6);
    expect(at('one-at-a-time', { stage: 'ready', string: 2 })).toHaveLength(6);
    expect(at('one-at-a-time', { stage: 'trim', string: 0 })).toHaveLength(6);
  });

  it('leave out what is done, and are none for a step that is not of the run', () => {
    const sheet = ticked(emptyWorksheet(6), { stage: 'strip', string: 5 });
    expect(at('pairs', { stage: 'strip', string: 4 }, sheet)).toEqual(['strip 5']);
    expect(at('pairs', { stage: 'strip', string: 9 })).toEqual([]);
  });
});
