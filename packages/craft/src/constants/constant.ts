/** One number the computations rest on: its value, how far it may really lie, its unit, and where it comes from. */
export interface Constant {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly unit: string;
  readonly source: string;
}

export const constant = (value: number, [low, high]: readonly [number, number], unit: string, source: string): Constant =>
  Object.freeze({ value, low, high, unit, source });

export const exactly = (value: number, unit: string, source: string): Constant => constant(value, [value, value], unit, source);
