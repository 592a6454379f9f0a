import { DRIFT } from '../constants/index.js';
import { requirePositive } from '../outcome/index.js';
import { bisect } from '../solve/index.js';
import type { Cents } from '../units/index.js';
import { bandOf, type Band } from '../band/index.js';

/** How far a string was off when it was read, by the clock that began when it was first brought to pitch. */
export interface DriftReading {
  hours: number;
  /** Below zero where it was flat; null where it was tuned anew for another reason, as after a stretch by hand. */
  cents: Cents | null;
  /** Whether it was brought back to pitch then; a reading without that leaves what it is measured against as it was. */
  retuned: boolean;
}

export interface DriftAsked {
  /** In the order of time. */
  readings: readonly DriftReading[];
  /** Tuned again before it is farther off than this. */
  limit: Cents;
  /** It holds once it moves no more than `cents` in `hours` after tuning. */
  hold: { cents: Cents; hours: number };
}

export interface DriftForecast {
  /** When to tune again, hours on the same clock; infinite where it will not get that far off. */
  nextRetune: Band;
  /** From when it holds if it is tuned then, hours on the same clock. */
  holdsFrom: Band;
  /** The same from tuning to tuning, each at its likely hour, until it holds after one; the first is `nextRetune`. */
  retunes: readonly Band[];
}

const evenlyByRatio = (from: number, to: number, steps: number) =>
  Array.from({ length: steps }, (_, index) => from * (to / from) ** (index / (steps - 1)));

const ONSETS = evenlyByRatio(DRIFT.onset.low, DRIFT.onset.high, 61);
const RELAXATIONS = evenlyByRatio(DRIFT.relaxation.low, DRIFT.relaxation.high, 41);
const STRETCHES = [0.25, 0.35, 0.45, 0.55, 0.65, 0.8];
/** How widely amplitudes, onsets and relaxations lie about their typical values, as a ratio's logarithm. */
const SPREAD = 1.1;
/** Amplitudes of one shape that stand for all: standard errors from the mean, and their shares. */
const AMPLITUDES = [
  [-1.6, 0.13],
  [-0.7, 0.22],
  [0, 0.3],
  [0.7, 0.22],
  [1.6, 0.13],
] as const;
/** A law that is less likely than the likeliest by e to this is left out. */
const NEGLIGIBLE = 20;
/** Farther ahead nobody plans: the next reading tells more. */
const MOST_RETUNES = 6;
/** Nobody waits longer for a string. */
const LONGEST_HOURS = 24 * 365;

/** A law of creep without its amplitude: how much has gone by hour t, and the hour at which so much has gone. */
interface Shape {
  gone: (hours: number) => number;
  when: (gone: number) => number;
  prior: number;
}

function* shapes(): Generator<Shape> {
  for (const onset of ONSETS) {
    yield {
      gone: (hours) => Math.log1p(hours / onset),
      when: (gone) => onset * Math.expm1(gone),
      prior: DRIFT.logarithmic.value * typical(onset, DRIFT.onset.value) * (1 / ONSETS.length),
    };
  }
  for (const relaxation of RELAXATIONS) {
    for (const stretch of STRETCHES) {
      yield {
        gone: (hours) => -Math.expm1(-((hours / relaxation) ** stretch)),
        when: (gone) => (gone >= 1 ? Number.POSITIVE_INFINITY : relaxation * (-Math.log1p(-gone)) ** (1 / stretch)),
        prior: ((1 - DRIFT.logarithmic.value) * typical(relaxation, DRIFT.relaxation.value)) / (RELAXATIONS.length * STRETCHES.length),
      };
    }
  }
}

const typical = (value: number, usual: number) => Math.exp(-((Math.log(value / usual) / SPREAD) ** 2) / 2);

/**
 * When a string that creeps has to be tuned again, and from when it holds. Logarithmic creep b ln(1 + t/τ) and a stretched exponential a (1 − exp(−(t/τ)^β)) are
 * weighed on a grid; the amplitude of each is linear in the readings and comes by least squares with a prior, so that one reading is enough for a first answer.
 * @throws RangeError if there is no reading, hours do not rise from above zero, or a limit is not above zero.
 */
export function forecastDrift({ readings, limit, hold }: DriftAsked): DriftForecast {
  requirePositive({ limit, 'hold.cents': hold.cents, 'hold.hours': hold.hours });
  if (readings.length === 0) throw new RangeError('a forecast needs at least one reading');
  readings.forEach(({ hours }, index) => {
    if (!(hours > (readings[index - 1]?.hours ?? 0))) throw new RangeError(`reading ${index} must lie later than the one before`);
  });
  const last = readings.at(-1)?.hours ?? 0;
  const base = baseAfter(readings, readings.length);
  const all = [...shapes()].map((shape) => ({ shape, ...fit(shape, readings) }));
  const likeliest = Math.max(...all.map(({ logEvidence }) => logEvidence));
  const laws = all.filter(({ logEvidence }) => logEvidence > likeliest - NEGLIGIBLE);
  const each = (hourOf: (shape: Shape, amplitude: number) => number): Band =>
    bandOf(
      laws.flatMap(({ shape, mean, error, logEvidence }) =>
        AMPLITUDES.map(([away, share]) => ({
          value: hourOf(shape, Math.max(0, mean + away * error)),
          weight: share * Math.exp(logEvidence - likeliest),
        })),
      ),
    );
  const retuneAfter = (tuned: number, from: number): Band =>
    each((shape, amplitude) => Math.max(from, shape.when(shape.gone(tuned) + limit / amplitude)));
  const holds = each((shape, amplitude) => holdsFrom(shape, amplitude, hold));
  const nextRetune = retuneAfter(base, last);
  const retunes = [nextRetune];
  for (let at = nextRetune.likely; at < holds.likely && Number.isFinite(at) && retunes.length < MOST_RETUNES;) {
    const next = retuneAfter(at, at);
    retunes.push(next);
    at = next.likely;
  }
  return { nextRetune, holdsFrom: holds, retunes };
}

/** When it was last brought to pitch before reading `index`. */
const baseAfter = (readings: readonly DriftReading[], index: number) =>
  readings.slice(0, index).findLast(({ retuned }) => retuned)?.hours ?? 0;

/** The amplitude of one law and how well it explains what was read: normal noise, normal prior. */
function fit(shape: Shape, readings: readonly DriftReading[]): { mean: number; error: number; logEvidence: number } {
  const usual = DRIFT.amplitude.value;
  const priorPrecision = usual ** -2;
  const noisePrecision = DRIFT.noise.value ** -2;
  let precision = priorPrecision;
  let pull = priorPrecision * usual;
  readings.forEach(({ hours, cents }, index) => {
    if (cents === null) return;
    const moved = shape.gone(hours) - shape.gone(baseAfter(readings, index));
    precision += noisePrecision * moved ** 2;
    pull += noisePrecision * moved * -cents;
  });
  const mean = pull / precision;
  // without what all laws have: the square of what was read
  return { mean, error: precision ** -0.5, logEvidence: Math.log(shape.prior) + (pull * mean - Math.log(precision)) / 2 };
}

/** The first hour after which tuning lasts: what goes slows down all the while. */
function holdsFrom(shape: Shape, amplitude: number, hold: DriftAsked['hold']): number {
  const over = (hours: number) => amplitude * (shape.gone(hours + hold.hours) - shape.gone(hours)) - hold.cents;
  if (over(0) <= 0) return 0;
  const root = bisect(over, 0, LONGEST_HOURS, 1e-4);
  return root.kind === 'root' ? root.x : Number.POSITIVE_INFINITY;
}

/** The same for people: what lies farther ahead than a year never comes. Creep by the logarithm of time gets anywhere, if one waits for ages. */
export function withinAYear({ nextRetune, holdsFrom, retunes }: DriftForecast): DriftForecast {
  const comes = (hours: number) => (hours > LONGEST_HOURS ? Number.POSITIVE_INFINITY : hours);
  const each = ({ low, likely, high }: Band): Band => ({ low: comes(low), likely: comes(likely), high: comes(high) });
  return { nextRetune: each(nextRetune), holdsFrom: each(holdsFrom), retunes: retunes.map(each) };
}
