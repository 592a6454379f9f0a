import * as z from 'zod';
import {
  ANCHORS,
  HANDS,
  HEADSTOCK_LAYOUTS,
  POST_STYLES,
  TIE_HOLES,
  TOP_FINISHES,
  WOODS,
  type Instrument,
  MEASURES,
  OF_THE_HEAD,
} from '@gold-peg/craft/instrument';
import { FAMILIES } from '@gold-peg/craft/string-kinds';
import { fromDegrees, fromMillimetres, hertz, toDegrees, toMillimetres } from '@gold-peg/craft/units';
import { misfits } from './misfits.js';
import { a4Hz, frequencyHz, gaugeMm, note, postDiameterMm, quantity, scaleMm } from '../quantity/index.js';

const onHeadstockMm = quantity({ from: -200, to: 400, unit: 'mm', because: 'it lies on the headstock or the neck' });
const post = z.strictObject({
  style: z.enum(POST_STYLES),
  side: z.enum(['bass', 'treble']),
  alongMm: quantity({ from: 4, to: 400, unit: 'mm', because: 'it runs from the nut to the axis of a post, or to a clamp' }),
  sidewaysMm: quantity({ from: -80, to: 80, unit: 'mm', because: 'it runs from the centre line' }),
  diameterMm: postDiameterMm,
  holeHeightMm: quantity({ from: -30, to: 40, unit: 'mm', because: 'it is the height of the hole above the face' }),
  holeDepthMm: quantity({ from: 2, to: 40, unit: 'mm', because: 'it is the depth of a slotted post or a clamp' }).nullable(),
  pipAlongMm: onHeadstockMm.nullable(),
});

const tree = z.strictObject({
  kind: z.enum(['tree', 'bar']).default('tree'),
  alongMm: quantity({ from: 3, to: 300, unit: 'mm', because: 'it stands between nut and post' }),
  dropMm: quantity({ from: -5, to: 30, unit: 'mm', because: 'it presses the string below the slot' }),
  strings: z.array(z.int().min(0).max(17)),
});
const fromCentreMm = quantity({ from: 3, to: 60, unit: 'mm', because: 'it runs from the centre line to a wall of a slot' });

export const geometryShape = z.strictObject({
  family: z.enum(FAMILIES),
  hand: z.enum(HANDS).default('right'),
  a4Hz,
  nutWidthMm: quantity({ from: 20, to: 90, unit: 'mm', because: 'from the narrowest banjo to the widest neck' }),
  headstock: z.strictObject({
    layout: z.enum(HEADSTOCK_LAYOUTS),
    angleDeg: quantity({ from: -5, to: 40, unit: '°', because: 'headstocks are flat or tilt back' }),
    faceDropMm: quantity({ from: -5, to: 30, unit: 'mm', because: 'it is how far the face starts below the slot' }),
    rollerSlotsMm: z.strictObject({ inner: fromCentreMm, outer: fromCentreMm }).nullable().default(null),
  }),
  trees: z.array(tree).max(6, { error: 'must be six at most: no headstock has more trees and bars' }),
  bridge: z.strictObject({
    anchor: z.enum(ANCHORS),
    behindSaddleMm: quantity({ from: 0, to: 300, unit: 'mm', because: 'it is string between saddle and anchor' }),
    tieHoles: z.enum(TIE_HOLES).default('single'),
    cover: z.boolean().default(false),
    vibrato: z.boolean().default(false),
  }),
  screwTunerMm: z
    .strictObject({
      travel: quantity({ from: 3, to: 60, unit: 'mm', because: 'it is the travel of a screw tuner' }),
      lead: quantity({ from: 0.2, to: 3, unit: 'mm', because: 'it is the travel of a screw tuner in one turn' }),
    })
    .nullable()
    .default(null),
  /** What somebody measured; all else is typical of its kind. It was once one word for the whole headstock. */
  measured: z.preprocess((value) => (value === true ? OF_THE_HEAD : value === false ? [] : value), z.array(z.enum(MEASURES))).default([]),
  top: z.enum(TOP_FINISHES).nullable().default(null),
  board: z.enum(WOODS).nullable().default(null),
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

/** Geometry as it travels and is stored: millimetres and degrees, the unit in the name. What was stored before a field was known reads as it was meant. */
export const geometrySchema = geometryShape.superRefine((geometry, context) => {
  for (const { path, says } of misfits(geometry)) context.addIssue({ code: 'custom', path, message: says });
});

export type Geometry = z.infer<typeof geometrySchema>;

const bridgeOf = ({ anchor, behindSaddleMm, tieHoles, cover, vibrato }: Geometry['bridge']): Instrument['bridge'] => ({
  anchor,
  behindSaddle: fromMillimetres(behindSaddleMm),
  tieHoles,
  cover,
  vibrato,
});

export function toInstrument(geometry: Geometry): Instrument {
  const mm = fromMillimetres;
  const slots = geometry.headstock.rollerSlotsMm;
  const screw = geometry.screwTunerMm;
  return {
    family: geometry.family,
    hand: geometry.hand,
    a4: hertz(geometry.a4Hz),
    nutWidth: mm(geometry.nutWidthMm),
    headstock: {
      layout: geometry.headstock.layout,
      angle: fromDegrees(geometry.headstock.angleDeg),
      faceDrop: mm(geometry.headstock.faceDropMm),
      rollerSlots: slots === null ? null : { inner: mm(slots.inner), outer: mm(slots.outer) },
    },
    trees: geometry.trees.map(({ kind, alongMm, dropMm, strings }) => ({ kind, along: mm(alongMm), drop: mm(dropMm), strings })),
    bridge: bridgeOf(geometry.bridge),
    screwTuner: screw === null ? null : { travel: mm(screw.travel), lead: mm(screw.lead) },
    gearRatio: geometry.gearRatio,
    top: geometry.top,
    board: geometry.board,
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
  const slots = instrument.headstock.rollerSlots;
  const screw = instrument.screwTuner;
  return {
    family: instrument.family,
    hand: instrument.hand,
    a4Hz: instrument.a4,
    nutWidthMm: mm(instrument.nutWidth),
    headstock: {
      layout: instrument.headstock.layout,
      angleDeg: toDegrees(instrument.headstock.angle),
      faceDropMm: mm(instrument.headstock.faceDrop),
      rollerSlotsMm: slots === null ? null : { inner: mm(slots.inner), outer: mm(slots.outer) },
    },
    trees: instrument.trees.map(({ kind, along, drop, strings }) => ({
      kind,
      alongMm: mm(along),
      dropMm: mm(drop),
      strings: [...strings],
    })),
    bridge: {
      anchor: instrument.bridge.anchor,
      behindSaddleMm: mm(instrument.bridge.behindSaddle),
      tieHoles: instrument.bridge.tieHoles,
      cover: instrument.bridge.cover,
      vibrato: instrument.bridge.vibrato,
    },
    screwTunerMm: screw === null ? null : { travel: mm(screw.travel), lead: mm(screw.lead) },
    measured: [],
    top: instrument.top,
    board: instrument.board,
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
