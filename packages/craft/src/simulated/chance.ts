/** Chance from a seed, evenly between 0 and 1: the same seed gives the same numbers (mulberry32). */
export function chanceFrom(seed: number): () => number {
  let state = seed | 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** A number of the standard normal distribution (Box and Muller). */
export const normal = (chance: () => number): number => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());

/** A number about one, lognormal: how strong a hand is this time. */
export const handStrength = (chance: () => number, spread: number): number => Math.exp(spread * normal(chance));
