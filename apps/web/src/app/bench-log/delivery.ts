import { ServerProblem } from '../server/server-problem';
import type { LocalEvent } from './bench-database';

/** What became of events, by id. */
export type Settled = ReadonlyMap<string, Pick<LocalEvent, 'state' | 'says'>>;

/** Answers that say something of the events themselves, and would be the same tomorrow. */
const ABOUT_THE_EVENTS = new Set(['invalid', 'malformed', 'too-large', 'not-allowed', 'unknown', 'failed']);
/** A server that fails at one event so often, alone, will not keep it. */
const MOST_FAILURES = 3;

/**
 * Delivers a batch, and one by one where the server will not have it whole: an event that cannot be kept is set aside with the reason, and holds up no other.
 * `failures`: how often the server failed at an event, so far; kept up to date. `goOn`: whether there is sense in sending more.
 */
export async function delivery(
  batch: readonly LocalEvent[],
  deliver: (events: readonly LocalEvent[]) => Promise<Settled>,
  failures: Map<string, number>,
): Promise<{ settled: Settled; goOn: boolean }> {
  try {
    return { settled: await deliver(batch), goOn: true };
  } catch (error) {
    if (!isAboutEvents(error)) return { settled: new Map(), goOn: false }; // it passes: the events wait, and the timer tries again
    return batch.length === 1 ? alone(batch, error, failures, false) : oneByOne(batch, deliver, failures);
  }
}

async function oneByOne(
  batch: readonly LocalEvent[],
  deliver: (events: readonly LocalEvent[]) => Promise<Settled>,
  failures: Map<string, number>,
): Promise<{ settled: Settled; goOn: boolean }> {
  const settled = new Map<string, Pick<LocalEvent, 'state' | 'says'>>();
  const failed: { local: LocalEvent; error: ServerProblem }[] = [];
  for (const local of batch) {
    try {
      for (const [id, outcome] of await deliver([local])) settled.set(id, outcome);
    } catch (error) {
      if (!isAboutEvents(error)) return { settled, goOn: false };
      failed.push({ local, error });
    }
  }
  // a server that kept others is well: what it failed at is the event's
  const others = settled.size > 0;
  let goOn = true;
  for (const { local, error } of failed) {
    const outcome = alone([local], error, failures, others);
    for (const [id, each] of outcome.settled) settled.set(id, each);
    goOn &&= outcome.goOn;
  }
  return { settled, goOn };
}

/** One event that was refused by itself. A server that only failed may be well again soon, unless it kept others meanwhile. */
function alone([local]: readonly LocalEvent[], error: ServerProblem, failures: Map<string, number>, others: boolean) {
  if (local === undefined) return { settled: new Map(), goOn: true };
  const times = (failures.get(local.id) ?? 0) + 1;
  failures.set(local.id, times);
  if (error.kind === 'failed' && !others && times < MOST_FAILURES) return { settled: new Map(), goOn: false };
  return { settled: new Map([[local.id, { state: 'refused' as const, says: error.problem.detail }]]), goOn: true };
}

const isAboutEvents = (error: unknown): error is ServerProblem =>
  error instanceof ServerProblem && !error.away && ABOUT_THE_EVENTS.has(error.kind);
