import { describe, expect, it } from 'vitest';
import { floatingBridge, levelOf, lightSet } from '../testing/index.js';
import { cents, fromDegrees, metres } from '../units/index.js';
import { armRange, bend, levelRests, restingAt } from './index.js';
import { pullFor, speaking } from './bridge.js';

const claw = levelOf(floatingBridge);
const rests = levelRests(floatingBridge);

describe('the range of the arm', () => {
  const range = () => armRange(floatingBridge, claw, rests);

  it('is what each string loses of its stretch: rest length and stop say it by themselves', () => {
    const { strings } = range();
    const [first] = lightSet;
    if (first === undefined) throw new Error('there is a first string');
    // up: EA (l/l₀ − 1) at the back stop, and pitch from T (1 + T/EA) = μ (2 L f)²
    const { length } = speaking(first, floatingBridge.stops.back);
    const pull = first.stiffness * ((length + first.extra) / (rests[0] ?? 1) - 1);
    const frequency = Math.sqrt((pull * (1 + pull / first.stiffness)) / first.restDensity) / (2 * length);
    expect(strings[0]?.up).toBeCloseTo(12 * Math.log2(frequency / first.pitch), 6);
    for (const string of strings) expect(string?.up ?? 0).toBeGreaterThan(0.5);
    // down: slack from where all of its stretch is given back, and where that lies before the stop there is no pitch any more
    strings.forEach((string, index) => {
      const make = lightSet[index];
      if (make === undefined) throw new Error('no string');
      expect(string?.down === null).toBe(string?.slackAt !== null);
      const at = string?.slackAt ?? floatingBridge.stops.forward;
      const left = speaking(make, at).length + make.extra - (rests[index] ?? 0);
      if (string?.slackAt === null) expect(left).toBeGreaterThan(0);
      else expect(left).toBeCloseTo(0, 9);
    });
  });

  it('names the string that hangs slack before all others: the one that is stretched least at its pitch', () => {
    const strain = lightSet.map((string) => pullFor(string, string.scaleLength, string.pitch) / string.stiffness);
    const { strings, slackFirst } = range();
    expect(slackFirst).toBe(strain.indexOf(Math.min(...strain)));
    expect(strings[slackFirst ?? 0]?.down).toBeNull();
  });

  it('is wider for a string that stretches more', () => {
    const up = range().strings.map((string) => string?.up ?? 0);
    const strain = lightSet.map((string) => pullFor(string, string.scaleLength, string.pitch) / string.stiffness);
    const byStrain = [...strain.keys()].sort((a, b) => (strain[a] ?? 0) - (strain[b] ?? 0));
    const byRange = [...up.keys()].sort((a, b) => (up[b] ?? 0) - (up[a] ?? 0));
    expect(byRange).toEqual(byStrain); // the same cents of stretch are more pitch where there is little
  });

  it('is none for a string that is off', () => {
    const without = armRange(floatingBridge, claw, rests.with(3, null as never));
    expect(without.strings[3]).toBeNull();
    expect(without.strings[2]).not.toBeNull();
    const slack = rests.with(3, metres((rests[3] ?? 0) + 0.02)); // or slack: no arm moves what does not sound
    expect(armRange(floatingBridge, claw, slack).strings[3]).toBeNull();
    expect(bend(floatingBridge, claw, slack, 3, cents(100))).toEqual(Array(6).fill(null));
    expect(bend(floatingBridge, claw, slack, 2, cents(200))[3]).toBeNull();
    expect(bend(floatingBridge, claw, rests.with(3, null as never), 2, cents(200))[3]).toBeNull();
    const stiff = { ...floatingBridge, stops: { ...floatingBridge.stops, forward: fromDegrees(0.1) } };
    expect(armRange(stiff, claw, rests).slackFirst).toBeNull(); // the stop comes before all
    expect(restingAt(floatingBridge, claw, rests.with(3, null as never)).pull).toBeLessThan(restingAt(floatingBridge, claw, rests).pull);
  });
});

describe('a bend', () => {
  it('of one string lowers all others, and leaves itself where it is bent to', () => {
    const moved = bend(floatingBridge, claw, rests, 2, cents(200));
    expect(moved[2]).toBe(0);
    moved.forEach((off, index) => index !== 2 && expect(off ?? 0).toBeLessThan(-1));
  });

  it('of nothing moves nothing, and a string that is off cannot be bent', () => {
    for (const off of bend(floatingBridge, claw, rests, 2, cents(0))) expect(off).toBeCloseTo(0, 6);
    expect(bend(floatingBridge, claw, rests.with(2, null as never), 2, cents(100))).toEqual(Array(6).fill(null));
  });
});

describe('a bridge that rests on the body', () => {
  const resting = { ...floatingBridge, stops: { ...floatingBridge.stops, back: fromDegrees(0) } };

  it('is about to lift where its claw would just hold it level, and holds more the farther it is drawn in', () => {
    const { pull, lifts } = restingAt(resting, claw, rests);
    expect(lifts / pull).toBeCloseTo(1, 9);
    // each millimetre adds 3 springs × 1.2 N at 40 mm against 10.5 mm
    const firmer = restingAt(resting, metres(claw + 0.001), rests);
    expect(firmer.lifts - lifts).toBeCloseTo((3 * 1.2 * 40) / 10.5, 6);
  });

  it('is not moved by a bend until it lifts', () => {
    const firm = bend(resting, metres(claw + 0.01), rests, 2, cents(200));
    for (const off of firm) expect(off).toBeCloseTo(0, 9);
    const loose = bend(resting, metres(claw + 0.0005), rests, 2, cents(200));
    expect(loose[0] ?? 0).toBeLessThan(-0.5);
  });
});
