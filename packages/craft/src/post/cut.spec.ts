import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromMillimetres, toMillimetres } from '../units/index.js';
import {
  cutBeyondPost,
  inOwnWidths,
  inPostSpacings,
  kinkLockAllowance,
  kinkLockTail,
  liftInTheMiddle,
  nutToFret,
  pullBackFret,
  slackForCut,
  slackForLift,
  type End,
} from './index.js';

const mm = fromMillimetres;

describe('the cut mark', () => {
  it('lies past a through-hole by slack, half the post and the tail; past a slotted post by slack and depth', () => {
    expect(toMillimetres(cutBeyondPost(mm(46.8), { kind: 'through', postDiameter: mm(6), tail: mm(3) }))).toBeCloseTo(52.8, 9);
    expect(toMillimetres(cutBeyondPost(mm(96.7), { kind: 'slotted', holeDepth: mm(12) }))).toBeCloseTo(108.7, 9);
  });

  it('gives the slack back, whatever the end', () => {
    const ends: fc.Arbitrary<End> = fc.oneof(
      fc.record({
        kind: fc.constant('through' as const),
        postDiameter: fc.constant(mm(6.3)),
        tail: fc.double({ min: 0, max: 0.03, noNaN: true }).map((m) => m as End extends { tail: infer T } ? T : never),
      }),
      fc.record({ kind: fc.constant('slotted' as const), holeDepth: fc.constant(mm(13)) }),
    );
    fc.assert(
      fc.property(ends, fc.double({ min: -30, max: 200, noNaN: true }), (end, slackMm) => {
        expect(toMillimetres(slackForCut(cutBeyondPost(mm(slackMm), end), end))).toBeCloseTo(slackMm, 9);
      }),
    );
  });

  it('needs for a kink lock half a turn back, two crossings and the stub: 9.82 + 0.51 + 3 mm', () => {
    expect(toMillimetres(kinkLockTail(mm(6), mm(0.254), mm(3)))).toBeCloseTo((Math.PI * 6.254) / 2 + 0.508 + 3, 9);
    expect(toMillimetres(kinkLockAllowance(mm(0.254)))).toBeCloseTo(0.798, 3);
  });
});

describe('hand measures', () => {
  it('puts fret 12 at half the scale and fret 1 at 35.5 mm of 632', () => {
    expect(toMillimetres(nutToFret(12, mm(632)))).toBeCloseTo(316, 9);
    expect(toMillimetres(nutToFret(1, mm(632)))).toBeCloseTo(35.47, 2); // a semitone divides by 1.059463
  });

  it('finds the fret that a pull-back reaches, and none past the scale or below the nut', () => {
    expect(pullBackFret(mm(316), mm(632))).toBeCloseTo(12, 9);
    expect(pullBackFret(mm(0), mm(632))).toSatisfy((fret) => typeof fret === 'number' && Math.abs(fret) < 1e-12);
    expect(pullBackFret(mm(632), mm(632))).toBeNull();
    expect(pullBackFret(mm(-1), mm(632))).toBeNull();
  });

  it('is the inverse of the fret table', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 24, noNaN: true }), fc.double({ min: 330, max: 900, noNaN: true }), (fret, scale) => {
        expect(pullBackFret(nutToFret(fret, mm(scale)), mm(scale))).toBeCloseTo(fret, 8);
      }),
    );
  });

  it('lifts a string of 600 mm with 400 mm of slack by 400 mm, 3 : 4 : 5, and back', () => {
    expect(toMillimetres(liftInTheMiddle(mm(400), mm(600)))).toBeCloseTo(400, 9);
    expect(toMillimetres(slackForLift(mm(400), mm(600)))).toBeCloseTo(400, 9);
  });

  it('counts posts exactly and own widths to the quarter', () => {
    expect(inPostSpacings(mm(63), mm(42))).toBeCloseTo(1.5, 12);
    expect(inOwnWidths(mm(60), mm(85))).toBe(0.75);
  });
});
