import type { Wrap } from '../constants/index.js';
import type { Construction, CoreShape, Family, Finish } from '../string-kinds/index.js';
import type { KilogramsPerMetre, Metres } from '../units/index.js';

/** A string as a packet describes it. A weighed `linearDensity` wins over what the gauge would give. */
export interface StringSpec {
  family: Family;
  construction: Construction;
  gauge: Metres;
  wrap?: Wrap;
  core?: Metres;
  /** Hex for steel and floss for classical basses unless stated. */
  coreShape?: CoreShape;
  /** Round unless stated. */
  finish?: Finish;
  /** Layers of wire over the core, one unless stated; a ribbon counts as one of them. */
  layers?: number;
  /** Silk floss between the core and its winding. */
  silk?: boolean;
  linearDensity?: KilogramsPerMetre;
}

/** What a string does, whatever it is tuned to. `stiffness` is EA of what carries the load, N. */
export interface StringProperties {
  gauge: Metres;
  construction: Construction;
  linearDensity: KilogramsPerMetre;
  stiffness: number;
  /** EA for small quick changes about the pitch, as in a bend, N: polymers are stiffer then than while they are wound up. */
  stiffnessAtPitch: number;
  /** Load at which it breaks, N. */
  breakingLoad: number;
  /** Lighter as it stretches: true where the load-bearing part is a polymer. */
  thins: boolean;
  /** Strain that creep adds until the string holds. */
  creep: number;
  /** How far stiffness (N) and creep may lie from what is stated, low to high. */
  range: { stiffness: readonly [number, number]; creep: readonly [number, number] };
  /** How far the computed pull may lie from the truth, per cent. */
  bandPercent: number;
  core: Metres | null;
  basis: MassBasis;
}

/** What mass and core of a string rest on, so that a reason can be given for them. */
export interface MassBasis {
  weighed: boolean;
  /** Whole where the string is all one piece. */
  core: 'whole' | 'given' | 'usual' | 'from-mass';
  /** Null where nothing is wound on it. */
  winding: { finish: Finish; layers: number; silk: boolean } | null;
}
