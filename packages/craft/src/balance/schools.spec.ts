import { describe, expect, it } from 'vitest';
import { floatingBridge, levelOf, offBy, withRate } from '../testing/index.js';
import { cents, fromMillimetres, metres, newtons, radians } from '../units/index.js';
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
    const floating = { bridge: floatingBridge, claw: level };
    const other = { bridge: softer, claw: levelOf(softer), rests: restsFrom(softer, levelOf(softer), offBy(FLAT)).rests };
    const moves = movesByMarks(other, floating, WAYS);
    expect(moves).toMatchObject({ pegs: 12, home: true });
    const stubborn = movesByMarks(other, floating, { ...WAYS, learns: false });
    expect(stubborn.pegs).toBeGreaterThan(moves.pegs);
    // nobody tunes by nothing at all: given up after 200 pegs; and a mark that is past what a string bears ends it
    const vain = { ...WAYS, tolerance: cents(-1) };
    for (const each of [movesByMarks(other, floating, vain), movesByEar(truth, vain)])
      expect(each).toMatchObject({ pegs: 200, home: false });
    const weak = { ...floatingBridge, strings: floatingBridge.strings.map((string) => ({ ...string, breakingLoad: newtons(60) })) };
    expect(movesByMarks({ ...truth, bridge: weak }, { bridge: weak, claw: level }, WAYS).home).toBe(false);
  });

  it('by ear takes at least three times as many', () => {
    const { pegs, home } = movesByEar(truth, WAYS);
    expect(home).toBe(true);
    expect(pegs).toBeGreaterThanOrEqual(18);
  });

  it('by ear of a bridge whose claw was turned, the claw is turned as well', () => {
    const tipped = metres(level - 2 * LEAD);
    const tippedOver = { ...truth, claw: tipped, rests: restsFrom(floatingBridge, tipped, offBy(FLAT)).rests };
    const [byEar, byMarks] = [movesByEar(tippedOver, WAYS), movesByMarks(tippedOver, { bridge: floatingBridge, claw: tipped }, WAYS)];
    expect(byEar.claw).toBeGreaterThan(0);
    expect(byMarks).toMatchObject({ pegs: 6, claw: 1, home: true });
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
    expect(blocked?.home).toBe(true);
    // a claw that stops a sixteenth beside it leaves them as far off as they stand there
    const beside = bridgeNow(floatingBridge, metres(level + LEAD / 16), [], levelRests(floatingBridge));
    expect(blocked?.besides).toBeCloseTo(Math.max(...beside.off.map((off) => Math.abs(off ?? 0))), 3);
    const without = compareSchools({ ...beside, rests: beside.rests.with(2, null) }, { low: 1200, high: 1200 }, WAYS);
    expect(without.blocked?.pegs).toEqual({ low: 5, high: 5 });
  });

  it('from a claw two turns too far out the block wants three in', () => expect(compared(-2).blocked?.turnsIn).toBeCloseTo(3, 9));

  it('with one spring more each bears a quarter in place of a third: so many turns out', () => {
    const four = compared().springs.find(({ count }) => count === 4);
    const together = (forcesAt(floatingBridge, level, radians(0), levelRests(floatingBridge)).strings * 10.5) / 40;
    expect(four?.holds?.turns).toBeCloseTo((together / 4 - together / 3) / 1.2 / 1.7, 6);
    expect(Math.abs(four?.bend ?? 99)).toBeLessThan(Math.abs(compared().bend));
    // what the marks take with it, and three minutes to hook it in
    const bridge = { ...floatingBridge, springs: { ...floatingBridge.springs, count: 4 } };
    const { claw, rests } = standing(floatingBridge, FLAT);
    const { pegs, heard, claw: turned } = movesByMarks({ bridge, claw, rests }, { bridge, claw }, WAYS);
    for (const minutes of Object.values(four?.holds?.minutes ?? {}))
      expect(minutes).toBeCloseTo(0.5 * pegs + 0.15 * heard + 2 * turned + 3, 9);
    expect(Object.keys(four?.holds?.minutes ?? {})).toEqual(['low', 'high']);
  });

  it('one spring less and one more are weighed, from one to the five that there is room for', () => {
    const counts = (count: number) =>
      compared(0, { ...floatingBridge, springs: { ...floatingBridge.springs, count } }).springs.map((each) => each.count);
    expect([1, 3, 4, 5].map(counts)).toEqual([[2], [2, 4], [3, 5], [4]]);
  });

  it('springs that no claw lets be weak enough hold no block, and there is nothing to bend', () => {
    const strong = { ...floatingBridge, springs: { ...floatingBridge.springs, initial: newtons(900) } };
    const { blocked, bend, springs } = compareSchools(bridgeNow(strong, level, []), { low: 1200, high: 1200 }, WAYS);
    expect([blocked, bend, springs.map(({ holds }) => holds)]).toEqual([null, 0, [null, null]]);
    const pair = { ...floatingBridge, strings: floatingBridge.strings.slice(0, 2) };
    const two = compareSchools(bridgeNow(pair, levelOf(pair), []), { low: 1200, high: 1200 }, { ...WAYS, order: [1, 0] });
    expect(two.bend).toBe(0); // there is no third string
  });

  it('between softer and stiffer springs a way home takes what it takes with either', () => {
    const now = standing(floatingBridge, FLAT, -1);
    const [soft, stiff, both] = [[900, 900], [1700, 1700], [900, 1700]].map(([low = 0, high = 0]) => compareSchools(now, { low, high }, WAYS)); // prettier-ignore
    for (const way of ['byMarks', 'byEar'] as const) {
      const [one, other, range] = [soft, stiff, both].map((each) => each?.[way]);
      for (const of of ['pegs', 'minutes'] as const) {
        const ends = [one?.[of].low ?? NaN, other?.[of].low ?? NaN];
        expect(range?.[of]).toEqual({ low: Math.min(...ends), high: Math.max(...ends) });
      }
      expect(range).toMatchObject({ claw: Math.max(one?.claw ?? 0, other?.claw ?? 0), home: one?.home === true && other?.home === true });
    }
    expect(both?.byEar.minutes.low).toBeLessThan(both?.byEar.minutes.high ?? 0);
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
