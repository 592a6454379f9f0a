import { requirePositive } from '../outcome/index.js';
import { metres, radians, type Metres, type Radians } from '../units/index.js';

/** A post and a string that goes straight through its hole. `nutToPost` runs to the post's axis. */
export interface PostAndString {
  postDiameter: Metres;
  stringDiameter: Metres;
  nutToPost: Metres;
}

/** Radius of the circle that the string's centre line makes on the post, and the angle at which it first lies on it. */
export interface WindingCircle {
  radius: Metres;
  tangentAngle: Radians;
  /** Length of centre line per radian of a helix whose turns touch. */
  lengthPerRadian: number;
  /** Straight distance from the nut to the point where the string meets the circle. */
  tangentLength: Metres;
}

export function windingCircle({ postDiameter, stringDiameter, nutToPost }: PostAndString): WindingCircle {
  requirePositive({ postDiameter, stringDiameter, nutToPost });
  const radius = (postDiameter + stringDiameter) / 2;
  if (radius >= nutToPost) throw new RangeError('the nut lies inside the post');
  return {
    radius: metres(radius),
    tangentAngle: radians(Math.acos(radius / nutToPost)),
    lengthPerRadian: Math.hypot(radius, stringDiameter / (2 * Math.PI)),
    tangentLength: metres(Math.sqrt(nutToPost ** 2 - radius ** 2)),
  };
}

/**
 * Length of string that a post has taken up after turning by `rotation` from the straight string, in plan view. Until the string lies on
 * the post the hole's edge pulls it along a chord; from the tangent point on it winds as a helix whose turns touch.
 */
export function takeUp(rotation: Radians, geometry: PostAndString): Metres {
  const { radius, tangentAngle, lengthPerRadian, tangentLength } = windingCircle(geometry);
  const { nutToPost } = geometry;
  const straight = nutToPost - radius;
  if (rotation >= tangentAngle) return metres(lengthPerRadian * (rotation - tangentAngle) + tangentLength - straight);
  return metres(Math.sqrt(nutToPost ** 2 + radius ** 2 - 2 * nutToPost * radius * Math.cos(rotation)) - straight);
}

/** Inverse of `takeUp` for lengths from zero up. @throws RangeError for a negative length. */
export function rotationFor(length: Metres, geometry: PostAndString): Radians {
  if (!(length >= 0)) throw new RangeError(`a post cannot take up ${length} m`);
  const { radius, tangentAngle, lengthPerRadian, tangentLength } = windingCircle(geometry);
  const { nutToPost } = geometry;
  const straight = nutToPost - radius;
  const atTangent = tangentLength - straight;
  if (length >= atTangent) return radians(tangentAngle + (length - atTangent) / lengthPerRadian);
  const chord = length + straight;
  const cosine = (nutToPost ** 2 + radius ** 2 - chord ** 2) / (2 * nutToPost * radius);
  return radians(Math.acos(Math.min(1, cosine))); // rounding alone can pass 1, at length 0
}
