import { IsNull, Not } from 'typeorm';
import type { JobSummary, WorksheetFile } from '@gold-peg/contract/jobs';
import { MOST_EVENTS_READ } from '@gold-peg/contract/endpoints';
import type { InstrumentSummary } from '@gold-peg/contract/register';
import { learnedMinutes } from '@gold-peg/craft/day';
import { countsFor, readEvents, timesFor } from '../bench-log/index.js';
import { readHouse } from '../house/index.js';
import { type Handler, Refusal, refuseField, signedIn } from '../handling/index.js';
import { readPassport, summariesOf } from '../register/index.js';
import { addOnce, holdInstrument, InstrumentRow, isSame, JobRow, openJobOf } from '../store/index.js';
import type { DataSource } from 'typeorm';

type LearnedMinutes = ReturnType<typeof learnedMinutes>;

export const listJobs: Handler<'listJobs'> = async (asked) => {
  const { store } = asked;
  const rows = await store.getRepository(JobRow).find({
    where: { state: Not('handed-over') },
    order: { promisedAt: { direction: 'ASC', nulls: 'LAST' }, takenInAt: 'ASC' },
  });
  return toSummaries(store, rows, signedIn(asked).id);
};

export const takeIn: Handler<'takeIn'> = async (asked) => {
  const { store, body, now } = asked;
  const known = await store.getRepository(InstrumentRow).existsBy({ id: body.instrumentId, archivedAt: IsNull() });
  if (!known) throw refuseField('instrumentId', 'must be an instrument in the register');
  const draft = { ...body, promisedAt: body.promisedAt === null ? null : new Date(body.promisedAt) };
  const inTheWay = await store.transaction(async (tx) => {
    await holdInstrument(tx, body.instrumentId);
    const added = await addOnce(tx, JobRow, { ...draft, takenInAt: now, state: 'waiting', stage: 'choose', setName: null });
    return added ? null : ((await tx.findOneBy(JobRow, { id: body.id })) ?? (await openJobOf(tx, body.instrumentId)));
  });
  const personId = signedIn(asked).id;
  if (inTheWay !== null && !isSame(inTheWay, draft)) {
    const current = await oneSummary(store, inTheWay.id, personId);
    throw new Refusal('taken', 'This instrument is already waiting or on the bench.', { current });
  }
  return oneSummary(store, body.id, personId);
};

/** Another hour that was agreed on: that the first one was not kept stays known. */
export const movePromise: Handler<'movePromise'> = async (asked) => {
  const { store, params, body } = asked;
  const personId = signedIn(asked).id;
  const promisedAt = new Date(body.promisedAt);
  await store.transaction(async (tx) => {
    const row = await tx.findOne(JobRow, { where: { id: params.id }, lock: { mode: 'pessimistic_write' } });
    if (row === null) throw new Refusal('unknown', 'There is no job with that id.');
    if (row.state === 'handed-over') throw refuseField('promisedAt', 'must be of a job that is not handed over yet');
    if (row.promisedAt?.getTime() === promisedAt.getTime()) return;
    if ((row.promisedAt?.toISOString() ?? null) !== (body.from === null ? null : new Date(body.from).toISOString()))
      throw new Refusal('stale', 'Somebody agreed on another hour meanwhile: look at it again.', {
        current: { promisedAt: row.promisedAt },
      });
    const { promisedChance, plannedChance } = body;
    await tx.update(
      JobRow,
      { id: row.id },
      { promisedAt, promisedChance, plannedChance, promiseMoved: row.promiseMoved || row.promisedAt !== null },
    );
  });
  return oneSummary(store, params.id, personId);
};

export const worksheet: Handler<'worksheet'> = (asked) =>
  openWorksheet(asked.store, asked.params.id, signedIn(asked).id, { after: asked.query.after, most: MOST_EVENTS_READ });

interface Part {
  /** Place in the log after which its events are wanted. */
  after: number;
  most?: number;
}

/** All that a bench needs of one job, for one person. @throws Refusal where there is no such job. */
export async function openWorksheet(
  store: DataSource,
  id: string,
  personId: string,
  { after, most }: Part = { after: 0 },
): Promise<WorksheetFile> {
  const row = await readJob(store, id);
  const [passport, events, { methods, version }, people, evidence] = await Promise.all([
    readPassport(store, row.instrumentId),
    readEvents(store, row.id, after, most),
    readHouse(store),
    store.query<{ id: string; name: string }[]>(
      'SELECT id, name FROM person WHERE id = $1 OR id IN (SELECT person_id FROM bench_event WHERE job_id = $2)',
      [personId, row.id],
    ),
    countsFor(store, row.instrumentId, personId),
  ]);
  const times = await timesFor(store, personId, [passport.family]);
  const job = summaryOf(row, passport, learnedMinutes(times, personId, passport.family, passport.stringCount));
  const more = events.length === most;
  return { job, passport, events, more, people, house: methods, houseVersion: version, evidence, times };
}

async function readJob(store: DataSource, id: string): Promise<JobRow> {
  const row = await store.getRepository(JobRow).findOneBy({ id });
  if (row === null) throw new Refusal('unknown', 'There is no job with that id.');
  return row;
}

async function oneSummary(store: DataSource, id: string, personId: string): Promise<JobSummary> {
  const [summary] = await toSummaries(store, [await readJob(store, id)], personId);
  if (summary === undefined) throw new TypeError('one row gives one summary');
  return summary;
}

async function toSummaries(store: DataSource, rows: readonly JobRow[], personId: string): Promise<JobSummary[]> {
  const instruments = await summariesOf(
    store,
    rows.map(({ instrumentId }) => instrumentId),
  );
  const families = [...new Set([...instruments.values()].map(({ family }) => family))];
  const times = await timesFor(store, personId, families);
  const paces = new Map<string, LearnedMinutes>();
  const paceOf = ({ family, stringCount }: Pick<InstrumentSummary, 'family' | 'stringCount'>) => {
    const key = `${family} ${stringCount}`;
    const pace = paces.get(key) ?? learnedMinutes(times, personId, family, stringCount);
    paces.set(key, pace);
    return pace;
  };
  return rows.flatMap((row) => {
    const instrument = instruments.get(row.instrumentId);
    return instrument === undefined ? [] : summaryOf(row, instrument, paceOf(instrument));
  });
}

const summaryOf = (row: JobRow, instrument: InstrumentSummary, learned: LearnedMinutes): JobSummary => ({
  id: row.id,
  state: row.state,
  stage: row.stage,
  reason: row.reason,
  takenInAt: row.takenInAt.toISOString(),
  promisedAt: row.promisedAt?.toISOString() ?? null,
  setName: row.setName,
  attendedMinutes: learned.attendedMinutes,
  learnedFrom: learned.jobs,
  instrument,
});
