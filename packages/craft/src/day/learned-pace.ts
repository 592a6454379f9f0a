import { PACE } from '../constants/index.js';
import type { Family } from '../string-kinds/index.js';
import { STRING_STAGES, type Stage } from '../stages/index.js';
import { stageMinutes } from './stage-minutes.js';

/** What a stage took in a job that was handed over. */
export interface TimedStage {
  personId: string;
  family: Family;
  stringCount: number;
  stage: Stage;
  minutes: number;
}

/** Minutes as a share of what is expected before anything was learned. */
export interface Pace {
  factor: number;
  /** Between these, four jobs in five. */
  low: number;
  high: number;
  /** Jobs of this person with this kind that it rests on. */
  jobs: number;
}

/** Two-sided 80 % of a normal distribution. */
const FOUR_IN_FIVE = 1.2816;
const ROUNDS = 8;

/**
 * A person's pace at a stage with a kind of instrument. Times are taken as log-normal about the expectation; the prior counts for `PACE.priorJobs` jobs, jobs of
 * others or with other kinds for a part of one, and those far from the rest for less (Student's weights, four degrees of freedom). How much jobs scatter is learned in
 * the same way, from the spread that is taken for granted.
 */
export function learnedPace(times: readonly TimedStage[], personId: string, family: Family, stage: Stage): Pace {
  const spread = PACE.spread.value;
  const samples = times.flatMap((time) => {
    const own = time.personId === personId;
    const alike = time.family === family;
    if (time.stage !== stage || time.minutes <= 0 || (!own && !alike)) return [];
    const expected = stageMinutes(time.family, time.stringCount, time.stage);
    if (expected === 0) return [];
    const off = Math.log(time.minutes / expected);
    return Math.abs(off) > PACE.neverDone.value ? [] : [{ off, weight: own && alike ? 1 : PACE.elsewhere.value, counts: own && alike }];
  });
  const prior = PACE.priorJobs.value;
  let mean = 0;
  let total = prior;
  let variance = spread ** 2;
  for (let round = 0; round < ROUNDS; round++) {
    const weights = samples.map(({ off, weight }) => (weight * 5) / (4 + ((off - mean) / spread) ** 2));
    total = prior + weights.reduce((sum, weight) => sum + weight, 0);
    mean = samples.reduce((sum, { off }, index) => sum + off * (weights[index] ?? 0), 0) / total;
    variance = (prior * spread ** 2 + samples.reduce((sum, { off }, index) => sum + (weights[index] ?? 0) * (off - mean) ** 2, 0)) / total;
  }
  const half = FOUR_IN_FIVE * Math.sqrt(variance * (1 + 1 / total));
  return {
    factor: Math.exp(mean),
    low: Math.exp(mean - half),
    high: Math.exp(mean + half),
    jobs: samples.filter(({ counts }) => counts).length,
  };
}

/** Attended minutes of a whole restring as this person has shown to need them. */
export function learnedMinutes(times: readonly TimedStage[], personId: string, family: Family, stringCount: number) {
  const stages = STRING_STAGES.map((stage) => {
    const pace = learnedPace(times, personId, family, stage);
    return { minutes: stageMinutes(family, stringCount, stage) * pace.factor, jobs: pace.jobs };
  });
  return {
    attendedMinutes: stages.reduce((sum, { minutes }) => sum + minutes, 0),
    jobs: Math.max(...stages.map(({ jobs }) => jobs)),
  };
}
