/** A number of the standard normal distribution (Box and Muller). */
export const normal = (chance: () => number): number => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
