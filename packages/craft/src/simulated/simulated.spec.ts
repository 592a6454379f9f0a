import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { trackPitch } from '../pitch/index.js';
import { windString } from '../procedure/index.js';
import { setsFor, stringProperties } from '../strings/index.js';
import { fundamentalAt } from '../tension/index.js';
import { cents, hertz, metres, newtons } from '../units/index.js';
import {
  chanceFrom,
  handStrength,
  holdOf,
  inharmonicityOf,
  pitchNow,
  pullsOf,
  rested,
  soundOf,
  stretched,
  turned,
  wound,
} from './index.js';
import type { SimulatedString, StringState } from './index.js';

/** String `number` of an archetype in its first set, wound as planned. */
function onBench(kind: string, number: number, changes: Partial<SimulatedString> = {}) {
  const instrument = instrumentOf(kind);
  const index = number - 1;
  const spec = setsFor(instrument.family, instrument.strings.length)[0]?.strings[index];
  const properties = spec === undefined ? null : stringProperties(spec);
  if (properties?.ok !== true) throw new Error('no such string');
  const string = properties.value;
  const plan = windString({ instrument, index, string });
  const place = instrument.strings[index];
  if (plan === null || place === undefined) throw new Error('no plan');
  const strung = { plan, string, scale: place.scaleLength, gearRatio: instrument.gearRatio, holds: null };
  const { of, state } = wound(strung, chanceFrom(7));
  return { of: { ...of, ...changes }, state: { ...state, play: 0, toSettle: changes.firstDrop ?? state.toSettle }, plan, string };
}
/** Turned up until it pulls so. */
function upTo(of: SimulatedString, state: StringState, pull: number): StringState {
  let now = state;
  while (pullsOf(of, now).body < pull && !now.broken) now = turned(of, now, 0.05);
  return now;
}
const IDEAL = { grip: 1, backlash: 0 };
const off = (now: number, from: number) => 1200 * Math.log2(now / from);

describe.each([
  ['acoustic-parlour', 1],
  ['acoustic-parlour', 6],
  ['electric-in-line', 3],
  ['bass-in-line', 4],
  ['classical', 1],
])('a string of %s, number %d', (kind, number) => {
  it('without friction sounds what its pull sounds, comes back where the peg comes back, and loses no length', () => {
    const { of, state, plan } = onBench(kind, number, IDEAL);
    const up = upTo(of, state, 0.7 * plan.load.pull);
    const { body, head } = pullsOf(of, up);
    expect(head / body).toBeCloseTo(1, 6);
    expect(off(pitchNow(of, up), fundamentalAt(body, of.scale, of.string))).toBeCloseTo(0, 6);
    const back = turned(of, turned(of, up, 0.7), -0.7);
    expect(Math.abs(off(pitchNow(of, back), pitchNow(of, up)))).toBeLessThan(0.5); // what comes back off the post is a little longer than what went on
    for (const each of [state, up, back]) expect(each.head + each.body + each.onPost).toBeCloseTo(state.head + state.body, 9);
  });
});

it.each([
  ['acoustic-parlour', 1],
  ['electric-in-line', 3],
  ['bass-in-line', 4],
])('a string of %s, number %d, comes to its pull where the plan says, in turns of the button', (kind, number) => {
  const { of, state, plan } = onBench(kind, number, IDEAL);
  if (plan.kind !== 'post') throw new Error('no post');
  const up = turned(of, state, plan.buttonTurns - state.button);
  expect(Math.abs(pullsOf(of, up).body / plan.load.pull - 1)).toBeLessThan(0.02);
});

describe('friction and backlash', () => {
  it('let the pitch lag behind the peg from below, hang sharp from above, and a stretch lets it go', () => {
    const { of, state, plan } = onBench('electric-in-line', 3, { grip: 1.06, backlash: 0 });
    const below = upTo(of, state, 0.9 * plan.load.pull);
    expect(pullsOf(of, below).head).toBeGreaterThan(pullsOf(of, below).body);
    const above = turned(of, turned(of, below, 0.1), -0.3);
    expect(pullsOf(of, above).head).toBeLessThan(pullsOf(of, above).body);
    const { head, body } = pullsOf(of, stretched(of, above, 1));
    expect(head / body).toBeCloseTo(1, 6);
  });

  it('never part the pulls by more than the slot holds, and let the string go in jumps', () => {
    const { of, state, plan } = onBench('electric-in-line', 3, { grip: 1.1, backlash: 0 });
    let now = upTo(of, state, 0.5 * plan.load.pull);
    const steps: number[] = [];
    for (let step = 0; step < 120; step++) {
      const next = turned(of, now, 0.004);
      const { head, body } = pullsOf(of, next);
      expect(head / body).toBeLessThanOrEqual(1.1 + 1e-9);
      steps.push(off(pitchNow(of, next), pitchNow(of, now)));
      now = next;
    }
    expect(steps.filter((step) => Math.abs(step) < 1e-6).length).toBeGreaterThan(30); // it hangs
    expect(Math.max(...steps)).toBeGreaterThan(5.8); // and pings: 1.1 T − x = 1.1^0.6 (T + 0.199 x) where a sixth of the path lies past the nut
  });

  it('take nothing from the string while the gears only change sides', () => {
    const { of, state, plan } = onBench('acoustic-parlour', 2, { grip: 1, backlash: 0.05 });
    const up = turned(of, upTo(of, state, 0.8 * plan.load.pull), 0.1);
    expect(pitchNow(of, turned(of, up, -0.05))).toBeCloseTo(pitchNow(of, up), 6);
    expect(pitchNow(of, turned(of, up, -0.06))).toBeLessThan(pitchNow(of, up));
  });
});

describe('a new string', () => {
  const settling = { ...IDEAL, firstDrop: cents(40), remainder: cents(1), kept: 0.5 };

  it('loses c + a qⁿ in each round of a hand that is always the same', () => {
    const { of, state, plan } = onBench('electric-in-line', 2, settling);
    let now = upTo(of, state, plan.load.pull);
    const drops = Array.from({ length: 5 }, () => {
      const before = pitchNow(of, now);
      now = stretched(of, now, 1);
      return -off(pitchNow(of, now), before);
    });
    for (const [index, drop] of drops.entries()) expect(drop).toBeCloseTo(1 + 40 * 0.5 ** index, 6);
  });

  it('creeps by the logarithm of time, nylon by more than steel', () => {
    const { of, state, plan } = onBench('classical', 1, { ...IDEAL, creep: cents(20), onset: 0.1 });
    const up = upTo(of, state, plan.load.pull);
    const hour = rested(of, up, 1);
    expect(-off(pitchNow(of, hour), pitchNow(of, up))).toBeCloseTo(20 * Math.log(11), 6);
    expect(off(pitchNow(of, rested(of, hour, 3)), pitchNow(of, rested(of, up, 4)))).toBeCloseTo(0, 6);
    expect(onBench('classical', 1).of.creep).toBeGreaterThan(onBench('acoustic-parlour', 1).of.creep);
  });

  it('slips where it is held too weakly and breaks where it is pulled too far', () => {
    const { of, state, plan } = onBench('acoustic-parlour', 1, IDEAL);
    const weak = { ...of, holds: newtons(0.8 * plan.load.pull) };
    let now = state;
    for (let turn = 0; turn < 60; turn++) now = turned(weak, now, 0.25);
    expect(now.slips).toBeGreaterThan(3);
    expect(pullsOf(weak, now).body).toBeLessThan(0.8 * plan.load.pull);
    const gone = turned(of, state, 60);
    expect([gone.broken, pitchNow(of, gone)]).toEqual([true, 0]);
    expect(turned(of, gone, -1)).toBe(gone);
  });

  it('is met again as it was left: at its pitch, with less to settle', () => {
    const { plan, string } = onBench('acoustic-parlour', 3);
    const strung = { plan, string, scale: metres(0.632), gearRatio: 14, holds: null };
    const again = wound({ ...strung, borne: { pitch: hertz(180), rounds: 3 } }, chanceFrom(7));
    const fresh = wound(strung, chanceFrom(7));
    expect(off(pitchNow(again.of, again.state), 180)).toBeCloseTo(0, 6);
    expect(again.state.toSettle / fresh.state.toSettle).toBeCloseTo(fresh.of.kept ** 3, 9);
    expect(again.state.button).toBeGreaterThan(fresh.state.button);
  });

  it('holds by its turns where nothing locks it: two turns hold, one and a straight pull do not, each by e^(μ 2π n)', () => {
    const { plan } = onBench('acoustic-parlour', 4);
    const unlocked = { ...plan, methods: { ...plan.methods, postMethod: 'wind-down' as const } };
    const holds = (turns: number) => (holdOf(unlocked, turns) ?? 0) / plan.load.pull;
    expect(holds(2)).toBeGreaterThan(1);
    expect(holds(1)).toBeLessThan(1);
    expect(holds(2.3) / holds(1.3)).toBeCloseTo(Math.exp(0.2 * 2 * Math.PI), 9);
    expect(holdOf({ ...plan, methods: { ...plan.methods, postMethod: 'kink-lock' } }, 0.3)).toBeNull();
  });

  it('is the same string from the same seed, and another from another', () => {
    const { plan, string } = onBench('acoustic-parlour', 1);
    const from = (seed: number) => wound({ plan, string, scale: metres(0.63), gearRatio: 14, holds: null }, chanceFrom(seed)).of.firstDrop;
    expect(from(3)).toBe(from(3));
    expect(from(3)).not.toBe(from(4));
    const hands = Array.from({ length: 4000 }, (_, seed) => Math.log(handStrength(chanceFrom(seed), 0.18)));
    expect(Math.sqrt(hands.reduce((sum, hand) => sum + hand ** 2, 0) / hands.length)).toBeCloseTo(0.18, 2);
  });
});

describe('its sound', () => {
  it('is heard where it stands, with the stiffness of its core, and a slack one is silent', () => {
    const { of, state, plan } = onBench('electric-in-line', 1, IDEAL);
    const up = upTo(of, state, plan.load.pull);
    const samples = soundOf(of, up, 48_000, chanceFrom(5))(72_000);
    const heard = trackPitch({ samples, sampleRate: 48_000, targets: [], hop: 0.1 }).find((frame) => frame.heard !== null)?.heard;
    expect(Math.abs(off(heard?.frequency ?? 1, pitchNow(of, up)))).toBeLessThan(0.3);
    const slack = { ...state, body: metres(2 * state.body) };
    expect(soundOf(of, slack, 8000, chanceFrom(5))(800).every((sample) => sample === 0)).toBe(true);
    expect(pitchNow(of, slack)).toBe(hertz(0));
  });

  it.each([1, 2, 3, 4, 5, 6])('of string %d is heard within a cent while the other five ring along', (number) => {
    const all = [1, 2, 3, 4, 5, 6].map((each) => {
      const { of, state, plan } = onBench('electric-in-line', each, IDEAL);
      return { of, state: upTo(of, state, plan.load.pull) };
    });
    const plucked = all[number - 1];
    if (plucked === undefined) throw new Error('no string');
    const others = all.filter((each) => each !== plucked);
    const samples = soundOf(plucked.of, plucked.state, 48_000, chanceFrom(5), others)(72_000);
    const alone = soundOf(plucked.of, plucked.state, 48_000, chanceFrom(5))(72_000);
    const heard = trackPitch({ samples, sampleRate: 48_000, targets: [], hop: 0.1 }).find((frame) => frame.heard !== null)?.heard;
    expect(Math.abs(off(heard?.frequency ?? 1, pitchNow(plucked.of, plucked.state)))).toBeLessThan(1);
    expect(samples.reduce((sum, sample, at) => sum + Math.abs(sample - (alone[at] ?? 0)), 0)).toBeGreaterThan(0); // they do ring
  });

  it('has B of π³ E d⁴ / 64 T L²: a plain .010 over 648 mm at 72 N, of steel of 205 GPa', () => {
    const { of } = onBench('electric-in-line', 1, IDEAL);
    const d = 0.000254;
    const plain = {...of, scale: metres(0.648), string: {...of.string, gauge: metres(d), core: null, stiffness: (205e9 * Math.PI * d ** 2) / 4 } }; // prettier-ignore
    expect(inharmonicityOf(plain, 72) / ((Math.PI ** 3 * 205e9 * d ** 4) / (64 * 72 * 0.648 ** 2))).toBeCloseTo(1, 9);
  });
});
