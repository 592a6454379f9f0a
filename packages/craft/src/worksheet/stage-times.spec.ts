import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foldWorksheet, stageTimes, type BenchEvent } from './index.js';
import type { Stage } from '../stages/index.js';

const MINUTE = 60_000;
/** An event so many minutes after nine. */
const at = (minutes: number, personId = 'corin') => ({
  id: `0190${String(Math.round(minutes * 1000)).padStart(10, '0')}`,
  version: 1 as const,
  jobId: 'job',
  instrumentId: 'instrument',
  personId,
  deviceId: 'bench',
  at: new Date(9 * 60 * MINUTE + minutes * MINUTE).toISOString(),
});
const off = (minutes: number, string = 1, personId = 'corin'): BenchEvent => ({...at(minutes, personId), kind: 'string-off', string, payload: {} }); // prettier-ignore
const anchored = (minutes: number, string = 1): BenchEvent => ({ ...at(minutes), kind: 'anchored', string, payload: {} });
const clock = (kind: 'paused' | 'resumed', minutes: number): BenchEvent => ({ ...at(minutes), kind, payload: {} });
const noted = (minutes: number): BenchEvent => ({ ...at(minutes), kind: 'noted', payload: { text: 'a note' } });

const minutesOf = (log: readonly BenchEvent[], now?: { minutes: number; stage: Stage }) => {
  const sheet = foldWorksheet(6, log);
  const looked = now === undefined ? undefined : { ms: Date.parse(at(now.minutes).at), stage: now.stage, personId: 'corin' };
  const times = stageTimes(sheet, looked);
  return Object.fromEntries(times.map(({ stage, personId, ms }) => [`${stage} ${personId}`, ms / MINUTE]));
};

describe('the time of a stage', () => {
  it('is that from one event to the next, for the stage and the person of the next', () => {
    expect(minutesOf([off(0), anchored(3), off(5, 2), off(6, 3, 'wenna')])).toEqual({ 'strip corin': 2, 'anchor corin': 3, 'strip wenna': 1 }); // prettier-ignore
  });

  it('stands still between stop and go on, whatever is written down meanwhile', () => {
    expect(minutesOf([off(0), clock('paused', 2), noted(4), clock('resumed', 12), anchored(13)])).toEqual({ 'strip corin': 0, 'anchor corin': 3 }); // prettier-ignore
  });

  it('counts a note toward the step that follows it', () => {
    expect(minutesOf([off(0), noted(4), anchored(6)])).toEqual({ 'strip corin': 0, 'anchor corin': 6 });
  });

  it('takes more than half an hour without a word for a break', () => {
    expect(minutesOf([off(0), anchored(31)])).toEqual({ 'strip corin': 0, 'anchor corin': 0 });
    expect(minutesOf([off(0), anchored(29)])).toEqual({ 'strip corin': 0, 'anchor corin': 29 });
  });

  it('gives the time of a step that was taken back to the one that came in its place', () => {
    const wrong = anchored(2);
    const undone: BenchEvent = { ...at(3), kind: 'undone', payload: { eventId: wrong.id } };
    expect(minutesOf([off(0), wrong, undone, anchored(5, 2)])).toEqual({ 'strip corin': 0, 'anchor corin': 5 });
  });

  it('runs on for who looks at it, and not while it is stopped', () => {
    expect(minutesOf([off(0)], { minutes: 4, stage: 'look-over' })).toEqual({ 'strip corin': 0, 'look-over corin': 4 });
    expect(minutesOf([off(0), clock('paused', 1)], { minutes: 4, stage: 'look-over' })).toEqual({ 'strip corin': 0, 'look-over corin': 1 });
    expect(minutesOf([], { minutes: 4, stage: 'ready' })).toEqual({});
  });

  it('adds up to the time from first to last where nobody stopped: nothing is lost or counted twice', () => {
    const steps = fc.array(fc.record({ gap: fc.double({ min: 0.1, max: 29, noNaN: true }), note: fc.boolean() }), { minLength: 1, maxLength: 30 }); // prettier-ignore
    fc.assert(
      fc.property(steps, (list) => {
        let minutes = 0;
        const log = [off(0),...list.map(({ gap, note }) => (note ? noted((minutes += gap)) : anchored((minutes += gap)))), off(minutes + 1)]; // prettier-ignore
        const total = Object.values(minutesOf(log)).reduce((sum, each) => sum + each, 0);
        expect(total).toBeCloseTo(minutes + 1, 3);
      }),
    );
  });

  it('gives what is no step of a string to the stage at which it is done', () => {
    const heard = (kind: 'heard' | 'heard-on-bridge', minutes: number): BenchEvent => ({
      ...at(minutes),
      kind,
      string: 1,
      payload: { cents: -4, sure: 1, by: 'typed' },
    });
    const block: BenchEvent = { ...at(2), kind: 'bridge-blocked', payload: { blocked: true } };
    const over: BenchEvent = { ...at(9), kind: 'handed-over', payload: { remark: '' } };
    expect(minutesOf([off(0), block, heard('heard', 5), heard('heard-on-bridge', 6), over])).toEqual({
      'strip corin': 2,
      'bring-up corin': 3,
      'balance corin': 1,
      'hand-over corin': 3,
    });
  });

  it('counts half an hour to the minute as work, and nothing where a clock goes back', () => {
    expect(minutesOf([off(0), anchored(30)])).toEqual({ 'strip corin': 0, 'anchor corin': 30 });
    // another device: its id is later, its clock five minutes behind
    const behind: BenchEvent = { ...anchored(10), at: at(5).at };
    expect(minutesOf([off(0), off(10, 2), {...behind, id: `${at(10).id}-1` }, anchored(11)])).toEqual({ 'strip corin': 10, 'anchor corin': 6 }); // prettier-ignore
  });
});
