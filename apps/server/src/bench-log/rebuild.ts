import type { DataSource, EntityManager } from 'typeorm';
import { ProjectionTaskRow, THE_TASK } from '../store/index.js';
import { takeTurnAtLog } from './append.js';
import { headsAfter, headsOfInstrument } from './job-heads.js';
import { projectJob, sheetOf } from './project.js';

/** Jobs that are folded in one transaction: between two of them, those who append have their turn. */
const BATCH = 50;

/** Asks for all projections to be made again from the log, from the first job on. */
export async function askForRebuild(store: DataSource): Promise<void> {
  await store.getRepository(ProjectionTaskRow).save({ id: THE_TASK, askedAt: new Date(), doneTo: null });
}

/**
 * Makes projections again where that was asked for, beside whatever is appended meanwhile, and goes on after a break where it stopped. Several servers may do it
 * together. Returns how many jobs this one folded.
 */
export async function rebuildWhereAsked(store: DataSource, batch = BATCH): Promise<number> {
  let folded = 0;
  for (;;) {
    const now = await foldSome(store, batch);
    if (now === null) return folded;
    folded += now;
  }
}

/** Null where nothing is left to do. */
function foldSome(store: DataSource, batch: number): Promise<number | null> {
  return store.transaction(async (tx) => {
    await takeTurnAtLog(tx);
    const task = await tx.findOneBy(ProjectionTaskRow, { id: THE_TASK });
    if (task === null) return null;
    const jobs = await headsAfter(tx, task.doneTo, batch);
    for (const job of jobs) await projectJob(tx, job, await sheetOf(tx, job));
    const last = jobs.at(-1);
    if (last === undefined) await tx.delete(ProjectionTaskRow, { id: THE_TASK });
    else await tx.update(ProjectionTaskRow, { id: THE_TASK }, { doneTo: last.id });
    return jobs.length;
  });
}

/** Makes the projections of one instrument again from the logs of all its jobs, in the transaction that changed which those are. */
export async function projectAgain(tx: EntityManager, instrumentId: string): Promise<void> {
  for (const job of await headsOfInstrument(tx, instrumentId)) await projectJob(tx, job, await sheetOf(tx, job));
}
