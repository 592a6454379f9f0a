import { isDeepStrictEqual } from 'node:util';
import { Not, type DataSource, type EntityManager } from 'typeorm';
import { EVENT_KINDS, readEvent, type AppendOutcome } from '@gold-peg/contract/bench-log';
import { foldWorksheet, type BenchEvent } from '@gold-peg/craft/worksheet';

import { holdInstrument, JobRow } from '../store/index.js';
import { jobsWithLogs, type JobWithLog } from './job-heads.js';
import { projectJob } from './project.js';

/** Channel on which every server hears what any of them has committed. */
export const LOG_CHANNEL = 'bench_log';
/** Appends take turns, so that places in the log become visible in their order and nobody who reads on from a place misses one. */
const LOG_LOCK = 7_140_001;

/** Waits for the turn of this transaction at the log. */
export const takeTurnAtLog = (tx: EntityManager) => tx.query('SELECT pg_advisory_xact_lock($1)', [LOG_LOCK]);

/** A device may be a day ahead, for want of a time zone; it may be behind as long as it was away. */
const A_DAY_MS = 24 * 3_600_000;

/** The jobs that a batch is about, by id. */
type Jobs = ReadonlyMap<string, JobWithLog>;

const ANOTHER_HAS_IT = 'id must be new: another event already has it';

/**
 * Appends events in one transaction, with their projections. An event already stored changes nothing; one that cannot be right is refused by
 * itself and the others are stored. Returns only after PostgreSQL has committed.
 */
export function appendToLog(store: DataSource, events: readonly BenchEvent[], personId: string | null): Promise<AppendOutcome[]> {
  return store.transaction(async (tx) => {
    await takeTurnAtLog(tx);
    const jobs = new Map((await jobsWithLogs(tx, [...new Set(events.map(({ jobId }) => jobId))])).map((job) => [job.id, job]));
    const known = new Map([...jobs.values()].flatMap(({ log }) => log.map((each) => [(each.event as BenchEvent).id, each])));
    const fresh = new Map<string, BenchEvent>();
    const outcomes: AppendOutcome[] = [];
    for (const event of events) {
      const before = fresh.get(event.id) ?? known.get(event.id)?.event;
      const says = before === undefined ? await faultOf(tx, event, jobs, personId) : whyTaken(before, event);
      const outcome = says !== null ? 'refused' : before === undefined ? 'stored' : 'already-stored';
      outcomes.push({ id: event.id, outcome, seq: null, says });
      if (outcome === 'stored') fresh.set(event.id, event);
    }
    const seqs = await insertAndTell(tx, [...fresh.values()]);
    const stored = [...fresh.values()].filter(({ id }) => seqs.has(id));
    await projectAll(tx, jobs, stored);
    return outcomes.map((each) => withPlace(each, seqs.get(each.id) ?? known.get(each.id)?.seq ?? null));
  });
}

/** An event that is stored nowhere of these jobs, and yet could not be: its id is that of an event of another job. */
function withPlace(outcome: AppendOutcome, seq: number | null): AppendOutcome {
  if (outcome.outcome === 'refused') return outcome;
  return seq === null ? { ...outcome, outcome: 'refused', says: ANOTHER_HAS_IT } : { ...outcome, seq };
}

const whyTaken = (before: object, event: BenchEvent): string | null => (isDeepStrictEqual(before, event) ? null : ANOTHER_HAS_IT);

/** Why an event cannot be stored, in one sentence; null where it can. */
async function faultOf(tx: EntityManager, event: BenchEvent, jobs: Jobs, personId: string | null): Promise<string | null> {
  if (personId !== null && event.personId !== personId) return 'personId must be the person signed in: each event bears its own';
  const job = jobs.get(event.jobId);
  if (job === undefined) return 'jobId must be a job of this house';
  if (Date.parse(event.at) > Date.now() + A_DAY_MS) return 'at must not be more than a day ahead: set the clock of the device right';
  if (job.instrumentId !== event.instrumentId) return 'instrumentId must be the instrument of the job';
  if (event.kind === 'undone' && job.state === 'handed-over' && opensAgain(job, event.payload.eventId)) {
    await holdInstrument(tx, job.instrumentId);
    const other = await tx.existsBy(JobRow, { instrumentId: job.instrumentId, state: Not('handed-over'), id: Not(job.id) });
    if (other) return 'payload.eventId must not be this hand-over: the instrument was taken in again since, and has one open job at a time';
  }
  return stringFault(event, job.stringCount);
}

const opensAgain = ({ log }: JobWithLog, eventId: string) =>
  log.some(({ event }) => (event as BenchEvent).id === eventId && (event as BenchEvent).kind === 'handed-over');

/** Stores events in their order and tells every server of each job that was touched, at the commit. Returns the places of those that are new. */
async function insertAndTell(tx: EntityManager, events: readonly BenchEvent[]): Promise<ReadonlyMap<string, number>> {
  if (events.length === 0) return new Map();
  const rows: { id: string; seq: string }[] = await tx.query(
    `WITH stored AS (
       INSERT INTO bench_event (id, job_id, person_id, kind, event)
       SELECT (event->>'id')::uuid, (event->>'jobId')::uuid, (event->>'personId')::uuid, event->>'kind', event
       FROM jsonb_array_elements($1::jsonb) WITH ORDINALITY AS batch (event, nth) ORDER BY nth
       ON CONFLICT (id) DO NOTHING RETURNING id, seq, job_id, event->>'instrumentId' AS instrument_id
     ), told AS (
       SELECT pg_notify($2, json_build_object('jobId', job_id, 'instrumentId', instrument_id, 'seq', max(seq))::text)
       FROM stored GROUP BY job_id, instrument_id
     )
     SELECT id, seq, (SELECT count(*) FROM told) FROM stored`, // what nobody asks for is not told
    [JSON.stringify(events), LOG_CHANNEL],
  );
  return new Map(rows.map(({ id, seq }) => [id, Number(seq)]));
}

async function projectAll(tx: EntityManager, jobs: Jobs, stored: readonly BenchEvent[]): Promise<void> {
  for (const job of jobs.values()) {
    const news = stored.filter(({ jobId }) => jobId === job.id);
    if (news.length === 0) continue;
    const before = job.log.flatMap(({ event }) => readEvent(event, EVENT_KINDS) ?? []);
    const sheet = foldWorksheet(job.stringCount, [...before, ...news], job.balances);
    await projectJob(
      tx,
      job,
      sheet,
      news.map(({ kind }) => kind),
    );
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
