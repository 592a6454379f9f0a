/** A chance as it is told, in a hundred: nothing is certain, and nothing is said to be likelier than it is. */
export const inHundred = (chance: number): number => Math.min(99, Math.floor(100 * chance));
