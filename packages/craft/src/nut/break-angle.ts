import { radians, type Metres, type Radians } from '../units/index.js';

/**
 * The string's way from the slot to the post. `headstockAngle` tilts the face back, `faceDrop` is how far the face starts below the slot, `along` and
 * `sideways` lead to the post's axis in the plane of the face (outward positive). `exitHeight` is where the string leaves the post, above the face.
 */
export interface NutRun {
  headstockAngle: Radians;
  faceDrop: Metres;
  along: Metres;
  sideways: Metres;
  /** Radius of the string's centre line on the post. */
  windingRadius: Metres;
  exitHeight: Metres;
  /** The string leaves the post on the side toward the centre line, or away from it. */
  flank: 'inside' | 'outside';
  tree: { distance: Metres; drop: Metres } | null;
}

export interface BreakAngle {
  /** Downward angle over the nut in the neck's own frame; below zero the string lifts out of its slot. */
  vertical: Radians;
  /** Sideways angle, outward positive. */
  lateral: Radians;
  /** Angle in space between the string before and after the nut. */
  total: Radians;
  lifts: boolean;
  treeTouched: boolean;
}

/** In the plane of the face: where the string meets the winding circle. */
interface TangentPoint {
  along: number;
  outward: number;
}

export function tangentPoint({
  along,
  sideways,
  windingRadius,
  flank,
}: Pick<NutRun, 'along' | 'sideways' | 'windingRadius' | 'flank'>): TangentPoint {
  const toAxis = Math.hypot(along, sideways);
  if (toAxis <= windingRadius) throw new RangeError('the nut lies inside the post');
  const aside = Math.asin(windingRadius / toAxis);
  const direction = Math.atan2(sideways, along) + (flank === 'inside' ? -aside : aside);
  const length = Math.sqrt(toAxis ** 2 - windingRadius ** 2);
  return { along: length * Math.cos(direction), outward: length * Math.sin(direction) };
}

/** Break over the nut. A tree counts only where the string touches it: where it forces a steeper angle than the post alone would. */
export function breakAngle(run: NutRun): BreakAngle {
  const point = tangentPoint(run);
  const { forward, down } = inNeckFrame(point.along, run.exitHeight, run);
  const direct = Math.atan2(down, forward);
  const overTree = run.tree === null ? Number.NEGATIVE_INFINITY : Math.atan2(run.tree.drop, run.tree.distance);
  const treeTouched = overTree > direct;
  const vertical = treeTouched ? overTree : direct;
  const lateral = Math.atan2(point.outward, forward);
  return {
    vertical: radians(vertical),
    lateral: radians(lateral),
    total: radians(Math.atan(Math.hypot(Math.tan(vertical), Math.tan(lateral)))),
    lifts: vertical <= 0,
    treeTouched,
  };
}

/** From (along, height) over the tilted face to (forward, down) seen from the nut slot along the neck. */
function inNeckFrame(along: number, height: number, { headstockAngle, faceDrop }: Pick<NutRun, 'headstockAngle' | 'faceDrop'>) {
  const sine = Math.sin(headstockAngle);
  const cosine = Math.cos(headstockAngle);
  return { forward: along * cosine + height * sine, down: along * sine + faceDrop - height * cosine };
}

/** Height above the face at which a string would have to leave the post to break over the nut by `wanted`, tree aside. */
export function exitHeightFor(wanted: Radians, run: Omit<NutRun, 'exitHeight'>): number {
  const { along } = tangentPoint(run);
  const slope = Math.tan(wanted);
  const sine = Math.sin(run.headstockAngle);
  const cosine = Math.cos(run.headstockAngle);
  return (along * (sine - slope * cosine) + run.faceDrop) / (cosine + slope * sine);
}
