import { ROUNDS } from '@gold-peg/craft/constants';
import { FINE_WORK } from '@gold-peg/craft/methods';
import { judgeRounds } from '@gold-peg/craft/settle';
import { chanceFrom } from '@gold-peg/craft/simulated';
import { cents, type Cents } from '@gold-peg/craft/units';
import { beta, normal, student4 } from './chance.js';

export interface VerdictRates {
  readings: number;
  /** Strings that stretch and are called slipping, a share. */
  falseSlip: number;
  /** Strings that slip and are not called slipping, a share. */
  missedSlip: number;
}

type Chance = () => number;

/** A string that stretches, as the hand and the ear meet it: c + a qⁿ, read with the scatter of rounds. */
function stretching(readings: number, chance: Chance): Cents[] {
  const first = ROUNDS.typicalFirstDrop.value * Math.exp(0.6 * normal(chance));
  const remainder = -ROUNDS.typicalRemainder.value * Math.log(1 - chance());
  const kept = beta(ROUNDS.keptRisesBy.value + 1, ROUNDS.keptFallsBy.value + 1, chance);
  return Array.from({ length: readings }, (_, round) => {
    const drop = first * kept ** round;
    return cents(remainder + drop + Math.hypot(ROUNDS.noise.value, ROUNDS.hand.value * drop) * student4(chance));
  });
}

/** One that slips: much the same each time, from five cents to a hundred and fifty. */
function slipping(readings: number, chance: Chance): Cents[] {
  const level = 5 * 30 ** chance();
  return Array.from({ length: readings }, () =>
    cents(level + Math.hypot(ROUNDS.noise.value, ROUNDS.unevenness.value * level) * student4(chance)),
  );
}

/** How often the verdict of Settle errs, by simulation. `strings`: of each kind. */
export function verdictRates(readings: number, strings: number, seed = 1): VerdictRates {
  const chance = chanceFrom(seed);
  const slips = (drops: readonly Cents[]) => judgeRounds({ drops, tolerance: FINE_WORK }).verdict === 'slipping';
  const share = (draw: (readings: number, chance: Chance) => Cents[]) =>
    Array.from({ length: strings }, () => slips(draw(readings, chance))).filter(Boolean).length / strings;
  return { readings, falseSlip: share(stretching), missedSlip: 1 - share(slipping) };
}
