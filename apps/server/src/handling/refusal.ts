import { problem, type Problem, type ProblemType } from '@gold-peg/contract/problems';

/** Thrown by a handler to answer with a problem; the one place that catches it is the problem door. */
export class Refusal extends Error {
  readonly problem: Problem;

  constructor(kind: ProblemType, detail: string, extra: { fields?: { field: string; says: string }[]; current?: unknown } = {}) {
    super(detail);
    this.problem = { ...problem(kind, detail, extra.fields), ...(extra.current === undefined ? {} : { current: extra.current }) };
  }
}

/** One field of what was asked for cannot be so. */
export const refuseField = (field: string, says: string) => new Refusal('invalid', `${field} ${says}`, { fields: [{ field, says }] });
