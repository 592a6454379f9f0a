import { fundamentalAt, tensionFor, type Stretchable } from '../tension/index.js';
import { hertz, metres, newtons, type Hertz, type KilogramsPerMetre, type Metres, type Newtons, type Radians } from '../units/index.js';
import { reach, type Reach } from './lever.js';

/** A string on a floating bridge, as it is to be. */
export interface BridgeString {
  /** EA, N. */
  stiffness: Newtons;
  /** Mass by length of the string at rest; stretched it is thinner. */
  restDensity: KilogramsPerMetre;
  /** By what share that may be wrong, four times in five. */
  massBand: number;
  /** From nut to saddle while the bridge is level. */
  scaleLength: Metres;
  /** String behind nut and saddle that shares the stretch. */
  extra: Metres;
  /** Of the saddle above the knife edge. */
  saddleHeight: Metres;
  /** Of the saddle from the knife edge, positive toward the nut. */
  saddleOffset: Metres;
  /** Wanted pitch. */
  pitch: Hertz;
  /** Null where it is not known. */
  breakingLoad: Newtons | null;
}

/** The springs that hold the strings' pull: all alike, hooked straight below the edge. */
export interface Springs {
  count: number;
  /** N/m of one. */
  rate: number;
  /** Tension at which its coils begin to open, N. */
  initial: Newtons;
  /** Its length until then. */
  free: Metres;
  /** Depth of the hook below the edge. */
  arm: Metres;
}

/** Plane model of a bridge on a knife edge. */
export interface FloatingBridge {
  strings: readonly BridgeString[];
  springs: Springs;
  /** Where it cannot tip further: below and above zero. */
  stops: { back: Radians; forward: Radians };
}

/** Unstretched length of each string between its ends, extra included; null for a string that is off. */
export type RestLengths = readonly (Metres | null)[];

/** From saddle to nut. The nut lies as high as the saddle of a level bridge. */
export function speaking({ saddleOffset, saddleHeight, scaleLength }: BridgeString, angle: Radians): Reach {
  return reach({ x: saddleOffset, y: saddleHeight }, { x: saddleOffset + scaleLength, y: saddleHeight }, angle);
}

/** From hook to claw. `claw`: how far it is from the hook of a level bridge. */
export const springReach = ({ arm }: Springs, claw: Metres, angle: Radians): Reach => reach({ x: 0, y: -arm }, { x: claw, y: -arm }, angle);

/** Pull at which a string of this speaking length sounds so: T (1 + T/EA) = μ₀ (2 L f)². */
export const pullFor = (string: BridgeString, length: Metres, frequency: Hertz): Newtons => tensionFor(frequency, length, thinning(string));

/** The inverse: 0 Hz for a slack string. */
export const frequencyFor = (string: BridgeString, length: Metres, pull: Newtons): Hertz =>
  pull === 0 ? hertz(0) : fundamentalAt(pull, length, thinning(string));

/** Strings of a bridge are reckoned by their rest lengths, steel as well: as they stretch they thin. */
const thinning = ({ stiffness, restDensity }: BridgeString): Stretchable => ({ stiffness, linearDensity: restDensity, thins: true });

/** Length without pull of a string that is pulled so. */
export const restFor = ({ stiffness, extra }: BridgeString, length: Metres, pull: Newtons): Metres =>
  metres((length + extra) / (1 + pull / stiffness));

/** Pull of a string of this rest length; none where it hangs slack. */
export const pullOf = ({ stiffness, extra }: BridgeString, length: Metres, rest: Metres): Newtons =>
  newtons(Math.max(0, stiffness * ((length + extra) / rest - 1)));

/** Pull of one spring of this length: none until its coils open. */
export const springPull = ({ rate, initial, free }: Springs, length: Metres): Newtons =>
  newtons(length <= free ? 0 : initial + rate * (length - free));
