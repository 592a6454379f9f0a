import { COUNTING, HAND } from '../constants/index.js';
import { takeUp, windingCircle } from '../post/index.js';
import { fromMillimetres, metres, radians, type Metres } from '../units/index.js';
import type { CountedTurns } from './counted-turns.js';
import { solveBipartite } from './solve-bipartite.js';

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
  /** Whether the reweighting settled; where it did not, the last estimates stand. */
  settled: boolean;
}

const STEP = fromMillimetres(0.01);
/** Degrees of freedom of the noise: low, so that a miscount weighs the less the farther off it lies. */
const STUDENT = 4;
const MOST_REWEIGHTINGS = 200;
/** It has settled when no estimate moves by more than this part of its prior spread. */
const SETTLED = 1e-5;

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
 * least squares with normal priors and Student noise, by reweighting (Lange, Little & Taylor, Robust statistical modeling using the t distribution, 1989); with no
 * evidence the priors stand.
 */
export function calibrate(evidence: readonly CountedTurns[]): Calibration {
  const people = numbered(evidence.map(({ personId }) => personId));
  const instruments = numbered(evidence.map(({ instrumentId }) => instrumentId));
  const lines = evidence.map((piece) => lineOf(piece, people.get(piece.personId) ?? 0, instruments.get(piece.instrumentId) ?? 0));
  const { hands, posts, settled } = fit(lines, people.size, instruments.size);
  const countOf = (which: (line: Line) => boolean) => lines.filter(which).length;
  return {
    settled,
    leaves(id) {
      const index = people.get(id);
      if (index === undefined) return { value: HAND.leaves.value, spread: COUNTING.hand.value, count: 0 };
      const { value = 0, spread = 0 } = hands[index] ?? {};
      return { value: HAND.leaves.value + value, spread, count: countOf(({ person }) => person === index) };
    },
    postThicker(id) {
      const index = instruments.get(id);
      if (index === undefined) return { value: 0, spread: fromMillimetres(COUNTING.postMm.value), count: 0 };
      const { value = 0, spread = 0 } = posts[index] ?? {};
      return { value, spread, count: countOf(({ instrument }) => instrument === index) };
    },
  };
}

/** A number for each id, in the order they come. */
function numbered(ids: readonly string[]): ReadonlyMap<string, number> {
  return new Map([...new Set(ids)].map((id, index) => [id, index]));
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

interface Fitted {
  value: number;
  spread: number;
}

function fit(lines: readonly Line[], people: number, instruments: number): { hands: Fitted[]; posts: Fitted[]; settled: boolean } {
  const [handPrior, postPrior] = [COUNTING.hand.value, fromMillimetres(COUNTING.postMm.value)];
  let weights = lines.map(() => 1);
  let before: { hands: number[]; posts: number[] } | null = null;
  for (let round = 0; ; round++) {
    const solved = solveBipartite({
      left: { size: people, precision: handPrior ** -2 },
      right: { size: instruments, precision: postPrior ** -2 },
      equations: lines.map(({ person, instrument, slack, sensitivity, beyond, noise }, index) => ({
        left: person,
        right: instrument,
        a: slack,
        b: -sensitivity,
        value: beyond,
        weight: (weights[index] ?? 1) / noise ** 2,
      })),
    });
    const [hands, posts] = [solved.left.values, solved.right.values];
    const moved = Math.max(farthest(hands, before?.hands) / handPrior, farthest(posts, before?.posts) / postPrior);
    if (moved <= SETTLED || round === MOST_REWEIGHTINGS) {
      return { hands: zip(hands, solved.left.spreads()), posts: zip(posts, solved.right.spreads()), settled: moved <= SETTLED };
    }
    before = { hands, posts };
    weights = lines.map(({ person, instrument, slack, sensitivity, beyond, noise }) => {
      const off = (beyond - slack * (hands[person] ?? 0) + sensitivity * (posts[instrument] ?? 0)) / noise;
      return (STUDENT + 1) / (STUDENT + off ** 2);
    });
  }
}

const farthest = (now: readonly number[], before: readonly number[] | undefined) =>
  now.reduce((most, value, index) => Math.max(most, Math.abs(value - (before?.[index] ?? Number.POSITIVE_INFINITY))), 0);

const zip = (values: readonly number[], spreads: readonly number[]): Fitted[] =>
  values.map((value, index) => ({ value, spread: spreads[index] ?? 0 }));
