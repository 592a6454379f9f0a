import { MINUTES } from '../constants/index.js';
import type { Family } from '../string-kinds/index.js';
import { STRING_STAGES, type Stage } from '../stages/index.js';
import { NINE_IN_TEN, type Attended } from './percentile.js';
import { learnedPace, type TimedStage } from './learned-pace.js';
import { stageMinutes } from './stage-minutes.js';

/** What is left of the stages of a job, each by the share of its strings that are still to be done. */
export type LeftOfStages = Partial<Record<Stage, number>>;

interface Asked {
  family: Family;
  stringCount: number;
  left: LeftOfStages;
}
/** Of minutes that vary: independent ones add up by both. */
interface Moments {
  mean: number;
  variance: number;
}

/** Minutes of what is left, by the pace of whoever does it: each stage lognormal by itself. Null where nothing is left. */
export const attendedTo = (times: readonly TimedStage[], personId: string, asked: Asked): Attended | null =>
  together(momentsOf(times, personId, asked));

/**
 * The same in as few pieces as each fit somewhere, in the order of the stages: work that is longer than any hours goes on in others. A stage that is too long by itself stays whole.
 */
export function attendedInPieces(
  times: readonly TimedStage[],
  personId: string,
  asked: Asked & { fits: (piece: Attended) => boolean },
): Attended[] {
  const pieces: Moments[][] = [];
  for (const stage of momentsOf(times, personId, asked)) {
    const last = pieces.at(-1);
    const longer = together([...(last ?? []), stage]);
    if (last !== undefined && longer !== null && asked.fits(longer)) last.push(stage);
    else pieces.push([stage]);
  }
  return pieces.flatMap((piece) => together(piece) ?? []);
}

function momentsOf(times: readonly TimedStage[], personId: string, { family, stringCount, left }: Asked): Moments[] {
  return STRING_STAGES.flatMap((stage) => {
    const expected = (stage === 'balance' ? MINUTES.balance.value : stageMinutes(family, stringCount, stage)) * (left[stage] ?? 0);
    if (expected <= 0) return [];
    const { factor, high } = learnedPace(times, personId, family, stage);
    const sigma = Math.log(high / factor) / NINE_IN_TEN;
    const mean = expected * factor * Math.exp(sigma ** 2 / 2);
    return [{ mean, variance: mean ** 2 * Math.expm1(sigma ** 2) }];
  });
}

/** A sum of lognormals is taken as lognormal with their mean and variance (Fenton and Wilkinson). */
function together(stages: readonly Moments[]): Attended | null {
  const mean = stages.reduce((sum, each) => sum + each.mean, 0);
  if (mean === 0) return null;
  const sigma = Math.sqrt(Math.log1p(stages.reduce((sum, each) => sum + each.variance, 0) / mean ** 2));
  return { median: mean / Math.exp(sigma ** 2 / 2), sigma };
}
