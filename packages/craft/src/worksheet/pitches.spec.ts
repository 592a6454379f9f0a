import { expect, it } from 'vitest';
import { logOf as log, type Happening as What } from '../testing/index.js';
import { driftOf, dropsOf, foldWorksheet, pulledSince, setupOf } from './index.js';

const read = (cents: number, after: 'stretch' | 'rest', retuned = true, string = 1): What => ({
  kind: 'pitch-read',
  string,
  payload: { cents, after, retuned, by: 'typed' },
});
const up: What = { kind: 'brought-up', string: 1, payload: {} };

it('rounds are what stretching cost, string by string, the first first', () => {
  const sheet = foldWorksheet(2, log(up, read(-40, 'stretch'), read(-7, 'stretch', true, 2), read(-3, 'rest'), read(-18, 'stretch')));
  expect(dropsOf(sheet, 0)).toEqual([40, 18]);
  expect(dropsOf(sheet, 1)).toEqual([7]);
});

it('a round counts from where the string was left when it was not tuned back', () => {
  const left = [read(-40, 'stretch', false), read(-55, 'stretch', false), read(-58, 'rest', false)];
  const sheet = foldWorksheet(1, log(...left, read(-60, 'stretch'), read(-3, 'stretch')));
  expect(dropsOf(sheet, 0)).toEqual([40, 15, 2, 3]);
});

it('drift counts from when the string was brought up; a stretch moves only what it is measured against', () => {
  const readings = [read(-9, 'rest'), up, read(-12, 'rest', false), read(-40, 'stretch'), read(-5, 'rest')];
  expect(driftOf(foldWorksheet(1, log(...readings)), 0)).toEqual([
    { hours: 0.25, cents: -12, retuned: false },
    { hours: 0.5, cents: null, retuned: true },
    { hours: 0.75, cents: -5, retuned: true },
  ]);
  expect(driftOf(foldWorksheet(1, log(read(-5, 'rest'))), 0)).toEqual([]);
});

it('what was stretched and not tuned back says nothing of drift until it is', () => {
  const sheet = foldWorksheet(1, log(up, read(-30, 'stretch', false), read(-33, 'rest', false), read(-34, 'rest'), read(-2, 'rest')));
  expect(driftOf(sheet, 0)).toEqual([{ hours: 0.75, cents: null, retuned: true }, { hours: 1, cents: -2, retuned: true }]); // prettier-ignore
});

it('a string that was lost takes its rounds along, and gets them back when that is undone', () => {
  const lost: What[] = [up, read(-40, 'stretch'), { kind: 'scrapped', string: 1, payload: { why: 'kinked' } }];
  expect(dropsOf(foldWorksheet(1, log(...lost)), 0)).toEqual([]);
  const undone = log(...lost, { kind: 'undone', payload: { eventId: '0190-002' } });
  expect(dropsOf(foldWorksheet(1, undone), 0)).toEqual([40]);
});

it('a string that slipped and was seated again begins its rounds anew', () => {
  const again: What = { kind: 'seated-again', string: 1, payload: {} };
  const before = [up, read(-20, 'stretch'), read(-21, 'stretch'), read(-7, 'stretch', true, 2)];
  const sheet = foldWorksheet(2, log(...before, again, read(-30, 'stretch')));
  expect([dropsOf(sheet, 0), dropsOf(sheet, 1)]).toEqual([[30], [7]]);
});

it('rounds go into the passport with the strings that had them', () => {
  const strings = [1, 2].map(() => ({ construction: 'plain' as const, gaugeMm: 0.3 }));
  const chosen: What = { kind: 'set-chosen', payload: { name: 'a set', family: 'electric', strings } };
  const sheet = foldWorksheet(2, log(chosen, read(-40, 'stretch'), read(-1, 'stretch'), { kind: 'handed-over', payload: { remark: '' } }));
  expect(setupOf(sheet)?.strings.map(({ dropsCents }) => dropsCents)).toEqual([[40, 1], undefined]);
});

const hangs: What = { kind: 'set-hung', payload: {} };
const choose = (gaugeMm: number, only?: number[]): What => ({
  kind: 'set-chosen',
  payload: { name: 'a set', family: 'classical', strings: [1, 2].map(() => ({ construction: 'nylon' as const, gaugeMm })), only },
});

it('drift of strings that hung counts from when they were hung up, and what they moved by then is none of it', () => {
  const sheet = foldWorksheet(2, log(choose(0.7), hangs, up, read(-6, 'rest')));
  expect(pulledSince(sheet, 0)).toBe('2026-09-01T10:15:00.000Z');
  expect(pulledSince(sheet, 1)).toBeNull(); // it hangs still
  expect(driftOf(sheet, 0)).toEqual([{ hours: 0.25, cents: null, retuned: true }, { hours: 0.5, cents: -6, retuned: true }]); // prettier-ignore
});

it('what hangs goes on hanging when the same set is taken once more, and not when it is another', () => {
  const hung = (...what: What[]) => foldWorksheet(2, log(choose(0.7), hangs, ...what)).hung.map((event) => event !== null);
  expect(hung(choose(0.7))).toEqual([true, true]);
  expect(hung(choose(0.72))).toEqual([false, false]);
  expect(hung({ kind: 'scrapped', string: 2, payload: { why: 'kinked' } })).toEqual([true, false]);
});

it('only strings of the job that are not on yet are hung up', () => {
  const sheet = foldWorksheet(2, log(choose(0.7), up, hangs));
  expect(sheet.hung.map((event) => event !== null)).toEqual([false, true]);
  expect(pulledSince(sheet, 0)).toBe('2026-09-01T10:15:00.000Z'); // since it was brought up
  expect(foldWorksheet(2, log(choose(0.7, [2]), hangs)).hung.map((event) => event !== null)).toEqual([false, true]);
});

it('a string that was brought up, by its clock, before it was hung up bears its pull since then', () => {
  const late: What = { ...hangs, at: '2026-09-01T11:00:00.000Z' };
  expect(pulledSince(foldWorksheet(2, log(choose(0.7), late, up)), 0)).toBe('2026-09-01T10:30:00.000Z');
});

it('a reading at the hour of the one before it, by the clock, is none of drift', () => {
  const atOnce: What = { ...read(-5, 'rest'), at: '2026-09-01T10:00:00.000Z' };
  expect(driftOf(foldWorksheet(1, log(up, atOnce, read(-9, 'rest'), { ...read(-8, 'rest'), at: '2026-09-01T10:30:00.000Z' })), 0)).toEqual([
    { hours: 0.5, cents: -9, retuned: true },
  ]);
});
