import { isDeepStrictEqual } from 'node:util';
import { In, Not, type DataSource, type EntityManager } from 'typeorm';
import type { AppendOutcome } from '@gold-peg/contract/bench-log';
import type { FeedMessage } from '@gold-peg/contract/endpoints';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { holdInstrument } from '../jobs/open-job.js';
import { BenchEventRow, JobRow } from '../store/index.js';
import { projectJob } from './project.js';

/** Channel on which every server hears what any of them has committed. */
export const LOG_CHANNEL = 'bench_log';
/** Appends take turns, so that places in the log become visible in their order and nobody who reads on from a place misses one. */
const LOG_LOCK = 7_140_001;

/** Waits for the turn of this transaction at the log. */
export const takeTurnAtLog = (tx: EntityManager) => tx.query('SELECT pg_advisory_xact_lock($1)', [LOG_LOCK]);

/** A device may be a day ahead, for want of a time zone; it may be behind as long as it was away. */
const A_DAY_MS = 24 * 3_600_000;

/** What stands in the database when a batch comes: read at once, however many events there are. */
interface Known {
  jobs: ReadonlyMap<string, JobRow>;
  events: Map<string, { event: object; seq: number | null }>;
}

/**
 * Appends events in one transaction, with their projections. An event already stored changes nothing; one that cannot be right is refused by
 * itself and the others are stored. Returns only after PostgreSQL has committed.
 */
export function appendToLog(store: DataSource, events: readonly BenchEvent[], personId: string | null): Promise<AppendOutcome[]> {
  return store.transaction(async (tx) => {
    await takeTurnAtLog(tx);
    const known = await readKnown(tx, events);
    const fresh: BenchEvent[] = [];
    const outcomes: AppendOutcome[] = [];
    for (const event of events) {
      const before = known.events.get(event.id);
      const says = before === undefined ? await faultOf(tx, event, known, personId) : whyTaken(before.event, event);
      const outcome = says !== null ? 'refused' : before === undefined ? 'stored' : 'already-stored';
      outcomes.push({ id: event.id, outcome, seq: before?.seq ?? null, says });
      if (outcome !== 'stored') continue;
      fresh.push(event);
      known.events.set(event.id, { event, seq: null });
    }
    const seqs = await insertAll(tx, fresh);
    await tellAndProject(tx, fresh, seqs, known.jobs);
    return outcomes.map((each) => (each.outcome === 'refused' ? { ...each, seq: null } : { ...each, seq: seqs.get(each.id) ?? each.seq }));
  });
}

async function readKnown(tx: EntityManager, events: readonly BenchEvent[]): Promise<Known> {
  const jobs = await tx.find(JobRow, {
    where: { id: In([...new Set(events.map(({ jobId }) => jobId))]) },
    relations: { instrument: true },
  });
  const stored = await tx.findBy(BenchEventRow, { id: In(events.map(({ id }) => id)) });
  return {
    jobs: new Map(jobs.map((job) => [job.id, job])),
    events: new Map(stored.map(({ id, event, seq }) => [id, { event, seq: Number(seq) }])),
  };
}

const whyTaken = (before: object, event: BenchEvent): string | null =>
  isDeepStrictEqual(before, event) ? null : 'id must be new: another event already has it';

/** Why an event cannot be stored, in one sentence; null where it can. */
async function faultOf(tx: EntityManager, event: BenchEvent, { jobs }: Known, personId: string | null): Promise<string | null> {
  if (personId !== null && event.personId !== personId) return 'personId must be the person signed in: each event bears its own';
  const job = jobs.get(event.jobId);
  if (job === undefined) return 'jobId must be a job of this house';
  if (Date.parse(event.at) > Date.now() + A_DAY_MS) return 'at must not be more than a day ahead: set the clock of the device right';
  if (job.instrumentId !== event.instrumentId) return 'instrumentId must be the instrument of the job';
  if (event.kind === 'undone' && job.state === 'handed-over' && (await opensAgain(tx, event.payload.eventId))) {
    await holdInstrument(tx, job.instrumentId);
    const other = await tx.existsBy(JobRow, { instrumentId: job.instrumentId, state: Not('handed-over'), id: Not(job.id) });
    if (other) return 'payload.eventId must not be this hand-over: the instrument was taken in again since, and has one open job at a time';
  }
  return stringFault(event, job.instrument.geometry.strings.length);
}

const opensAgain = (tx: EntityManager, eventId: string) => tx.existsBy(BenchEventRow, { id: eventId, kind: 'handed-over' });

async function insertAll(tx: EntityManager, events: readonly BenchEvent[]): Promise<Map<string, number>> {
  if (events.length === 0) return new Map();
  const rows = events.map((event) => ({ id: event.id, jobId: event.jobId, personId: event.personId, kind: event.kind, event }));
  const { generatedMaps } = await tx.insert(BenchEventRow, rows);
  return new Map(events.map(({ id }, index) => [id, Number(generatedMaps[index]?.['seq'])]));
}

async function tellAndProject(
  tx: EntityManager,
  events: readonly BenchEvent[],
  seqs: ReadonlyMap<string, number>,
  jobs: Known['jobs'],
): Promise<void> {
  const touched = new Map<string, FeedMessage>();
  for (const { id, jobId, instrumentId } of events) touched.set(jobId, { jobId, instrumentId, seq: seqs.get(id) ?? 0 });
  for (const message of touched.values()) {
    const news = events.filter(({ jobId }) => jobId === message.jobId).map(({ kind }) => kind);
    const job = jobs.get(message.jobId);
    if (job !== undefined) await projectJob(tx, job, news); // without it no event of it was stored
    await tx.query('SELECT pg_notify($1, $2)', [LOG_CHANNEL, JSON.stringify(message)]);
  }
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
