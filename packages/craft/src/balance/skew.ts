import { metres, radians, type Metres } from '../units/index.js';
import { tiltOf, type BridgeNow } from './at-bench.js';
import { clawWhere } from './claw.js';
import { settle } from './equilibrium.js';

/**
 * A bridge that stands skew: its bass end higher by `skew`, m. Each end lies as if the claw were where that end's tilt explains it; how far the bass screw has to go in beyond
 * what levels the whole, the treble screw as far less. Null where no place of the claw explains an end.
 */
export function skewTravel(
  { bridge, claw, rests, angle }: Pick<BridgeNow, 'bridge' | 'claw' | 'rests' | 'angle'>,
  skew: Metres,
  edge: Metres,
): Metres | null {
  const half = tiltOf(metres(skew / 2), edge);
  const { pulls } = settle(bridge, claw, rests, angle);
  const [bass, treble] = [1, -1].map((side) => clawWhere(bridge, radians(angle + side * half), pulls));
  return bass == null || treble == null ? null : metres((treble - bass) / 2);
}
