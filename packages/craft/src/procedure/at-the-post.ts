import { NUT } from '../constants/index.js';
import type { Instrument, StringPlace } from '../instrument/index.js';
import { breakAngle, downforce, rollerBreakAngle, type NutRun } from '../nut/index.js';
import { capacityBelow, exitHeight, kinkLockTail, windingCircle, type End, type PostAndString } from '../post/index.js';
import type { StringProperties } from '../strings/index.js';
import type { LoadedString } from '../tension/index.js';
import { fromDegrees, metres, type Metres, type Radians } from '../units/index.js';
import type { HouseMethods } from './house-methods.js';
import type { Nut } from './wind-plan.js';

/** One string at its post, with everything that is known before its turns are decided. */
export interface AtThePost {
  instrument: Instrument;
  index: number;
  place: StringPlace;
  string: StringProperties;
  methods: HouseMethods;
  load: LoadedString;
  geometry: PostAndString;
}

/** From the line of the slot to the post, away from the centre line. */
export function outward({ post, slotSideways }: StringPlace): number {
  return post.side === 'bass' ? post.sideways - slotSideways : slotSideways - post.sideways;
}

export function endOf({ post }: StringPlace, { postMethod, stub }: HouseMethods, string: StringProperties): End {
  if (post.holeDepth !== null) return { kind: 'slotted', holeDepth: post.holeDepth };
  const tail = postMethod === 'kink-lock' ? kinkLockTail(post.diameter, string.gauge, stub) : stub;
  return { kind: 'through', postDiameter: post.diameter, tail };
}

export function capacity({ place, methods, geometry }: AtThePost): number {
  const { style, diameter, holeHeight } = place.post;
  // beside the hole of a roller or a side peg there is room for a shaft's width of turns
  if (style === 'roller' || style === 'side-peg') return (2 * diameter) / geometry.stringDiameter;
  return methods.turnsAbove + capacityBelow(holeHeight, geometry);
}

export function wantedAngle({ instrument, index, string }: AtThePost): Radians {
  const helped = instrument.trees.some(({ strings }) => strings.includes(index));
  const unaidedBass = instrument.family === 'bass' && string.construction === 'wound' && !helped;
  return fromDegrees(unaidedBass ? NUT.wantedAngleUnaidedBass.value : NUT.wantedAngleGuitar.value);
}

/** The run from nut to a post that stands on the face; null for rollers and side pegs, which stand otherwise. */
export function runOf({ instrument, index, place, geometry }: AtThePost): Omit<NutRun, 'exitHeight'> | null {
  if (place.post.style === 'roller' || place.post.style === 'side-peg') return null;
  const tree = instrument.trees.find(({ strings }) => strings.includes(index));
  return {
    headstockAngle: instrument.headstock.angle,
    faceDrop: instrument.headstock.faceDrop,
    along: place.post.along,
    sideways: metres(outward(place)),
    windingRadius: windingCircle(geometry).radius,
    flank: 'inside',
    tree: tree === undefined ? null : { distance: tree.along, drop: tree.drop },
  };
}

export function exitAfter(turns: number, { place, methods, geometry }: AtThePost): Metres {
  if (place.post.style === 'roller') return metres(place.post.holeHeight + windingCircle(geometry).radius);
  return exitHeight(place.post.holeHeight, turns - methods.turnsAbove, geometry);
}

export function nutAfter(turns: number, at: AtThePost): Nut | null {
  if (at.place.post.style === 'side-peg') return null;
  const angle = angleAfter(turns, at);
  return { ...angle, wanted: wantedAngle(at), downforce: downforce(at.load.pull, angle.vertical) };
}

function angleAfter(turns: number, at: AtThePost): Omit<Nut, 'wanted' | 'downforce'> {
  const { instrument, place, geometry } = at;
  const run = runOf(at);
  if (run !== null) {
    const here = { ...run, exitHeight: exitAfter(turns, at) };
    return { ...breakAngle(here), withoutTree: breakAngle({ ...here, tree: null }).vertical };
  }
  const angle = rollerBreakAngle({
    headstockAngle: instrument.headstock.angle,
    faceDrop: instrument.headstock.faceDrop,
    along: place.post.along,
    sideways: metres(outward(place)),
    axisHeight: place.post.holeHeight,
    windingRadius: windingCircle(geometry).radius,
  });
  return { ...angle, treeTouched: false, withoutTree: angle.vertical };
}
