import { describe, expect, it } from 'vitest';
import { logOf, type Happening } from '../testing/index.js';
import { foldWorksheet, stockUse } from './index.js';

const string = (stringId: string | undefined, gaugeMm = 0.3) => ({ construction: 'plain' as const, gaugeMm, stringId });
const choose = (strings: readonly ReturnType<typeof string>[], more: { setId?: string | null; only?: number[] } = {}): Happening => ({
  kind: 'set-chosen',
  payload: { name: 'a set', family: 'electric', strings: [...strings], ...more },
});
const laidOut: Happening = { kind: 'laid-out', string: 1, payload: {} };
const taken = (...what: Happening[]) =>
  stockUse(foldWorksheet(2, logOf(...what)), (setId) => (setId === 'pair' ? ['a', 'b'] : null)).map(
    ({ itemId, state, at }) => `${itemId} ${state} ${at.slice(11, 16)}`,
  );

describe('what a job takes from the shelf', () => {
  const SET_STRINGS = ['s1', 's2', 's3', 's4', 's5', 's6'];
  const uses = (...what: Happening[]) =>
    stockUse(foldWorksheet(6, logOf(...what)), () => SET_STRINGS).map((use) => [use.kind, use.itemId, use.state, use.string]);
  const ofGauge = (ids: readonly string[], gauge?: number) => ids.map((id) => string(id, gauge));
  const set = (third = 's3') => choose(ofGauge(SET_STRINGS.with(2, third)), { setId: 'set' });
  const another = choose(ofGauge(SET_STRINGS, 0.4), { setId: 'other' });
  const wound = (number: number): Happening => ({
    kind: 'wound',
    string: number,
    payload: { turns: 2, slackMm: 50, cutBeyondPostMm: 60, nutDeg: 9 },
  });
  const lost: Happening = { kind: 'scrapped', string: 3, payload: { why: 'cut-too-short' } };

  it('reserves the set that is chosen, and uses it once a string of it is laid out', () => {
    expect(uses()).toEqual([]);
    expect(uses(set())).toEqual([['set', 'set', 'reserved', null]]);
    expect(uses(set(), laidOut)).toEqual([['set', 'set', 'used', null]]);
    expect(uses(set(), laidOut, { kind: 'undone', payload: { eventId: '0190-001' } })).toEqual([['set', 'set', 'reserved', null]]);
  });

  it('takes a single for a string that is not of the set, and one more for each that was lost', () => {
    expect(uses(set('other'), wound(3), lost, lost)).toEqual([
      ['set', 'set', 'used', null],
      ['string', 'other', 'used', 3],
      ['string', 'other', 'scrapped', 3],
      ['string', 'other', 'scrapped', 3],
    ]);
  });

  it('keeps a packet that was opened, though another set is chosen then, and forgets one that was not', () => {
    expect(uses(set(), another)).toEqual([['set', 'other', 'reserved', null]]);
    expect(uses(set(), laidOut, another)).toEqual([['set', 'set', 'used', null], ['set', 'other', 'reserved', null]]); // prettier-ignore
  });

  it('opens nothing anew when the same strings are chosen again', () => {
    expect(uses(set(), laidOut, set(), wound(6))).toEqual([['set', 'set', 'used', null]]);
  });

  it('takes for a lost string one of the set that was in hand when it was lost', () => {
    expect(uses(set('third'), laidOut, lost, another)).toEqual([
      ['set', 'set', 'used', null],
      ['string', 'third', 'used', 3],
      ['string', 'third', 'scrapped', 3],
      ['set', 'other', 'reserved', null],
    ]);
  });

  it('takes nothing that the table does not know', () => expect(uses(choose(SET_STRINGS.map(() => string(undefined))), lost)).toEqual([]));
});

it('a string of no table is taken from nowhere, and of two gauges opened one after the other both are another choice', () => {
  expect(taken(choose([string(undefined)]), laidOut, choose([string(undefined, 0.4)]))).toEqual([]);
  expect(taken(choose([string('a'), string(undefined)]), laidOut, choose([string('a'), string(undefined, 0.4)]), laidOut)).toEqual([
    'a used 10:15',
    'a used 10:45',
  ]);
});

it('other strings of the same set alone are another choice', () => {
  const both = [string('a'), string('b')];
  expect(taken(choose(both, { only: [1] }), laidOut, choose(both, { only: [2] }), laidOut)).toEqual(['a used 10:15', 'b used 10:45']);
});

it('is reserved since it was chosen, and used since a packet of it was opened: laid out, wound or handed over first', () => {
  const both = [string('a'), string('b')];
  expect(taken(choose(both, { setId: 'pair' }))).toEqual(['pair reserved 10:00']);
  const wound: Happening = { kind: 'wound', string: 2, payload: { turns: 2, slackMm: 50, cutBeyondPostMm: 60, nutDeg: 9 } };
  expect(taken(choose(both, { setId: 'pair' }), { kind: 'noted', payload: { text: 'worn' } }, wound, laidOut)).toEqual(['pair used 10:30']);
  expect(taken(choose(both, { setId: 'pair' }), { kind: 'handed-over', payload: { remark: '' } })).toEqual(['pair used 10:15']);
});

it('what was done before anything was chosen opens nothing', () => {
  expect(taken(laidOut, choose([string('a'), string('b')], { setId: 'pair' }))).toEqual(['pair reserved 10:15']);
});

it('a set that is in no table opens no packet: its strings are singles', () => {
  expect(taken(choose([string('a'), string('b')], { setId: 'unknown' }))).toEqual(['a reserved 10:00', 'b reserved 10:00']);
  expect(taken(choose([string('a'), string('b')], { setId: null, only: [2] }), laidOut)).toEqual(['b used 10:15']);
});

it('a lost string beyond those that were chosen is none of the shelf', () => {
  expect(taken(choose([string('a')]), laidOut, { kind: 'scrapped', string: 2, payload: { why: 'kinked' } })).toEqual(['a used 10:15']);
});
