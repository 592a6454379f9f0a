import type { Job, Operation } from './model.js';

/** A piece of work in a rack, with the job that it is of and the piece before it in that. */
export interface Piece {
  job: Job;
  operation: Operation;
  before: Operation | null;
}

/** A piece by its names; null where the rack has none that is called so. */
export function pieceOf(jobs: readonly Job[], named: { job: string; operation: string }): Piece | null {
  const job = jobs.find(({ id }) => id === named.job);
  if (job === undefined) return null;
  const at = job.operations.findIndex(({ id }) => id === named.operation);
  const operation = job.operations[at];
  return operation === undefined ? null : { job, operation, before: job.operations[at - 1] ?? null };
}
