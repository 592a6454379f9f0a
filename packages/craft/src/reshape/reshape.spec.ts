import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { ANCHORS, type Instrument } from '../instrument/index.js';
import { toMillimetres } from '../units/index.js';
import { courseSizes, headOf, pegsOnHead, withAnchor, withCourses, withHead, withPostStyle } from './index.js';

const [inLine, parlour, banjo, mandolin, classical] = [
  'electric-in-line',
  'acoustic-parlour',
  'banjo-five-string',
  'mandolin',
  'classical',
].map(instrumentOf) as [Instrument, Instrument, Instrument, Instrument, Instrument];
const notes = ({ strings }: Instrument) => strings.map(({ note }) => note).join(' ');
const sides = ({ strings }: Instrument) => strings.map(({ post }) => (post.side === 'treble' ? 't' : 'b')).join('');
const mm = (lengths: readonly number[]) => lengths.map((each) => Number(toMillimetres(each as never).toFixed(2)));
const kind = fc.constantFrom(...ARCHETYPES.map(({ id }) => id)).map(instrumentOf);

describe('a head', () => {
  it('takes so many posts to either side, string 1 and the last nearest the nut', () => {
    const split = withHead(parlour, { layout: 'split', treble: 2 });
    expect(sides(split)).toBe('ttbbbb');
    // as on the parlour: 50 mm to the first, 42 mm from one to the next, 23 mm aside and 3 mm more from post to post
    expect(mm(split.strings.map(({ post }) => post.along))).toEqual([50, 92, 176, 134, 92, 50]);
    expect(mm(split.strings.map(({ post }) => post.sideways))).toEqual([-23, -26, 32, 29, 26, 23]);
  });

  it('in line lets every string run straight over a flat nut: post and slot are half a post apart', () => {
    const line = withHead(withHead(parlour, { layout: 'in-line', treble: 0 }), { layout: 'in-line', treble: 6 });
    expect(sides(line)).toBe('tttttt');
    for (const { post, slotSideways } of line.strings) expect(slotSideways - post.sideways).toBeCloseTo(post.diameter / 2, 9);
  });

  it('becomes a slotted one with rollers, and a headless one with clamps and screws, and comes back', () => {
    const slotted = withHead(inLine, { layout: 'slotted', treble: 3 });
    expect(slotted.strings.every(({ post }) => post.style === 'roller')).toBe(true);
    expect(slotted.headstock.rollerSlots).not.toBeNull();
    const headless = withHead(slotted, { layout: 'headless', treble: 3 });
    expect(headless.strings.every(({ post, slotSideways }) => post.style === 'clamp' && post.sideways === slotSideways)).toBe(true);
    expect(headless.screwTuner).not.toBeNull();
    const back = withHead(headless, { layout: 'split', treble: 3 });
    expect([back.screwTuner, back.headstock.rollerSlots, back.strings[0]?.post.style]).toEqual([null, null, 'through']);
  });

  it('stays as it is where nothing of it is changed, on every kind', () => {
    fc.assert(
      fc.property(kind, (instrument) => {
        const again = withHead(instrument, headOf(instrument));
        expect(headOf(again)).toEqual(headOf(instrument));
        for (const [index, { post }] of again.strings.entries()) expect(post.style).toBe(instrument.strings[index]?.post.style);
      }),
    );
    expect(() => withHead(parlour, { layout: 'split', treble: 7 })).toThrow('treble must be between 0 and 6');
  });
});

describe('courses', () => {
  it('one more lies under the last as that under the one before; one less is gone with its post', () => {
    const seven = withCourses(inLine, Array(7).fill(1) as number[]);
    expect(notes(seven)).toBe(`${notes(inLine)} B1`); // a fourth under E2, as E2 under A2
    expect(sides(seven)).toBe('bbbbbbb');
    expect(notes(withCourses(seven, Array(6).fill(1) as number[]))).toBe(notes(inLine));
    const five = withCourses(inLine, Array(5).fill(1) as number[]);
    expect(five.trees.every(({ strings }) => strings.every((index) => index < 5))).toBe(true);
  });

  it('doubled become pairs that sound alike, close together at the nut', () => {
    const twelve = withCourses(parlour, Array(6).fill(2) as number[]);
    expect(courseSizes(twelve)).toEqual([2, 2, 2, 2, 2, 2]);
    expect(
      notes(twelve)
        .split(' ')
        .filter((_, index) => index % 2 === 0)
        .join(' '),
    ).toBe(notes(parlour));
    const [first, second] = mm(twelve.strings.map(({ slotSideways }) => slotSideways));
    expect((second ?? 0) - (first ?? 0)).toBeCloseTo(2.2, 2);
    expect(sides(twelve)).toBe('ttttttbbbbbb');
  });

  it('keep to the width between the outermost slots, and leave a fifth peg in the neck where it is', () => {
    fc.assert(
      fc.property(kind, fc.array(fc.constantFrom(1, 2), { minLength: 2, maxLength: 9 }), (instrument, sizes) => {
        const other = withCourses(instrument, sizes);
        const outer = (of: Instrument) =>
          Math.max(...of.strings.map((each) => each.slotSideways)) - Math.min(...of.strings.map((each) => each.slotSideways));
        expect(courseSizes(other)).toEqual(sizes);
        expect(outer(other)).toBeLessThanOrEqual(outer(instrument) + 1e-9);
        expect(pegsOnHead(other)).toBeLessThanOrEqual(other.strings.length);
      }),
    );
    expect(withCourses(banjo, [1, 1, 1, 1, 1]).strings[4]?.post.pipAlong).toBe(banjo.strings[4]?.post.pipAlong);
    expect(courseSizes(mandolin)).toEqual([2, 2, 2, 2]);
  });

  it('of three strings, or of nineteen in all, are refused', () => {
    expect(() => withCourses(parlour, [3])).toThrow('one string or two');
    expect(() => withCourses(parlour, Array(10).fill(2) as number[])).toThrow('18 at most');
  });
});

describe('parts', () => {
  it('an anchor brings what is typical of it and drops what belongs to another', () => {
    for (const anchor of ANCHORS) {
      const { bridge } = withAnchor(classical, anchor);
      expect([bridge.anchor, bridge.tieHoles, bridge.cover, bridge.vibrato]).toEqual([anchor, 'single', false, false]);
      expect(bridge.behindSaddle).toBeGreaterThan(0);
    }
  });

  it('a post of another style is as thick and as deep as such posts are, and stands where it stood', () => {
    const slotted = withPostStyle(inLine, 'slotted', null);
    expect(slotted.strings.map(({ post }) => post.holeDepth)).not.toContain(null);
    expect(mm(slotted.strings.map(({ post }) => post.along))).toEqual(mm(inLine.strings.map(({ post }) => post.along)));
    const one = withPostStyle(inLine, 'locking', 2);
    expect(one.strings.map(({ post }) => post.style)).toEqual(['through', 'through', 'locking', 'through', 'through', 'through']);
  });
});
