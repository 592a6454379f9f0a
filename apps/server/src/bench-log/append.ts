import { isDeepStrictEqual } from 'node:util';
import type { DataSource, EntityManager } from 'typeorm';
import type { AppendOutcome } from '@gold-peg/contract/bench-log';
import type { FeedMessage } from '@gold-peg/contract/endpoints';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { BenchEventRow, JobRow } from '../store/index.js';
import { projectJob } from './project.js';

/** Channel on which every server hears what any of them has committed. */
export const LOG_CHANNEL = 'bench_log';
/** Appends take turns, so that places in the log become visible in their order and nobody who reads on from a place misses one. */
const LOG_LOCK = 7_140_001;

/**
 * Appends events in one transaction, with their projections. An event already stored changes nothing; one that cannot be right is refused by
 * itself and the others are stored. Returns only after PostgreSQL has committed.
 */
export function appendToLog(store: DataSource, events: readonly BenchEvent[], personId: string | null): Promise<AppendOutcome[]> {
  return store.transaction(async (tx) => {
    await tx.query('SELECT pg_advisory_xact_lock($1)', [LOG_LOCK]);
    const outcomes: AppendOutcome[] = [];
    const touched = new Map<string, FeedMessage>();
    const jobs = new Map<string, JobRow | null>();
    const jobOf = async (id: string) => {
      if (!jobs.has(id)) jobs.set(id, await tx.findOne(JobRow, { where: { id }, relations: { instrument: true } }));
      return jobs.get(id) ?? null;
    };
    for (const event of events) {
      const outcome = await appendOne(tx, event, await jobOf(event.jobId), personId);
      outcomes.push(outcome);
      if (outcome.outcome === 'stored')
        touched.set(event.jobId, { jobId: event.jobId, instrumentId: event.instrumentId, seq: outcome.seq ?? 0 });
    }
    for (const message of touched.values()) {
      await projectJob(tx, message.jobId);
      await tx.query('SELECT pg_notify($1, $2)', [LOG_CHANNEL, JSON.stringify(message)]);
    }
    return outcomes;
  });
}

async function appendOne(tx: EntityManager, event: BenchEvent, job: JobRow | null, personId: string | null): Promise<AppendOutcome> {
  const refuse = (says: string): AppendOutcome => ({ id: event.id, outcome: 'refused', seq: null, says });
  if (personId !== null && event.personId !== personId) return refuse('personId must be the person signed in: each event bears its own');
  if (job === null) return refuse('jobId must be a job of this house');
  if (job.instrumentId !== event.instrumentId) return refuse('instrumentId must be the instrument of the job');
  const fault = stringFault(event, job.instrument.geometry.strings.length);
  if (fault !== null) return refuse(fault);
  const before = await tx.findOneBy(BenchEventRow, { id: event.id });
  if (before !== null) {
    if (!isDeepStrictEqual(before.event, event)) return refuse('id must be new: another event already has it');
    return { id: event.id, outcome: 'already-stored', seq: Number(before.seq), says: null };
  }
  const { generatedMaps } = await tx.insert(BenchEventRow, {
    id: event.id,
    jobId: event.jobId,
    personId: event.personId,
    kind: event.kind,
    event,
  });
  return { id: event.id, outcome: 'stored', seq: Number(generatedMaps[0]?.['seq']), says: null };
}

function stringFault(event: BenchEvent, stringCount: number): string | null {
  if ('string' in event && event.string > stringCount) return `string must be at most ${stringCount}: the instrument has no more`;
  if ((event.kind === 'found' || event.kind === 'measured') && (event.payload.string ?? 0) > stringCount) {
    return `payload.string must be at most ${stringCount}: the instrument has no more`;
  }
  if (event.kind === 'set-chosen' && event.payload.strings.length !== stringCount) {
    return `payload.strings must have ${stringCount} entries, one for each string of the instrument`;
  }
  if (event.kind === 'set-chosen' && event.payload.tuning !== undefined && event.payload.tuning.notes.length !== stringCount) {
    return `payload.tuning.notes must have ${stringCount} entries, one for each string of the instrument`;
  }
  return null;
}
