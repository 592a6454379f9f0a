import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { madeOf, setsFor } from '../strings/index.js';
import { fromMillimetres, hertz, kilogramsPerMetre, metres, newtons, radians, toDegrees, type Metres } from '../units/index.js';
import { frequencyFor, pullFor, pullOf, restFor, speaking, springReach, type BridgeString } from './bridge.js';
import { blockLoad, bridgeUnder, coupling, forcesAt, levelClaw, levelRests, onePass, restsFrom, settle, usualSprings } from './index.js';
import { centsFrom, floatingBridge, levelOf, lightSet } from '../testing/index.js';
import { finalRests } from './one-pass.js';
import { stiffnessAt, torque } from './equilibrium.js';

const mm = fromMillimetres;
const [strings, bridge] = [lightSet, floatingBridge];
const claw = levelOf(bridge);
const inTune = levelRests(bridge);
const centsOff = ({ frequencies }: ReturnType<typeof settle>) => centsFrom(frequencies);
const withPitch = (index: number, cents: number) =>
  strings.map(({ pitch }, each) => hertz(each === index ? pitch * 2 ** (cents / 1200) : pitch));

describe('lever and string', () => {
  const anyAngle = fc.double({ min: -0.15, max: 0.4, noNaN: true });

  it('lengths change as their derivatives say', () => {
    fc.assert(
      fc.property(anyAngle, (angle) => {
        for (const at of [
          (each: number) => speaking(strings[0] ?? fail(), radians(each)),
          (each: number) => springReach(bridge.springs, claw, radians(each)),
        ]) {
          const h = 1e-5;
          expect(at(angle).first).toBeCloseTo((at(angle + h).length - at(angle - h).length) / (2 * h), 7);
          expect(at(angle).second).toBeCloseTo((at(angle + h).first - at(angle - h).first) / (2 * h), 7);
        }
      }),
    );
  });

  it('pull and pitch are each other’s inverse, and T (1 + T/EA) = μ (2 L f)²', () => {
    for (const string of strings) {
      const pull = pullFor(string, mm(648), string.pitch);
      expect((pull * (1 + pull / string.stiffness)) / (string.restDensity * (2 * 0.648 * string.pitch) ** 2)).toBeCloseTo(1, 12);
      expect(frequencyFor(string, mm(648), pull)).toBeCloseTo(string.pitch, 9);
      expect(pullOf(string, mm(648), restFor(string, mm(648), pull))).toBeCloseTo(pull, 7);
    }
  });

  it('the turning moment is the slope of the energy stored in strings and springs', () => {
    const energy = (angle: number) => {
      const inStrings = strings.reduce((sum, string, index) => {
        const rest = inTune[index] ?? Number.NaN;
        return sum + (string.stiffness * (speaking(string, radians(angle)).length + string.extra - rest) ** 2) / (2 * rest);
      }, 0);
      const open = springReach(bridge.springs, claw, radians(angle)).length - bridge.springs.free;
      return inStrings + bridge.springs.count * (bridge.springs.initial * open + (bridge.springs.rate * open ** 2) / 2);
    };
    fc.assert(
      fc.property(fc.double({ min: -0.1, max: 0.1, noNaN: true }), (angle) => {
        const pull = (index: number, length: Metres, string: BridgeString) => pullOf(string, length, inTune[index] ?? metres(1));
        const slope = (energy(angle + 1e-5) - energy(angle - 1e-5)) / 2e-5;
        expect(torque(bridge, claw, radians(angle), pull)).toBeCloseTo(slope, 4);
      }),
    );
  });
});

describe('a level bridge', () => {
  it('has springs whose moment is that of the strings', () => {
    const moment = strings.reduce((sum, string) => sum + pullFor(string, mm(648), string.pitch) * 0.0105, 0);
    const one = 8 + 1200 * (claw - 0.055);
    expect((3 * one * 0.04) / moment).toBeCloseTo(1, 9);
    const balance = settle(bridge, claw, inTune);
    expect(balance).toMatchObject({ contact: 'none', stable: true });
    expect(toDegrees(balance.angle)).toBeCloseTo(0, 6);
    for (const off of centsOff(balance)) expect(off).toBeCloseTo(0, 4);
  });

  it('is held by forces whose moments are equal: the strings’ by saddle height, the springs’ by their depth', () => {
    const forces = forcesAt(bridge, claw, radians(0), inTune);
    expect((forces.springs * 0.04) / (forces.strings * 0.0105)).toBeCloseTo(1, 9);
  });

  it('is out of reach where each spring would hang loose', () => {
    const many = { ...bridge, springs: { ...bridge.springs, count: 8, initial: newtons(20) } };
    expect(levelClaw(many)).toMatchObject({ ok: false, problem: { kind: 'too-many-springs' } });
  });
});

describe('what a floating bridge does', () => {
  const rests = (change: (rest: Metres, index: number) => Metres | null) => inTune.map(change);

  it('sinks when the lowest string goes down a tone, and the others sharpen', () => {
    const { angle, rests: dropped } = restsFrom(bridge, claw, withPitch(5, 0));
    expect(toDegrees(angle)).toBeCloseTo(0, 6);
    const lower = restFor(strings[5] ?? fail(), mm(648), pullFor(strings[5] ?? fail(), mm(648), hertz(73.42)));
    const balance = settle(bridge, claw, dropped.with(5, lower));
    expect(balance.angle).toBeLessThan(0);
    for (const off of centsOff(balance).slice(0, 5)) expect(off).toBeGreaterThan(1);
  });

  it('tips forward under a heavier set in tune, and sharpens when one string is off', () => {
    const heavier = {...bridge, strings: strings.map((string) => ({...string, restDensity: kilogramsPerMetre(string.restDensity * 1.15) })) }; // prettier-ignore
    expect(settle(heavier, claw, finalRests(heavier, claw)).angle).toBeGreaterThan(0);
    const without = rests((rest, index) => (index === 2 ? null : rest));
    const balance = settle(bridge, claw, without);
    expect(balance.frequencies[2]).toBeNull();
    expect(balance.pulls[2]).toBe(0);
    for (const off of centsOff(balance)) if (off !== null) expect(off).toBeGreaterThan(1);
  });

  it('falls on its stop with all strings off, and a block holds what the springs pull', () => {
    const none = rests(() => null);
    expect(settle(bridge, claw, none)).toMatchObject({ contact: 'back', stable: false, angle: bridge.stops.back });
    const pull = newtons(strings.reduce((sum, string) => sum + pullFor(string, mm(648), string.pitch), 0));
    const { low, likely, high } = blockLoad(pull);
    expect(likely).toBeCloseTo(3 * (8 + 1200 * (claw - 0.055)), 6);
    expect(low).toBeCloseTo((pull * 8) / 50, 9);
    expect(high).toBeCloseTo((pull * 14) / 33, 9);
  });

  // what brings it back is ΣEA r²/l + n k a² = 2.2 + 5.8 N·m; what tips it, ΣT x = 459 N × 20 mm, is more
  it('has no balance that lasts where soft strings pull far behind the edge', () => {
    const tippy = {...bridge, strings: strings.map((string) => ({...string, stiffness: newtons(string.stiffness / 10), saddleOffset: mm(-20) })) }; // prettier-ignore
    expect(settle(tippy, claw, levelRests(tippy)).stable).toBe(false);
    expect(coupling(tippy, claw, levelRests(tippy))).toBeNull();
  });
});

describe('coupling', () => {
  it('rests on how hard the bridge comes back: what its torque gains by a small tilt', () => {
    for (const rests of [inTune, inTune.with(2, null as never), inTune.with(2, metres(1))]) {
      const { angle } = settle(bridge, claw, rests);
      const at = (by: number) =>
        torque(bridge, claw, radians(angle + by), (index, length, string) =>
          rests[index] === null ? 0 : pullOf(string, length, rests[index] ?? metres(0)),
        );
      const gained = (at(1e-5) - at(-1e-5)) / 2e-5;
      expect(stiffnessAt(bridge, claw, angle, rests) / gained).toBeCloseTo(1, 6);
    }
    const open = metres(bridge.springs.free - 0.01); // coils that are closed pull nothing
    expect(stiffnessAt(bridge, open, radians(0), [])).toBe(0);
  });

  it('is what a small turn of a peg does', () => {
    const matrix = coupling(bridge, claw, inTune) ?? fail();
    strings.forEach((_, turned) => {
      const at = (share: number) => {
        const turnedBy = inTune.map((rest, index) => metres(index === turned ? rest * (1 + share) : rest));
        return centsOff(settle(bridge, claw, turnedBy)).map((off) => off ?? 0);
      };
      const [less, more] = [at(-1e-6), at(1e-6)];
      const own = (more[turned] ?? 0) - (less[turned] ?? 0);
      strings.forEach((__, other) => {
        const seen = ((more[other] ?? 0) - (less[other] ?? 0)) / own;
        expect(matrix[other]?.[turned]).toBeCloseTo(seen, 3);
        if (other !== turned) expect(matrix[other]?.[turned]).toBeLessThan(0);
      });
    });
  });

  it('leaves a string alone that is off, or hangs slack', () => {
    for (const rest of [null, metres(1)]) {
      const matrix = coupling(bridge, claw, [...inTune.slice(0, 2), rest, ...inTune.slice(3)]) ?? fail();
      expect(matrix[2]).toEqual([0, 0, 1, 0, 0, 0]);
      expect(matrix.map((row) => row[2])).toEqual([0, 0, 1, 0, 0, 0]);
      expect(matrix[0]?.[1]).toBeLessThan(0);
    }
  });
});

it('an instrument says what of each string lies behind nut and saddle: nothing past a nut that locks, or a clamp at the head', () => {
  for (const kind of ['electric-double-locking', 'electric-headless', 'electric-in-line-locking']) {
    const instrument = { ...instrumentOf(kind), bridge: { ...instrumentOf(kind).bridge, vibrato: true } };
    const [set] = setsFor(instrument.family, instrument.strings.length);
    const made = set === undefined ? [] : madeOf(set);
    const under = bridgeUnder(instrument, made, usualSprings);
    expect(under?.strings).toHaveLength(6);
    under?.strings.forEach(({ extra, massBand, saddleOffset }, index) => {
      const past = kind === 'electric-in-line-locking' ? (instrument.strings[index]?.post.along ?? NaN) : 0;
      expect(extra).toBeCloseTo(instrument.bridge.behindSaddle + past, 9);
      expect([massBand, saddleOffset]).toEqual([(made[index]?.bandPercent ?? NaN) / 100, -0.003]); // saddles stand 3 mm behind the edge
    });
    expect(under?.springs).toMatchObject({ count: 3, rate: 1200 });
    expect(bridgeUnder(instrument, made.slice(1), usualSprings)).toBeNull();
  }
});

describe('one pass', () => {
  const anyState = fc.record({
    off: fc.array(fc.double({ min: -120, max: 60, noNaN: true }), { minLength: 6, maxLength: 6 }),
    order: fc.shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: 6, maxLength: 6 }),
  });

  it('ends with all in tune, whatever the order and however they were before', () => {
    fc.assert(
      fc.property(anyState, ({ off, order }) => {
        const heard = strings.map(({ pitch }, index) => hertz(pitch * 2 ** ((off[index] ?? 0) / 1200)));
        const present = restsFrom(bridge, claw, heard).rests;
        const steps = onePass(bridge, claw, present, order);
        expect(steps.map(({ string }) => string)).toEqual(order);
        expect(steps.at(-1)?.target).toBeCloseTo(0, 4);
        const end = settle(bridge, claw, finalRests(bridge, claw));
        for (const cents of centsOff(end)) expect(cents).toBeCloseTo(0, 4);
      }),
      { numRuns: 25 },
    );
  });

  it('aims high where all are flat: those that follow will pull the bridge forward', () => {
    const lower = strings.map(({ pitch }) => hertz(pitch * 2 ** (-100 / 1200)));
    const flat = restsFrom(bridge, claw, lower).rests;
    const [first] = onePass(bridge, claw, flat, [5, 4, 3, 2, 1, 0]);
    expect(first?.target).toBeGreaterThan(10);
  });

  it('says what is left to breaking at each step, where the load is known', () => {
    expect(onePass(bridge, claw, inTune, [0, 9])).toEqual([expect.objectContaining({ string: 0, reserve: null, leastReserve: null })]);
    const weak = { ...bridge, strings: strings.map((string) => ({ ...string, breakingLoad: newtons(100) })) };
    const [step] = onePass(weak, claw, inTune, [0]);
    expect(step?.reserve).toBeCloseTo(1 - (step?.pull ?? 0) / 100, 12);
    // the string that pulls most is nearest to breaking, whichever was set
    const most = Math.max(...settle(weak, claw, inTune).pulls);
    expect(step?.leastReserve).toBeCloseTo(1 - most / 100, 4);
  });
});

function fail(): never {
  throw new Error('the spec has no such string');
}
