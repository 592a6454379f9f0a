import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromDegrees, fromMillimetres, metres, newtons, radians, toDegrees, toMillimetres } from '../units/index.js';
import { NUT } from '../constants/index.js';
import { breakAngle, downforce, exitHeightFor, hardPluck, rollerBreakAngle, slotFit, tangentPoint, turnsForAngle } from './index.js';
import type { NutRun } from './index.js';

const mm = fromMillimetres;
const wrapped = { postDiameter: mm(6), stringDiameter: mm(0.8) };
const run = (over: Partial<NutRun> = {}): NutRun => ({
  headstockAngle: fromDegrees(14),
  faceDrop: mm(4),
  along: mm(90),
  sideways: mm(20),
  windingRadius: mm(3.4),
  exitHeight: mm(7.5),
  flank: 'inside',
  tree: null,
  ...over,
});
const flat = (over: Partial<NutRun> = {}) =>
  run({ headstockAngle: fromDegrees(0), faceDrop: mm(11), along: mm(100), sideways: mm(0), exitHeight: mm(8), ...over });

describe('the break over the nut', () => {
  it('is the plain slope on a flat head: 3 mm down over the run to the tangent point', () => {
    // the tangent from 100 mm to a circle of 3.4 mm ends at 100 − 3.4²/100 = 99.884 mm along
    expect(toDegrees(breakAngle(flat()).vertical)).toBeCloseTo((Math.atan(3 / 99.8844) * 180) / Math.PI, 4);
  });

  it('is the angle of the head itself when the string runs along its face', () => {
    const angle = breakAngle(run({ faceDrop: mm(0), exitHeight: mm(0), sideways: mm(0) }));
    expect(toDegrees(angle.vertical)).toBeCloseTo(14, 9);
  });

  it('leaves on the inside nearer the centre line than on the outside, by a post and string', () => {
    const inside = tangentPoint(run({ along: metres(0.5) }));
    const outside = tangentPoint(run({ along: metres(0.5), flank: 'outside' }));
    expect(toMillimetres(metres(outside.outward - inside.outward))).toBeCloseTo(6.8, 1);
    expect(toDegrees(breakAngle(run()).lateral)).toBeLessThan(toDegrees(breakAngle(run({ flank: 'outside' })).lateral));
  });

  it('touches the winding circle: the tangent point lies on it, square to the string', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 200, noNaN: true }),
        fc.double({ min: -30, max: 40, noNaN: true }),
        fc.constantFrom('inside' as const, 'outside' as const),
        (along, aside, flank) => {
          const { along: x, outward: y } = tangentPoint(run({ along: mm(along), sideways: mm(aside), flank }));
          const [toX, toY] = [mm(along) - x, mm(aside) - y];
          expect(Math.hypot(toX, toY) * 1000).toBeCloseTo(3.4, 9);
          expect((toX * x + toY * y) * 1e6).toBeCloseTo(0, 6);
        },
      ),
    );
  });

  it('adds down and sideways in space', () => {
    const angle = breakAngle(run());
    const down = Math.tan(angle.vertical);
    const aside = Math.tan(angle.lateral);
    expect(Math.cos(angle.total)).toBeCloseTo(1 / Math.sqrt(1 + down ** 2 + aside ** 2), 12);
  });

  it('counts a tree only where the string touches it', () => {
    const low = breakAngle(flat({ tree: { distance: mm(52), drop: mm(4) } }));
    expect(low.treeTouched).toBe(true);
    expect(toDegrees(low.vertical)).toBeCloseTo((Math.atan(4 / 52) * 180) / Math.PI, 9);
    const high = breakAngle(flat({ tree: { distance: mm(52), drop: mm(1) } }));
    expect(high.treeTouched).toBe(false);
    expect(high.vertical).toBe(breakAngle(flat()).vertical);
  });

  it('is inside the post where the nut is no farther than its winding circle', () => {
    for (const along of [mm(2), mm(3.4)])
      expect(() => tangentPoint(run({ along, sideways: mm(0) }))).toThrow('the nut lies inside the post');
  });

  it('touches no tree that only just stands in the way, and lifts where it runs level', () => {
    const level = { windingRadius: metres(0), faceDrop: mm(8), exitHeight: mm(8) };
    expect(breakAngle(flat(level))).toMatchObject({ vertical: 0, lifts: true });
    const tree = { distance: mm(100), drop: mm(3) };
    expect(breakAngle(flat({ ...level, faceDrop: mm(3), exitHeight: mm(0), tree })).treeTouched).toBe(false);
  });

  it('says that a string lifts out of its slot when it leaves the post above it', () => {
    expect(breakAngle(flat({ exitHeight: mm(12) }))).toMatchObject({ lifts: true });
    expect(breakAngle(flat())).toMatchObject({ lifts: false });
  });

  it('grows as the string leaves the post lower', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 9, noNaN: true }), fc.double({ min: 0.01, max: 2, noNaN: true }), (height, less) => {
        const lower = breakAngle(run({ exitHeight: mm(Math.max(0, height - less)) })).vertical;
        expect(lower).toBeGreaterThan(breakAngle(run({ exitHeight: mm(height) })).vertical);
      }),
    );
  });
});

describe('turns for a wanted angle', () => {
  it('are just enough: with them the string breaks by that angle', () => {
    const wanted = fromDegrees(12.5);
    const height = exitHeightFor(wanted, run());
    expect(toDegrees(breakAngle(run({ exitHeight: metres(height) })).vertical)).toBeCloseTo(12.5, 9);
    const answer = turnsForAngle(wanted, run(), mm(9.5), 0, wrapped);
    if (answer.kind !== 'turns') throw new Error('out of reach');
    expect(answer.turns).toBeCloseTo((9.5 - toMillimetres(metres(height))) / 0.8006, 2);
  });

  it('count those above the hole on top', () => {
    const wanted = fromDegrees(12.5);
    const [none, one] = [0, 1].map((above) => turnsForAngle(wanted, run(), mm(9.5), above, wrapped));
    if (none?.kind !== 'turns' || one?.kind !== 'turns') throw new Error('out of reach');
    expect(one.turns - none.turns).toBeCloseTo(1, 12);
  });

  it('are none where head or tree do it alone', () => {
    expect(turnsForAngle(fromDegrees(5), run(), mm(9.5), 0, wrapped)).toEqual({ kind: 'turns', turns: 0 });
    expect(turnsForAngle(fromDegrees(4), flat({ tree: { distance: mm(52), drop: mm(4) } }), mm(10), 0, wrapped)).toEqual({
      kind: 'turns',
      turns: 0,
    });
  });

  it('are none where the tree does just what is wanted', () => {
    const tree = { distance: mm(52), drop: mm(4) };
    const wanted = breakAngle(flat({ tree, exitHeight: mm(10) })).vertical;
    expect(turnsForAngle(wanted, flat({ tree }), mm(10), 0.5, wrapped)).toEqual({ kind: 'turns', turns: 0.5 });
  });

  it('are out of reach where even a full post leaves it shallow, with the best that can be had', () => {
    const answer = turnsForAngle(fromDegrees(9), flat(), mm(9), 0, wrapped);
    expect(answer.kind).toBe('out-of-reach');
    const onFace = breakAngle(flat({ exitHeight: mm(0.4) })).vertical;
    if (answer.kind === 'out-of-reach') expect(answer.best).toBeCloseTo(onFace, 12);
  });
});

describe('a roller', () => {
  it('pulls the string down to its upper side: steeper the deeper it lies', () => {
    const at = (depthMm: number) =>
      rollerBreakAngle({
        headstockAngle: fromDegrees(0),
        faceDrop: mm(0),
        along: mm(40),
        sideways: mm(0),
        axisHeight: mm(-depthMm),
        windingRadius: mm(5),
      });
    // axis 5 mm under the slot line with a circle of 5 mm: its top is level with the slot
    expect(at(5).vertical).toBeCloseTo(0, 9);
    expect(at(5).lifts || at(5).vertical < 1e-9).toBe(true);
    expect(at(12).vertical).toBeGreaterThan(at(9).vertical);
    expect(at(12).lifts).toBe(false);
    expect(at(-5).lifts).toBe(true);
  });

  it('lies where the leaning head puts it: sine 0.6, 80 − 6 mm on and 60 + 5 + 8 mm down, less what the winding takes', () => {
    const leaning = { headstockAngle: radians(Math.asin(0.6)), faceDrop: mm(5), along: mm(100), sideways: mm(20), axisHeight: mm(-10) };
    const { vertical, lateral } = rollerBreakAngle({ ...leaning, windingRadius: mm(5) });
    expect(vertical).toBeCloseTo(Math.atan2(73, 74) - Math.asin(5 / Math.hypot(73, 74)), 9);
    expect(lateral).toBeCloseTo(Math.atan2(20, 74), 9);
    const level = { headstockAngle: radians(0), faceDrop: mm(0), along: mm(40), sideways: mm(0), axisHeight: mm(0) };
    expect(rollerBreakAngle({ ...level, windingRadius: metres(0) })).toMatchObject({ vertical: 0, lifts: true });
  });
});

describe('slots and force', () => {
  it('wants 0.05 to 0.12 mm of room', () => {
    expect(slotFit(mm(0.5), mm(0.45))).toMatchObject({ kind: 'fits' });
    expect(slotFit(mm(0.5), mm(0.38))).toMatchObject({ kind: 'fits' });
    const tight = slotFit(mm(0.5), mm(0.48));
    expect(tight.kind).toBe('binds');
    expect(toMillimetres(tight.missing)).toBeCloseTo(0.03, 9);
    const loose = slotFit(mm(0.5), mm(0.3));
    expect(loose.kind).toBe('loose');
    expect(toMillimetres(loose.missing)).toBeCloseTo(0.08, 9);
  });

  it.each([
    { family: 'bass', aside: NUT.pluckAsideBass, fromBridge: NUT.pluckFromBridgeBass },
    { family: 'electric', aside: NUT.pluckAside, fromBridge: NUT.pluckFromBridge },
  ] as const)('comes back to the nut of the $family with the slope of the piece at its bridge', ({ family, aside, fromBridge }) => {
    const hard = hardPluck(family);
    expect(toMillimetres(hard.aside)).toBeCloseTo(aside.value, 9);
    expect(toMillimetres(hard.fromBridge)).toBeCloseTo(fromBridge.value, 9);
    expect(Math.tan(hard.slope) * fromBridge.value).toBeCloseTo(aside.value, 9);
  });

  it('presses with half the pull at 30°', () => expect(downforce(newtons(100), fromDegrees(30))).toBeCloseTo(50, 9));
});
