import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import type { AnchorKind } from '../instrument/index.js';
import type { Stripping } from '../methods/index.js';
import { emptyWorksheet, type BenchEvent, type EventOf, type Worksheet } from '../worksheet/index.js';
import { STRING_STAGES, type StringStage } from '../stages/index.js';
import { isDone, latestStep, nextStep, planRun, stageReached, stepAt, stringRun, together } from './index.js';
import type { StringRun, StringStep } from './index.js';

function runOf(stripping: Stripping | undefined, kind = 'acoustic-parlour', only?: readonly number[]): StringRun {
  const instrument = instrumentOf(kind);
  const strings = instrument.strings.map(() => null);
  const run = planRun({ instrument, strings, choices: {},...(stripping !== undefined && { stripping }),...(only !== undefined && { only }) }); // prettier-ignore
  if (!run.ok) throw new Error(run.problem.kind);
  return stringRun(run.value);
}
const tick = { id: 'a' } as BenchEvent;
const step = (stage: StringStage, number: number, firstPass = false): StringStep => ({ stage, string: number - 1, firstPass });
const ticked = (sheet: Worksheet, { stage, string, firstPass }: StringStep): Worksheet =>
  firstPass
    ? { ...sheet, tensioned: sheet.tensioned.with(string, tick as EventOf<'tensioned'>) }
    : { ...sheet, done: { ...sheet.done, [stage]: sheet.done[stage].with(string, tick) } };
const all = (sheet: Worksheet, ...steps: StringStep[]): Worksheet => steps.reduce(ticked, sheet);
const six = emptyWorksheet(6);

/** All that Space does, from `from` on. */
function bySpace(run: StringRun, from: StringStep | null = null, sheet = emptyWorksheet(9)): StringStep[] {
  const walked: StringStep[] = [];
  for (let next = from ?? nextStep(run, sheet); next !== null && walked.length < 200; next = nextStep(run, sheet, next)) {
    walked.push(next);
    sheet = ticked(sheet, next);
  }
  return walked;
}
const say = ({ stage, string, firstPass }: StringStep) => `${stage}${firstPass ? ' first' : ''} ${string + 1}`;
const said = (steps: readonly StringStep[]) => steps.map(say);

describe('the next step', () => {
  it('leads one string from peg to pitch before the next comes off, all strings together by stages', () => {
    expect(said(bySpace(runOf('one-at-a-time'))).slice(6, 12)).toEqual([
      'strip 6',
      'look-over 6',
      'anchor 6',
      'wind 6',
      'bring-up first 6',
      'strip 5',
    ]);
    expect(said(bySpace(runOf('pairs'))).slice(6, 17)).toEqual([
      'strip 6',
      'strip 5',
      'look-over 6',
      'look-over 5',
      'anchor 6',
      'wind 6',
      'anchor 5',
      'wind 5',
      'bring-up first 6',
      'bring-up first 5',
      'strip 4',
    ]);
    expect(said(bySpace(runOf('all-off'))).slice(6, 13)).toEqual([...[6, 5, 4, 3, 2, 1].map((string) => `strip ${string}`), 'look-over 6']);
  });

  it('tunes all strings a second time when the last bears pull, and settles them then', () => {
    for (const school of ['one-at-a-time', 'pairs', 'all-off'] as const)
      expect(said(bySpace(runOf(school))).slice(-18, -11)).toEqual([...[6, 5, 4, 3, 2, 1].map((string) => `bring-up ${string}`), 'settle 6']); // prettier-ignore
  });

  it('walks through every step of the run once, and then there is none', () => {
    for (const school of ['one-at-a-time', 'pairs', 'all-off'] as const) expect(bySpace(runOf(school))).toEqual(runOf(school).steps);
  });

  it('keeps the string in hand that was taken out of order, and then goes back to the order in force', () => {
    expect(said(bySpace(runOf('one-at-a-time'), step('strip', 4))).slice(0, 6)).toEqual([
      'strip 4',
      'look-over 4',
      'anchor 4',
      'wind 4',
      'bring-up first 4',
      'strip 6',
    ]);
    expect(said(bySpace(runOf('pairs'), step('strip', 1))).slice(0, 3)).toEqual(['strip 1', 'strip 2', 'look-over 2']);
    // all off: nothing is looked over before all that come off together are off
    expect(said(bySpace(runOf('all-off'), step('strip', 4))).slice(0, 7)).toEqual([
      ...[4, 6, 5, 3, 2, 1].map((string) => `strip ${string}`),
      'look-over 6',
    ]);
  });

  it('winds the string that was anchored out of order, before its neighbour is anchored', () => {
    const run = runOf('pairs');
    const off = all(six, step('strip', 6), step('strip', 5), step('look-over', 6), step('look-over', 5), step('anchor', 5));
    expect(nextStep(run, off, step('anchor', 5))).toEqual(step('wind', 5));
    expect(nextStep(run, ticked(off, step('wind', 5)), step('wind', 5))).toEqual(step('anchor', 6));
  });

  it('takes off the old string beside one that was lost', () => {
    const run = runOf('one-at-a-time');
    const ready = all(six, ...run.steps.filter(({ stage }) => stage === 'ready'));
    const lost = { ...ready, scrapped: [{ string: 5 } as EventOf<'scrapped'>] };
    expect(nextStep(run, lost, step('bring-up', 5, true))).toEqual(step('anchor', 5)); // nothing is taken off in its place
    const wound = all(lost, step('strip', 6), step('look-over', 6), step('anchor', 6), step('wind', 6), step('anchor', 5), step('wind', 5));
    const up = step('bring-up', 5, true);
    expect(nextStep(run, all(wound, step('bring-up', 6, true), up), up)).toEqual(step('strip', 4));
  });

  it('is the last one at a stage where all are done', () => {
    const run = runOf('one-at-a-time');
    expect(stepAt(run, all(six, ...run.steps), 'wind', 5)).toEqual(step('wind', 6));
    expect(stepAt(run, all(six, ...run.steps), 'bring-up', 5)).toEqual(step('bring-up', 6));
  });

  it('is known from the log: the first pass of Bring up by what was brought under pull', () => {
    const standing = (...kinds: (readonly [BenchEvent['kind'], number])[]) => ({
      standing: kinds.map(([kind, string]) => ({ kind, string }) as BenchEvent),
    });
    expect(latestStep(standing(['tensioned', 4]))).toEqual(step('bring-up', 4, true));
    expect(latestStep(standing(['brought-up', 4]))).toEqual(step('bring-up', 4));
    expect(latestStep(standing(['wound', 2], ['noted', 0]))).toEqual(step('wind', 2));
    expect(latestStep(standing())).toBeNull();
  });

  it('leads a lost string through Ready, Anchor and Wind, whatever else is open', () => {
    for (const school of ['one-at-a-time', 'all-off'] as const) {
      const run = runOf(school);
      const winds = run.steps.findIndex(({ stage, string }) => stage === 'wind' && string === 4);
      const upToWind = all(six, ...run.steps.slice(0, winds));
      const lost = { ...upToWind, scrapped: [{ string: 5 } as EventOf<'scrapped'>] };
      for (const stage of ['ready', 'anchor'] as const)
        Object.assign(lost, { done: { ...lost.done, [stage]: lost.done[stage].with(4, null) } });
      const path: string[] = [];
      let sheet: Worksheet = lost;
      let at = step('anchor', 5); // where it was lost
      for (let count = 0; count < 3; count++) {
        at = nextStep(run, sheet, at) ?? at;
        path.push(say(at));
        sheet = ticked(sheet, at);
      }
      expect(path).toEqual(['ready 5', 'anchor 5', 'wind 5']);
    }
  });

  it('takes nothing off in the place of a lost string, though nobody ticked that the old one came off', () => {
    const run = runOf('one-at-a-time');
    const lost = { ...all(six, step('ready', 3)), scrapped: [{ string: 3 } as EventOf<'scrapped'>] };
    expect(nextStep(run, lost, step('ready', 3))).toEqual(step('anchor', 3));
  });

  it('asks for what was left out only when nothing else is left', () => {
    const run = runOf('all-off');
    const started = all(six, step('strip', 6));
    expect(nextStep(run, started, step('strip', 6))).toEqual(step('strip', 5)); // nobody laid strings out
    const allButReady = all(six, ...run.steps.filter(({ stage }) => stage !== 'ready'));
    expect(nextStep(run, allButReady, step('trim', 1))).toEqual(step('ready', 6));
    expect(nextStep(run, all(six, ...run.steps), step('trim', 1))).toBeNull();
  });

  it('has come to choosing first, to the stage of the string in hand, and to the hand-over at last', () => {
    const run = runOf('one-at-a-time');
    const chosen = { ...six, chosen: { id: 'c' } as EventOf<'set-chosen'> };
    const standing = (...kinds: (readonly [BenchEvent['kind'], number])[]) =>
      kinds.map(([kind, string]) => ({ kind, string }) as BenchEvent);
    expect(stageReached(run, six)).toBe('choose');
    expect(stageReached(run, chosen)).toBe('ready');
    const inHand = all(chosen, step('strip', 4), step('look-over', 4), step('anchor', 4));
    expect(stageReached(run, { ...inHand, standing: standing(['string-off', 4], ['looked-over', 4], ['anchored', 4]) })).toBe('wind');
    expect(stageReached(run, { ...all(chosen, ...run.steps), standing: standing(['trimmed', 1]) })).toBe('hand-over');
  });

  it('has two steps at Bring up, of which the open one is in hand', () => {
    const run = runOf('one-at-a-time');
    expect(stepAt(run, six, 'bring-up', 5)).toEqual(step('bring-up', 6, true));
    expect(stepAt(run, all(six, step('bring-up', 6, true)), 'bring-up', 5)).toEqual(step('bring-up', 6));
    expect(stepAt(run, six, 'wind', 9)).toBeNull();
  });
});

describe('a job of some strings', () => {
  it('is about those alone, from Ready to Trim', () => {
    const walked = bySpace(runOf('one-at-a-time', 'acoustic-parlour', [0]));
    expect(said(walked)).toEqual([
      'ready 1',
      'strip 1',
      'look-over 1',
      'anchor 1',
      'wind 1',
      'bring-up first 1',
      'bring-up 1',
      'settle 1',
      'trim 1',
    ]);
  });

  it('takes no more minutes than its strings: what is done once, and 5 minutes times 0.9 for each', () => {
    const instrument = instrumentOf('acoustic-parlour');
    const minutes = (only: readonly number[]) => {
      const run = planRun({ instrument, strings: instrument.strings.map(() => null), choices: {}, only });
      return run.ok ? run.value.steps.reduce((sum, each) => sum + each.minutes.attended, 0) : Number.NaN;
    };
    expect(minutes([0])).toBeCloseTo(10 + 5, 9);
    expect(minutes([0, 4])).toBeCloseTo(10 + 10, 9);
  });
});

/** Strings that may hang slack at the same time without the bridge falling, tipping or losing its place. */
const BEARS: Readonly<Partial<Record<AnchorKind, number>>> = { 'hooked-tailpiece': 1, 'floating-vibrato': 1, 'double-locking': 2 };

describe('how many strings are slack at the same time', () => {
  const most = (walk: readonly StringStep[]) => {
    let slack = 0;
    return walk.reduce((worst, { stage, firstPass }) => {
      slack += stage === 'strip' ? 1 : firstPass ? -1 : 0;
      return Math.max(worst, slack);
    }, 0);
  };

  it.each([
    ['mandolin', 'hooked-tailpiece'],
    ['banjo-five-string', 'hooked-tailpiece'],
    ['electric-in-line-locking', 'floating-vibrato'],
    ['electric-double-locking', 'double-locking'],
  ] as const)('%s: never more than its bridge bears, whichever string somebody begins with', (kind, anchor) => {
    const run = runOf(undefined, kind);
    expect(instrumentOf(kind).bridge.anchor).toBe(anchor);
    for (const { string } of run.steps.filter(({ stage }) => stage === 'strip'))
      expect(most(bySpace(run, { stage: 'strip', string, firstPass: false }))).toBeLessThanOrEqual(BEARS[anchor] ?? 0);
  });
});

describe('steps in one go', () => {
  const at = (stripping: Stripping, of: StringStep, sheet = six) => said(together(runOf(stripping), sheet, of));

  it('are those that the school puts together: one, the pair, or all', () => {
    expect(at('one-at-a-time', step('strip', 5))).toEqual(['strip 5']);
    expect(at('pairs', step('strip', 5))).toEqual(['strip 6', 'strip 5']);
    expect(at('all-off', step('strip', 5))).toHaveLength(6);
    expect(at('one-at-a-time', step('ready', 3))).toHaveLength(6);
    expect(at('one-at-a-time', step('trim', 1))).toHaveLength(6);
    expect(at('one-at-a-time', step('bring-up', 5, true))).toEqual(['bring-up first 5']);
    expect(at('all-off', step('bring-up', 5, true))).toHaveLength(6);
    expect(at('all-off', step('bring-up', 5))).toHaveLength(6);
  });

  it('leave out what is done, and are none for a step that is not of the run', () => {
    const sheet = all(six, step('strip', 6));
    expect(at('pairs', step('strip', 5), sheet)).toEqual(['strip 5']);
    expect(at('pairs', step('strip', 10))).toEqual([]);
  });

  it('are never done already, whatever was', () => {
    const run = runOf('one-at-a-time');
    fc.assert(
      fc.property(fc.subarray([...run.steps]), fc.constantFrom(...STRING_STAGES), (done, stage) => {
        const sheet = all(six, ...done);
        for (const each of together(run, sheet, { stage, string: 2, firstPass: false })) expect(isDone(sheet, each)).toBe(false);
      }),
    );
  });
});
