/** From one pitch to another, cents, whichever is higher. */
export const centsApart = (one: number, other: number): number => Math.abs(1200 * Math.log2(one / other));
