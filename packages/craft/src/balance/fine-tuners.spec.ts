import { describe, expect, it } from 'vitest';
import { floatingBridge, levelOf, lightSet, offBy, withRate } from '../testing/index.js';
import { cents, fromDegrees } from '../units/index.js';
import { pullFor } from './bridge.js';
import { AT_THEIR_NOTES, bridgeNow, fineTuners, nextAtBridge, type BridgeHappening, type FloatingBridge } from './index.js';

const WAYS = { order: [5, 4, 3, 2, 1, 0], tolerance: cents(2), locks: true };
const reads = (off: readonly number[]): BridgeHappening[] => offBy(off).map((sounds, string) => ({ kind: 'read', string, sounds }));
const IN_TUNE = [0, 0, 0, 0, 0, 0];
const MID: BridgeHappening = { kind: 'fine-tuners-at-mid' };
const SHUT: BridgeHappening = { kind: 'clamps', shut: true };
const set = (string: number, off: number): BridgeHappening => {
  const sounds = offBy(IN_TUNE.map((_, each) => (each === string ? off : 0)))[string] ?? fail();
  return { kind: 'set', string, sounds, pass: AT_THEIR_NOTES };
};
const fail = (): never => {
  throw new Error('no such string');
};
const after = (happenings: readonly BridgeHappening[], bridge: FloatingBridge = floatingBridge) =>
  bridgeNow(bridge, levelOf(bridge), happenings);
const next = (happenings: readonly BridgeHappening[]) => nextAtBridge(after(happenings), WAYS);

describe('a locking nut and its fine tuners', () => {
  it('are set to the middle before anything is tuned, and the nut is shut once all are in tune', () => {
    expect(next([])).toEqual({ kind: 'mid' });
    expect(next([MID])).toMatchObject({ kind: 'read' });
    expect(next([MID, ...reads(IN_TUNE)])).toEqual({ kind: 'clamp' });
    expect(nextAtBridge(after(reads(IN_TUNE)), { ...WAYS, locks: false })).toEqual({ kind: 'done' });
  });

  it('after the clamps all are heard again, and it is done only then', () => {
    const shut = [MID, ...reads(IN_TUNE), SHUT];
    expect(next(shut)).toMatchObject({ kind: 'read', strings: [0, 1, 2, 3, 4, 5] });
    expect(next([...shut, ...reads(IN_TUNE)])).toEqual({ kind: 'done' });
    expect(next([...shut, ...reads([0, 0, -9, 0, 0, 0])])).toMatchObject({ kind: 'set' });
  });

  it('what is out of their reach asks for the clamps again, and then for the middle', () => {
    const far = [MID, ...reads(IN_TUNE), SHUT, ...reads([0, 0, 0, 0, 0, -400])];
    const step = next(far);
    expect(step).toMatchObject({ kind: 'unclamp' });
    expect(step.kind === 'unclamp' && step.turns).toBeGreaterThan(0);
    expect(next([...far, { kind: 'clamps', shut: false }])).toEqual({ kind: 'mid' });
  });

  it('stand in the middle of six turns, and where they were turned to', () => {
    const shut = [MID, ...reads(IN_TUNE), SHUT, ...reads(IN_TUNE)];
    for (const tuner of fineTuners(after(shut))) expect(tuner).toMatchObject({ at: 3, left: { down: 3, up: 3 } });
    const [first] = fineTuners(after(shut));
    const turned = fineTuners(after([...shut, set(0, first?.centsPerTurn ?? 0)]))[0];
    expect(turned?.at).toBeCloseTo(4, 6);
    expect(turned?.reach.up).toBeLessThan(first?.reach.up ?? 0);
    expect(fineTuners(after([MID])).every((tuner) => tuner === null)).toBe(true);
  });

  it('on a bridge that does not give way, a turn of 0.2 mm is EA · 0.2 mm / L of pull', () => {
    const stiff = { ...withRate(1e9), stops: { back: fromDegrees(-9), forward: fromDegrees(25) } };
    const tuners = fineTuners(after([MID, ...reads(IN_TUNE), SHUT, ...reads(IN_TUNE)], stiff));
    lightSet.forEach((string, index) => {
      const pull = pullFor(string, string.scaleLength, string.pitch);
      // of scale and what lies behind nut and saddle, 648 and 60 mm
      const more = (string.stiffness * 0.2) / 708;
      // steel thins by a thousandth: a cent or two
      expect(Math.abs((tuners[index]?.centsPerTurn ?? 0) - 600 * Math.log2((pull + more) / pull))).toBeLessThan(1.5);
    });
  });

  it('on one that floats a turn does less than on one that is stiff', () => {
    const shut = [MID, ...reads(IN_TUNE), SHUT, ...reads(IN_TUNE)];
    const [floating, stiff] = [fineTuners(after(shut)), fineTuners(after(shut, withRate(1e9)))];
    floating.forEach((tuner, index) => expect(tuner?.centsPerTurn).toBeLessThan(stiff[index]?.centsPerTurn ?? 0));
  });
});
