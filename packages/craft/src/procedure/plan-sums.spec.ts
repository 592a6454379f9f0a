import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import type { StringPlace } from '../instrument/index.js';
import { hangAtNut, slotFit } from '../nut/index.js';
import { nutToFret, takeUp, turnHeight, windingCircle } from '../post/index.js';
import { anyPlan, clampOf, planOf, stringsOf } from '../testing/index.js';
import { fromMillimetres, metres, radians, toDegrees } from '../units/index.js';
import { practiceGap, windString, type PostPlan } from './index.js';

const plans = () => ARCHETYPES.flatMap(({ id, sketch }) => sketch.notes.map((_, index) => anyPlan(id, index + 1)));
const onPosts = () => plans().filter((plan) => plan.kind === 'post');

/** Semitones from one strain to another: pull goes with strain, mass per metre with one over 1 + strain, pitch with the root of pull over mass. */
const semitones = (from: number, to: number) => 12 * Math.log2(Math.sqrt((to * (1 + to)) / (from * (1 + from))));

describe('what a plan says of a post', () => {
  it('stacks as many heights of a turn as there are turns', () => {
    for (const { stackHeight, wind, geometry } of onPosts())
      expect(stackHeight).toBeCloseTo(Math.max(0, wind.turns) * turnHeight(geometry), 12);
  });

  it('lays the wanted slack into its band, whatever a lock takes beside it', () => {
    for (const { slack, slackRange } of onPosts()) {
      expect(slackRange[0]).toBeLessThanOrEqual(slack + 1e-12);
      expect(slackRange[1]).toBeGreaterThanOrEqual(slack - 1e-12);
    }
    const kinked = planOf('acoustic-parlour', 1, { choices: { technician: { plainFixing: 'kink-lock' } } });
    expect(kinked.allowance).toBeGreaterThan(0);
    expect(kinked.slackRange[0]).toBeLessThanOrEqual(kinked.slack);
    expect(kinked.slackRange[1]).toBeGreaterThanOrEqual(kinked.slack);
  });

  it('tunes up until the post is full, each turn taking its length', () => {
    const nearlyFull = ARCHETYPES.flatMap(({ id, sketch }) =>
      sketch.notes.flatMap((_, index) => {
        const plan = anyPlan(id, index + 1);
        return plan.kind === 'post' && plan.methods.turns !== null ? [planOf(id, index + 1, { turns: plan.capacityTurns - 0.1 })] : [];
      }),
    );
    const full = nearlyFull.filter(({ room }) => room.up.stops === 'full');
    expect(full.length).toBeGreaterThan(3);
    for (const { room, capacityTurns, wind, geometry, stretch } of full) {
      const taken = (capacityTurns - wind.turns) * 2 * Math.PI * windingCircle(geometry).lengthPerRadian;
      const strain = Math.exp(Math.log(1 + stretch.strain) + taken / stretch.path) - 1;
      expect(room.up.semitones).toBeCloseTo(semitones(stretch.strain, strain), 6);
    }
  });

  it('tunes down until one turn is left, and not at all from less than that', () => {
    const long = planOf('classical', 1);
    const short = planOf('classical', 1, { cut: metres(long.cut - 0.03) });
    const { geometry, wind, stretch } = short;
    const unwound =
      takeUp(radians(2 * Math.PI * wind.rotationTurns), geometry) -
      takeUp(radians(2 * Math.PI * (wind.rotationTurns - (wind.turns - 1))), geometry);
    const strain = Math.exp(Math.log(1 + stretch.strain) - unwound / stretch.path) - 1;
    expect(short.room.down.semitones).toBeCloseTo(-semitones(stretch.strain, strain), 6);
    const less = planOf('classical', 1, { turns: 0.8 });
    expect(less.room.down).toEqual({ semitones: expect.closeTo(0, 9), stops: 'wind-runs-out' });
  });

  it('keeps what was cut or counted, though it be less than no slack; only a plan pulls tight', () => {
    const tight = plans().flatMap((plan) =>
      plan.kind === 'post' && plan.rule.kind === 'stretch-makes-more' ? [{ ...plan, house: plan.rule.house }] : [],
    );
    expect(tight.length).toBeGreaterThan(0);
    for (const { slack, slackRange, wind, house } of tight) {
      expect([slack, slackRange]).toEqual([0, [0, 0]]);
      expect(wind.turns).toBeGreaterThan(house);
    }
    const instrument = instrumentOf('ukulele-concert');
    const [string] = stringsOf(instrument);
    if (string === undefined) throw new Error('none');
    const choices = { technician: { strings: { 1: { turns: 0.2 } } } };
    const ask = (more: object) => {
      const plan = windString({ instrument, index: 0, string, choices, ...more });
      if (plan?.kind !== 'post') throw new Error('no plan');
      return plan;
    };
    expect(ask({}).rule).toEqual({ kind: 'stretch-makes-more', house: 0.2 });
    const counted = ask({ turns: 0.2 });
    expect([counted.rule, counted.wind.turns]).toEqual([{ kind: 'house' }, expect.closeTo(0.2, 9)]);
    expect(counted.slack).toBeLessThan(0);
    const cut = ask({ cut: counted.cut });
    expect([cut.wind.turns, cut.slack]).toEqual([expect.closeTo(0.2, 6), expect.closeTo(counted.slack, 9)]);
  });

  it('knows no string beyond those of the instrument', () => {
    const [string] = stringsOf(instrumentOf('acoustic-parlour'));
    if (string === undefined) throw new Error('none');
    expect(() => windString({ instrument: instrumentOf('acoustic-parlour'), index: 6, string })).toThrow(new RangeError('no string at 6'));
  });

  it('has no offcut where the string as sold ends at the mark', () => {
    const plan = planOf('acoustic-parlour', 1);
    const beyond = (by: number) => planOf('acoustic-parlour', 1, { cut: metres(plan.cut + (plan.offcut?.length ?? 0) + by) }).offcut;
    expect(beyond(0)?.length ?? 0).toBeLessThan(1e-12);
    expect(beyond(0.001)).toBeNull();
    expect(beyond(-0.001)?.length).toBeCloseTo(0.001, 9);
  });
});

describe('what a plan says of a clamp', () => {
  it('stretches from where the string begins behind its saddle to the clamp beyond the nut', () => {
    const { bridge, strings } = instrumentOf('electric-headless');
    strings.forEach(({ scaleLength, post }, index) => {
      const { stretch, stretched, load } = clampOf(index + 1);
      expect(stretch.path).toBeCloseTo(bridge.behindSaddle + scaleLength + post.along, 12);
      expect(stretched).toBeCloseTo(stretch.path * Math.log(1 + load.strain + stretch.creep), 12);
    });
  });

  it('has a band as wide as the stretch of its stiffest and softest making lie apart, half to each side', () => {
    const instrument = instrumentOf('electric-headless');
    stringsOf(instrument).forEach((string, index) => {
      const { slack, slackRange, stretch, load } = clampOf(index + 1);
      const at = (stiffness: number, creep: number) => stretch.path * Math.log(1 + load.pull / stiffness + creep);
      const { stiffness, creep } = string.range;
      const width = at(stiffness[0], creep[1]) - at(stiffness[1], creep[0]);
      expect(width).toBeGreaterThan(0);
      expect([slackRange[1] - slack, slack - slackRange[0]]).toEqual([expect.closeTo(width / 2, 12), expect.closeTo(width / 2, 12)]);
    });
  });

  it('tunes down by what its screw drew, and up by what it has left', () => {
    const { room, screw, stretch } = clampOf(6);
    const raised = Math.exp(Math.log(1 + stretch.strain) + screw.left / stretch.path) - 1;
    if (room.up.stops === 'full') expect(room.up.semitones).toBeCloseTo(semitones(stretch.strain, raised), 6);
    expect(room.down).toEqual({ semitones: null, stops: 'slack-first' }); // slack and stretch are all that it drew
    const tight = clampOf(6, { cut: metres(clampOf(6).grip - 0.0005) });
    const lowered = Math.exp(Math.log(1 + stretch.strain) - tight.screw.used / stretch.path) - 1;
    expect(tight.room.down).toEqual({ semitones: expect.closeTo(-semitones(stretch.strain, lowered), 6), stops: 'wind-runs-out' });
  });

  it('asks for a clamp and its screw, and names the string', () => {
    const instrument = instrumentOf('electric-headless');
    const [string] = stringsOf(instrument);
    if (string === undefined) throw new Error('none');
    const shallow = { ...instrument, strings: instrument.strings.map((place) => ({ ...place, post: { ...place.post, holeDepth: null } })) };
    for (const without of [shallow, { ...instrument, screwTuner: null }])
      expect(() => windString({ instrument: without, index: 2, string })).toThrow(new RangeError('no clamp or screw tuner for string 3'));
  });
});

describe('practice and post', () => {
  const place = instrumentOf('mandolin').strings[0] as StringPlace;
  const house = (): PostPlan => ({ ...planOf('mandolin', 1), rule: { kind: 'house' } });
  const at = (fret: number) => ({ ...house(), slack: nutToFret(fret, place.scaleLength) });

  it('disagree from a third more than the most on, and from a third less than the least', () => {
    // fret 2½ to 3: 2.5 · ¾ = 1.875, 3 · 4⁄3 = 4
    expect([1.87, 1.88, 2.5, 3, 3.99, 4.01].map((fret) => practiceGap(at(fret), place, 'mandolin') !== null)).toEqual([
      true,
      false,
      false,
      false,
      false,
      true,
    ]);
    expect(practiceGap(at(5), place, 'mandolin')?.made).toBeCloseTo(5, 6);
  });

  it('are not asked where somebody, or the nut, decided', () => {
    expect(practiceGap({ ...at(6), rule: { kind: 'at-most', house: 6 } }, place, 'mandolin')).toBeNull();
    expect(practiceGap({ ...at(6), methods: { ...house().methods, turnsFrom: 'technician' } }, place, 'mandolin')).toBeNull();
  });

  it('are measured past the post of a bass: 50 to 100 mm', () => {
    const bass = instrumentOf('bass-in-line');
    const slotted = bass.strings[0] as StringPlace;
    const plan: PostPlan = { ...planOf('bass-in-line', 1), rule: { kind: 'house' } };
    const cut = (mm: number) => practiceGap({ ...plan, cut: fromMillimetres(mm) }, slotted, 'bass') !== null;
    expect([37, 38, 75, 133, 134].map(cut)).toEqual([true, false, false, false, true]); // 50 · ¾, 100 · 4⁄3
  });

  it('have nothing to compare at a post of which practice says nothing, or a slack that is none', () => {
    const roller = instrumentOf('classical').strings[0] as StringPlace;
    expect(practiceGap({ ...planOf('classical', 1), rule: { kind: 'house' } }, roller, 'classical')).toBeNull();
    expect(practiceGap({ ...house(), slack: metres(-0.01) }, place, 'mandolin')).toBeNull();
  });
});

describe('what a plan says of the nut', () => {
  it('leaves a roller at the height of its axis and the radius of its winding', () => {
    const roller = planOf('classical', 1);
    const axis = instrumentOf('classical').strings[0]?.post.holeHeight ?? 0;
    expect(roller.exitHeight).toBeCloseTo(axis + windingCircle(roller.geometry).radius, 12);
  });

  it('hangs by what it turns there, its slot and the string before and behind it', () => {
    for (const [id, index] of [
      ['acoustic-parlour', 2],
      ['electric-split', 0],
      ['classical', 3],
    ] as const) {
      const { nut, geometry } = planOf(id, index + 1);
      const place = instrumentOf(id).strings[index] as StringPlace;
      const string = stringsOf(instrumentOf(id))[index];
      if (nut === null || string === undefined) throw new Error('none');
      const fit = slotFit(place.slotWidth, string.gauge).kind;
      expect(nut.hang).toEqual(hangAtNut({ turned: nut.total, speakingLength: place.scaleLength, behindNut: geometry.nutToPost, fit }));
    }
  });
});

describe('turns that the nut asks for', () => {
  it('go as far as they may where no turns reach the angle, and say what that gives', () => {
    const plan = planOf('acoustic-parlour', 6, { choices: { house: { nutDeg: 40 } } });
    expect(plan.rule).toMatchObject({ kind: 'angle-out-of-reach' });
    if (plan.rule.kind !== 'angle-out-of-reach') return;
    expect(plan.rule.best).toBeGreaterThan(plan.rule.houseAngle);
    expect(plan.wind.turns).toBeGreaterThan(plan.rule.house);
    expect(plan.rule.best).toBeCloseTo(plan.nut?.vertical ?? 0, 12);
  });

  it('stay as they are on a roller, where a turn more changes nothing that is asked for', () => {
    const plan = planOf('classical', 1, { choices: { house: { nutDeg: 60 } } });
    expect(plan.rule.kind).toBe('angle-out-of-reach');
    if (plan.rule.kind === 'angle-out-of-reach') expect(plan.wind.turns).toBeCloseTo(plan.rule.house, 9);
  });

  it('say of a string that is locked straight whether it lies low', () => {
    const low = planOf('electric-seven', 1, { choices: { house: { nutDeg: 30 } } });
    expect(low.rule).toEqual({ kind: 'straight', low: true });
    const high = planOf('electric-seven', 1, { choices: { house: { nutDeg: 1 } } });
    expect(high.rule).toEqual({ kind: 'straight', low: false });
    expect(toDegrees(high.nut?.vertical ?? radians(0))).toBeGreaterThan(1);
  });
});
