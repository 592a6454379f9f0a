import { expect, it } from 'vitest';
import { fromDegrees, fromInches, fromMillimetres } from '../units/index.js';
import { buildInstrument, type Sketch, type SketchPost } from './index.js';

const mm = fromMillimetres;
const post: SketchPost = { style: 'through', side: 'bass', alongMm: 50, sidewaysMm: 20, diameterMm: 6, holeMm: 8 };
const plain: Sketch = {
  ...{ family: 'mandolin', notes: ['A4', 'A4', 'D4'], courses: [2, 1], scaleMm: 350, nutWidthMm: 30 },
  ...{ slotsMm: [-12, -10, 11], slotGauges: [10, 10, 24], layout: 'split', headstockDeg: 12, faceDropMm: 4 },
  ...{ posts: [post, post, post], anchor: 'tie-block', behindSaddleMm: 90, gearRatio: 15 },
};

it('takes what a sketch leaves out for the usual: right-handed, single holes, no cover, no vibrato, no tree', () => {
  const { hand, bridge, trees, screwTuner, headstock, a4, top, board, strings } = buildInstrument(plain);
  expect({ hand, trees, screwTuner, a4, top, board }).toEqual({ hand: 'right', trees: [], screwTuner: null, a4: 440, top: null, board: null }); // prettier-ignore
  expect(bridge).toEqual({ anchor: 'tie-block', behindSaddle: mm(90), tieHoles: 'single', cover: false, vibrato: false });
  expect(headstock).toEqual({ layout: 'split', angle: fromDegrees(12), faceDrop: mm(4), rollerSlots: null });
  expect(strings.map(({ post: { holeDepth, pipAlong } }) => [holeDepth, pipAlong])).toEqual(Array(3).fill([null, null]));
});

it('takes all that a sketch says, in metres', () => {
  const said = buildInstrument({
    ...plain,
    ...{ hand: 'left', tieHoles: 'double', cover: true, vibrato: true, scaleMm: [350, 351, 352] },
    rollerSlotsMm: { inner: 30, outer: 60 },
    screwTunerMm: { travel: 25, lead: 0.7 },
    trees: [
      { alongMm: 40, dropMm: 5, strings: [0, 1] },
      { kind: 'bar', alongMm: 20, dropMm: 3, strings: [2] },
    ],
    posts: [{ ...post, depthMm: 11 }, { ...post, pipMm: 120 }, post],
  });
  expect(said.hand).toBe('left');
  expect(said.bridge).toMatchObject({ tieHoles: 'double', cover: true, vibrato: true });
  expect(said.headstock.rollerSlots).toEqual({ inner: mm(30), outer: mm(60) });
  expect(said.screwTuner).toEqual({ travel: mm(25), lead: mm(0.7) });
  expect(said.trees).toEqual([
    { kind: 'tree', along: mm(40), drop: mm(5), strings: [0, 1] },
    { kind: 'bar', along: mm(20), drop: mm(3), strings: [2] },
  ]);
  expect(said.strings.map(({ scaleLength }) => scaleLength)).toEqual([mm(350), mm(351), mm(352)]);
  expect(said.strings.map((place) => [place.post.holeDepth, place.post.pipAlong])).toEqual([[mm(11), null], [null, mm(120)], [null, null]]); // prettier-ignore
  expect(said.strings[0]?.post).toMatchObject({ along: mm(50), sideways: mm(20), diameter: mm(6), holeHeight: mm(8) });
});

it('cuts slots for their gauges with 0.08 mm to slide, and counts courses from the high side, one string each where none are said', () => {
  const { courses: _, ...lone } = plain;
  const { strings } = buildInstrument(plain);
  const told = strings.map(({ slotWidth }) => slotWidth);
  expect(told).toEqual([10, 10, 24].map((gauge) => expect.closeTo(fromInches(gauge / 1000) + mm(0.08), 12) as number));
  expect(strings.map(({ slotSideways }) => slotSideways)).toEqual([mm(-12), mm(-10), mm(11)]);
  expect(strings.map(({ course }) => course)).toEqual([1, 1, 2]);
  expect(buildInstrument(lone).strings.map(({ course }) => course)).toEqual([1, 2, 3]);
});

it('refuses lists that are not as long as its strings are many: a sketch is ours', () => {
  const short = 'strings, but 2 of something';
  expect(() => buildInstrument({ ...plain, slotsMm: [1, 2] })).toThrow(`3 ${short}`);
  expect(() => buildInstrument({ ...plain, slotGauges: [1, 2] })).toThrow(short);
  expect(() => buildInstrument({ ...plain, posts: [post, post] })).toThrow(short);
  expect(() => buildInstrument({ ...plain, scaleMm: [350, 350] })).toThrow('nothing at 2');
});
