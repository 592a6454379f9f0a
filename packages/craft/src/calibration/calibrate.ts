import { COUNTING, HAND } from '../constants/index.js';
import { takeUp, windingCircle } from '../post/index.js';
import { invertSpd } from '../solve/index.js';
import { fromMillimetres, metres, radians, type Metres } from '../units/index.js';
import type { CountedTurns } from './counted-turns.js';

export interface Estimate {
  value: number;
  /** One standard deviation. */
  spread: number;
  /** Pieces of evidence that bear on it directly. */
  count: number;
}

export interface Calibration {
  /** How much thicker the posts of an instrument proved than noted, metres. */
  postThicker: (instrumentId: string) => Estimate;
  /** How much of the slack a person means to leave is really left. */
  leaves: (personId: string) => Estimate;
}

const STEP = fromMillimetres(0.01);
/** Degrees of freedom of the noise: low, so that a miscount weighs the less the farther off it lies. */
const STUDENT = 4;
const REWEIGHTINGS = 30;

/** One count as a line: what was taken up beyond the plan = hand · slack − sensitivity · thicker, ± noise. */
interface Line {
  person: number;
  instrument: number;
  slack: number;
  sensitivity: number;
  beyond: number;
  noise: number;
}

/**
 * Learns hands and posts together from counted turns. A post that took up more or less than slack and stretch is thinner or thicker than noted, or
 * somebody left more or less slack than meant: what all instruments of a person share is the hand, what all persons at an instrument share is the post. Linear
 * least squares with normal priors and Student noise, by reweighting; with no evidence the priors stand.
 */
export function calibrate(evidence: readonly CountedTurns[]): Calibration {
  const people = [...new Set(evidence.map(({ personId }) => personId))];
  const instruments = [...new Set(evidence.map(({ instrumentId }) => instrumentId))];
  const lines = evidence.map((piece) => lineOf(piece, people.indexOf(piece.personId), instruments.indexOf(piece.instrumentId)));
  const { means, spreads } = fit(lines, people.length, instruments.length);
  const read = (index: number, prior: number, base: number, count: number): Estimate =>
    index < 0 ? { value: base, spread: prior, count: 0 } : { value: base + (means[index] ?? 0), spread: spreads[index] ?? prior, count };
  return {
    leaves: (id) =>
      read(people.indexOf(id), COUNTING.hand.value, HAND.leaves.value, evidence.filter(({ personId }) => personId === id).length),
    postThicker: (id) => {
      const index = instruments.indexOf(id);
      const count = evidence.filter(({ instrumentId }) => instrumentId === id).length;
      return read(index < 0 ? -1 : people.length + index, fromMillimetres(COUNTING.postMm.value), 0, count);
    },
  };
}

function takenUp({ turns, stringDiameter, nutToPost }: CountedTurns, postDiameter: Metres): number {
  const geometry = { postDiameter, stringDiameter, nutToPost };
  const rotation = Math.max(0, 2 * Math.PI * turns + windingCircle(geometry).tangentAngle);
  return takeUp(radians(rotation), geometry);
}

function lineOf(piece: CountedTurns, person: number, instrument: number): Line {
  const asNoted = takenUp(piece, piece.postDiameter);
  return {
    person,
    instrument,
    slack: piece.slack,
    sensitivity: (takenUp(piece, metres(piece.postDiameter + STEP)) - asNoted) / STEP,
    beyond: asNoted - piece.slack - piece.stretch,
    noise: COUNTING.turns.value * Math.PI * (piece.postDiameter + piece.stringDiameter),
  };
}

function fit(lines: readonly Line[], people: number, instruments: number): { means: number[]; spreads: number[] } {
  const priors = [
    ...new Array<number>(people).fill(COUNTING.hand.value),
    ...new Array<number>(instruments).fill(fromMillimetres(COUNTING.postMm.value)),
  ];
  let weights = lines.map(() => 1);
  let means = priors.map(() => 0);
  let covariance: number[][] = [];
  for (let round = 0; round < REWEIGHTINGS; round++) {
    const information = priors.map((prior, row) => priors.map((_, column) => (row === column ? prior ** -2 : 0)));
    const pull = priors.map(() => 0);
    lines.forEach((line, index) => {
      const weight = (weights[index] ?? 1) / line.noise ** 2;
      const terms = termsOf(line, people);
      for (const [row, a] of terms) {
        pull[row] = (pull[row] ?? 0) + weight * a * line.beyond;
        for (const [column, b] of terms) information[row]?.splice(column, 1, (information[row]?.[column] ?? 0) + weight * a * b);
      }
    });
    covariance = invertSpd(information);
    means = covariance.map((row) => row.reduce((sum, value, column) => sum + value * (pull[column] ?? 0), 0));
    weights = lines.map((line) => {
      const off = Math.abs(line.beyond - termsOf(line, people).reduce((sum, [row, a]) => sum + a * (means[row] ?? 0), 0)) / line.noise;
      return (STUDENT + 1) / (STUDENT + off ** 2);
    });
  }
  return { means, spreads: covariance.map((row, index) => Math.sqrt(row[index] ?? 0)) };
}

const termsOf = ({ person, instrument, slack, sensitivity }: Line, people: number): readonly (readonly [number, number])[] => [
  [person, slack],
  [people + instrument, -sensitivity],
];
