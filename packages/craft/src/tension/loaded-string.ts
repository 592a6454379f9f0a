import { SAFE_SHARE_OF_BREAKING } from '../constants/index.js';
import type { StringProperties } from '../strings/index.js';
import { newtons, semitonesBetween, type Hertz, type Metres, type Newtons } from '../units/index.js';
import { fundamentalAt, tensionFor } from './tension.js';

/** A string at its pitch. Reserve is what is left to breaking, as a share: 1 − T/T_break. */
export interface LoadedString {
  pull: Newtons;
  strain: number;
  reserve: number;
  breakingPitch: Hertz;
  /** Highest pitch that keeps the pull under the safe share of the breaking load. */
  safePitch: Hertz;
  semitonesToSafe: number;
}

export function loadString(properties: StringProperties, speakingLength: Metres, pitch: Hertz): LoadedString {
  const pull = tensionFor(pitch, speakingLength, properties);
  const breakingPitch = fundamentalAt(newtons(properties.breakingLoad), speakingLength, properties);
  const safePitch = fundamentalAt(newtons(properties.breakingLoad * SAFE_SHARE_OF_BREAKING.value), speakingLength, properties);
  return {
    pull,
    strain: pull / properties.stiffness,
    reserve: 1 - pull / properties.breakingLoad,
    breakingPitch,
    safePitch,
    semitonesToSafe: semitonesBetween(pitch, safePitch),
  };
}

/**
 * Cents by which a string at this strain rises for each metre that is drawn past the nut, over the whole path from anchor to post: pitch follows √(ε (1 + ε)), and
 * what is drawn past adds (1 + ε)/path to ε.
 */
export const centsPerMetre = (strain: number, path: Metres): number =>
  ((600 / Math.LN2) * (1 / strain + 1 / (1 + strain)) * (1 + strain)) / path;
