import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { type Instrument } from '../instrument/index.js';
import type { LayeredChoices } from '../methods/index.js';
import { slackForTurns } from '../post/index.js';
import { setsFor, type StringProperties } from '../strings/index.js';
import { fromMillimetres, metres, toDegrees, toMillimetres, type Metres } from '../units/index.js';
import { clampOf, planOf, stringsOf } from '../testing/index.js';
import { windString, type PostPlan } from './index.js';

const angleOf = ({ nut }: PostPlan) => toDegrees(nut?.vertical ?? (0 as never));

describe('winding a string', () => {
  it.each(ARCHETYPES.map(({ id }) => id))('%s: every string of every set has a plan whose turns fit its post', (id) => {
    const instrument = instrumentOf(id);
    const sets = setsFor(instrument.family, instrument.strings.length);
    expect(sets.length).toBeGreaterThan(0);
    for (const set of sets) {
      stringsOf(instrument, set.name).forEach((string, index) => {
        const plan = windString({ instrument, index, string });
        expect(plan).not.toBeNull();
        if (plan?.kind === 'post') {
          expect(plan.wind.turns).toBeLessThanOrEqual(plan.capacityTurns + 1e-9);
          if (plan.rule.kind !== 'stretch-makes-more') expect(plan.wind.turns).toBeLessThanOrEqual(plan.methods.mostTurns);
          expect(plan.nut?.lifts ?? false).toBe(false);
        }
        if (plan?.kind === 'clamp') expect(plan.screw.left).toBeGreaterThan(0);
      });
    }
  });

  it('gives thin plain strings of a guitar three turns and thick wound ones two', () => {
    expect(planOf('acoustic-parlour', 1).wind.turns).toBe(3);
    expect(planOf('acoustic-parlour', 6, { set: '.012–.053' }).wind.turns).toBe(2);
    expect(planOf('acoustic-parlour', 1).rule).toEqual({ kind: 'house' });
  });

  it('raises built-in turns of a string that would be low, to the wanted 4° of a flat head: 6.3 mm post 38 mm from the nut', () => {
    const plan = planOf('electric-in-line', 6, { set: '.010–.046' });
    expect(plan.rule).toMatchObject({ kind: 'raised-for-angle', house: 2 });
    expect(plan.wind.turns).toBeGreaterThan(2);
    expect(plan.wind.turns).toBeLessThanOrEqual(4);
    expect(angleOf(plan)).toBeCloseTo(4, 6);
  });

  it('never winds more than three turns on a bass by itself, and says what they give', () => {
    const plan = planOf('bass-in-line', 3, { set: '.045–.105 nickel' });
    expect(plan.wind.turns).toBe(3);
    expect(plan.rule.kind).toBe('angle-out-of-reach');
    expect(plan.nut?.low).toBe(false);
  });

  it('keeps the turns that somebody chose, though the string is low, and says what would do', () => {
    const chosen: LayeredChoices = { technician: { turns: { bass: 1.5 } } };
    const plan = planOf('bass-in-line', 3, { set: '.045–.105 nickel', choices: chosen });
    expect(plan.wind.turns).toBe(1.5);
    expect(plan.nut?.low).toBe(true);
    if (plan.rule.kind !== 'kept-though-low') throw new Error(plan.rule.kind);
    expect(plan.rule).toMatchObject({ house: 1.5 });
    // a turn of a .085 lowers the string by 2.2 mm over the 97 mm to its post: atan(2.2/97) = 1.3°
    expect(toDegrees(plan.rule.perTurn)).toBeCloseTo(1.3, 1);
    expect(plan.rule.needed).toBeGreaterThan(3);
    // 50–75 mm past the post is what a practitioner leaves
    expect(
      toMillimetres(
        planOf('bass-in-line', 4, { set: '.045–.105 nickel', choices: { instrument: { strings: { 4: { turns: 1.5 } } } } }).slack,
      ),
    ).toBeLessThan(85);
  });

  it('says that a tree sets the angle where it does, whatever turns somebody chose', () => {
    const treeTooShallow = {
      ...instrumentOf('electric-in-line'),
      trees: [{ kind: 'tree' as const, along: metres(0.1), drop: metres(0.005), strings: [0, 1] }],
    };
    for (const choices of [{}, { house: { turns: { 'thin-plain': 5 } } }] as const) {
      const plan = planOf('electric-in-line', 1, { set: '.010–.046', instrument: treeTooShallow, choices });
      expect(plan.rule.kind).toBe('tree-sets-angle');
      expect(angleOf(plan)).toBeCloseTo((Math.atan(5 / 100) * 180) / Math.PI, 6);
    }
  });

  it('never winds more than somebody’s ‘at most’', () => {
    const plan = planOf('acoustic-parlour', 1, { choices: { house: { mostTurns: { 'thin-plain': 2 } } } });
    expect(plan.wind.turns).toBe(2);
    expect(plan.rule).toEqual({ kind: 'at-most', house: 3 });
  });

  it('warns under the angle that the house set, and raises built-in turns to it', () => {
    const plan = planOf('acoustic-parlour', 6, { set: '.012–.053', choices: { house: { nutDeg: 10 } } });
    expect(plan.rule.kind).toBe('raised-for-angle');
    expect(angleOf(plan)).toBeCloseTo(10, 6);
  });

  it('breaks over the nut under a retainer bar by its drop over its distance: atan(4/18) on a locked vibrato', () => {
    const plan = planOf('electric-double-locking', 6);
    expect(plan.nut?.treeTouched).toBe(true);
    expect(angleOf(plan)).toBeCloseTo((Math.atan(4 / 18) * 180) / Math.PI, 6);
  });

  it('is bounded by what the post holds, and says what the house would like', () => {
    const plan = planOf('acoustic-parlour', 6, { set: '.012–.053', choices: { house: { turns: { 'thick-wound': 8 } } } });
    // 9.5 mm of post hold (9.5 − 0.67)/1.35 turns below the hole, and one above
    expect(plan.rule).toEqual({ kind: 'post-is-full', house: 8 });
    expect(plan.wind.turns).toBeCloseTo(1 + (9.5 - 1.346 / 2) / 1.3485, 2);
  });

  it('locks plain strings with a kink, and gives them the slack that the lock takes', () => {
    const plan = planOf('acoustic-parlour', 1);
    expect(plan.methods.postMethod).toBe('kink-lock');
    expect(toMillimetres(metres(plan.slack - plan.wind.slack))).toBeCloseTo(Math.PI * toMillimetres(plan.geometry.stringDiameter), 9);
    expect(planOf('acoustic-parlour', 6).slack).toBe(planOf('acoustic-parlour', 6).wind.slack);
  });

  it('bends the end for a slotted post at the slack, and cuts it 13 mm beyond, the depth of its hole', () => {
    const plan = planOf('bass-in-line', 1);
    expect(plan.bend).toBe(plan.slack);
    expect(toMillimetres(metres(plan.cut - (plan.bend ?? 0)))).toBeCloseTo(13, 9);
    expect(planOf('acoustic-parlour', 1).bend).toBeNull();
  });

  it('stands the empty hole in line with its string: atan(8.7/50) outward for the post nearest the nut of a parlour guitar', () => {
    // slots 37.5 mm apart over all, so 18.75 to the outermost; its post stands 23 mm out and 50 mm along
    expect(toDegrees(planOf('acoustic-parlour', 1).holeStands)).toBeCloseTo((Math.atan((23 - 18.75) / 50) * 180) / Math.PI, 6);
  });

  it('says what turns that were counted come to: slack and break over the nut', () => {
    const [planned, counted] = [
      planOf('acoustic-parlour', 1),
      windString({
        instrument: instrumentOf('acoustic-parlour'),
        index: 0,
        string: stringsOf(instrumentOf('acoustic-parlour'))[0] as StringProperties,
        turns: 2,
      }),
    ];
    if (counted?.kind !== 'post') throw new Error('no plan');
    expect(counted.wind.turns).toBe(2);
    // a turn less takes up π(D + d) less: post 6 mm
    const perTurn = Math.PI * (6 + toMillimetres(planned.geometry.stringDiameter));
    expect(toMillimetres(metres(planned.slack - counted.slack))).toBeCloseTo(perTurn, 2);
    expect(angleOf(counted)).toBeLessThan(angleOf(planned));
  });

  it('leaves from above where the last turn goes over the tail, which costs angle', () => {
    const over = planOf('acoustic-parlour', 6, { set: '.012–.053', choices: { house: { woundFixing: 'over-last' } } });
    expect(toMillimetres(over.exitHeight)).toBeCloseTo(9.5 + 1.3485, 2); // the hole, and a turn above it
    expect(angleOf(over)).toBeLessThan(angleOf(planOf('acoustic-parlour', 6, { set: '.012–.053' })));
  });

  it('pulls a locking post straight: .010 turns it 0.4, .046 0.2, which is less than half', () => {
    // PHYSICS, typical figures, on a 6 mm post
    const ten = planOf('electric-in-line-locking', 1, { set: '.010–.046' });
    const wound = planOf('electric-in-line-locking', 6, { set: '.010–.046' });
    expect(ten.slack).toBeCloseTo(0, 12);
    expect(ten.wind.rotationTurns).toBeCloseTo(0.4, 1);
    expect(wound.wind.rotationTurns).toBeGreaterThan(0.1);
    expect(wound.wind.rotationTurns).toBeLessThan(0.25);
    expect(wound.wind.turns).toBeLessThan(0); // below the tangent point: the other branch
    expect(ten.rule.kind).toBe('straight');
    expect(ten.slackRange).toEqual([ten.slack, ten.slack]);
  });

  it('says a band for nylon that holds its value, and next to none for steel', () => {
    const nylon = planOf('classical', 1);
    expect(nylon.slackRange[0]).toBeLessThan(nylon.slack);
    expect(nylon.slackRange[1]).toBeGreaterThan(nylon.slack);
    const steel = planOf('acoustic-parlour', 2);
    expect(toMillimetres(metres(steel.slackRange[1] - steel.slackRange[0]))).toBeLessThan(1);
  });

  it('says it where stretch alone makes more turns than are wanted', () => {
    const plan = planOf('classical', 1, { choices: { technician: { turns: { 'soft-plain': 1 } } } });
    // it is pulled tight, and what stretches winds on by itself: the stretch over π(D + d) and a little, as the hole pulls along a chord first
    expect(plan.rule).toEqual({ kind: 'stretch-makes-more', house: 1 });
    expect(plan.slack).toBe(0);
    expect(plan.wind.turns).toBeGreaterThan(1);
    expect(plan.wind.turns).toBeLessThan(plan.stretched / (Math.PI * 0.0107));
  });

  it('winds outer strings of a slotted head outward as far as the wall of the slot lets them', () => {
    // hole at 16 mm, slot from 8 to 24 mm: 8 mm of roller on either side
    const outer = planOf('classical', 6);
    const d = toMillimetres(outer.geometry.stringDiameter);
    expect(outer.capacityTurns).toBeCloseTo((8 - d / 2) / d, 1);
    // the stack carries it away from the centre line, and the inner ones toward it
    const inner = planOf('classical', 5);
    expect(outer.nut?.lateral).toBeGreaterThan(outer.nut?.otherWay ?? 9);
    expect(inner.nut?.lateral).toBeLessThan(inner.nut?.otherWay ?? -9);
  });

  it('pulls sideways by more when wound the wrong way, by the thickness of the post', () => {
    const { nut, geometry } = planOf('acoustic-parlour', 6, { set: '.012–.053' });
    const across = geometry.postDiameter + geometry.stringDiameter;
    expect((nut?.otherWay ?? 0) - (nut?.lateral ?? 0)).toBeCloseTo(Math.atan(across / geometry.nutToPost), 1);
  });

  it('judges no nut angle at a fifth peg, and turns the buttons by the gear ratio', () => {
    expect(planOf('banjo-five-string', 5).nut).toBeNull();
    const plan = planOf('acoustic-parlour', 3);
    expect(plan.buttonTurns / plan.wind.rotationTurns).toBeCloseTo(16, 9);
    expect(planOf('ukulele-soprano', 1).buttonTurns).toBeCloseTo(planOf('ukulele-soprano', 1).wind.rotationTurns, 9);
  });

  it('mirrors nothing but the direction for the left hand', () => {
    const instrument: Instrument = { ...instrumentOf('acoustic-parlour'), hand: 'left' };
    const { direction: left, ...rest } = planOf('acoustic-parlour', 6, { instrument });
    const { direction: right, ...same } = planOf('acoustic-parlour', 6);
    expect([left, right]).toEqual(['clockwise', 'anticlockwise']);
    expect(rest).toEqual(same);
  });

  it('asks less slack for a post that proved thicker to make the same turns longer', () => {
    const string = stringsOf(instrumentOf('acoustic-parlour'))[5];
    if (string === undefined) throw new Error('no string');
    const thick = windString({ instrument: instrumentOf('acoustic-parlour'), index: 5, string, postThicker: fromMillimetres(0.5) });
    const noted = planOf('acoustic-parlour', 6);
    // each turn of a post 0.5 mm thicker takes 0.5π more
    expect(toMillimetres(metres((thick?.slack ?? 0) - noted.slack))).toBeCloseTo(2 * Math.PI * 0.5, 0);
  });

  it('cuts by the post that was learned: half of what it is thicker, and half a turn round it where the tail is kinked', () => {
    const endOf = (number: number, postThicker?: Metres) => {
      const { cut, slack } = planOf('acoustic-parlour', number, postThicker === undefined ? {} : { postThicker });
      return toMillimetres(metres(cut - slack));
    };
    const thicker = fromMillimetres(0.5);
    expect(endOf(6, thicker) - endOf(6)).toBeCloseTo(0.25, 9);
    expect(endOf(1, thicker) - endOf(1)).toBeCloseTo(0.25 + (Math.PI * 0.5) / 2, 9);
  });

  it('gives back the turns of the plan when its own cut is asked for, and more for a longer one', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('acoustic-parlour', 'bass-in-line', 'mandolin', 'ukulele-concert', 'classical', 'banjo-tenor', 'electric-seven'),
        fc.integer({ min: 1, max: 4 }),
        (id, number) => {
          const plan = planOf(id, number);
          const again = planOf(id, number, { cut: plan.cut });
          const longer = planOf(id, number, { cut: metres(plan.cut + 0.01) });
          expect(again.wind.turns).toBeCloseTo(plan.wind.turns, 9);
          expect(longer.wind.turns).toBeGreaterThan(again.wind.turns);
          expect(longer.offcut?.length ?? 0).toBeCloseTo((again.offcut?.length ?? 0) - 0.01, 9);
        },
      ),
    );
  });

  it('has no plan for a cut that leaves the string too short to reach', () => {
    const instrument = instrumentOf('acoustic-parlour');
    const [string] = stringsOf(instrument);
    if (string === undefined) throw new Error('no string');
    expect(windString({ instrument, index: 0, string, cut: metres(-0.05) })).toBeNull();
    expect(() => windString({ instrument, index: 9, string })).toThrow(RangeError);
  });
});

describe('room to tune once it is wound', () => {
  it('goes slack before steel of a guitar unwinds to its last turn, and ends above at the safe share of its strength', () => {
    const { room, load } = planOf('acoustic-parlour', 1);
    expect(room.down).toEqual({ semitones: null, stops: 'slack-first' });
    expect(room.up.stops).toBe('reserve');
    // T ∝ f² but for thinning: from T to 0.75 of breaking is 6 log2(0.75/(T/T_break)) semitones
    expect(room.up.semitones).toBeCloseTo(6 * Math.log2(0.75 / (1 - load.reserve)), 1);
  });

  it('runs out of turns below on nylon that was wound short: what is given back cannot undo the stretch', () => {
    const long = planOf('classical', 1);
    const short = planOf('classical', 1, { cut: metres(long.cut - 0.03) });
    expect(short.room.down.stops).toBe('wind-runs-out');
    expect(short.room.down.semitones).toBeGreaterThan(0);
    const gives = slackForTurns(short.wind.turns, short.geometry, short.stretch);
    expect(gives.ok).toBe(true);
  });

  it('holds in a lock until it is let out straight, which is slack', () => {
    expect(planOf('electric-seven', 1).room.down.stops).toBe('slack-first');
  });
});

describe('what is left over', () => {
  it('weighs length times mass per metre: a .012 leaves 22 cm and 0.13 g of a metre and two', () => {
    const { offcut, cut, stretch } = planOf('acoustic-parlour', 1, { set: '.012–.053' });
    const length = 1.02 - stretch.path - cut;
    expect(offcut?.length).toBeCloseTo(length, 9);
    // 7820 · π/4 · (0.3048 mm)² = 0.5706 g/m
    expect((offcut?.mass ?? 0) * 1000).toBeCloseTo(length * 0.5706, 3);
  });
});

describe('a string clamped at the head', () => {
  it('is cut just inside its clamp, and drawn up by slack and stretch', () => {
    const plan = clampOf(1, { set: '.010–.046' });
    expect(toMillimetres(plan.grip)).toBeCloseTo(8, 9); // 9 mm of clamp less the millimetre it is drawn in
    expect(plan.cut).toBeCloseTo(plan.slack + plan.grip, 12);
    expect(plan.screw.used).toBeCloseTo(plan.slack + plan.stretched, 12);
    expect(plan.screw.left + plan.screw.used).toBeCloseTo(0.016, 12);
    expect(plan.screw.turns).toBeCloseTo(toMillimetres(plan.screw.used) / 0.7, 9);
  });

  it('runs out of screw when too much slack is left, and has no plan where it does not reach', () => {
    const plan = clampOf(1);
    const long = clampOf(1, { cut: metres(plan.cut + plan.screw.left + 0.001) });
    expect(toMillimetres(long.screw.left)).toBeCloseTo(-1, 6);
    expect(long.room.up.semitones).toBeCloseTo(0, 9);
    expect(() => clampOf(1, { cut: metres(-0.02) })).toThrow('no plan');
    expect(() => clampOf(1, { instrument: { ...instrumentOf('electric-headless'), screwTuner: null } })).toThrow(RangeError);
  });
});
