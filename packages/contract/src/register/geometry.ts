import * as z from 'zod';
import { ANCHORS, type Instrument } from '@gold-peg/craft/instrument';
import { FAMILIES } from '@gold-peg/craft/strings';
import { fromDegrees, fromMillimetres, hertz, toDegrees, toMillimetres } from '@gold-peg/craft/units';
import { a4Hz, frequencyHz, gaugeMm, note, quantity, scaleMm } from '../quantity/index.js';

const onHeadstockMm = quantity({ from: -200, to: 400, unit: 'mm', because: 'it lies on the headstock or the neck' });
const post = z.strictObject({
  style: z.enum(['through', 'slotted', 'roller', 'side-peg']),
  side: z.enum(['bass', 'treble']),
  alongMm: quantity({ from: 12, to: 400, unit: 'mm', because: 'it runs from the nut to the axis of a post' }),
  sidewaysMm: quantity({ from: -80, to: 80, unit: 'mm', because: 'it runs from the centre line' }),
  diameterMm: quantity({ from: 3, to: 20, unit: 'mm', because: 'posts and rollers lie in that range' }),
  holeHeightMm: quantity({ from: -30, to: 40, unit: 'mm', because: 'it is the height of the hole above the face' }),
  holeDepthMm: quantity({ from: 2, to: 40, unit: 'mm', because: 'it is the depth of a slotted post' }).nullable(),
  pipAlongMm: onHeadstockMm.nullable(),
});

/** Geometry as it travels and is stored: millimetres and degrees, the unit in the name. */
export const geometrySchema = z.strictObject({
  family: z.enum(FAMILIES),
  a4Hz,
  nutWidthMm: quantity({ from: 20, to: 90, unit: 'mm', because: 'from the narrowest banjo to the widest neck' }),
  headstock: z.strictObject({
    layout: z.enum(['split', 'in-line', 'slotted']),
    angleDeg: quantity({ from: -5, to: 40, unit: '°', because: 'headstocks are flat or tilt back' }),
    faceDropMm: quantity({ from: -5, to: 30, unit: 'mm', because: 'it is how far the face starts below the slot' }),
  }),
  trees: z.array(z.strictObject({ alongMm: onHeadstockMm, dropMm: onHeadstockMm, strings: z.array(z.int().min(0).max(17)) })).max(6),
  bridge: z.strictObject({
    anchor: z.enum(ANCHORS),
    behindSaddleMm: quantity({ from: 0, to: 300, unit: 'mm', because: 'it is string between saddle and anchor' }),
  }),
  gearRatio: quantity({ from: 1, to: 60, unit: '', because: 'turns of the button for one of the post' }),
  strings: z
    .array(
      z.strictObject({
        note,
        frequencyHz: frequencyHz.nullable().default(null),
        course: z.int().min(1).max(18),
        scaleMm,
        slotSidewaysMm: onHeadstockMm,
        slotWidthMm: gaugeMm,
        post,
      }),
    )
    .min(1, { error: 'must have at least one string' })
    .max(18, { error: 'must have at most 18 strings' }),
});
export type Geometry = z.infer<typeof geometrySchema>;

export function toInstrument(geometry: Geometry): Instrument {
  const mm = fromMillimetres;
  return {
    family: geometry.family,
    a4: hertz(geometry.a4Hz),
    nutWidth: mm(geometry.nutWidthMm),
    headstock: {
      layout: geometry.headstock.layout,
      angle: fromDegrees(geometry.headstock.angleDeg),
      faceDrop: mm(geometry.headstock.faceDropMm),
    },
    trees: geometry.trees.map(({ alongMm, dropMm, strings }) => ({ along: mm(alongMm), drop: mm(dropMm), strings })),
    bridge: { anchor: geometry.bridge.anchor, behindSaddle: mm(geometry.bridge.behindSaddleMm) },
    gearRatio: geometry.gearRatio,
    strings: geometry.strings.map(({ note, frequencyHz: own, course, scaleMm: scale, slotSidewaysMm, slotWidthMm, post: peg }) => ({
      note,
      frequency: own === null ? null : hertz(own),
      course,
      scaleLength: mm(scale),
      slotSideways: mm(slotSidewaysMm),
      slotWidth: mm(slotWidthMm),
      post: {
        style: peg.style,
        side: peg.side,
        along: mm(peg.alongMm),
        sideways: mm(peg.sidewaysMm),
        diameter: mm(peg.diameterMm),
        holeHeight: mm(peg.holeHeightMm),
        holeDepth: peg.holeDepthMm === null ? null : mm(peg.holeDepthMm),
        pipAlong: peg.pipAlongMm === null ? null : mm(peg.pipAlongMm),
      },
    })),
  };
}

export function fromInstrument(instrument: Instrument): Geometry {
  const mm = toMillimetres;
  return {
    family: instrument.family,
    a4Hz: instrument.a4,
    nutWidthMm: mm(instrument.nutWidth),
    headstock: {
      layout: instrument.headstock.layout,
      angleDeg: toDegrees(instrument.headstock.angle),
      faceDropMm: mm(instrument.headstock.faceDrop),
    },
    trees: instrument.trees.map(({ along, drop, strings }) => ({ alongMm: mm(along), dropMm: mm(drop), strings: [...strings] })),
    bridge: { anchor: instrument.bridge.anchor, behindSaddleMm: mm(instrument.bridge.behindSaddle) },
    gearRatio: instrument.gearRatio,
    strings: instrument.strings.map(({ note, frequency, course, scaleLength, slotSideways, slotWidth, post: peg }) => ({
      note,
      frequencyHz: frequency,
      course,
      scaleMm: mm(scaleLength),
      slotSidewaysMm: mm(slotSideways),
      slotWidthMm: mm(slotWidth),
      post: {
        style: peg.style,
        side: peg.side,
        alongMm: mm(peg.along),
        sidewaysMm: mm(peg.sideways),
        diameterMm: mm(peg.diameter),
        holeHeightMm: mm(peg.holeHeight),
        holeDepthMm: peg.holeDepth === null ? null : mm(peg.holeDepth),
        pipAlongMm: peg.pipAlong === null ? null : mm(peg.pipAlong),
      },
    })),
  };
}
