import { radians, type Metres, type Radians } from '../units/index.js';

/** A roller lies across a slotted headstock; its axis below the face, the string leaving over its upper side. */
export interface RollerRun {
  headstockAngle: Radians;
  faceDrop: Metres;
  along: Metres;
  /** From the line of the slot to where the string winds, outward positive. */
  sideways: Metres;
  /** Below zero under the face. */
  axisHeight: Metres;
  windingRadius: Metres;
}

/** Break over the nut toward the upper side of a roller: the tangent from the slot to the winding circle, seen from the side. */
export function rollerBreakAngle(run: RollerRun): { vertical: Radians; lateral: Radians; total: Radians; lifts: boolean } {
  const sine = Math.sin(run.headstockAngle);
  const cosine = Math.cos(run.headstockAngle);
  const forward = run.along * cosine + run.axisHeight * sine;
  const down = run.along * sine + run.faceDrop - run.axisHeight * cosine;
  const vertical = Math.atan2(down, forward) - Math.asin(run.windingRadius / Math.hypot(forward, down));
  const lateral = Math.atan2(run.sideways, forward);
  return {
    vertical: radians(vertical),
    lateral: radians(lateral),
    total: radians(Math.atan(Math.hypot(Math.tan(vertical), Math.tan(lateral)))),
    lifts: vertical <= 0,
  };
}
