import { LOW_OVER_SADDLE, SADDLE_SIDES, type SaddleSide } from '../constants/index.js';
import type { AnchorKind } from '../instrument/index.js';
import { downforce } from '../nut/index.js';
import { fromDegrees, radians, toMillimetres, type Metres, type Newtons, type Radians } from '../units/index.js';

/** Break over the saddle: an estimate from bridges of the kind, narrower where the saddle was measured. */
export interface SaddleBreak {
  low: Radians;
  likely: Radians;
  high: Radians;
  /** How hard the string presses on its saddle, at the likely angle. */
  downforce: Newtons;
  /** Under this it is low: a string that is played hard moves on its saddle. */
  lowBelow: Radians;
}

/**
 * From the top of the saddle down to where the string goes on: into its pin, its block, the plate of a top-load bridge, the body, or over its tailpiece. The string
 * comes in along the body: what the neck leans back is left out.
 * @param measured height of the saddle above the body, where somebody measured it: the underside of its string.
 * @returns null at bridges that have no such break, or whose saddles turn with it.
 */
export function saddleBreak(anchor: AnchorKind, pull: Newtons, measured: Metres | null = null): SaddleBreak | null {
  const side: SaddleSide | null = Object.hasOwn(SADDLE_SIDES, anchor) ? SADDLE_SIDES[anchor as keyof typeof SADDLE_SIDES] : null;
  if (side === null) return null;
  const { exitHeight, behind } = side;
  const typical = side.saddleHeight;
  const top = measured === null ? typical : { low: toMillimetres(measured), value: toMillimetres(measured), high: toMillimetres(measured) };
  // what lies below where the string goes on climbs to it, the steeper the nearer that is
  const angle = (drop: number, falling: number, climbing: number) => radians(Math.atan2(drop, drop < 0 ? climbing : falling));
  const likely = angle(top.value - exitHeight.value, behind.value, behind.value);
  return {
    low: angle(top.low - exitHeight.high, behind.high, behind.low),
    likely,
    high: angle(top.high - exitHeight.low, behind.low, behind.high),
    downforce: downforce(pull, likely),
    lowBelow: fromDegrees(LOW_OVER_SADDLE.value),
  };
}
