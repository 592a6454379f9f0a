import type { Answer, Question } from '@gold-peg/contract/calc';
import { planDay, rackFault } from '@gold-peg/craft/day';
import { done, refused, type Outcome } from '@gold-peg/craft/outcome';
import type { Fault } from './fault.js';

export function answerDay({ seed, timeLimitMs, iterations, wish: _wish, ...rack }: Question<'day'>): Outcome<Answer<'day'>, Fault> {
  const fault = rackFault(rack);
  if (fault !== null) return refused(fault);
  const until = performance.now() + timeLimitMs;
  const { operations, unplanned, ...plan } = planDay(rack, {
    seed,
    iterations: iterations ?? null,
    goesOn: () => performance.now() < until,
  });
  return done({ operations: [...operations], unplanned: [...unplanned], ...plan });
}
