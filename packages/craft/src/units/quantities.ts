/** Lengths inside the core are metres. The brand stops a millimetre being handed over as a metre. */
export type Metres = number & { readonly unit: 'm' };
export type Hertz = number & { readonly unit: 'Hz' };
export type Newtons = number & { readonly unit: 'N' };
export type Radians = number & { readonly unit: 'rad' };
export type Cents = number & { readonly unit: 'cent' };
export type KilogramsPerMetre = number & { readonly unit: 'kg/m' };
export type KilogramsPerCubicMetre = number & { readonly unit: 'kg/m3' };
export type Pascals = number & { readonly unit: 'Pa' };

export const metres = (value: number) => value as Metres;
export const hertz = (value: number) => value as Hertz;
export const newtons = (value: number) => value as Newtons;
export const radians = (value: number) => value as Radians;
export const cents = (value: number) => value as Cents;
export const kilogramsPerMetre = (value: number) => value as KilogramsPerMetre;
export const kilogramsPerCubicMetre = (value: number) => value as KilogramsPerCubicMetre;
export const pascals = (value: number) => value as Pascals;

/** The international inch, exact since 1959. */
const METRES_PER_INCH = 0.0254;
/** The avoirdupois pound (0.45359237 kg, exact) under standard gravity (9.80665 m/s², exact). */
const NEWTONS_PER_POUND_FORCE = 0.45359237 * 9.80665;
const NEWTONS_PER_KILOGRAM_FORCE = 9.80665;

export const fromMillimetres = (mm: number) => metres(mm / 1000);
export const toMillimetres = (length: Metres) => length * 1000;
export const fromInches = (inches: number) => metres(inches * METRES_PER_INCH);
export const toInches = (length: Metres) => length / METRES_PER_INCH;
export const fromDegrees = (degrees: number) => radians((degrees * Math.PI) / 180);
export const toDegrees = (angle: Radians) => (angle * 180) / Math.PI;
export const toPoundsForce = (force: Newtons) => force / NEWTONS_PER_POUND_FORCE;
export const toKilogramsForce = (force: Newtons) => force / NEWTONS_PER_KILOGRAM_FORCE;
export const fromGigapascals = (gpa: number) => pascals(gpa * 1e9);
export const fromMegapascals = (mpa: number) => pascals(mpa * 1e6);
