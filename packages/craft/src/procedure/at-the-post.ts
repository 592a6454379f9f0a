import { NUT } from '../constants/index.js';
import { rollerSide, type Instrument, type StringPlace } from '../instrument/index.js';
import type { HouseMethods } from '../methods/index.js';
import { breakAngle, downforce, hangAtNut, rollerBreakAngle, slotFit, type NutRun } from '../nut/index.js';
import { capacityBelow, exitHeight, kinkLockTail, turnHeight, windingCircle, type End, type PostAndString } from '../post/index.js';
import type { StringProperties } from '../strings/index.js';
import type { LoadedString } from '../tension/index.js';
import { fromDegrees, metres, type Metres, type Radians } from '../units/index.js';
import type { Nut } from './wind-plan.js';

/** One turn on the post is the least that holds a string. */
export const LEAST_TURNS = 1;

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

/** The tree or bar that a string runs under, if any. */
export const treeOver = (instrument: Instrument, index: number) => instrument.trees.find(({ strings }) => strings.includes(index));

/** Kinds of post that stand on the face, with their turns stacked toward it. */
export const standsOnFace = ({ post }: StringPlace): boolean =>
  post.style !== 'roller' && post.style !== 'side-peg' && post.style !== 'clamp';

/** What the end of a string needs at a post of this diameter: that which was learned, where turns were counted on it. */
export function endOf({ post }: StringPlace, postDiameter: Metres, { postMethod, stub }: HouseMethods, string: StringProperties): End {
  if (post.style === 'slotted' && post.holeDepth !== null) return { kind: 'slotted', holeDepth: post.holeDepth };
  const tail = postMethod === 'kink-lock' ? kinkLockTail(postDiameter, string.gauge, stub) : stub;
  return { kind: 'through', postDiameter, tail };
}

/** Turns that fit in one layer: from the hole down to the face, or along a roller to the wall of its slot. */
export function capacity(at: AtThePost): number {
  const { place, methods, geometry } = at;
  if (standsOnFace(place)) return methods.turnsAbove + capacityBelow(place.post.holeHeight, geometry);
  return Math.max(0, shaftRoom(at) - geometry.stringDiameter / 2) / turnHeight(geometry);
}

/** Shaft beside the hole on the side to which the turns grow. */
function shaftRoom({ instrument, index, place }: AtThePost): number {
  const { diameter, sideways } = place.post;
  const slots = instrument.headstock.rollerSlots;
  if (place.post.style !== 'roller' || slots === null) return 2 * diameter;
  const hole = Math.abs(sideways);
  return rollerSide(instrument, index) === 'outward' ? slots.outer - hole : hole - slots.inner;
}

/** The break over the nut that is wanted, and that under which a string is called low: what the house, the person or the instrument chose, or what the kind of head gives. */
export function wantedAngles({ instrument: { family, headstock }, methods: { nutDeg } }: AtThePost): {
  wanted: Radians;
  lowBelow: Radians;
} {
  if (nutDeg !== null) return { wanted: fromDegrees(nutDeg), lowBelow: fromDegrees(nutDeg) };
  if (family === 'bass') return { wanted: fromDegrees(NUT.wantedAngleBass.value), lowBelow: fromDegrees(NUT.lowAngleBass.value) };
  const leans = headstock.angle >= fromDegrees(NUT.leansBackFrom.value);
  return {
    wanted: fromDegrees((leans ? NUT.wantedAngleLeaning : NUT.wantedAngleFlat).value),
    lowBelow: fromDegrees(NUT.lowAngle.value),
  };
}

/** The run from nut to a post that stands on the face; null for those that stand otherwise. */
export function runOf({ instrument, index, place, geometry }: AtThePost): Omit<NutRun, 'exitHeight'> | null {
  if (!standsOnFace(place)) return null;
  const tree = treeOver(instrument, index);
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
  if (methods.leavesAbove) return metres(place.post.holeHeight + turnHeight(geometry));
  return exitHeight(place.post.holeHeight, turns - methods.turnsAbove, geometry);
}

/** Null where no nut is pressed: at a fifth peg. */
export function nutAfter(turns: number, at: AtThePost): Nut | null {
  if (at.place.post.style === 'side-peg') return null;
  const angle = angleAfter(turns, at);
  const { wanted, lowBelow } = wantedAngles(at);
  const low = angle.vertical < lowBelow - ROUNDING;
  const { place, string, geometry } = at;
  const hang = hangAtNut({
    turned: angle.total,
    speakingLength: place.scaleLength,
    behindNut: geometry.nutToPost,
    fit: slotFit(place.slotWidth, string.gauge).kind,
  });
  return { ...angle, wanted, lowBelow, low, downforce: downforce(at.load.pull, angle.vertical), hang };
}

/** An angle that is just what is wanted is not low. */
const ROUNDING = 1e-9;

function angleAfter(turns: number, at: AtThePost): Omit<Nut, 'wanted' | 'lowBelow' | 'low' | 'downforce' | 'hang'> {
  const { instrument, place, geometry } = at;
  const run = runOf(at);
  if (run !== null) {
    const here = { ...run, exitHeight: exitAfter(turns, at) };
    return {
      ...breakAngle(here),
      withoutTree: breakAngle({ ...here, tree: null }).vertical,
      otherWay: breakAngle({ ...here, flank: 'outside' }).lateral,
    };
  }
  const roller = {
    headstockAngle: instrument.headstock.angle,
    faceDrop: instrument.headstock.faceDrop,
    along: place.post.along,
    axisHeight: place.post.holeHeight,
    windingRadius: windingCircle(geometry).radius,
  };
  // the last turn lies a whole stack beside the hole
  const stack = Math.max(0, turns) * turnHeight(geometry) * (rollerSide(instrument, at.index) === 'outward' ? 1 : -1);
  const angle = rollerBreakAngle({ ...roller, sideways: metres(outward(place) + stack) });
  return {
    ...angle,
    treeTouched: false,
    withoutTree: angle.vertical,
    otherWay: rollerBreakAngle({ ...roller, sideways: metres(outward(place) - stack) }).lateral,
  };
}
