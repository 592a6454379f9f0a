/** Normal, of mean 0 and deviation 1 (Box and Muller). `chance`: evenly between 0 and 1. */
export const normal = (chance: () => number): number => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());

const gammaOfWhole = (shape: number, chance: () => number): number =>
  Array.from({ length: shape }, () => -Math.log(1 - chance())).reduce((sum, each) => sum + each, 0);

/** Gamma of a shape that is a multiple of one half, scale 1. */
const gamma = (shape: number, chance: () => number): number =>
  gammaOfWhole(Math.floor(shape), chance) + (shape % 1 === 0 ? 0 : normal(chance) ** 2 / 2);

/** Student of four degrees of freedom, scale 1. */
export const student4 = (chance: () => number): number => normal(chance) / Math.sqrt(gammaOfWhole(2, chance) / 2);

/** Beta of shapes that are multiples of one half. */
export function beta(a: number, b: number, chance: () => number): number {
  const [one, other] = [gamma(a, chance), gamma(b, chance)];
  return one / (one + other);
}

export const rootMeanSquare = (values: readonly number[]): number =>
  Math.sqrt(values.reduce((sum, value) => sum + value ** 2, 0) / values.length);
export const meanOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
