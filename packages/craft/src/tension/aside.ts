import { metres, type Metres, type Newtons } from '../units/index.js';

export interface PulledAside {
  /** At its note. */
  pull: Newtons;
  /** More it is not to bear. */
  most: Newtons;
  /** EA, N. */
  stiffness: number;
  /** The speaking part, nut to saddle, and the whole that gives, anchor to post. */
  scale: Metres;
  path: Metres;
}

/**
 * How far a string may be pulled aside at its middle before it bears `most`: it slides freely over nut and saddle, so that two sides of a triangle are longer than the speaking part by
 * l₀ (T₂ − T₁)/EA. Zero where it bears that already.
 */
export function mostAside({ pull, most, stiffness, scale, path }: PulledAside): Metres {
  if (most <= pull) return metres(0);
  const longer = ((path / (1 + pull / stiffness)) * (most - pull)) / stiffness;
  return metres(Math.sqrt(((scale + longer) / 2) ** 2 - (scale / 2) ** 2));
}
