import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '@gold-peg/craft/archetypes';
import { ANCHORS, type Instrument } from '@gold-peg/craft/instrument';
import { courseSizes, pegsOnHead, withAnchor, withCourses, withHead, withPostStyle } from '@gold-peg/craft/reshape';
import { factsOf, fromInstrument, geometrySchema, toInstrument, type Geometry } from './index.js';

const geometryOf = (id: string) => fromInstrument(instrumentOf(id));
const saysOf = (geometry: unknown) => {
  const read = geometrySchema.safeParse(geometry);
  return read.success ? [] : read.error.issues.map(({ path, message }) => `${path.join('.')} ${message}`);
};
const placed = (geometry: Geometry, index: number, change: Partial<Geometry['strings'][number]>): Geometry => ({
  ...geometry,
  strings: geometry.strings.map((string, at) => (at === index ? { ...string, ...change } : string)),
});
const [parlour, inLine, classical] = [geometryOf('acoustic-parlour'), geometryOf('electric-in-line'), geometryOf('classical')];
const [first] = parlour.strings;
if (first === undefined) throw new Error('no string');
const { post } = first;
const bridged = (geometry: Geometry, change: Partial<Geometry['bridge']>) => ({ ...geometry, bridge: { ...geometry.bridge, ...change } });
const inRow: Geometry = { ...parlour, headstock: { ...parlour.headstock, layout: 'in-line' } };
const tree = (alongMm: number, string: number): Geometry => ({...inLine, trees: [{ kind: 'tree', alongMm, dropMm: 4, strings: [string] }] }); // prettier-ignore

describe('what cannot be together', () => {
  it.each<[string, Geometry, string]>([
    ['a roller on a split head', placed(parlour, 0, { post: { ...post, style: 'roller' } }), 'strings.0.post.style must not be a roller'],
    ['a side-hole post on a slotted head', placed(classical, 2, { post }), 'strings.2.post.style must be a roller'],
    ['nine holes and no tie block', bridged(parlour, { tieHoles: 'treble-double' }), 'bridge.tieHoles must be one for each string'],
    ['a cover where nothing hooks', bridged(parlour, { cover: true }), 'bridge.cover must be none'],
    ['a headless bridge', bridged(inLine, { anchor: 'headless' }), 'bridge.anchor must be headless where the head is'],
    ['screws where posts tune', { ...parlour, screwTunerMm: { travel: 20, lead: 1 } }, 'screwTunerMm must be left out'],
    ['posts in line on both sides', inRow, 'headstock.layout must be split'],
    ['a tree behind its post', tree(290, 0), 'must be nearer to the nut than the post of string 1'],
    ['a tree over a string that is not there', tree(30, 6), 'there is no string 7'],
    ['a slot beside the nut', placed(parlour, 5, { slotSidewaysMm: 30 }), 'strings.5.slotSidewaysMm must lie within the width of the nut'],
    ['slots in one another', placed(parlour, 1, { slotSidewaysMm: first.slotSidewaysMm }), 'must lie beyond the slot of string 1'],
    ['a course left out', placed(parlour, 3, { course: 6 }), 'strings.3.course must be that of the string before it or the next'],
    [
      'a pip on a head',
      placed(parlour, 1, { post: { ...post, pipAlongMm: 120 } }),
      'strings.1.post.pipAlongMm must be given for a peg in the side',
    ],
  ])('%s', (_, geometry, says) => {
    expect(saysOf(geometry).join('\n')).toContain(says);
  });
});

it('whatever a kind is reshaped to holds together, and is found so again', () => {
  const shaped = fc.record({
    id: fc.constantFrom(...ARCHETYPES.map(({ id }) => id)),
    layout: fc.constantFrom('split' as const, 'in-line' as const, 'slotted' as const, 'headless' as const),
    share: fc.double({ min: 0.3, max: 0.7, noNaN: true }),
    anchor: fc.constantFrom(...ANCHORS.filter((each) => each !== 'headless')),
    more: fc.constantFrom(-1, 0, 1),
  });
  fc.assert(
    fc.property(shaped, ({ id, layout, share, anchor, more }) => {
      const kind = instrumentOf(id);
      const sizes = courseSizes(kind);
      const other = withCourses(kind, more === 1 ? [...sizes, 1] : sizes.slice(0, sizes.length + Math.min(0, more)));
      const count = pegsOnHead(other);
      const head = withHead(other, { layout, treble: layout === 'in-line' ? (share < 0.5 ? 0 : count) : Math.round(share * count) });
      const whole: Instrument = withAnchor(head, layout === 'headless' ? 'headless' : anchor);
      expect(saysOf(JSON.parse(JSON.stringify(fromInstrument(whole))))).toEqual([]);
    }),
    { numRuns: 300 },
  );
});

describe('read again as it was meant', () => {
  it('a headstock that was measured, when that was one word for all of it', () => {
    const { measured } = geometrySchema.parse({ ...parlour, measured: true });
    expect(measured).toContain('posts');
    expect(measured).not.toContain('scale');
    expect(geometrySchema.parse({ ...parlour, measured: false }).measured).toEqual([]);
  });

  it('tops and boards of which nobody knew', () => {
    const old: Partial<Geometry> = { ...parlour };
    delete old.top;
    delete old.board;
    expect(geometrySchema.parse(old)).toMatchObject({ top: null, board: null });
  });
});

it('says what an instrument is as one says it across a workshop', () => {
  expect(factsOf(toInstrument(parlour))).toBe('posts on both sides, 3 and 3, side-hole posts, bridge pins');
  const fourAndTwo = withPostStyle(withHead(toInstrument(parlour), { layout: 'split', treble: 2 }), 'locking', null);
  expect(factsOf(fourAndTwo)).toBe('posts on both sides, 4 and 2, locking posts, bridge pins');
  expect(factsOf(instrumentOf('electric-headless'))).toBe('headless, clamps at the head, headless, ball in a pocket');
});
