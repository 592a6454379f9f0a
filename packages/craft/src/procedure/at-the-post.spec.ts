import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import type { Instrument, StringPlace } from '../instrument/index.js';
import { turnHeight } from '../post/index.js';
import { fromMillimetres, metres, toMillimetres } from '../units/index.js';
import { capacity, outward, type AtThePost } from './at-the-post.js';

const place = (side: 'bass' | 'treble', postMm: number, slotMm: number) =>
  ({ post: { side, sideways: fromMillimetres(postMm) }, slotSideways: fromMillimetres(slotMm) }) as unknown as StringPlace;

describe('the line from the slot to the post', () => {
  it('runs outward as far on the one side as on the other: 4 mm for a post at 22 and a slot at 18', () => {
    expect(toMillimetres(metres(outward(place('bass', 22, 18))))).toBeCloseTo(4, 9);
    expect(toMillimetres(metres(outward(place('treble', -22, -18))))).toBeCloseTo(4, 9);
  });

  it('is below zero where the post stands farther in than the slot', () => {
    expect(outward(place('bass', 15, 18))).toBeLessThan(0);
    expect(outward(place('treble', -15, -18))).toBeLessThan(0);
  });
});

describe('a roller', () => {
  /** Slots from 8 to 24 mm, and the hole at 14 instead of half way: the two walls are 6 and 10 mm off. */
  const classical = instrumentOf('classical');
  const strings = classical.strings.map((each) => ({
    ...each,
    post: { ...each.post, sideways: fromMillimetres(each.post.side === 'bass' ? 14 : -14) },
  }));
  const instrument = { ...classical, strings } as Instrument;
  const stringDiameter = fromMillimetres(0.7);
  const room = (index: number) => {
    const geometry = { postDiameter: fromMillimetres(10), stringDiameter, nutToPost: fromMillimetres(60) };
    const at = { instrument, index, place: strings[index], geometry, methods: {} } as unknown as AtThePost;
    return toMillimetres(metres(capacity(at) * turnHeight(geometry) + stringDiameter / 2));
  };

  it('has 10 mm to the outer wall for strings 1 and 6, which wind outward, and 6 mm to the inner one for the four between them', () => {
    expect(strings.map((_, index) => Math.round(room(index)))).toEqual([10, 6, 6, 6, 6, 10]);
  });
});
