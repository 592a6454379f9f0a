import { LessThan, MoreThan, type EntityManager } from 'typeorm';
import { currentStage, foldWorksheet, setupOf, type BenchEventKind, type Worksheet } from '@gold-peg/craft/worksheet';
import { projectDue } from '../register/index.js';
import { projectUse } from '../stock/index.js';
import { CurrentStringRow, isSame, JobRow, PersonRow, SetupRow } from '../store/index.js';
import { headOf, type JobHead } from './job-heads.js';
import { projectCounts } from './project-counts.js';
import { projectTimes } from './project-times.js';
import { readEvents } from './read-events.js';

/** Kinds that change what a job takes from the shelf, and what was counted on its posts. */
const OF_THE_SHELF: ReadonlySet<string> = new Set(['set-chosen', 'laid-out', 'wound', 'scrapped', 'handed-over', 'undone']);
const OF_THE_POSTS: ReadonlySet<string> = new Set(['turns-counted', 'wound', 'scrapped', 'undone']);

/**
 * Writes what the log says about one job: its state, the setup it left, and the current strings of its instrument. `news`: kinds that were just added, where
 * all before them was written already; what they cannot change is left alone.
 */
export async function projectJob(tx: EntityManager, job: JobHead, sheet: Worksheet, news?: readonly BenchEventKind[]): Promise<void> {
  const now = { state: stateOf(sheet), stage: currentStage(sheet), setName: sheet.chosen?.payload.name ?? null };
  if (!isSame(job, now)) await tx.update(JobRow, { id: job.id }, now);
  const touches = (kinds: ReadonlySet<string>) => news === undefined || news.some((kind) => kinds.has(kind));
  if (touches(OF_THE_SHELF)) await projectUse(tx, job.id, sheet);
  if (touches(OF_THE_POSTS)) await projectCounts(tx, job.id, sheet);
  // a job that lies on the bench, and did so before, has left nothing yet
  if (news !== undefined && now.state !== 'handed-over' && job.state !== 'handed-over') return;
  await projectSetup(tx, job, sheet);
  await projectTimes(tx, job, sheet);
  await projectCurrentStrings(tx, job.instrumentId);
  await projectDue(tx, job.instrumentId);
}

/** The worksheet of a job, from its whole log. */
export async function sheetOf(tx: EntityManager, job: JobHead): Promise<Worksheet> {
  const log = (await readEvents(tx, job.id, 0)).map(({ event }) => event);
  return foldWorksheet(job.stringCount, log, job.balances);
}

function stateOf(sheet: Worksheet): JobRow['state'] {
  if (sheet.handedOver !== null) return 'handed-over';
  return sheet.standing.length > 0 ? 'on-bench' : 'waiting';
}

/** What the job left on its instrument; where it replaced some strings only, the others as they were before, and so on in the setups after it. */
async function projectSetup(tx: EntityManager, job: Pick<JobHead, 'id' | 'instrumentId'>, sheet: Worksheet): Promise<void> {
  const { instrumentId } = job;
  const at = new Date(sheet.handedOver?.at ?? 0);
  const known = await tx.findOneBy(SetupRow, { jobId: job.id });
  const before = await tx.findOne(SetupRow, { where: { instrumentId, fittedAt: LessThan(at) }, order: { fittedAt: 'DESC' } });
  const setup = setupOf(sheet, before?.setup ?? null);
  if (setup === null) await tx.delete(SetupRow, { jobId: job.id });
  else {
    const person = await tx.findOneByOrFail(PersonRow, { id: sheet.handedOver?.personId ?? '' });
    await tx.save(SetupRow, { jobId: job.id, instrumentId, fittedAt: at, setup: { jobId: job.id, fittedBy: person.name, ...setup } });
  }
  const from = setup === null ? known?.fittedAt : at;
  if (from === undefined) return;
  const after = await tx.findOne(SetupRow, { where: { instrumentId, fittedAt: MoreThan(from) }, order: { fittedAt: 'ASC' } });
  if (after?.setup.only === undefined) return;
  const next = await headOf(tx, after.jobId);
  await projectSetup(tx, next, await sheetOf(tx, next));
}

/** The strings of the latest setup that still stands. */
async function projectCurrentStrings(tx: EntityManager, instrumentId: string): Promise<void> {
  const latest = await tx.findOne(SetupRow, { where: { instrumentId }, order: { fittedAt: 'DESC' } });
  await tx.delete(CurrentStringRow, { instrumentId });
  const rows = (latest?.setup.strings ?? []).map(({ string, construction, gaugeMm, wrap }) => ({
    instrumentId,
    string,
    jobId: latest?.jobId ?? '',
    construction,
    gaugeMm,
    wrap: wrap ?? null,
  }));
  await tx.insert(CurrentStringRow, rows);
}
