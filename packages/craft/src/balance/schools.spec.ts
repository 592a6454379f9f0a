import { describe, expect, it } from 'vitest';
import { floatingBridge, levelOf, offBy, withRate } from '../testing/index.js';
import { cents, fromMillimetres, metres, radians } from '../units/index.js';
import { bridgeNow, compareSchools, forcesAt, levelRests, movesByEar, movesByMarks, restsFrom, type FloatingBridge } from './index.js';

const WAYS = { order: [5, 4, 3, 2, 1, 0], tolerance: cents(2) };
const FLAT = [-30, -60, -80, -100, -50, -20];
const LEAD = fromMillimetres(1.7);
const level = levelOf(floatingBridge);

/** A bridge whose strings were all heard so far off, its claw so many turns in from level. */
function standing(bridge: FloatingBridge, off: readonly number[], turnsIn = 0) {
  const claw = metres(levelOf(bridge) + turnsIn * LEAD);
  const reads = offBy(off).map((sounds, string) => ({ kind: 'read' as const, string, sounds }));
  return bridgeNow(bridge, claw, reads);
}
const compared = (turnsIn = 0, bridge = floatingBridge) => compareSchools(standing(bridge, FLAT, turnsIn), { low: 1200, high: 1200 }, WAYS);

describe('moves until a bridge is home', () => {
  const truth = { bridge: floatingBridge, claw: level, rests: restsFrom(floatingBridge, level, offBy(FLAT)).rests };

  it('by marks is one pass where the bridge is known: each string once, and all heard again but the one that was set last', () => {
    expect(movesByMarks(truth, { bridge: floatingBridge, claw: level }, WAYS)).toEqual({ pegs: 6, heard: 11, claw: 0, home: true });
  });

  it('takes a second pass where its springs are other ones, and never ends if nothing is learned and the claw is taken wrongly', () => {
    const softer = withRate(900);
    const other = { bridge: softer, claw: levelOf(softer), rests: restsFrom(softer, levelOf(softer), offBy(FLAT)).rests };
    const moves = movesByMarks(other, { bridge: floatingBridge, claw: level }, WAYS);
    expect(moves).toMatchObject({ pegs: 12, home: true });
    const stubborn = movesByMarks(other, { bridge: floatingBridge, claw: level }, { ...WAYS, learns: false });
    expect(stubborn.pegs).toBeGreaterThan(moves.pegs);
  });

  it('by ear takes at least three times as many', () => {
    const { pegs, home } = movesByEar(truth, WAYS);
    expect(home).toBe(true);
    expect(pegs).toBeGreaterThanOrEqual(18);
  });

  it('by ear of a bridge whose claw was turned, the claw is turned as well', () => {
    const tipped = metres(level - 2 * LEAD);
    const moves = movesByEar({ ...truth, claw: tipped, rests: restsFrom(floatingBridge, tipped, offBy(FLAT)).rests }, WAYS);
    expect(moves.claw).toBeGreaterThan(0);
  });
});

describe('schools side by side', () => {
  it('the block bears all springs until strings are tuned, then what one turn too many draws', () => {
    const { blocked } = compared();
    // three springs of 1.2 N/mm over 1.7 mm
    expect(blocked?.tuned).toBeCloseTo(3 * 1.2 * 1.7, 6);
    const strings = forcesAt(floatingBridge, level, radians(0), levelRests(floatingBridge)).strings;
    // saddles 10.5 mm above the edge, hooks 40 mm below it
    expect(blocked?.most).toBeCloseTo((strings * 10.5) / 40 + 6.12, 6);
    expect([blocked?.turnsIn, blocked?.turnsOut]).toEqual([expect.closeTo(1, 9), 1]);
    expect(blocked?.pegs).toEqual({ low: 6, high: 6 });
    // block 4 min, six pegs at ½, six strings heard at 0.15, the claw twice at 2
    expect(blocked?.minutes.low).toBeCloseTo(4 + 3 + 0.9 + 4, 9);
  });

  it('from a claw two turns too far out the block wants three in', () => {
    expect(compared(-2).blocked?.turnsIn).toBeCloseTo(3, 9);
  });

  it('with one spring more each bears a quarter in place of a third: so many turns out', () => {
    const four = compared().springs.find(({ count }) => count === 4);
    const together = (forcesAt(floatingBridge, level, radians(0), levelRests(floatingBridge)).strings * 10.5) / 40;
    expect(four?.holds?.turns).toBeCloseTo((together / 4 - together / 3) / 1.2 / 1.7, 6);
    expect(Math.abs(four?.bend ?? 99)).toBeLessThan(Math.abs(compared().bend));
  });

  it('so few springs that the claw meets the wall hold nothing', () => {
    const two = compared(0, { ...withRate(700), springs: { ...withRate(700).springs, count: 2 } });
    expect(two.springs.find(({ count }) => count === 1)?.holds).toBeNull();
  });

  it('the claw alone brings home what the claw alone put off', () => {
    const off = metres(level + 0.5 * LEAD);
    const now = bridgeNow(floatingBridge, off, [], levelRests(floatingBridge));
    const { clawAlone } = compareSchools(now, { low: 1200, high: 1200 }, WAYS);
    expect(clawAlone.turns).toBeCloseTo(-0.5, 2);
    expect(clawAlone.leaves).toBeLessThan(0.2);
    expect(clawAlone.tilt).toBeCloseTo(0, 4);
    expect(compared().clawAlone.leaves).toBeGreaterThan(20);
  });

  it('the marks take fewer pegs and less time than the ear', () => {
    const { byMarks, byEar } = compareSchools(standing(floatingBridge, FLAT, -1), { low: 900, high: 1700 }, WAYS);
    expect(byMarks.home).toBe(true);
    expect(byEar.pegs.low).toBeGreaterThanOrEqual(3 * byMarks.pegs.high);
    expect(byEar.minutes.low).toBeGreaterThan(byMarks.minutes.high);
  });
});
