import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { stringProperties } from '../strings/index.js';
import { tensionFor } from '../tension/index.js';
import { floatingBridge, levelOf, lightSet, offBy, withRate } from '../testing/index.js';
import { fromDegrees, fromMillimetres, newtons, toDegrees, type Hertz } from '../units/index.js';
import type { OnBridgeEvent } from '../worksheet/index.js';
import { AT_THEIR_NOTES, bridgeUnder, happeningsOf, levelClaw, restsFrom, settle, trialsIn, tunedTo } from './index.js';
import type { BridgeHappening } from './index.js';
import { levelPulls } from './equilibrium.js';

const read = (string: number, cents: number): BridgeHappening => ({
  kind: 'read',
  string,
  sounds: offBy(Array(6).fill(cents) as number[])[string] as Hertz,
});
const set = (string: number, off: number): BridgeHappening =>
  ({ ...read(string, off), kind: 'set', pass: AT_THEIR_NOTES }) as BridgeHappening;
const all = (cents: number) => [0, 1, 2, 3, 4, 5].map((string) => read(string, cents));
const trialsOf = (...happenings: BridgeHappening[]) => trialsIn(6, happenings);

describe('what a log tells of springs', () => {
  it('is nothing while only strings are heard', () => expect(trialsOf(...all(0), ...all(0.3))).toEqual([]));

  it('is a trial where one string was set and at least two others were heard', () => {
    expect(trialsOf(...all(0), set(5, -200), read(1, 12))).toEqual([]);
    const [trial, ...more] = trialsOf(...all(0), set(5, -200), read(1, 12), read(2, 14));
    expect(more).toEqual([]);
    expect(trial?.change).toEqual([{ string: 5, sounds: offBy([0, 0, 0, 0, 0, -200])[5] }]);
    expect(trial?.before).toEqual(offBy([]));
    expect(trial?.after.map((sounds) => sounds !== null)).toEqual([false, true, true, false, false, false]);
  });

  it('is a trial where a whole pass was set and all were heard after it', () => {
    const pass = [5, 4, 3, 2, 1, 0].map((string) => set(string, 10));
    const [trial] = trialsOf(...all(-50), ...pass, ...[5, 4, 3, 2, 1].map((string) => read(string, 1)));
    expect(trial?.change).toHaveLength(6);
    expect(trial?.after[0]).toBeNull(); // it was set last
  });

  it('is a trial where the claw was turned, also after a pass; nothing where springs were hooked in', () => {
    const claw: BridgeHappening = { kind: 'claw', travel: fromMillimetres(1.7) };
    expect(trialsOf(...all(0), claw, ...all(20))[0]?.change).toEqual([{ claw: fromMillimetres(1.7) }]);
    const [both] = trialsOf(...all(0), set(5, -50), set(4, -40), claw, ...all(3));
    expect(both?.change).toHaveLength(3);
    expect(both?.after).not.toContain(null); // the claw moved the string that was set last as well
    expect(trialsOf(...all(0), { kind: 'springs', count: 4 }, ...all(30))).toEqual([]);
  });

  it('begins anew with what is done after others were heard, and counts how far the claw was moved before', () => {
    const claw: BridgeHappening = { kind: 'claw', travel: fromMillimetres(1.7) };
    const [first, second] = trialsOf(...all(0), claw, ...all(20), set(5, -200), read(1, 12), read(2, 14));
    expect([first?.moved, second?.moved]).toEqual([0, fromMillimetres(1.7)]);
    const [alone, ...more] = trialsOf(...all(0), set(5, -200), read(1, 12), read(2, 14), set(4, -50), read(0, 3), read(1, 4));
    expect([alone?.change.length, more]).toEqual([1, []]); // before the next not all were heard
    const [turned] = trialsOf(...all(0), read(5, -200), read(1, 12), read(2, 14)); // nobody said so, but it was
    expect(turned?.change).toHaveLength(1);
    expect(trialsOf(set(5, -200), read(1, 12), read(2, 14))).toEqual([]); // from where nobody knows
  });

  it('ends where arm, nut, fine tuners or springs moved all beside; a tilt that is read moves nothing', () => {
    const between = (event: BridgeHappening) => trialsOf(...all(0), set(5, -200), event, read(1, 12), read(2, 14)).length;
    const moves: BridgeHappening[] = [
      { kind: 'arm' },
      { kind: 'clamps', shut: true },
      { kind: 'fine-tuners-at-mid' },
      { kind: 'springs', count: 4 },
    ];
    expect([...moves, { kind: 'tilt', angle: fromDegrees(1) } as const].map(between)).toEqual([0, 0, 0, 0, 1]);
  });

  it('says what these springs do: a bridge that behaves so foretells the same', () => {
    const truth = withRate(1900);
    const claw = levelOf(truth);
    const start = restsFrom(truth, claw, offBy([]));
    const low = (offBy([])[5] as Hertz) * 2 ** (-200 / 1200);
    const down = tunedTo(truth, claw, start.rests, { string: 5, sounds: low as Hertz });
    const after = settle(truth, claw, down.rests, down.angle).frequencies;
    const heard = [1, 2, 3].map((string): BridgeHappening => ({ kind: 'read', string, sounds: after[string] as Hertz }));
    const [trial] = trialsOf(...all(0), { kind: 'set', string: 5, sounds: low as Hertz, pass: null }, ...heard);
    expect(trial?.after.slice(1, 4)).toEqual(after.slice(1, 4));
  });
});

describe('events of the log', () => {
  const head = { id: '', version: 1, jobId: '', instrumentId: '', personId: '', deviceId: '', at: '' } as const;
  const measures = { lead: fromMillimetres(1.7), edge: fromMillimetres(45), levelMm: 3 };
  const happens = (event: object) => happeningsOf(floatingBridge, [{ ...head, ...event } as OnBridgeEvent], measures);

  it('are what happened: cents from the note, turns of two screws, a back edge over where it is level', () => {
    const [heard] = happens({ kind: 'heard-on-bridge', string: 5, payload: { cents: -100, sure: 1, by: 'typed' } });
    expect(heard).toEqual({ kind: 'read', string: 4, sounds: expect.closeTo((lightSet[4]?.pitch ?? 0) * 2 ** (-1 / 12), 9) as number });
    const [turned] = happens({ kind: 'claw-turned', payload: { bassTurns: 2, trebleTurns: 1 } });
    expect(turned).toEqual({ kind: 'claw', travel: expect.closeTo(0.00255, 9) as number });
    const [tilt] = happens({ kind: 'measured', payload: { what: 'bridge-level', valueMm: 4.5 } });
    expect(tilt?.kind === 'tilt' && toDegrees(tilt.angle)).toBeCloseTo((Math.asin(1.5 / 45) * 180) / Math.PI, 9);
    const setTo = (payload: object) =>
      happens({ kind: 'set-on-bridge', string: 5, payload: { cents: -100, sure: 1, by: 'typed', ...payload } })[0];
    expect(setTo({})).toMatchObject({ kind: 'set', string: 4, pass: null });
    expect(setTo({ aimCents: -90 })).toMatchObject({ pass: { toward: 0, travel: 0 } });
    expect(setTo({ aimCents: -90, towardCents: 50, clawTurns: 2 })).toMatchObject({ pass: { toward: 50, travel: expect.closeTo(0.0034, 9) } }); // prettier-ignore
    expect(happens({ kind: 'springs-hooked', payload: { count: 4 } })).toEqual([{ kind: 'springs', count: 4 }]);
    expect(happens({ kind: 'fine-tuners-at-mid', payload: {} })).toEqual([{ kind: 'fine-tuners-at-mid' }]);
    expect(happens({ kind: 'arm-moved', payload: { way: 'down' } })).toEqual([{ kind: 'arm' }]);
    expect(happens({ kind: 'nut-clamped', payload: { shut: true } })).toEqual([{ kind: 'clamps', shut: true }]);
  });

  it('of a string that is not there, or a height nobody can compare, say nothing', () => {
    expect(happens({ kind: 'heard-on-bridge', string: 9, payload: { cents: 0, sure: 1, by: 'typed' } })).toEqual([]);
    const event = { ...head, kind: 'measured', payload: { what: 'bridge-level', valueMm: 4.5 } } as OnBridgeEvent;
    expect(happeningsOf(floatingBridge, [event], { ...measures, levelMm: null })).toEqual([]);
  });
});

describe('the bridge of an instrument', () => {
  const springs = { count: 3, rate: 1200, initial: newtons(8) };
  const outcome = stringProperties({ family: 'electric', construction: 'plain', gauge: fromMillimetres(0.254) });
  if (!outcome.ok) throw new Error('it is a string');
  const plain = outcome.value;

  it('pulls at pitch as its strings do', () => {
    const instrument = instrumentOf('electric-in-line-locking');
    const strings = instrument.strings.map(() => plain);
    const bridge = bridgeUnder(instrument, strings, springs);
    if (bridge === null) throw new Error('it moves');
    levelPulls(bridge).forEach((pull, index) => {
      const { pitch, scaleLength } = bridge.strings[index] ?? lightSet[0] ?? fail();
      expect(pull / tensionFor(pitch, scaleLength, plain)).toBeCloseTo(1, 9);
    });
    expect(bridge.stops.back).toBeLessThan(0);
    expect(levelClaw(bridge).ok).toBe(true);
  });

  it('is none where a string is not known or the bridge is fixed, and cannot tip back where it rests', () => {
    const six = Array(6).fill(plain) as (typeof plain)[];
    expect(bridgeUnder(instrumentOf('electric-in-line-locking'), six.slice(0, 5), springs)).toBeNull();
    expect(bridgeUnder(instrumentOf('electric-split'), six, springs)).toBeNull();
    expect(bridgeUnder(instrumentOf('electric-in-line'), six, springs)?.stops.back).toBe(0);
  });
});

function fail(): never {
  throw new Error('the spec has no such string');
}
