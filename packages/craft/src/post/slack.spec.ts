import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromMillimetres, metres, radians, toMillimetres } from '../units/index.js';
import {
  ruleOfThumbSlack,
  rotationFor,
  slackForTurns,
  stretchAtPost,
  takeUp,
  turnsForSlack,
  windingCircle,
  wrapsForSlack,
} from './index.js';
import type { PostAndString, Stretch } from './index.js';

const mm = fromMillimetres;
const post: PostAndString = { postDiameter: mm(6), stringDiameter: mm(0.254), nutToPost: mm(60) };
const steel: Stretch = { path: mm(770), strain: 0.007, creep: 0 };

const anyPost = fc.record({
  postDiameter: fc.double({ min: 4, max: 14, noNaN: true }).map(mm),
  stringDiameter: fc.double({ min: 0.2, max: 3, noNaN: true }).map(mm),
  nutToPost: fc.double({ min: 20, max: 240, noNaN: true }).map(mm),
});
const anyStretch = fc.record({
  path: fc.double({ min: 300, max: 1200, noNaN: true }).map(mm),
  strain: fc.double({ min: 0, max: 0.12, noNaN: true }),
  creep: fc.double({ min: 0, max: 0.05, noNaN: true }),
});

const slackOf = (turns: number, geometry: PostAndString, stretch: Stretch) => {
  const outcome = slackForTurns(turns, geometry, stretch);
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
};

describe('what a post takes up', () => {
  it('is nothing for the straight string, and a chord until the string lies on the post', () => {
    expect(takeUp(radians(0), post)).toBeCloseTo(0, 12);
    // a quarter turn: the hole's end stands beside the axis, √(60² + 3.127²) − (60 − 3.127)
    expect(toMillimetres(takeUp(radians(Math.PI / 2 - 0.06), post))).toBeLessThan(Math.hypot(60, 3.127) - (60 - 3.127));
  });

  it('joins both branches without a step, and with the same slope', () => {
    const { tangentAngle } = windingCircle(post);
    const step = 1e-7;
    const before = takeUp(radians(tangentAngle - step), post);
    const after = takeUp(radians(tangentAngle + step), post);
    const middle = takeUp(tangentAngle, post);
    expect(after - before).toBeGreaterThan(0);
    expect((after - middle) / (middle - before)).toBeCloseTo(1, 2);
  });

  it('takes a helix of centre line for each further turn: √((π(D + d))² + d²)', () => {
    const perTurn = takeUp(radians(20 + 2 * Math.PI), post) - takeUp(radians(20), post);
    expect(toMillimetres(metres(perTurn))).toBeCloseTo(Math.hypot(Math.PI * 6.254, 0.254), 9);
  });

  it('comes back from length to angle on both branches', () => {
    fc.assert(
      fc.property(anyPost, fc.double({ min: 0.01, max: 60, noNaN: true }), (geometry, angle) => {
        expect(rotationFor(takeUp(radians(angle), geometry), geometry)).toBeCloseTo(angle, 6);
      }),
    );
  });

  it('grows with every bit of rotation', () => {
    fc.assert(
      fc.property(
        anyPost,
        fc.double({ min: 0, max: 40, noNaN: true }),
        fc.double({ min: 1e-3, max: 5, noNaN: true }),
        (geometry, angle, more) => {
          expect(takeUp(radians(angle + more), geometry)).toBeGreaterThan(takeUp(radians(angle), geometry));
        },
      ),
    );
  });

  it('refuses a negative length and a nut inside the post: our bugs', () => {
    expect(() => rotationFor(metres(-1e-6), post)).toThrow(RangeError);
    expect(() => rotationFor(metres(-1e-6), post)).toThrow('a post cannot take up -0.000001 m');
    for (const nutToPost of [mm(3), mm(4)])
      expect(() => windingCircle({ postDiameter: mm(6), stringDiameter: mm(2), nutToPost })).toThrow('the nut lies inside the post');
    expect(() => windingCircle({ ...post, postDiameter: mm(-6) })).toThrow('postDiameter');
    expect(rotationFor(metres(0), post)).toBeCloseTo(0, 6);
  });
});

describe('slack', () => {
  it('is 46.8 mm for two and a half turns of .010 on a 6 mm post, by hand', () => {
    // ρ = 3.127; helix 2.5 · √((2π · 3.127)² + 0.254²) = 49.124; √(60² − 3.127²) − (60 − 3.127) = 3.045; stretch 770 · ln 1.007 = 5.371
    expect(toMillimetres(slackOf(2.5, post, steel).slack)).toBeCloseTo(49.124 + 3.045 - 5.371, 2);
    expect(slackOf(2.5, post, steel).rotationTurns).toBeCloseTo(2.5 + Math.acos(3.127 / 60) / (2 * Math.PI), 9);
  });

  it('goes from turns to slack and back to 1e-9', () => {
    fc.assert(
      fc.property(anyPost, anyStretch, fc.double({ min: -0.2, max: 8, noNaN: true }), (geometry, stretch, turns) => {
        const there = slackForTurns(turns, geometry, stretch);
        if (!there.ok) return;
        const back = turnsForSlack(there.value.slack, geometry, stretch);
        // near the straight string the take-up is flat, so an angle cannot be told to 1e-9 there
        const tolerance = there.value.rotationTurns > 0.02 ? 1e-9 : 1e-6;
        expect(back.ok).toBe(true);
        if (back.ok) expect(Math.abs(back.value.turns - turns)).toBeLessThan(tolerance);
      }),
      { numRuns: 400 },
    );
  });

  it('is good to 0.2 turn by the rule of thumb, once stretch is put aside', () => {
    const still = { ...steel, strain: 0 };
    for (const turns of [2, 3, 4]) {
      const exact = slackOf(turns, post, still).slack;
      const thumb = ruleOfThumbSlack(turns, post);
      expect(Math.abs(exact - thumb) / ruleOfThumbSlack(1, post)).toBeLessThan(0.2);
    }
  });

  it('shrinks by just what stretches, and falls below zero where stretch alone makes the turns', () => {
    const dry = slackOf(1, post, { ...steel, strain: 0 }).slack;
    const nylon = { path: mm(760), strain: 0.09, creep: 0.03 };
    expect(dry - slackOf(1, post, nylon).slack).toBeCloseTo(stretchAtPost(nylon), 12);
    expect(toMillimetres(stretchAtPost(nylon))).toBeCloseTo(760 * Math.log(1.12), 9);
    expect(slackOf(1, post, nylon).slack).toBeLessThan(0);
  });

  it('turns a .010 pulled straight into a 6 mm locking post by 0.4 of a turn, a .046 by 0.2, short of lying on it', () => {
    const locking = (diameterMm: number, strain: number) =>
      turnsForSlack(metres(0), { ...post, stringDiameter: mm(diameterMm) }, { path: mm(770), strain, creep: 0 });
    const [thin, thick] = [locking(0.254, 0.007), locking(1.168, 0.0021)];
    if (!thin.ok || !thick.ok) throw new Error('unreachable by stretch');
    expect(thin.value.rotationTurns).toBeCloseTo(0.4, 1);
    expect(thick.value.rotationTurns).toBeCloseTo(0.2, 1);
    expect(thin.value.turns).toBeGreaterThan(0);
    expect(thick.value.turns).toBeLessThan(0);
  });

  it('is wrapped by hand as many times as nothing stretches, and never less than none', () => {
    expect(wrapsForSlack(slackOf(2.5, post, { ...steel, strain: 0 }).slack, post)).toBeCloseTo(2.5, 9);
    expect(wrapsForSlack(mm(1), post)).toBe(0);
    expect(wrapsForSlack(mm(-1), post)).toBe(0);
  });

  it('says by how much a string is too short to reach', () => {
    const outcome = turnsForSlack(mm(-20), post, steel);
    expect(outcome.ok).toBe(false);
    if (!outcome.ok) expect(toMillimetres(outcome.problem.missing)).toBeCloseTo(20 - 770 * Math.log(1.007), 6);
    expect(outcome).toMatchObject({ problem: { kind: 'less-than-straight' } });
    // half a turn less than lying on it: 3.14159 − acos(3.127/60) = 1.62294 short of the straight string, as 0.2583 of a post of 6 mm
    const short = slackForTurns(-0.5, post, steel);
    expect(short).toMatchObject({ ok: false, problem: { kind: 'less-than-straight' } });
    if (!short.ok) expect(toMillimetres(short.problem.missing)).toBeCloseTo((6 * 1.62294) / (2 * Math.PI), 4);
  });
});
