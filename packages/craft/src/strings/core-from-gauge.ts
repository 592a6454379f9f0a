import { CORE_FROM_GAUGE as FIT } from '../constants/index.js';
import { fromInches, toInches, type Metres } from '../units/index.js';
import type { Family } from '../string-kinds/index.js';

export type CoreGuess = { kind: 'core'; diameter: Metres } | { kind: 'no-usual-core'; share: number };

/** Usual core of a wound string of this gauge, from fits to published cores; good to 12–15 %, and only where such strings are made. */
export function coreFromGauge(family: Family, gauge: Metres): CoreGuess {
  const diameter = fromInches(coreInches(family, toInches(gauge)));
  const share = diameter / gauge;
  if (share < FIT.leastShare.value || share > FIT.mostShare.value) return { kind: 'no-usual-core', share };
  return { kind: 'core', diameter };
}

function coreInches(family: Family, gaugeInches: number): number {
  if (family === 'classical' || family === 'ukulele') return FIT.flossCore.value;
  if (family === 'bass') return FIT.bassCore.value * (gaugeInches / FIT.bassAtGauge.value) ** FIT.bassExponent.value;
  return FIT.steelCore.value * (gaugeInches / FIT.steelAtGauge.value) ** FIT.steelExponent.value;
}
