import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { ANCHORS, HEADSTOCK_LAYOUTS, type Instrument, type StringPlace, type Tree } from '../instrument/index.js';
import { fromMillimetres, metres, toMillimetres } from '../units/index.js';
import { courseSizes, headOf, pegsOnHead, withAnchor, withCourses, withHead, withPostStyle } from './index.js';

const [inLine, parlour, banjo, mandolin, classical, ukulele] = [
  'electric-in-line',
  'acoustic-parlour',
  'banjo-five-string',
  'mandolin',
  'classical',
  'ukulele-concert',
].map(instrumentOf) as [Instrument, Instrument, Instrument, Instrument, Instrument, Instrument];
const notes = ({ strings }: Instrument) => strings.map(({ note }) => note).join(' ');
const sides = ({ strings }: Instrument) => strings.map(({ post }) => (post.side === 'treble' ? 't' : 'b')).join('');
const mm = (lengths: readonly number[]) => lengths.map((each) => Number(toMillimetres(each as never).toFixed(2)));
const alongs = ({ strings }: Instrument) => mm(strings.map(({ post }) => post.along));
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
    for (const treble of [-1, 7])
      expect(() => withHead(parlour, { layout: 'split', treble })).toThrow(`treble must be between 0 and 6, was ${treble}`);
  });

  it('in line turns to the other side at the distances that it has, from the nut out', () => {
    const turned = withHead(inLine, { layout: 'in-line', treble: 6 });
    expect(alongs(turned)).toEqual([...alongs(inLine)].reverse());
  });

  it('that splits and lets its strings run straight goes on doing so', () => {
    const straight: Instrument = {
      ...parlour,
      strings: parlour.strings.map((place) => {
        const aside = (place.post.side === 'bass' ? 1 : -1) * (place.post.diameter / 2);
        // not evenly spaced: a row of posts that is would not follow them
        const slotSideways = metres(place.slotSideways + (place.note === 'A2' ? 0.0008 : 0));
        return { ...place, slotSideways, post: { ...place.post, sideways: metres(slotSideways + aside) } };
      }),
    };
    const two = withHead(straight, { layout: 'split', treble: 2 });
    for (const { post, slotSideways } of two.strings)
      expect(post.sideways - slotSideways).toBeCloseTo(((post.side === 'bass' ? 1 : -1) * post.diameter) / 2, 9);
    // one of them that does not is enough
    const [first, ...rest] = straight.strings as [StringPlace, ...StringPlace[]];
    const bent = { ...straight, strings: [{ ...first, post: { ...first.post, sideways: fromMillimetres(-60) } }, ...rest] };
    expect(mm(withHead(bent, { layout: 'split', treble: 2 }).strings.map(({ post }) => post.sideways))[0]).toBe(-60);
  });

  it('of one post has it 40 mm from the nut, as far aside as it was', () => {
    const one = withCourses(parlour, [1]);
    const again = withHead(one, { layout: 'split', treble: 1 });
    expect(alongs(again)).toEqual([40]);
    expect(Math.abs(again.strings[0]?.post.sideways ?? 0)).toBeCloseTo(Math.abs(one.strings[0]?.post.sideways ?? 1), 9);
  });

  it('leaves a peg in the side of the neck out of its count and where it is', () => {
    expect([pegsOnHead(banjo), headOf(banjo).treble]).toEqual([4, 2]);
    const other = withHead(banjo, { layout: 'split', treble: 3 });
    expect(other.strings[4]).toEqual(banjo.strings[4]);
    expect(sides(other).slice(0, 4)).toBe('tttb');
  });

  it.each(HEADSTOCK_LAYOUTS)('lends %s from its own family where that has one', (layout) => {
    for (const instrument of [classical, mandolin, inLine]) {
      if (instrument.headstock.layout === layout) continue;
      const { angle, faceDrop } = withHead(instrument, { layout, treble: 2 }).headstock;
      const all = ARCHETYPES.map(({ id }) => instrumentOf(id)).filter(({ headstock }) => headstock.layout === layout);
      const own = all.filter(({ family }) => family === instrument.family);
      expect((own.length > 0 ? own : all).map(({ headstock }) => [headstock.angle, headstock.faceDrop])).toContainEqual([angle, faceDrop]);
    }
  });
});

describe('trees', () => {
  const tree = (along: number, ...strings: number[]): Tree => ({ ...(inLine.trees[0] as Tree), along: fromMillimetres(along), strings });
  const kept = (instrument: Instrument, ...trees: Tree[]) => withHead({ ...instrument, trees }, headOf(instrument)).trees;

  it('stay where nothing changes, and go with another layout', () => {
    expect(withHead(inLine, headOf(inLine)).trees).toEqual(inLine.trees);
    expect(inLine.trees.length).toBeGreaterThan(0);
    expect(withHead(inLine, { layout: 'slotted', treble: 3 }).trees).toEqual([]);
  });

  it('press what is still wound beyond them, and are gone where that is nothing', () => {
    // in line from the bass side: the post of string 6 is the nearest, that of string 1 the farthest
    const [first = 0, , , fourth = 0] = alongs(inLine);
    expect(kept(inLine, tree(fourth - 1, 0, 3, 5))).toEqual([tree(fourth - 1, 0, 3)]);
    expect(kept(inLine, tree(first, 0), tree(10, 1, 7))).toEqual([tree(10, 1)]);
  });

  it('press a string whose peg is in the side of the neck wherever they stand', () => {
    const [far = 0] = alongs(banjo).sort((a, b) => b - a);
    expect(kept(banjo, tree(far + 1, 3, 4))).toEqual([tree(far + 1, 4)]);
  });
});

describe('courses that are asked for', () => {
  const ones = (count: number) => Array(count).fill(1) as number[];
  const slots = (of: Instrument) => mm(of.strings.map(({ slotSideways }) => slotSideways));

  it('lie a fourth under a lone one, and under strings that do not go down', () => {
    expect(notes(withCourses(withCourses(parlour, [1]), [1, 1]))).toBe('E4 B3');
    // in fifths as the others are: C3 under G3
    expect(notes(withCourses(mandolin, [2, 2, 2, 2, 1]))).toBe(`${notes(mandolin)} C3`);
    // G4 over C4: a fourth under G4 is D4
    expect(notes(withCourses(ukulele, ones(5)))).toBe(`${notes(ukulele)} D4`);
  });

  it('have a wider slot the lower they are, and are wound on the head beside a peg in the neck', () => {
    const [last, more] = withCourses(inLine, ones(7)).strings.slice(5);
    expect((more?.slotWidth ?? 0) / (last?.slotWidth ?? 1)).toBeCloseTo((4 / 3) ** 0.9, 2); // a fourth lower, a little less than in proportion
    const six = withCourses(banjo, ones(6));
    expect([six.strings[5]?.post.pipAlong, six.strings[5]?.post.style]).toEqual([null, banjo.strings[3]?.post.style]);
    expect(six.strings[4]?.post.pipAlong).toBe(banjo.strings[4]?.post.pipAlong);
  });

  it('are spaced evenly over the width that there was, a lone one in the middle, a single where the middle of its pair would be', () => {
    const [low = 0, high = 0] = [Math.min(...slots(parlour)), Math.max(...slots(parlour))];
    const width = high - low;
    expect(slots(withCourses(parlour, [1]))).toEqual([0]);
    expect(slots(withCourses(parlour, ones(3)))).toEqual([-width / 2, 0, width / 2].map((each) => expect.closeTo(each, 1)));
    const out = width / 2 - 1.1;
    expect(slots(withCourses(parlour, [1, 2, 1]))).toEqual([-out, -1.1, 1.1, out].map((each) => expect.closeTo(each, 1)));
    expect(slots(withCourses(parlour, [2, 1, 1]))).toEqual([-width / 2, -width / 2 + 2.2, 0, out].map((each) => expect.closeTo(each, 1)));
  });

  it('share the sides of the head as they did, the odd one to the bass side', () => {
    expect(sides(withCourses(parlour, ones(5)))).toBe('ttbbb');
    expect(sides(withCourses(withHead(inLine, { layout: 'in-line', treble: 6 }), ones(7)))).toBe('ttttttt');
  });

  it('are eighteen strings at most, and one course at least', () => {
    expect(withCourses(parlour, Array(9).fill(2) as number[]).strings).toHaveLength(18);
    expect(() => withCourses(parlour, [])).toThrow('one string or two');
    expect(() => withCourses(parlour, [1, 3])).toThrow('were 1, 3');
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
    expect(notes(twelve).split(' ').filter((_, index) => index % 2 === 0).join(' ')).toBe(notes(parlour)); // prettier-ignore
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

  it('an anchor lends from its own family where that has one, and leaves what no kind has', () => {
    for (const anchor of ANCHORS) {
      const all = ARCHETYPES.map(({ id }) => instrumentOf(id)).filter(({ bridge }) => bridge.anchor === anchor);
      const own = all.filter(({ family }) => family === 'classical');
      const lent = own.length > 0 ? own : all.length > 0 ? all : [classical];
      expect(lent.map(({ bridge }) => bridge.behindSaddle)).toContain(withAnchor(classical, anchor).bridge.behindSaddle);
    }
  });

  it('a peg in the side of the neck stays one where all others change, comes where it is asked for, and goes where it is changed', () => {
    const changed = withPostStyle(banjo, 'slotted', null);
    expect(changed.strings.map(({ post }) => post.style)).toEqual([...Array<string>(4).fill('slotted'), banjo.strings[4]?.post.style]);
    const pip = banjo.strings[4]?.post.pipAlong ?? null;
    expect(pip).not.toBeNull();
    expect(withPostStyle(parlour, 'side-peg', 2).strings.map(({ post }) => post.pipAlong)).toEqual([null, null, pip, null, null, null]);
    const moved = {...banjo, strings: banjo.strings.map((place) => ({...place, post: {...place.post, pipAlong: fromMillimetres(99) } })) }; // prettier-ignore
    expect(withPostStyle(moved, 'side-peg', 4).strings[4]?.post.pipAlong).toBe(fromMillimetres(99));
    expect(withPostStyle(banjo, 'through', 4).strings[4]?.post.pipAlong).toBeNull();
  });

  it('a post of another style is as thick and as deep as such posts are, and stands where it stood', () => {
    const slotted = withPostStyle(inLine, 'slotted', null);
    expect(slotted.strings.map(({ post }) => post.holeDepth)).not.toContain(null);
    expect(mm(slotted.strings.map(({ post }) => post.along))).toEqual(mm(inLine.strings.map(({ post }) => post.along)));
    const one = withPostStyle(inLine, 'locking', 2);
    expect(one.strings.map(({ post }) => post.style)).toEqual(['through', 'through', 'locking', 'through', 'through', 'through']);
  });
});
