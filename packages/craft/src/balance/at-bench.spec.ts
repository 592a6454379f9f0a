import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { centsFrom, floatingBridge, levelOf, lightSet, offBy, withRate } from '../testing/index.js';
import { cents, fromDegrees, fromMillimetres, kilogramsPerMetre, newtons, type Hertz, type Metres } from '../units/index.js';
import { AT_THEIR_NOTES, bridgeNow, edgeRise, levelRests, nextAtBridge, restsFrom, settle, tiltOf, tunedTo } from './index.js';
import type { BridgeHappening, FloatingBridge } from './index.js';

const ORDER = [5, 4, 3, 2, 1, 0];
const WAYS = { order: ORDER, tolerance: cents(2) };
const FLAT = [-30, -60, -80, -100, -50, -20];
const claw = levelOf(floatingBridge);
const reading = (off: readonly number[]): BridgeHappening[] => offBy(off).map((sounds, string) => ({ kind: 'read', string, sounds }));

/** Somebody who does what the product says, at a bridge with springs of its own. */
function followed(truth: FloatingBridge, taken: FloatingBridge, most: number) {
  const stands = levelOf(truth);
  let rests = restsFrom(truth, stands, offBy(FLAT)).rests;
  const sounds = () => settle(truth, stands, rests).frequencies;
  const happenings: BridgeHappening[] = [];
  const worst: number[] = [];
  let moves = 0;
  for (;;) {
    const now = bridgeNow(taken, levelOf(taken), happenings);
    const next = nextAtBridge(now, WAYS);
    if (next.kind === 'done' || moves >= most) return { moves, worst, now, heard: sounds() };
    if (next.kind === 'read')
      for (const string of next.strings) happenings.push({ kind: 'read', string, sounds: sounds()[string] ?? (0 as Hertz) });
    else if (next.kind === 'set') {
      moves++;
      rests = tunedTo(truth, stands, rests, { string: next.step.string, sounds: next.step.frequency }).rests;
      happenings.push({ kind: 'set', string: next.step.string, sounds: sounds()[next.step.string] ?? (0 as Hertz), pass: AT_THEIR_NOTES });
    } else throw new Error(`nothing of that kind is wanted: ${next.kind}`);
    if (next.kind === 'read') worst.push(Math.max(...centsFrom(sounds()).map((off) => Math.abs(off ?? 0))));
  }
}

describe('a bridge that is brought home', () => {
  it('is in tune after one pass where all is known', () => {
    const { moves, heard, now } = followed(floatingBridge, floatingBridge, 60);
    expect(moves).toBe(6);
    for (const off of centsFrom(heard)) expect(Math.abs(off ?? 9)).toBeLessThan(0.01);
    expect(now.foretold.map(({ string }) => string)).toEqual([1, 2, 3, 4, 5]); // string 1 was set last, and is where it was put
    for (const { foretold, heard: came } of now.foretold) expect(came).toBeCloseTo(foretold, 3);
  });

  it('comes nearer with every pass where springs are a tenth stiffer than taken, and says how far it had been off', () => {
    const { worst, now } = followed(withRate(1320), floatingBridge, 60);
    expect(worst[0]).toBeCloseTo(100, 6);
    expect(worst[1] ?? 99).toBeLessThan(20);
    expect(worst[2] ?? 99).toBeLessThan(worst[1] ?? 0);
    expect(now.off.every((off) => Math.abs(off ?? 9) <= 2)).toBe(true);
  });
});

describe('where a bridge stands', () => {
  it('is as it was heard, once all are heard; before that as it was reckoned', () => {
    const [heard, reads] = [offBy(FLAT), reading(FLAT)];
    const none = Array<boolean>(6).fill(false);
    expect(bridgeNow(floatingBridge, claw, [])).toMatchObject({ fresh: none, heard: none, passed: [], foretold: [] });
    const now = bridgeNow(floatingBridge, claw, reads);
    expect(now.fresh).toEqual(Array(6).fill(true));
    now.off.forEach((off, index) => expect(off).toBeCloseTo(FLAT[index] ?? 0, 6));
    expect(now.angle).toBeCloseTo(restsFrom(floatingBridge, claw, heard).angle, 9);
    const one = bridgeNow(floatingBridge, claw, reads.slice(0, 1));
    expect(one.off[0]).toBeCloseTo(-30, 6);
    expect(one.off[5] ?? 0).toBeGreaterThan(0); // less pull at string 1, and the others are as long as they were
    expect(one.fresh).toEqual([true, false, false, false, false, false]);
  });

  it('does not depend on the order in which strings are heard', () => {
    const reads = reading(FLAT);
    const straight = bridgeNow(floatingBridge, claw, reads);
    fc.assert(
      fc.property(fc.shuffledSubarray([...reads.keys()], { minLength: 6 }), (order) => {
        const shuffled = order.flatMap((index) => reads[index] ?? []);
        const other = bridgeNow(floatingBridge, claw, shuffled);
        expect(other.angle).toBeCloseTo(straight.angle, 8);
        other.rests.forEach((rest, index) => expect(rest ?? 0).toBeCloseTo(straight.rests[index] ?? 1, 10));
      }),
      { numRuns: 10 },
    );
  });

  it('takes a string that sounds elsewhere than before for one whose peg was turned: the others are not heard any more', () => {
    const [heard, reads] = [offBy([]), reading([])];
    const higher = { kind: 'read', string: 2, sounds: ((heard[2] ?? 0) * 2 ** (30 / 1200)) as Hertz } as const;
    const now = bridgeNow(floatingBridge, claw, [...reads, higher]);
    expect(now.fresh).toEqual([false, false, true, false, false, false]);
    expect(now.off[2]).toBeCloseTo(30, 6);
    for (const index of [0, 1, 3, 4, 5]) expect(now.off[index] ?? 0).toBeLessThan(-0.1);
    const again = { ...higher, sounds: ((heard[2] ?? 0) * 2 ** (0.4 / 1200)) as Hertz };
    expect(bridgeNow(floatingBridge, claw, [...reads, again]).fresh).toEqual(Array(6).fill(true));
    expect(bridgeNow(floatingBridge, claw, [...reading(FLAT), ...reading(FLAT)]).fresh).toEqual(Array(6).fill(true));
  });

  it('is heard anew after whatever moves it: then nothing was passed, and a nut stands as it was turned last', () => {
    const passing = { ...(reading([])[5] as Extract<BridgeHappening, { kind: 'read' }>), kind: 'set', pass: AT_THEIR_NOTES } as const;
    const begun = [...reading(FLAT), passing];
    expect(bridgeNow(floatingBridge, claw, begun).passed).toEqual([5]);
    const moves: BridgeHappening[] = [
      ...[{ kind: 'claw', travel: fromMillimetres(1) } as const, { kind: 'springs', count: 4 } as const, { kind: 'arm' } as const],
      ...[{ kind: 'fine-tuners-at-mid' } as const, { kind: 'clamps', shut: true } as const],
    ];
    for (const move of moves)
      expect(bridgeNow(floatingBridge, claw, [...begun, move])).toMatchObject({ passed: [], fresh: Array(6).fill(false) });
    const [, , , mid, shut] = moves as [BridgeHappening, BridgeHappening, BridgeHappening, BridgeHappening, BridgeHappening];
    const nut = (...more: BridgeHappening[]) => bridgeNow(floatingBridge, claw, [...begun, ...more]).nut;
    expect([nut(shut).mid, nut(mid, shut).mid, nut(mid, { kind: 'clamps', shut: false }).mid]).toEqual([false, true, false]);
    expect(nut(mid, shut, passing, { ...passing, string: 4 }).turned).toEqual([5, 4]);
  });

  it('says of a pass what had been foretold of each string that is heard again, once', () => {
    const passing = { kind: 'set', string: 5, sounds: offBy([])[5] ?? (0 as Hertz), pass: AT_THEIR_NOTES } as const;
    const begun = [...reading(FLAT), passing];
    const after = (...more: BridgeHappening[]) => bridgeNow(floatingBridge, claw, [...begun, ...more]);
    const first = { kind: 'read', string: 0, sounds: offBy([-40])[0] ?? (0 as Hertz) } as const;
    const told = (now: ReturnType<typeof after>) => now.foretold.map(({ string }) => string);
    expect([told(after()), told(after(first)), told(after(first, first))]).toEqual([[], [0], [0]]);
    expect(after(first).foretold[0]?.heard).toBeCloseTo(-40, 6);
    expect([after(first).passed, after(passing).passed]).toEqual([[5], [5]]); // five are not heard yet; the same peg again is one
    expect(told(after(first, { ...passing, string: 4 }, first))).toEqual([0]); // a second step of the pass keeps what was told
    expect(told(bridgeNow(floatingBridge, claw, [passing, first]))).toEqual([]); // never heard before: a guess
    const next = after(...reading([-40, -60, -80, -100, -50]).slice(0, 5));
    expect([next.passed, told(next).length]).toEqual([[], 5]);
    expect(told(bridgeNow(floatingBridge, claw, [...begun, ...reading([-40, -60, -80, -100, -50]).slice(0, 5), passing]))).toEqual([]);
  });

  it('that was lowered to learn from is no step of a pass: the others are heard next', () => {
    const reads = reading([]);
    const lowered = { kind: 'set', string: 5, sounds: ((lightSet[5]?.pitch ?? 0) * 2 ** (-200 / 1200)) as Hertz, pass: null } as const;
    const now = bridgeNow(floatingBridge, claw, [...reads, lowered]);
    expect(now.passed).toEqual([]);
    expect(nextAtBridge(now, WAYS)).toEqual({ kind: 'read', strings: [0, 1, 2, 3, 4] });
  });

  it('follows a tilt that was measured: the claw is where it explains that', () => {
    const now = bridgeNow(floatingBridge, claw, [{ kind: 'tilt', angle: fromDegrees(2) }]);
    expect(now.angle).toBeCloseTo(fromDegrees(2), 6);
    expect(now.claw).toBeLessThan(claw); // springs that pull less let it tip toward the neck
    const heard = bridgeNow(floatingBridge, claw, [...reading(FLAT), { kind: 'tilt', angle: fromDegrees(2) }]);
    heard.off.forEach((off, index) => expect(off).toBeCloseTo(FLAT[index] ?? 0, 4)); // they sound as they did
    expect(edgeRise(tiltOf(fromMillimetres(1.2), fromMillimetres(45)), fromMillimetres(45))).toBeCloseTo(0.0012, 9);
  });

  it('of a string that is off says nothing, and does not wait for it', () => {
    const rests = levelRests(floatingBridge).map((rest, index): Metres | null => (index === 0 ? null : rest));
    const now = bridgeNow(floatingBridge, claw, [], rests);
    expect(now.off[0]).toBeNull();
    expect(nextAtBridge(now, WAYS)).toEqual({ kind: 'read', strings: [1, 2, 3, 4, 5] });
    const tipped = bridgeNow(floatingBridge, claw, [...reading(FLAT).slice(1), { kind: 'tilt', angle: fromDegrees(1) }], rests);
    expect(tipped.off).toEqual([null, ...FLAT.slice(1).map((off) => expect.closeTo(off, 4) as number)]);
    expect(tipped.angle).toBeCloseTo(fromDegrees(1), 6);
  });
});

describe('what comes next', () => {
  const heavier: FloatingBridge = {
    ...floatingBridge,
    strings: lightSet.map((string) => ({ ...string, restDensity: kilogramsPerMetre(string.restDensity * 1.15) })),
  };

  it('under a heavier set is to hear all, to set them so that the claw brings them home, and then the claw, by parts where they would hang loose', () => {
    const lead = fromMillimetres(1.7);
    const more = (levelOf(heavier) - claw) / lead;
    expect(more).toBeGreaterThan(2);
    const asTuned = bridgeNow(heavier, claw, []);
    expect(nextAtBridge(asTuned, WAYS)).toEqual({ kind: 'read', strings: [0, 1, 2, 3, 4, 5] });
    const reads = heavier.strings.map(({ pitch }, string): BridgeHappening => ({ kind: 'read', string, sounds: pitch }));
    const happenings: BridgeHappening[] = [];
    let turned = 0;
    while (turned < more - 1 / 8) {
      happenings.push(...reads);
      const targets: number[] = [];
      for (let moves = 0; moves < 6; moves++) {
        const next = nextAtBridge(bridgeNow(heavier, claw, happenings), WAYS);
        if (next.kind !== 'set') throw new Error(`a string is set, not ${next.kind}`);
        expect(next.leaves.travel).toBeGreaterThan(0);
        targets.push(next.step.target);
        happenings.push({ kind: 'set', string: next.step.string, sounds: next.step.frequency, pass: next.leaves });
      }
      expect(Math.max(...targets)).toBeLessThan(0); // it comes up with the claw, and never over its note
      expect(Math.min(...targets)).toBeGreaterThan(-300);
      const next = nextAtBridge(bridgeNow(heavier, claw, happenings), WAYS);
      if (next.kind !== 'claw') throw new Error(`the claw is turned, not ${next.kind}`);
      expect(8 * next.turns).toBeCloseTo(Math.round(8 * next.turns), 9); // a screw is turned by eighths
      happenings.push({ kind: 'claw', travel: next.travel });
      turned += next.turns;
      const home = bridgeNow(heavier, claw, happenings);
      expect(home.clawMoved).toBeCloseTo(turned * lead, 9);
      for (const off of home.off) expect(off).toBeCloseTo(0, 3);
      expect(nextAtBridge(home, WAYS).kind).toBe('read');
    }
    expect(Math.abs(turned - more)).toBeLessThan(1 / 16);
    expect(nextAtBridge(bridgeNow(heavier, claw, [...happenings, ...reads]), WAYS).kind).toBe('done');
  });

  it('leaves all a little beside their notes first, where a mark would hang loose or past what a string bears', () => {
    // the claw was turned in under strings that were at their notes: all are sharp by a tone and more
    const sharp = bridgeNow(floatingBridge, claw, reading([90, 130, 220, 130, 180, 250]));
    const down = nextAtBridge(sharp, WAYS);
    expect(down.kind === 'set' && down.leaves.toward).toBeGreaterThan(0);
    if (down.kind === 'set') for (const { target } of [down.step, ...down.rest]) expect(target).toBeGreaterThan(-300);
    const tight = { ...floatingBridge, strings: lightSet.map((string) => ({ ...string, breakingLoad: newtons(112) })) };
    const flat = bridgeNow(tight, claw, reading(Array(6).fill(-150)));
    const up = nextAtBridge(flat, WAYS);
    expect(up.kind === 'set' && up.leaves.toward).toBeLessThan(0);
    if (up.kind === 'set') for (const { pull } of [up.step, ...up.rest]) expect(pull).toBeLessThanOrEqual(0.85 * 112);
  });

  it('is a block where a mark would ask more of a string than is safe', () => {
    const weak = { ...floatingBridge, strings: lightSet.map((string) => ({ ...string, breakingLoad: newtons(60) })) };
    const reads = reading(FLAT);
    expect(nextAtBridge(bridgeNow(weak, claw, reads), WAYS).kind).toBe('block');
  });

  it('is nothing once all are heard at their notes', () => {
    const reads = reading([1, -1, 1.5, 0, 0, -1.9]);
    expect(nextAtBridge(bridgeNow(floatingBridge, claw, reads), WAYS)).toEqual({ kind: 'done' });
  });

  it('is the claw at once where it has to come out, as with one spring more: that lets all strings down', () => {
    const next = nextAtBridge(bridgeNow(floatingBridge, claw, [{ kind: 'springs', count: 4 }]), WAYS);
    expect(next.kind === 'claw' && next.turns).toBeLessThan(-1);
  });
});
