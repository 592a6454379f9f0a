import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { bridgeUnderNow, caliperReadings, chanceFrom, holdFlush, holdOf, letGo, paidOut, pullOfSimulated } from './index.js';
import { atSaddle, fineTuned, pitchNow, pullsOf, rested, soundOf, stretched, strungUp, turned, wound } from './index.js';
import type { SimulatedString } from './index.js';
import { pitchOf } from '../instrument/index.js';
import { tensionFor } from '../tension/index.js';
import { anyPlan, clampOf, floatingBridge, levelOf, planOf, stringsOf } from '../testing/index.js';
import { cents, fromMillimetres, hertz, metres, newtons, radians, type Newtons } from '../units/index.js';

const stringOf = (kind: string, number: number) => {
  const instrument = instrumentOf(kind);
  const [string, place] = [stringsOf(instrument)[number - 1], instrument.strings[number - 1]];
  if (string === undefined || place === undefined) throw new Error('no such string');
  return { string, scale: place.scaleLength, gearRatio: instrument.gearRatio, pitch: pitchOf(instrument, place) };
};
const woundAs = (kind: string, number: number, seed = 7) =>
  wound({ plan: anyPlan(kind, number), ...stringOf(kind, number), holds: null }, chanceFrom(seed));
/** At its note, without friction and with all gears taken up; the same pull all along. */
function atItsNote(changes: Partial<SimulatedString> = {}) {
  const plan = planOf('electric-in-line', 2);
  const { pitch, ...string } = stringOf('electric-in-line', 2);
  const { of, state } = wound({ plan, ...string, holds: null, borne: { pitch, rounds: 0 } }, chanceFrom(7));
  const own = { ...of, grip: 1, firstDrop: cents(40), remainder: cents(1), kept: 0.5, ...changes };
  return { of: own, state: { ...state, toSettle: own.firstDrop }, pull: pullsOf(own, state).body };
}
const sum = (list: readonly number[]) => list.reduce((all, each) => all + each, 0);

describe('strings of one kind', () => {
  const median = (list: readonly number[]) => [...list].sort((a, b) => a - b)[list.length >> 1] ?? 0;
  const spread = (list: readonly number[]) => {
    const logs = list.map(Math.log);
    const mean = sum(logs) / logs.length;
    return Math.sqrt(sum(logs.map((log) => (log - mean) ** 2)) / logs.length);
  };
  const all = (kind: string, number: number) => Array.from({ length: 2001 }, (_, seed) => woundAs(kind, number, seed).of);

  it('lie about what is typical: half of them below, by e to 0.3 either way', () => {
    const steel = all('electric-in-line', 2);
    const { nut } = planOf('electric-in-line', 2);
    const typical: [keyof SimulatedString | 'friction', readonly number[], number][] = [
      ['backlash', steel.map(({ backlash }) => 360 * backlash), 10],
      ['friction', steel.map(({ grip }) => Math.log(grip) / (nut?.total ?? 0)), 0.15],
      ['firstDrop', steel.map(({ firstDrop }) => firstDrop), 35],
      ['remainder', steel.map(({ remainder }) => remainder), 0.6],
      ['creep', steel.map(({ creep }) => creep), 0.6],
    ];
    for (const [what, found, wanted] of typical) {
      expect(`${what} ${Math.abs(Math.log(median(found) / wanted)) < 0.03}`).toBe(`${what} true`);
      expect(spread(found)).toBeCloseTo(0.3, 1);
    }
    const soft = all('classical', 1);
    expect(median(soft.map(({ firstDrop }) => firstDrop))).toBeCloseTo(90, -1);
    expect(median(soft.map(({ creep }) => creep))).toBeCloseTo(20, 0);
  });

  it('keep two fifths of a drop, by e to 0.2 either way, and none more than seven tenths', () => {
    const kept = all('electric-in-line', 2).map((each) => each.kept);
    expect(median(kept)).toBeCloseTo(0.4, 1);
    expect(Math.max(...kept)).toBe(0.7);
    expect(spread(kept.filter((each) => each < 0.7))).toBeCloseTo(0.2, 1);
  });

  it('slip over a clamp behind the nut as over a break of a tenth of a radian', () => {
    const plan = clampOf(1);
    const found = Array.from({ length: 999 }, (_, seed) =>
      Math.log(wound({ plan, ...stringOf('electric-headless', 1), holds: null }, chanceFrom(seed)).of.grip),
    );
    expect(median(found) / 0.015).toBeCloseTo(1, 1);
  });

  it('come fresh, and none of them is worn', () => {
    expect(woundAs('electric-in-line', 2).of.worn).toBe(false);
    expect(woundAs('electric-in-line', 2).state).toMatchObject({ hours: 0, slips: 0, crept: 0, broken: false, onPost: 0 });
  });
});

describe('what a string is drawn to before it is plucked', () => {
  // the pull goes with the square of the pitch, and a bass string thins by some thousandths meanwhile
  it.each([
    ['electric-in-line', 1, 0.1], // 330 Hz: a tenth of its pull sounds 104 Hz
    ['bass-in-line', 4, (28 / 41.2) ** 2], // E1: what sounds 28 Hz
    ['bass-five', 5, 0.5], // B0: 28 Hz would be four fifths of it
  ])('%s, string %i: %f of its pull at pitch', (kind, number, share) => {
    const { of, state } = woundAs(kind, number);
    expect(pullsOf(of, state).body / anyPlan(kind, number).load.pull / share).toBeCloseTo(1, 1);
  });

  it('is its note where it was brought to it, at the length that it has on a bridge that tipped', () => {
    const [plan, longer] = [planOf('electric-in-line', 2), fromMillimetres(2)];
    const { pitch, ...string } = stringOf('electric-in-line', 2);
    const { of, state } = wound({ plan, ...string, holds: null, borne: { pitch, rounds: 1 }, longer }, chanceFrom(7));
    expect(pitchNow(atSaddle(of, longer), state) / pitch).toBeCloseTo(1, 9);
    expect([atSaddle(of, longer).path - of.path, atSaddle(of, longer).scale - of.scale]).toEqual([
      expect.closeTo(0.002, 12),
      expect.closeTo(0.002, 12),
    ]);
    expect(state.button / plan.buttonTurns).toBeCloseTo(1, 1);
  });
});

describe('a string between clamps', () => {
  it('is drawn in evenly by a screw: all of its travel for all of its turns', () => {
    const plan = clampOf(1);
    const { pitch, ...string } = stringOf('electric-headless', 1);
    const { of, state } = wound({ plan, ...string, holds: null, borne: { pitch, rounds: 0 } }, chanceFrom(7));
    expect(of.drawn(plan.screw.turns)).toBeCloseTo(plan.screw.used, 12);
    expect(of.drawn(plan.screw.turns / 4)).toBeCloseTo(plan.screw.used / 4, 12);
    expect(state.button / plan.screw.turns).toBeCloseTo(1, 2);
    expect(of.pastNut).toBeCloseTo(0.02, 12);
    // just taut it has most of its stretch before it: l ε (1 − 0.1) of the travel
    const taut = wound({ plan, ...string, holds: null }, chanceFrom(7));
    const ahead = (0.9 * plan.stretch.path * plan.load.strain) / plan.screw.used;
    expect(1 - taut.state.button / plan.screw.turns).toBeCloseTo(ahead, 2);
  });

  it('is held whatever is cut', () => expect([holdOf(clampOf(1), null), holdFlush(clampOf(1))]).toEqual([null, null]));
});

it('a tail cut flush leaves a quarter of the bend in the hole, by e^(μ 2π n) of its turns; an end inside the post is held as before', () => {
  const plan = planOf('acoustic-parlour', 4);
  const with_ = (postMethod: 'wind-down' | 'kink-lock' | 'clamp' | 'bend-into-centre') => ({
    ...plan,
    methods: { ...plan.methods, postMethod },
    wind: { ...plan.wind, turns: 2 },
  });
  for (const method of ['wind-down', 'kink-lock'] as const)
    expect((holdFlush(with_(method)) ?? 0) / plan.load.pull).toBeCloseTo(0.25 * 0.12 * Math.exp(0.2 * 2 * Math.PI * 2), 9);
  for (const method of ['clamp', 'bend-into-centre'] as const) expect(holdFlush(with_(method))).toBeNull();
});

describe('a peg that friction alone holds', () => {
  it('turns back until it holds: what comes off its post lies on the instrument, and its button goes back by as much', () => {
    const { of, state, pull } = atItsNote();
    const lever = 100 * (of.drawn(state.button + 0.01) - of.drawn(state.button)); // drawn in by a turn, m
    const weak = { ...of, pegGrip: (0.9 * pull * lever) / (2 * Math.PI) };
    const now = letGo(weak, state);
    const { head, body } = pullsOf(weak, now);
    expect(now.crept).toBeGreaterThan(0);
    expect(head / pull).toBeLessThanOrEqual(0.9 + 1e-3);
    expect(head / pull).toBeGreaterThan(0.9 * 0.92 - 1e-3);
    expect(head / body).toBeCloseTo(1, 6);
    expect(now.head + now.body + now.onPost).toBeCloseTo(state.head + state.body + state.onPost, 12);
    const off = state.onPost - now.onPost;
    expect(off).toBeGreaterThan(0);
    expect((of.drawn(state.button) - of.drawn(now.button)) / (off * (1 + pull / of.string.stiffness))).toBeCloseTo(1, 2);
    const strong = { ...of, pegGrip: (1.01 * pull * lever) / (2 * Math.PI) };
    expect(letGo(strong, state)).toBe(state);
  });

  it('gives way under the hand that stretches, by as much as that pulls more than it holds', () => {
    const { of, state, pull } = atItsNote();
    const lever = 100 * (of.drawn(state.button + 0.01) - of.drawn(state.button));
    const geared = pullsOf(of, stretched(of, state, 1)); // a third more than the pull
    const after = (share: number) => {
      const peg = { ...of, pegGrip: (share * pull * lever) / (2 * Math.PI) };
      return { pulls: pullsOf(peg, stretched(peg, state, 1)), crept: stretched(peg, state, 1).crept };
    };
    const [weak, firm] = [after(1.2), after(1.4)];
    expect([weak.crept, firm.crept]).toEqual([1, 0]);
    expect(firm.pulls).toEqual(geared);
    expect((geared.body - weak.pulls.body) / pull).toBeCloseTo(4 / 3 - 1.2, 2);
    expect((geared.head - weak.pulls.head) / pull).toBeCloseTo(4 / 3 - 1.2, 2);
    const far = after(0.1).pulls;
    expect([far.head, far.body]).toEqual([0, 0]); // no string pulls less than not at all
  });
});

describe('an end that gives way', () => {
  it('gives until 0.85 of what it holds is left, as it is turned up and as it is stretched', () => {
    const { of, state, pull } = atItsNote();
    const weak = { ...of, holds: newtons(1.1 * pull) };
    let now = state;
    for (let step = 0; step < 4000 && now.slips === 0; step++) now = turned(weak, now, 0.004);
    expect(pullsOf(weak, now).body / pull).toBeCloseTo(0.85 * 1.1, 6);
    const under = stretched(weak, state, 1); // a third more than its pull
    expect([under.slips, pullsOf(weak, under).body / pull]).toEqual([1, expect.closeTo(0.85 * 1.1, 6)]);
    const holds = { ...of, holds: newtons(1.34 * pull) };
    expect(stretched(holds, state, 1).slips).toBe(0);
    expect(stretched(holds, state, 3).slips).toBe(1); // three times as strong: twice its pull
  });

  it('keeps the ratio of its pulls as it gives', () => {
    const { of, state, pull } = atItsNote({ grip: 1.5 });
    const parted = { ...state, head: metres(of.pastNut / (1 + (1.3 * pull) / of.string.stiffness)) };
    const under = turned({ ...of, holds: newtons(1.301 * pull) }, parted, 0.004);
    const { head, body } = pullsOf(of, under);
    expect(under.slips).toBe(1);
    expect(head / pull).toBeCloseTo(0.85 * 1.301, 3);
    expect(head / body).toBeCloseTo(1.31, 2); // that step drew it from 1.3
  });
});

it('what is paid out lies past the nut and before it as the path does, and it hangs lower', () => {
  const { of, state } = atItsNote();
  const out = paidOut(of, state, fromMillimetres(0.6));
  expect(out.head - state.head).toBeCloseTo((0.0006 * of.pastNut) / of.path, 12);
  expect(out.head + out.body - state.head - state.body).toBeCloseTo(0.0006, 12);
  expect(pitchNow(of, out)).toBeLessThan(pitchNow(of, state));
  expect(pullsOf(of, out).head / pullsOf(of, out).body).toBeCloseTo(1, 9);
});

it('nothing is done to a string that is broken or slack, nor by a turn of nothing', () => {
  const { of, state } = atItsNote();
  const broken = { ...state, broken: true };
  const slack = { ...state, head: metres(2 * state.head), body: metres(2 * state.body) };
  for (const gone of [broken, slack])
    expect([fineTuned(of, gone, 1), stretched(of, gone, 1), rested(of, gone, 5)].map((now) => now === gone)).toEqual([true, true, true]);
  expect([turned(of, broken, 1) === broken, paidOut(of, broken, metres(1)) === broken]).toEqual([true, true]);
  expect(turned(of, state, 0)).toBe(state);
  expect(pullsOf(of, broken)).toEqual({ head: 0, body: 0 });
});

describe('on a bridge that moves', () => {
  it('a string pulls by EA of what its saddle draws it out, and its end past the nut stays as it is', () => {
    const { of, state } = atItsNote();
    const at = pullOfSimulated(of, state);
    expect(at(metres(0))).toBeCloseTo(pullsOf(of, state).body, 9);
    expect(at(fromMillimetres(0.5)) - at(metres(0))).toBeCloseTo((of.string.stiffness * 0.0005) / state.body, 6);
  });

  it('the springs alone draw it back where no string is on, and more strings draw it less far', () => {
    const claw = levelOf(floatingBridge);
    const pulls = (on: number) => floatingBridge.strings.map((_, index) => (index < on ? () => newtons(70) : null));
    const angles = [0, 2, 4, 6].map((on) => bridgeUnderNow(floatingBridge, claw, pulls(on), radians(0)));
    expect([...angles].sort((a, b) => a - b)).toEqual(angles);
  });
});

describe('its sound', () => {
  const RATE = 8000;
  /** Root of the mean square from one second to another. */
  const loud = (samples: Float32Array, from: number, to: number) =>
    Math.sqrt(sum([...samples.subarray(from * RATE, to * RATE)].map((sample) => sample ** 2)) / ((to - from) * RATE));

  it('lasts half as long once it was played for months: a thousandth is left after 4.5 s and not after 9', () => {
    const { of, state } = atItsNote();
    const [fresh, worn] = [of, { ...of, worn: true }].map((each) => soundOf(each, state, RATE, chanceFrom(5))(4 * RATE));
    if (fresh === undefined || worn === undefined) throw new Error('no sound');
    // its first partial falls by a thousand in that time, and late only that is left
    const falls = (samples: Float32Array) => Math.log10(loud(samples, 2, 2.5) / loud(samples, 3.5, 4));
    expect(falls(worn)).toBeCloseTo((3 * 1.5) / 4.5, 1);
    expect(falls(fresh)).toBeLessThan(0.75 * falls(worn));
  });

  it('is joined by strings beside it that sound, and by none that hangs too slack for that', () => {
    const { of, state } = atItsNote();
    const at = (pitch: number) => ({ of, state: strungUp(of, tensionFor(hertz(pitch), of.scale, of.string), 0) });
    const note = pitchNow(of, state);
    const from = (others: Parameters<typeof soundOf>[4]) => [...soundOf(of, state, RATE, chanceFrom(5), others)(RATE)];
    expect(from([at(note / 12)])).toEqual(from([])); // 20.6 Hz: its twelfth partial would be driven
    expect(from([at(note / 2)])).not.toEqual(from([]));
  });
});

it('a wound string is made less exactly than a wire: 12 µm beside the 10 of the reading', () => {
  const chance = chanceFrom(9);
  const read = () =>
    1e6 * (caliperReadings({ gauge: metres(0.001), construction: 'wound' }, { zero: metres(0), count: 1 }, chance)[0] ?? 0);
  const all = Array.from({ length: 10_000 }, read);
  const mean = sum(all) / all.length;
  expect(Math.sqrt(sum(all.map((each) => (each - mean) ** 2)) / all.length) / Math.hypot(12, 10)).toBeCloseTo(1, 1);
});

it('chance is mulberry32, by the same steps in whole numbers of any size', () => {
  const mask = 0xffffffffn;
  let state = 12345n;
  const times = (a: bigint, b: bigint) => (a * b) & mask;
  const wanted = Array.from({ length: 5 }, () => {
    state = (state + 0x6d2b79f5n) & mask;
    let mixed = times(state ^ (state >> 15n), 1n | state);
    mixed = ((mixed + times(mixed ^ (mixed >> 7n), 61n | mixed)) & mask) ^ mixed;
    return Number(mixed ^ (mixed >> 14n)) / 2 ** 32;
  });
  const chance = chanceFrom(12345);
  expect(Array.from({ length: 5 }, chance)).toEqual(wanted);
});

it('its pull past the nut stays where a fine tuner behind a clamp draws the rest: EA of 0.2 mm a turn', () => {
  const { of, state } = atItsNote();
  const one = fineTuned(of, state, 1);
  const gained = (now: typeof state): Newtons => newtons(pullsOf(of, now).body - pullsOf(of, state).body);
  // what comes in is stretched already
  const strain = pullsOf(of, state).body / of.string.stiffness;
  expect(state.body - one.body).toBeCloseTo(0.0002 / (1 + strain), 12);
  expect(gained(one) / gained(fineTuned(of, state, 2))).toBeCloseTo(0.5, 2);
});
