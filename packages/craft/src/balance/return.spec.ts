import { describe, expect, it } from 'vitest';
import { centsFrom, floatingBridge, levelOf } from '../testing/index.js';
import type { OnBridgeEvent } from '../worksheet/index.js';
import { cents, metres, radians, toDegrees } from '../units/index.js';
import { frequencyFor, pullOf, speaking } from './bridge.js';
import { judgeReturn, levelRests, returnOf, settle, type ReturnRead } from './index.js';

const claw = levelOf(floatingBridge);
const before = floatingBridge.strings.map(() => cents(0));
/** What is heard once string `index` is longer by a share of its rest length. */
const slid = (index: number, share: number) => {
  const rests = levelRests(floatingBridge).map((rest, each) => (rest === null ? null : metres(each === index ? rest * (1 + share) : rest)));
  return centsFrom(settle(floatingBridge, claw, rests).frequencies);
};
/** What is heard while the bridge sticks tipped by so many degrees. */
const stuck = (degrees: number) =>
  floatingBridge.strings.map((string, index) => {
    const { length } = speaking(string, radians((degrees * Math.PI) / 180));
    const rest = levelRests(floatingBridge)[index] ?? metres(1);
    return cents(1200 * Math.log2(frequencyFor(string, length, pullOf(string, length, rest)) / string.pitch));
  });
const judge = (read: Partial<ReturnRead>) => judgeReturn(floatingBridge, claw, { before, down: null, up: null, ...read });
const verdicts = (read: Partial<ReturnRead>) => judge(read).strings.map((string) => string?.judged);

describe('what did not return after the arm', () => {
  it('a string that slid through its slot is told from the others, which it moved, and from the bridge, which does not stick', () => {
    const down = slid(2, 4e-5);
    expect(down[2]).toBeLessThan(-4);
    for (const index of [0, 1, 3, 4, 5]) expect(down[index]).toBeGreaterThan(0);
    const judged = judge({ down });
    expect(judged.strings.map((string) => string?.judged)).toEqual(['returns', 'returns', 'one-way', 'returns', 'returns', 'returns']);
    expect(judged.bridge.sticks).toBe(false);
    expect(judged.bridge.most).toBeLessThan(0.3);
  });

  it('low after dives and high after pulls up is friction, low after both slips', () => {
    expect(verdicts({ down: slid(2, 4e-5), up: slid(2, -4e-5) })[2]).toBe('friction');
    expect(verdicts({ down: slid(2, 4e-5), up: slid(2, 8e-5) })[2]).toBe('slips');
    expect(verdicts({ down: slid(4, -4e-5) })[4]).toBe('hung');
    expect(verdicts({ down: before, up: slid(2, 8e-5) })[2]).toBe('slips'); // it came back from dives
    expect(verdicts({ down: before, up: slid(2, -8e-5) })[2]).toBe('returns');
  });

  it('pulls up alone tell as much: high hangs, low slips', () => {
    expect(verdicts({ up: slid(2, -4e-5) })[2]).toBe('friction');
    expect(verdicts({ up: slid(2, 4e-5) })[2]).toBe('slips');
    expect(verdicts({ up: before })[2]).toBe('returns');
  });

  it('a bridge that sticks tipped forward is told as that, and no string is blamed', () => {
    const judged = judge({ down: stuck(0.1) });
    expect(judged.bridge.sticks).toBe(true);
    expect(toDegrees(judged.bridge.tilt)).toBeCloseTo(0.1, 2);
    expect(new Set(judged.strings.map((string) => string?.judged))).toEqual(new Set(['returns']));
  });

  it('so beside two strings that came back low by themselves', () => {
    const [stands, low] = [stuck(0.1), [2, 3]];
    const judged = judge({ down: stands.map((off, index) => cents(low.includes(index) ? off - 10 : off)) });
    expect(judged.strings.map((string) => string?.judged === 'one-way')).toEqual([false, false, true, true, false, false]);
    for (const index of low) expect(judged.strings[index]?.own).toBeCloseTo(-10, 1);
    expect(judged.strings[2]?.after).toBeCloseTo((stands[2] ?? 0) - 10, 9);
  });

  it('what came back to where it stood leaves nothing to say, whether that was at its note or not, also of a string that is off', () => {
    for (const stood of [before, before.map((_, index) => cents(-30 - 10 * index))]) {
      const { strings, bridge } = judge({ before: stood, down: stood });
      expect(strings.every((string) => string?.judged === 'returns' && Math.abs(string.own) < 1e-9)).toBe(true);
      expect(bridge.most).toBeLessThan(1e-6);
      expect(bridge.sticks).toBe(false);
      const off = judge({ before: stood.with(5, null as never), down: stood.with(4, null as never) });
      expect(off.strings.map((string) => string?.judged ?? null)).toEqual(['returns', 'returns', 'returns', 'returns', null, null]);
      expect(off.bridge.sticks).toBe(false);
    }
    expect(() => judge({})).toThrow(/^nothing was heard/);
  });
});

describe('what the log tells of a return', () => {
  let nth = 0;
  const event = (kind: string, more: object = {}) =>
    ({ id: `e${nth++}`, at: '2026-05-26T10:00:00Z', personId: 'p', jobId: 'j', kind, ...more }) as unknown as OnBridgeEvent;
  const heard = (offs: readonly number[]) =>
    offs.map((off, index) => event('heard-on-bridge', { string: index + 1, payload: { cents: off, sure: null, by: 'typed' } }));
  const dive = (way: 'down' | 'up') => event('arm-moved', { payload: { way } });

  it('is what all stood at before, and what was heard after dives and after pulls up', () => {
    const log = [...heard([0, 1]), dive('down'), ...heard([-5, 1]), dive('up'), ...heard([4, 1])];
    expect(returnOf(2, log)).toEqual({ before: [0, 1], down: [-5, 1], up: [4, 1] });
    expect(returnOf(2, log.slice(0, 3))).toEqual({ before: [0, 1], down: null, up: null });
    expect(returnOf(2, log.slice(0, 4))).toEqual({ before: [0, 1], down: [-5, null], up: null });
    expect(returnOf(2, log.toSpliced(2, 0, event('measured')))?.before).toEqual([0, 1]);
  });

  it('nothing where not all was heard before, or a peg was turned since', () => {
    expect(returnOf(2, [...heard([0]), dive('down'), ...heard([-5, 1])])).toBeNull();
    const set = event('set-on-bridge', { string: 1, payload: { cents: 2, sure: null, by: 'typed' } });
    expect(returnOf(2, [...heard([0, 1]), set, dive('down')])).toBeNull();
    expect(returnOf(2, [...heard([0, 1]), set, ...heard([0, 1]).slice(1), dive('down')])?.before).toEqual([2, 1]);
    expect(returnOf(2, [...heard([0, 1]), dive('down'), ...heard([-5, 1]), set])).toBeNull();
    expect(returnOf(2, [...heard([0, 1]), event('claw-turned', { payload: { bassTurns: 1, trebleTurns: 1 } }), dive('down')])).toBeNull();
  });
});
