import { describe, expect, it } from 'vitest';
import { WARMTH } from '../constants/index.js';
import { bare, does, kindsOf, laidOut, restrung, right, started, thread, up, woundAt } from '../testing/index.js';
import { after, begun, centsOff, coldNow, isFinished, stillToRise, worthOf, type Act, type OnBench, type Wound } from './index.js';

describe('an instrument that comes in from the cold', () => {
  const SEED = 3 * 1490;
  const cold = laidOut('acoustic-parlour', SEED);

  it('has its strings under their notes, by EA (α − α of wood) ΔT off each pull: steel by one to three cents a degree', () => {
    expect(cold.cold).toBeGreaterThanOrEqual(WARMTH.leastCold.value);
    const now = begun(cold);
    for (const [index, { string, plan }] of cold.strings.entries()) {
      const less = string.stiffness * (WARMTH.steel.value - WARMTH.wood.value) * cold.cold;
      const expected = 600 * Math.log2((plan.load.pull - less) / plan.load.pull);
      const off = (centsOff(cold, now, index) ?? 99) - (centsOff({ ...cold, cold: 0 }, now, index) ?? 99);
      // what all lose lets the neck back by a few cents, up
      expect(Math.abs(off - expected)).toBeLessThan(0.35 * Math.abs(expected));
      expect(off / cold.cold).toBeLessThan(-0.8);
      expect(off / cold.cold).toBeGreaterThan(-3);
    }
  });

  it('rises as it warms: most of it within the hour', () => {
    const [now, later] = [begun(cold), does(cold, begun(cold), { do: 'wait' }, { do: 'wait' }, { do: 'wait' })];
    expect(coldNow(cold, later) / cold.cold).toBeCloseTo(Math.exp(-3), 9);
    const [first, then] = [stillToRise(cold, now, 0) ?? 0, stillToRise(cold, later, 0) ?? 99];
    expect(first).toBeGreaterThan(5);
    expect(then / first).toBeCloseTo(Math.exp(-3), 1);
    expect(later.seconds).toBe(now.seconds); // nobody works meanwhile
  });

  it('tips a floating bridge back as strings lose their pull, the same way as one that is let down, until it is warm', () => {
    const floating = laidOut('electric-double-locking', SEED);
    const now = begun(floating);
    const down = does(floating, { ...now, nutShut: false }, { do: 'slacken', string: 5 });
    expect(Math.sign(now.angle)).toBe(Math.sign(down.angle - now.angle));
    expect(Math.abs(now.angle)).toBeGreaterThan(1e-3);
    const acts = Array.from({ length: 9 }, (): Act => ({ do: 'wait' }));
    const warm = does(floating, now, ...acts); // three hours: e⁻⁹ of it is left
    expect(Math.abs(warm.angle)).toBeLessThan(1e-2 * Math.abs(now.angle));
    // springs take up what all strings lose alike: they are off by a part of what a bridge that stays would leave
    const rigid = centsOff({ ...floating, bridge: null }, { ...now, angle: 0 as never }, 0) ?? 0;
    const off = centsOff(floating, now, 0) ?? 0;
    expect(off).toBeLessThan(0);
    expect(off).toBeGreaterThan(rigid / 3);
    expect(begun(laidOut('electric-double-locking', SEED + 1)).angle).toBe(0);
  });

  it('is told of a string that somebody says holds while it is cold, and not once it was let lie', () => {
    const judge = (...before: readonly Act[]) => {
      const on = up(cold, does(cold, started(cold), ...before, ...bare(0, right(cold)), thread(cold, 0)), 0);
      return kindsOf(after(cold, on, { do: 'judge', string: 0 }));
    };
    expect(judge()).toContain('still-cold');
    expect(judge({ do: 'wait' }, { do: 'wait' }, { do: 'wait' })).not.toContain('still-cold');
  });
});

describe('from end to end, by a careful hand', () => {
  it.each([
    'acoustic-parlour',
    'ukulele-concert',
    'ukulele-soprano',
    'electric-double-locking',
    'mandolin',
    'classical',
    'banjo-five-string',
  ])('%s: every string comes up, holds, and is worth what was planned', (kind) => {
    const restring = laidOut(kind, 4471);
    const now = restrung(restring);
    expect(now.mistakes).toEqual([]);
    expect(isFinished(restring, now)).toBe(true);
    const worth = worthOf(restring, now);
    expect(worth.lost).toBe(0);
    for (const off of worth.turnsOff) expect(off).toBeCloseTo(0, 3);
    restring.strings.forEach((_, index) => expect(Math.abs(centsOff(restring, now, index) ?? 99)).toBeLessThan(5));
    expect(worth.seconds / worth.usual).toBeGreaterThan(0.5);
    expect(worth.seconds / worth.usual).toBeLessThan(2.5);
  });

  it('is not finished while one is old, not judged or not trimmed', () => {
    const restring = laidOut('ukulele-concert');
    expect(isFinished(restring, begun(restring))).toBe(false);
    const now = restrung(restring);
    const undone = (change: Partial<Wound>): OnBench => ({ ...now, strings: now.strings.with(1, { ...woundAt(now, 1), ...change }) });
    expect(isFinished(restring, undone({ judged: false }))).toBe(false);
    expect(isFinished(restring, undone({ trimmed: false }))).toBe(false);
  });
});
