import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../simulated/index.js';
import { floatingBridge, learned, levelOf, lightSet, offBy } from '../testing/index.js';
import { cents, fromDegrees, radians } from '../units/index.js';
import { normalOf, spreadOf as lognormalSpread } from './draws.js';
import { armRange, bend, levelRests, pullOf, restingAt, restsFrom, spreadOfBridge, type Unknown } from './index.js';

const claw = levelOf(floatingBridge);
const rests = levelRests(floatingBridge);
const KNOWN: readonly Unknown[] = ['springs', 'saddle-height', 'spring-depth', 'stiffness', 'mass', 'screw-lead'];
const exact = [{ rate: floatingBridge.springs.rate, initial: floatingBridge.springs.initial, weight: 1 }];
const open = {
  bridge: floatingBridge,
  claw,
  samples: learned([], { pitch: cents(0.5), tilt: fromDegrees(0.3) }).samples,
  tried: false,
  measured: new Set<Unknown>(),
  heard: offBy([]),
  bent: cents(200),
  draws: 400,
};
const width = (band: { low: number; high: number } | null | undefined) => (band == null ? NaN : band.high - band.low);

it('draws normal deviates from two even ones: √(−2 ln u) cos 2πv', () => {
  const drawn = [0, 0.5, 0.25].map((v) => normalOf(((pair) => () => pair.shift() ?? NaN)([1 - Math.exp(-2), v]))); // prettier-ignore
  [2, -2, 0].forEach((deviate, nth) => expect(drawn[nth]).toBeCloseTo(deviate, 9));
});

describe('what a bridge bears and does, by all that is not measured', () => {
  it('is that of a lognormal of which a tenth lies under and a tenth over its range: 1.2816 spreads to either side', () => {
    expect(lognormalSpread({ low: Math.exp(-0.2 * 1.2816), high: Math.exp(0.2 * 1.2816) })).toBeCloseTo(0.2, 12);
  });

  const spreadOf = () => spreadOfBridge(open, chanceFrom(1)); // reckoned within each test

  it('is what it is where all is known', () => {
    const known = spreadOfBridge({ ...open, samples: exact, measured: new Set(KNOWN), draws: 4 }, chanceFrom(1));
    const pull = lightSet.reduce((sum, string, index) => sum + pullOf(string, string.scaleLength, rests[index] ?? string.scaleLength), 0);
    expect(known?.strings.low).toBeCloseTo(pull, 6);
    expect(width(known?.strings)).toBeCloseTo(0, 9);
    // in balance: 10.5 mm over the edge the strings, 40 mm under it the springs
    expect(known?.springs.likely).toBeCloseTo((pull * 10.5) / 40, 6);
    const range = armRange(floatingBridge, claw, rests);
    expect(known?.arm[0]?.up?.likely).toBeCloseTo(range.strings[0]?.up ?? NaN, 6);
    expect(known?.arm[0]?.down?.likely).toBeCloseTo(range.strings[0]?.down ?? NaN, 6);
    const lowest = Math.min(...bend(floatingBridge, claw, rests, 0, open.bent).map((moved) => moved ?? 0));
    expect(known?.arm[0]?.bends?.likely).toBeCloseTo(lowest, 6);
    expect(known?.lifts).toBeNull();
  });

  it('tells where a string goes slack from where the bridge lies, also where that is not level', () => {
    const heard = offBy([-80, -60]);
    const lies = restsFrom(floatingBridge, claw, heard);
    const known = spreadOfBridge({ ...open, heard, samples: exact, measured: new Set(KNOWN), draws: 1 }, chanceFrom(1));
    const at = armRange(floatingBridge, claw, lies.rests).strings[3]?.slackAt ?? NaN;
    expect(Math.abs(lies.angle)).toBeGreaterThan(0.001);
    expect(known?.arm[3]?.slackAt?.likely).toBeCloseTo(at - lies.angle, 9);
  });

  it('knows the pull of strings by their mass, and that of springs no better than saddles and hooks are measured', () => {
    // T (1 + T/EA) = μ (2 L f)²: mass within 3 % is a pull within less than that
    const spread = spreadOf();
    const share = width(spread?.strings) / (spread?.strings.likely ?? NaN);
    expect(share).toBeGreaterThan(0.05);
    expect(share).toBeLessThan(0.07);
    expect(width(spread?.springs) / (spread?.springs.likely ?? NaN)).toBeGreaterThan(2 * share);
  });

  it('tells fine tuners no better than their screws are known: a third to a half more or less', () => {
    const { perTurn = [] } = spreadOf() ?? {};
    expect(perTurn).toHaveLength(6);
    for (const turn of perTurn) {
      expect((turn?.high ?? 0) / (turn?.low ?? 1)).toBeGreaterThan(2);
      expect((turn?.high ?? 0) / (turn?.low ?? 1)).toBeLessThan(4.5);
    }
  });

  it('has no band for a string that is off, and none at all where no draw holds', () => {
    const heard = open.heard.with(2, null as never);
    const without = spreadOfBridge({ ...open, heard, draws: 4 }, chanceFrom(1));
    expect([without?.arm[2], without?.perTurn[2]]).toEqual([null, null]);
    const weak = { ...floatingBridge, springs: { ...floatingBridge.springs, count: 40 } };
    expect(spreadOfBridge({ ...open, bridge: weak, draws: 4 }, chanceFrom(1))).toBeNull();
  });

  it('says where one that rests would lift', () => {
    const resting = { ...floatingBridge, stops: { ...floatingBridge.stops, back: radians(0) } };
    const known = spreadOfBridge({ ...open, bridge: resting, samples: exact, measured: new Set(KNOWN), draws: 2 }, chanceFrom(1));
    expect(known?.lifts?.likely).toBeCloseTo(restingAt(resting, claw, rests).lifts, 6);
  });
});
