import { expect, it } from 'vitest';
import { logOf, type Happening } from '../testing/index.js';
import { foldWorksheet, setupOf, type LoggedTuning, type Setup } from './index.js';

const tuning = (a4Hz: number): LoggedTuning => ({ a4Hz, notes: [{ note: 'A4', frequencyHz: a4Hz }] });
const strings = [1, 2].map((number) => ({ construction: 'plain' as const, gaugeMm: number / 10 }));
const choose = (more: { only?: number[]; tuning?: LoggedTuning } = {}): Happening => ({
  kind: 'set-chosen',
  payload: { name: 'tens', family: 'electric', strings, ...more },
});
const off: Happening = { kind: 'string-off', string: 1, payload: {} };
const over: Happening = { kind: 'handed-over', payload: { remark: '' } };
const before: Setup = {
  setName: 'nines',
  tuning: tuning(432),
  fittedAt: '2026-01-01T10:00:00Z',
  remark: '',
  notes: [],
  measurements: [],
  strings: [],
};
const setup = (was: Setup | null, ...what: Happening[]) => setupOf(foldWorksheet(2, logOf(...what)), was);

it('a job that chose nothing leaves no setup', () => expect(setup(null, off, over)).toBeNull());

it('a whole set is of its own name and tuning, whatever was on before', () => {
  expect(setup(before, choose(), over)).toMatchObject({ setName: 'tens', tuning: undefined });
  expect(setup(before, choose(), over)).not.toHaveProperty('only');
  expect(setup(before, choose({ tuning: tuning(440) }), over)?.tuning).toEqual(tuning(440));
});

it('strings replaced alone are tuned as the others were, unless it was said otherwise', () => {
  expect(setup(before, choose({ only: [2] }), over)?.tuning).toEqual(tuning(432));
  expect(setup(before, choose({ only: [2], tuning: tuning(440) }), over)?.tuning).toEqual(tuning(440));
  expect(setup(null, choose({ only: [2] }), over)).toMatchObject({ setName: 'tens', tuning: undefined });
});

it('keeps the minutes that were worked, to a tenth, and nothing where none are known', () => {
  // ten o’clock chosen, a quarter past off, handed over at half past
  expect(setup(null, choose(), off, over)?.minutes).toBe(30);
  const seconds: Happening = { ...over, at: '2026-09-01T10:15:20.000Z' };
  expect(setup(null, choose(), off, seconds)?.minutes).toBe(15.3);
  expect(setup(null, choose(), { ...over, at: '2026-09-01T10:00:00.000Z' })).not.toHaveProperty('minutes');
});

it('keeps how the pads of clamps lay', () => {
  const pads: Happening = { kind: 'pads-noted', payload: { clamp: 2, lies: 'across' } };
  expect(setup(null, choose(), pads, over)?.pads).toEqual([{ clamp: 2, lies: 'across' }]);
});

it('what this job found of its springs counts before what was known of them, and before how many were hooked in', () => {
  const springs = (count: number) => ({
    count,
    rateNPerMm: { low: 1, likely: 1.2, high: 1.4 },
    initialN: { low: 3, likely: 8, high: 20 },
    trials: 2,
  });
  const hooked: Happening = { kind: 'springs-hooked', payload: { count: 4 } };
  const learned: Happening = { kind: 'springs-learned', payload: springs(3) };
  const level: Happening = { kind: 'measured', payload: { what: 'bridge-level', valueMm: 3.2 } };
  expect(setup({ ...before, springs: springs(5) }, choose(), hooked, learned, over)?.springs).toEqual(springs(3));
  expect(setup({ ...before, springs: springs(5) }, choose(), hooked, level, over)?.springs).toEqual(springs(4));
  expect(setup({ ...before, springs: springs(5) }, choose(), level, over)?.springs).toEqual(springs(5));
  expect(setup(null, choose(), hooked, over)).not.toHaveProperty('springs');
});

it('a string of which nobody knew anything before is left out', () => {
  const known: Setup = { ...before, strings: [{ construction: 'plain', gaugeMm: 0.2, string: 2, turns: 3, slackMm: 55 }] };
  expect(setup(known, choose({ only: [2] }), over)?.strings.map(({ string }) => string)).toEqual([2]);
  expect(setup(known, choose({ only: [1] }), over)?.strings.map(({ string, gaugeMm }) => [string, gaugeMm])).toEqual([[1, 0.1], [2, 0.2]]); // prettier-ignore
});
