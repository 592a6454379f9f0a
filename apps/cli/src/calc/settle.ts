import type { Answer, Question } from '@gold-peg/contract/calc';
import { done, type Outcome } from '@gold-peg/craft/outcome';
import { forecastDrift, judgeRounds, type Band } from '@gold-peg/craft/settle';
import { cents } from '@gold-peg/craft/units';
import type { Fault } from './fault.js';

export function answerSettle({ dropsCents, toleranceCents }: Question<'settle'>): Outcome<Answer<'settle'>, Fault> {
  const judged = judgeRounds({ drops: dropsCents.map(cents), tolerance: cents(toleranceCents) });
  const { slipProbability, verdict, roundsLeft, nextDrop } = judged;
  return done({ slipProbability, verdict, roundsLeft: orNever(roundsLeft), nextDropCents: orNever(nextDrop) });
}

export function answerDrift({ readings, limitCents, holdCents, holdHours }: Question<'drift'>): Outcome<Answer<'drift'>, Fault> {
  const { nextRetune, holdsFrom } = forecastDrift({
    readings: readings.map((reading) => ({ ...reading, cents: cents(reading.cents) })),
    limit: cents(limitCents),
    hold: { cents: cents(holdCents), hours: holdHours },
  });
  return done({ nextRetuneHours: orNever(nextRetune), holdsFromHours: orNever(holdsFrom) });
}

/** JSON knows no infinity: null is never. */
const orNever = ({ low, likely, high }: Band): { low: number | null; likely: number | null; high: number | null } => {
  const finite = (value: number) => (Number.isFinite(value) ? value : null);
  return { low: finite(low), likely: finite(likely), high: finite(high) };
};
