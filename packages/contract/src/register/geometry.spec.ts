import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '@gold-peg/craft/archetypes';
import { fromInstrument, geometrySchema, toInstrument } from './index.js';

describe('geometry on its way', () => {
  it.each(ARCHETYPES.map(({ id }) => id))('%s: goes out in millimetres, passes the door, and comes back as it was', (id) => {
    const instrument = instrumentOf(id);
    const back = toInstrument(geometrySchema.parse(JSON.parse(JSON.stringify(fromInstrument(instrument)))));
    back.strings.forEach((string, index) => {
      const { post, ...place } = string;
      const was = instrument.strings[index];
      expect(place.scaleLength).toBeCloseTo(was?.scaleLength ?? 0, 12);
      expect(place.slotWidth).toBeCloseTo(was?.slotWidth ?? 0, 12);
      expect(post.along).toBeCloseTo(was?.post.along ?? 0, 12);
      expect(post.holeDepth === null).toBe(was?.post.holeDepth === null);
      expect(post.side).toBe(was?.post.side);
    });
    expect(back.headstock.angle).toBeCloseTo(instrument.headstock.angle, 12);
    expect(back.bridge.anchor).toBe(instrument.bridge.anchor);
    expect(back.trees.length).toBe(instrument.trees.length);
  });

  it('says millimetres in its names: the parlour guitar has 632', () => {
    expect(fromInstrument(instrumentOf('acoustic-parlour')).strings[0]?.scaleMm).toBeCloseTo(632, 9);
  });

  it('refuses a post inside the nut and an instrument without strings', () => {
    const geometry = fromInstrument(instrumentOf('mandolin'));
    const near = geometry.strings.map((string) => ({ ...string, post: { ...string.post, alongMm: 3 } }));
    expect(geometrySchema.safeParse({ ...geometry, strings: near }).success).toBe(false);
    expect(geometrySchema.safeParse({ ...geometry, strings: [] }).success).toBe(false);
  });
});
