import { describe, expect, it } from 'vitest';
import { floatingBridge, levelOf } from '../testing/index.js';
import type { OnBridgeEvent } from '../worksheet/index.js';
import { fromMillimetres, metres, radians, toMillimetres } from '../units/index.js';
import { bridgeNow, forcesAt, happeningsOf, levelRests, skewOf, skewTravel, tiltOf } from './index.js';

const mm = fromMillimetres;
const edge = mm(45);
const level = bridgeNow(floatingBridge, levelOf(floatingBridge), []);
const measured = (what: string, valueMm: number) => ({ kind: 'measured', payload: { what, valueMm } }) as unknown as OnBridgeEvent;
const turned = { kind: 'claw-turned', payload: { bassTurns: 1, trebleTurns: 0.5 } } as unknown as OnBridgeEvent;

describe('a bridge that stands skew', () => {
  it('wants its high end drawn in, as far as the hook of that end stands off: arm by half the skew over the edge', () => {
    const tip = 0.5 / 45;
    // the hook goes with it at 40 mm; saddles 3 mm behind the edge rise by 3 mm · tip, and each spring is longer by what that share of its pull makes
    const strings = forcesAt(floatingBridge, levelOf(floatingBridge), radians(0), levelRests(floatingBridge)).strings;
    const each = (strings * 10.5) / 40 / 3;
    const travel = toMillimetres(skewTravel(level, mm(1), edge) ?? metres(0));
    expect(travel).toBeCloseTo(40 * tip - (each * tip * 3) / 10.5 / 1.2, 2);
  });

  it('straight it wants nothing, and the other way round the other screw', () => {
    expect(skewTravel(level, mm(0), edge)).toBeCloseTo(0, 9);
    expect(skewTravel(level, mm(-1), edge)).toBeCloseTo(-(skewTravel(level, mm(1), edge) ?? 0), 6);
  });

  it('is known from both ends, measured since the claw was turned', () => {
    const both = [measured('bridge-level', 3.6), measured('bridge-level-treble', 3.1)];
    expect(skewOf(both)).toBeCloseTo(0.0005, 9);
    expect(skewOf([...both, turned])).toBeNull();
    expect(skewOf([measured('bridge-level', 3.6)])).toBeNull();
    expect(skewOf([...both, turned, measured('bridge-level', 3), measured('bridge-level-treble', 3)])).toBe(0);
  });

  it('a treble end that is measured after the claw was turned stands alone', () => {
    const measures = { lead: mm(1.7), edge, levelMm: 3 };
    const log = [measured('bridge-level', 3.6), turned, measured('bridge-level-treble', 3.2)];
    const happenings = happeningsOf(floatingBridge, log, measures);
    expect(happenings.at(-1)).toEqual({ kind: 'tilt', angle: expect.closeTo(tiltOf(mm(0.2), edge), 9) });
  });

  it('tips by the middle of both ends', () => {
    const both = [measured('bridge-level', 3.6), measured('bridge-level-treble', 3.2)];
    const happenings = happeningsOf(floatingBridge, both, { lead: mm(1.7), edge, levelMm: 3 });
    expect(happenings.at(-1)).toEqual({ kind: 'tilt', angle: expect.closeTo(tiltOf(mm(0.4), edge), 9) });
  });
});
