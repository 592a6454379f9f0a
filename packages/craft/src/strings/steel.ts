import { STEEL_MODULUS_STEPS, STRENGTH, YOUNGS_MODULUS } from '../constants/index.js';
import { fromGigapascals, fromMegapascals, toMillimetres, type Metres, type Pascals } from '../units/index.js';

/** Young's modulus of drawn steel of this diameter. */
export function steelModulus(diameter: Metres): Pascals {
  const mm = toMillimetres(diameter);
  if (mm < STEEL_MODULUS_STEPS.thinBelow.value) return fromGigapascals(YOUNGS_MODULUS.steelThin.value);
  if (mm < STEEL_MODULUS_STEPS.mediumBelow.value) return fromGigapascals(YOUNGS_MODULUS.steelMedium.value);
  return fromGigapascals(YOUNGS_MODULUS.steelThick.value);
}

/** Least breaking stress of music wire of this diameter: 2211 MPa / d^0.145, d in mm. Thin wire is drawn harder. */
export const musicWireStrength = (diameter: Metres): Pascals =>
  fromMegapascals(STRENGTH.musicWireAtOneMillimetre.value / toMillimetres(diameter) ** STRENGTH.musicWireExponent.value);
