import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import type { Instrument, StringPlace } from '../instrument/index.js';
import type { HouseMethods } from '../methods/index.js';
import { NUT } from '../constants/index.js';
import { kinkLockTail, turnHeight } from '../post/index.js';
import type { StringProperties } from '../strings/index.js';
import { fromDegrees, fromMillimetres, metres, toDegrees, toMillimetres } from '../units/index.js';
import { capacity, endOf, outward, wantedAngles, type AtThePost } from './at-the-post.js';

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

describe('a shaft without walls', () => {
  const geometry = { postDiameter: fromMillimetres(8), stringDiameter: fromMillimetres(0.6), nutToPost: fromMillimetres(60) };
  const at = (style: string, rollerSlots: object | null) =>
    ({
      ...{ instrument: { headstock: { rollerSlots } }, index: 0, geometry, methods: {} },
      place: { post: { style, diameter: fromMillimetres(8), side: 'treble', sideways: fromMillimetres(-14) } },
    }) as unknown as AtThePost;

  it('has twice its thickness for turns, at a fifth peg and at a roller that nobody measured', () => {
    for (const here of [at('side-peg', null), at('side-peg', { inner: 0.008, outer: 0.024 }), at('roller', null)])
      expect(capacity(here) * turnHeight(geometry)).toBeCloseTo(fromMillimetres(16 - 0.3), 12);
  });
});

describe('the end of a string', () => {
  const end = (style: string, holeDepth: number | null, postMethod = 'through-hole') =>
    endOf(
      { post: { style, holeDepth } } as unknown as StringPlace,
      fromMillimetres(6),
      { postMethod, stub: 0.003 } as HouseMethods,
      { gauge: fromMillimetres(0.3) } as StringProperties,
    );

  it('goes into the hole of a slotted post, and through all others', () => {
    expect(end('slotted', 0.013)).toEqual({ kind: 'slotted', holeDepth: 0.013 });
    const through = { kind: 'through', postDiameter: 0.006, tail: 0.003 };
    expect([end('slotted', null), end('through', 0.013), end('locking', 0.013)]).toEqual([through, through, through]);
  });

  it('is longer where it is kinked and goes round the post under itself', () => {
    const kinked = end('through', null, 'kink-lock');
    expect(kinked).toEqual({ kind: 'through', postDiameter: 0.006, tail: kinkLockTail(fromMillimetres(6), fromMillimetres(0.3), metres(0.003)) }); // prettier-ignore
    expect(kinked.kind === 'through' && kinked.tail > 0.003).toBe(true);
  });
});

describe('the break that is wanted over a nut', () => {
  const wanted = (family: string, degrees: number, nutDeg: number | null = null) => {
    const { wanted: angle, lowBelow } = wantedAngles({
      instrument: { family, headstock: { angle: fromDegrees(degrees) } },
      methods: { nutDeg },
    } as unknown as AtThePost);
    return [toDegrees(angle), toDegrees(lowBelow)].map((each) => Math.round(1000 * each) / 1000);
  };
  const of = (...each: { value: number }[]) => each.map(({ value }) => value);

  it('is that of a head that leans from so many degrees on, else that of a flat one; a bass has its own', () => {
    const from = NUT.leansBackFrom.value;
    expect(wanted('acoustic', from)).toEqual(of(NUT.wantedAngleLeaning, NUT.lowAngle));
    expect(wanted('acoustic', from - 0.01)).toEqual(of(NUT.wantedAngleFlat, NUT.lowAngle));
    for (const degrees of [0, 12]) expect(wanted('bass', degrees)).toEqual(of(NUT.wantedAngleBass, NUT.lowAngleBass));
    expect(wanted('bass', 0, 7)).toEqual([7, 7]);
    expect(NUT.wantedAngleLeaning.value).not.toBe(NUT.wantedAngleFlat.value);
  });
});
