import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { AnchorKind, PostStyle } from '../instrument/index.js';
import { stringProperties, type StringSpec } from '../strings/index.js';
import { fromInches, fromMillimetres, metres, toMillimetres } from '../units/index.js';
import {
  isSoft,
  METHOD_LAYERS,
  methodsFor,
  practiceOf,
  saySlack,
  SLACK_SCHOOLS,
  STRING_CLASSES,
  stringClass,
  TYPICAL_HAND,
  type LayeredChoices,
} from './index.js';

const string = (family: StringSpec['family'], construction: StringSpec['construction'], thousandths: number) => {
  const outcome = stringProperties({ family, construction, gauge: fromInches(thousandths / 1000) });
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
};

const methods = (
  family: StringSpec['family'],
  style: PostStyle,
  construction: StringSpec['construction'],
  thousandths: number,
  choices: LayeredChoices = {},
  anchor: AnchorKind = 'pins',
) => methodsFor({ family, number: 1, style, anchor, string: string(family, construction, thousandths), choices });

describe('built-in methods', () => {
  it.each([
    ['a thin plain guitar string', 'electric', 'through', 'plain', 10, 2.5, 3],
    ['a thick plain guitar string', 'electric', 'through', 'plain', 18, 2, 3],
    ['a thick wound guitar string', 'acoustic', 'through', 'wound', 53, 2, 2.5],
    ['a bass string', 'bass', 'slotted', 'wound', 105, 1, 3],
    ['a mandolin treble', 'mandolin', 'through', 'plain', 11, 4, 5],
    ['a mandolin bass', 'mandolin', 'through', 'wound', 38, 2, 3],
    ['a banjo string', 'banjo', 'planetary', 'plain', 10, 2, 3],
  ] as const)('give %s as many turns as the schools do', (_what, family, style, construction, gauge, least, most) => {
    const { turns, mostTurns, reason } = methods(family, style, construction, gauge);
    expect(turns).toBeGreaterThanOrEqual(least);
    expect(turns).toBeLessThanOrEqual(most);
    expect(mostTurns).toBeGreaterThan(turns ?? 99);
    expect(mostTurns).toBeLessThanOrEqual(family === 'bass' ? 3 : family === 'mandolin' ? 6 : 4);
    expect(reason).not.toBe('');
  });

  it('give no turns where the string is locked straight', () => {
    expect(methods('electric', 'locking', 'plain', 10).turns).toBeNull();
    expect(methods('electric', 'clamp', 'wound', 46).turns).toBeNull();
    const straight = { turnsFrom: 'built-in', mostTurns: 1, mostFrom: 'built-in' };
    expect(methods('electric', 'locking', 'plain', 10)).toMatchObject({...straight, reason: expect.stringContaining('locking posts') as string }); // prettier-ignore
    expect(methods('electric', 'clamp', 'wound', 46)).toMatchObject({...straight, reason: expect.stringContaining('head clamps') as string }); // prettier-ignore
    expect(toMillimetres(methods('ukulele', 'clamp', 'nylon', 28).stub)).toBe(3); // held in the clamp, it needs no tail
  });

  it('never give a thicker string of a guitar more turns than a thinner one of its kind', () => {
    for (const construction of ['plain', 'wound'] as const) {
      const gauges = construction === 'plain' ? [9, 12, 16, 18, 20] : [20, 26, 36, 46, 56];
      const turns = gauges.map((gauge) => methods('acoustic', 'through', construction, gauge).turns ?? 0);
      expect(turns).toEqual([...turns].sort((a, b) => b - a));
    }
  });

  it('tie what is soft, kink what is plain, bend into the middle of a slotted post, clamp in a lock', () => {
    expect(methods('ukulele', 'through', 'nylon', 28).postMethod).toBe('loop-tie');
    expect(methods('classical', 'roller', 'wound', 43).postMethod).toBe('loop-tie');
    expect(methods('banjo', 'side-peg', 'plain', 10).postMethod).toBe('kink-lock');
    expect(methods('bass', 'slotted', 'wound', 45).postMethod).toBe('bend-into-centre');
    expect(methods('electric', 'locking', 'plain', 10).postMethod).toBe('clamp');
  });

  it('put one turn above the hole only where the string goes over one and under the rest of a standing post', () => {
    expect(methods('acoustic', 'through', 'wound', 32).turnsAbove).toBe(1);
    expect(methods('acoustic', 'through', 'plain', 12).turnsAbove).toBe(0);
    expect(methods('acoustic', 'roller', 'wound', 32).turnsAbove).toBe(0);
    const overLast = (style: PostStyle) => methods('acoustic', style, 'wound', 32, { house: { woundFixing: 'over-last' } });
    expect(overLast('through')).toMatchObject({ postMethod: 'over-last', methodFrom: 'house', turnsAbove: 1, leavesAbove: true });
    for (const style of ['roller', 'side-peg'] as const) expect(overLast(style)).toMatchObject({ turnsAbove: 0, leavesAbove: false });
    expect(methods('acoustic', 'through', 'wound', 32).leavesAbove).toBe(false);
  });

  it('say under a locking nut that what is wound is all the room for another tuning, and whose way it is', () => {
    const reason = (choices: LayeredChoices, anchor: AnchorKind) => methods('electric', 'through', 'plain', 10, choices, anchor).reason;
    expect(reason({}, 'double-locking')).toMatch(/; the nut will be locked: what is wound now is all the room for another tuning$/);
    expect(reason({}, 'pins')).not.toContain('the nut');
    const turns = (value: number) => ({ turns: { 'thin-plain': value } });
    expect(reason({ house: turns(1) }, 'pins')).toBe('the way of the house: 1 turn');
    expect(reason({ technician: turns(2.5) }, 'pins')).toBe('your own way: 2.5 turns');
    expect(reason({ instrument: turns(3) }, 'double-locking')).toMatch(/^chosen for this instrument: 3 turns; the nut/);
  });

  it('leave a tail to trim on nylon, longer than on steel', () => {
    const nylon = methods('classical', 'roller', 'nylon', 28).stub;
    expect(toMillimetres(nylon)).toBeGreaterThan(3 * toMillimetres(methods('electric', 'through', 'plain', 10).stub));
  });

  it('say when to cut: a slotted post first, wound strings bent before, locks and ties once they hold', () => {
    expect(methods('bass', 'slotted', 'wound', 45).cut).toEqual({ when: 'bend-first', why: 'the-core-would-slip' });
    expect(methods('electric', 'slotted', 'plain', 10).cut).toEqual({ when: 'before-winding', why: 'the-slot-hides-the-end' });
    expect(methods('electric', 'locking', 'plain', 10).cut).toEqual({ when: 'after-it-holds', why: 'the-lock-must-hold-first' });
    expect(methods('classical', 'roller', 'nylon', 28).cut).toEqual({ when: 'after-it-holds', why: 'the-tie-must-hold-first' });
    expect(methods('electric', 'clamp', 'plain', 10).cut).toEqual({ when: 'bend-first', why: 'the-bend-holds-in-the-clamp' });
    for (const plainFixing of ['turns-first', 'crossing-turn'] as const) {
      const { cut } = methods('electric', 'through', 'plain', 10, { house: { plainFixing, cutTime: 'before-winding' } });
      expect(cut).toEqual({ when: 'after-it-holds', why: 'wrapped-by-hand-first' });
    }
    expect(methods('electric', 'through', 'plain', 10).cut.when).toBe('before-winding');
  });
});

describe('the kind of a string', () => {
  it.each([
    ['nylon', 0, true],
    ['fluorocarbon', 0, true],
    ['gut', 0, true],
    ['wound', 0.01, true],
    ['wound', 0, false],
    ['plain', 0, false],
  ] as const)('%s that creeps by %d is soft: %s', (construction, creep, soft) => {
    expect(isSoft({ construction, creep })).toBe(soft);
  });

  it.each([
    ['acoustic', 'plain', 10, 'thin-plain'],
    ['acoustic', 'plain', 18, 'middle'], // 0.457 mm
    ['acoustic', 'plain', 42, 'middle'], // as thick as a wound bass, and plain all the same
    ['acoustic', 'wound', 16, 'middle'], // thinner than a thick plain
    ['acoustic', 'wound', 39, 'middle'],
    ['acoustic', 'wound', 40, 'thick-wound'],
    ['mandolin', 'wound', 40, 'mandolin-wound'],
    ['mandolin', 'plain', 10, 'mandolin-plain'],
    ['classical', 'nylon', 28, 'soft-plain'],
  ] as const)('%s, %s .0%i is of the class %s', (family, construction, gauge, kind) => {
    expect(stringClass(family, string(family, construction, gauge))).toBe(kind);
  });
});

describe('what practice leaves without computing', () => {
  const asked = { family: 'acoustic', style: 'through', stringClass: 'middle', scaleLength: fromMillimetres(632) } as const;
  const short = { ...asked, family: 'mandolin', scaleLength: fromMillimetres(350) } as const;

  it('is a fret or so on guitars, two to three on a mandolin, and so much past the post of a bass', () => {
    expect(practiceOf(asked)).toEqual({ kind: 'fret', from: 1, to: 1.5 });
    expect(practiceOf({ ...asked, family: 'electric' })).toEqual({ kind: 'fret', from: 1, to: 1.5 });
    expect(practiceOf({ ...short, stringClass: 'mandolin-plain' })).toEqual({ kind: 'fret', from: 2.5, to: 3 });
    expect(practiceOf({ ...short, stringClass: 'mandolin-wound' })).toEqual({ kind: 'fret', from: 2, to: 2 });
    const bass = practiceOf({ ...asked, family: 'bass', style: 'slotted' });
    expect(bass).toEqual({ kind: 'past-post', from: fromMillimetres(50), to: fromMillimetres(100) });
  });

  it('is nothing for other posts and families, nor for the deeper kin of the mandolin from 400 mm on', () => {
    for (const style of ['slotted', 'locking', 'roller'] as const) expect(practiceOf({ ...asked, style })).toBeNull();
    for (const family of ['bass', 'classical', 'ukulele', 'banjo'] as const) expect(practiceOf({ ...asked, family })).toBeNull();
    expect(practiceOf({ ...short, scaleLength: fromMillimetres(400) })).toBeNull();
    expect(practiceOf({ ...short, scaleLength: fromMillimetres(500) })).toBeNull();
  });
});

describe('choices of instrument, technician and house', () => {
  it('win in this order over what is built in, each by itself', () => {
    const turns = (value: number) => ({ turns: { 'thin-plain': value } });
    const layers: LayeredChoices = { house: turns(2), technician: turns(4), instrument: turns(5) };
    METHOD_LAYERS.forEach((layer, index) => {
      const left = Object.fromEntries(METHOD_LAYERS.slice(index).map((name) => [name, layers[name]]));
      expect(methods('acoustic', 'through', 'plain', 10, left)).toMatchObject({
        turns: { instrument: 5, technician: 4, house: 2 }[layer],
        turnsFrom: layer,
      });
    });
    expect(methods('acoustic', 'through', 'wound', 53, layers)).toMatchObject({ turns: 2, turnsFrom: 'built-in' });
  });

  it('choose how steel is fixed by plain and wound, and nylon by itself', () => {
    const choices: LayeredChoices = { technician: { plainFixing: 'turns-first', softFixing: 'twice-through', cutTime: 'after-it-holds' } };
    expect(methods('acoustic', 'through', 'plain', 12, choices)).toMatchObject({ postMethod: 'turns-first', methodFrom: 'technician' });
    expect(methods('acoustic', 'through', 'wound', 32, choices)).toMatchObject({ postMethod: 'over-one-under-rest', methodFrom: 'built-in' }); // prettier-ignore
    expect(methods('acoustic', 'through', 'wound', 32, choices).cut.when).toBe('after-it-holds');
    expect(methods('ukulele', 'friction', 'fluorocarbon', 25, choices).postMethod).toBe('twice-through');
    // no choice changes what the post itself asks for
    expect(methods('bass', 'slotted', 'wound', 105, choices).postMethod).toBe('bend-into-centre');
  });

  it('are never more than an ‘at most’ that somebody set, of a class or of one string', () => {
    const most = (choices: LayeredChoices) => methods('bass', 'slotted', 'wound', 105, choices).mostTurns;
    expect(most({ house: { turns: { bass: 5 } } })).toBe(5); // a choice is kept
    expect(most({ house: { mostTurns: { 'bass-low': 2.5 } } })).toBe(2.5);
    expect(most({ house: { mostTurns: { 'bass-low': 2.5 }, strings: { 1: { most: 1.5 } } } })).toBe(1.5);
  });

  it('hold for single strings before their class, and for the whole bass unless its A or its lowest are chosen for', () => {
    const turns = (thousandths: number, choices: LayeredChoices) => methods('bass', 'slotted', 'wound', thousandths, choices).turns;
    const house: LayeredChoices = { house: { turns: { bass: 1.5, 'bass-low': 1 } } };
    expect([45, 65, 85, 105].map((gauge) => turns(gauge, house))).toEqual([1.5, 1.5, 1.5, 1]);
    expect(turns(105, { ...house, instrument: { strings: { 1: { turns: 2.5 } } } })).toBe(2.5);
    expect(turns(105, { ...house, instrument: { strings: { 2: { turns: 2.5 } } } })).toBe(1); // another string
  });

  it.each([[[40, 55, 75, 95]], [[45, 65, 85, 105]], [[50, 70, 90, 110]]])(
    'know the A and the lowest of a bass by their gauge: %j',
    (gauges) => {
      expect(gauges.map((gauge) => stringClass('bass', string('bass', 'wound', gauge)))).toEqual(['bass', 'bass', 'bass-a', 'bass-low']);
    },
  );

  it('want an angle over the nut where somebody wants one', () => {
    expect(methods('acoustic', 'through', 'plain', 12).nutDeg).toBeNull();
    expect(methods('acoustic', 'through', 'plain', 12, { house: { nutDeg: 9 } }).nutDeg).toBe(9);
  });

  it('leave a stub of so many millimetres, and cut it right after winding', () => {
    const chosen = methods('acoustic', 'through', 'plain', 12, { house: { stubMm: 6, cutTime: 'after-winding' } });
    expect(toMillimetres(chosen.stub)).toBeCloseTo(6, 9);
    expect(chosen.cut).toEqual({ when: 'after-winding', why: 'cut-once-wound' });
  });

  it('fix soft strings like steel ones where somebody does, with a tail to trim all the same', () => {
    for (const softFixing of ['kink-lock', 'turns-first', 'wind-down'] as const) {
      const fixed = methods('ukulele', 'through', 'nylon', 28, { technician: { softFixing } });
      expect(fixed.postMethod).toBe(softFixing);
      expect(toMillimetres(fixed.stub)).toBe(25);
    }
  });

  it('put every string in a class that can be chosen for', () => {
    expect(STRING_CLASSES).toContain(stringClass('classical', string('classical', 'wound', 35)));
    expect(stringClass('classical', string('classical', 'wound', 35))).toBe('soft-wound');
    expect(stringClass('acoustic', string('acoustic', 'wound', 53))).toBe('thick-wound');
  });
});

describe('slack in the words of a school', () => {
  type More = { straight?: boolean; postSpacing?: number | null; postsBeyond?: number; postToEnd?: number | null };
  const said = (slackMm: number, more: More = {}) => ({
    slack: fromMillimetres(slackMm),
    cut: fromMillimetres(slackMm + 12),
    scaleLength: fromMillimetres(650),
    postSpacing: more.postSpacing === null ? null : fromMillimetres(more.postSpacing ?? 40),
    postsBeyond: more.postsBeyond ?? 2,
    postToEnd: more.postToEnd === null ? null : fromMillimetres(more.postToEnd ?? 100),
    handTurns: 2.2,
    straight: more.straight ?? false,
  });

  it('is fret 1.33 for 50 mm of 675, 62 mm past the post, which is 1.55 of its spacings', () => {
    // 675 (1 − 2^(−1.3328/12)) = 50: log2(675/625) = 0.11103, times 12 is 1.332
    const at675 = { ...said(50), scaleLength: fromMillimetres(675) };
    expect(saySlack('pull-back', at675, TYPICAL_HAND, 1)).toEqual({ kind: 'fret', fret: expect.closeTo(1.332, 3) as number });
    expect(saySlack('posts', said(50), TYPICAL_HAND, 1)).toEqual({ kind: 'posts', count: expect.closeTo(62 / 40, 9) as number });
    expect(saySlack('past-post', said(50), TYPICAL_HAND, 1)).toEqual({ kind: 'past-post', length: fromMillimetres(62) });
    expect(saySlack('turns-first', said(50), TYPICAL_HAND, 1)).toEqual({ kind: 'wraps', turns: 2.2 });
  });

  it('lifts as high as the triangle over it: 24.5 mm of slack on 650 is a fist of 90 mm', () => {
    // √(325² + 90²) = 337.23, twice that less 650 is 24.5
    const hand = { ...TYPICAL_HAND, fist: fromMillimetres(90) };
    expect(saySlack('fist', said(24.46), hand, 1)).toEqual({ kind: 'fists', count: 1 });
    expect(saySlack('finger', said(54), { ...hand, finger: fromMillimetres(18) }, 1)).toEqual({ kind: 'fingers', count: 3 });
    expect(saySlack('spacer', said(55), { ...hand, spacer: fromMillimetres(55) }, 1)).toEqual({ kind: 'spacers', count: 1 });
  });

  it('says none where stretch makes the turns or the string is locked straight, in every school', () => {
    for (const school of SLACK_SCHOOLS) {
      for (const slackMm of [-3, 0, 4.9]) expect(saySlack(school, said(slackMm), TYPICAL_HAND, 1)).toEqual({ kind: 'no-slack' });
      expect(saySlack(school, said(5.1), TYPICAL_HAND, 1).kind).not.toBe('no-slack');
      expect(saySlack(school, said(0, { straight: true }), TYPICAL_HAND, 1)).toEqual({ kind: 'straight' });
    }
  });

  it('never counts more posts than follow: then it is so much past the end of the headstock, or short of it', () => {
    // 62 mm beyond the post are 1.55 spacings of 40: one post follows
    expect(saySlack('posts', said(50, { postsBeyond: 1, postToEnd: 62 + 15 }), TYPICAL_HAND, 1)).toEqual({
      kind: 'past-end',
      length: expect.closeTo(-0.015, 9) as number,
    });
    expect(saySlack('headstock-end', said(50, { postToEnd: 22 }), TYPICAL_HAND, 1)).toEqual({
      kind: 'past-end',
      length: expect.closeTo(0.04, 9) as number,
    });
    expect(saySlack('headstock-end', said(50, { postToEnd: null }), TYPICAL_HAND, 1).kind).toBe('fret');
  });

  it('falls back to the fret where a fifth peg has no neighbour', () => {
    expect(saySlack('posts', said(50, { postSpacing: null }), TYPICAL_HAND, 1).kind).toBe('fret');
  });

  it('tells a hand that leaves too much to leave less, in proportion', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 120 }), fc.double({ min: 0.8, max: 1.25, noNaN: true }), (slackMm, leaves) => {
        const told = saySlack('posts', said(slackMm, { postsBeyond: 9 }), TYPICAL_HAND, leaves);
        // what is told beyond the post is 12 mm for the end and the slack over the share that is left of it
        expect(told.kind === 'posts' ? (told.count * 40 - 12) * leaves : 0).toBeCloseTo(slackMm, 9);
        // a rule needs no correction: it says what the cut mark says
        const past = saySlack('past-post', said(slackMm), TYPICAL_HAND, leaves);
        expect(past.kind === 'past-post' ? toMillimetres(metres(past.length)) : 0).toBeCloseTo(slackMm + 12, 9);
      }),
    );
  });
});
