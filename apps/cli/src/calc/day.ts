import type { Answer, Question } from '@gold-peg/contract/calc';
import { insertJob, nextOf, planDay, promises, rackFault, replanDay, type Planned } from '@gold-peg/craft/day';
import { done, refused, type Outcome } from '@gold-peg/craft/outcome';
import type { Fault } from './fault.js';

export function answerDay(question: Question<'day'>): Outcome<Answer<'day'>, Fault> {
  const { seed, timeLimitMs, iterations, now, people, jobs, done: over, started, pinned } = question;
  const rack = { now, people, jobs, done: over, started, pinned };
  const fault = rackFault(rack) ?? (question.wish === 'insert' ? askedFault(question) : null);
  if (fault !== null) return refused(fault);
  const begun = performance.now();
  const time = { seed, iterations: iterations ?? null, goesOn: () => performance.now() - begun < timeLimitMs };
  const halves = () => {
    const from = performance.now();
    return () => performance.now() - from < timeLimitMs / 2;
  };
  switch (question.wish) {
    case 'plan':
      return done(told(planDay(rack, time)));
    case 'replan': {
      const plan = replanDay(rack, question.inForce, time);
      return done({ ...told(plan, plan.objective.moved), moved: [...plan.moved] });
    }
    case 'promise': {
      const plan = planDay(rack, time, question.inForce);
      return done({ ...told(plan), promises: promises(rack, plan, { draws: question.draws, seed }), draws: question.draws });
    }
    case 'insert': {
      const { operations, wanted, ...rest } = insertJob(rack, question.job, {
        ...time,
        clock: halves,
        draws: question.draws,
        inForce: question.inForce,
      });
      return done({ ...rest, operations: [...operations], wanted: wanted === null ? null : { ...wanted, late: [...wanted.late] } });
    }
    case 'next': {
      const { people: atHand, waiting, ...rest } = nextOf(rack, planDay(rack, time, question.inForce));
      return done({ ...rest, people: [...atHand], waiting: [...waiting] });
    }
  }
}

const askedFault = ({ job, jobs, people }: Extract<Question<'day'>, { wish: 'insert' }>): Fault | null => {
  const fault = rackFault({ now: 0, people, jobs: [...jobs, { ...job, due: 0 }], done: [], started: [], pinned: [] });
  return fault === null ? null : { ...fault, field: fault.field.replace(`jobs[${jobs.length}]`, 'job') };
};

/** `moved` is told where something was in force. */
const told = (
  { operations, unplanned, reasons, objective: { late, tardiness, flow }, bound, proved, iterations }: Planned,
  moved?: number,
) => ({
  operations: [...operations],
  unplanned: [...unplanned],
  reasons,
  objective: { late, tardiness, ...(moved === undefined ? {} : { moved }), flow },
  bound,
  proved,
  iterations,
});
