import { In, Not } from 'typeorm';
import type { JobSummary, WorksheetFile } from '@gold-peg/contract/jobs';
import { learnedMinutes } from '@gold-peg/craft/day';
import { countsFor } from '../bench-log/project-counts.js';
import { timesFor } from '../bench-log/project-times.js';
import { readEvents } from '../bench-log/read-events.js';
import { readHouse } from '../house/routes.js';
import { signedIn, type Handler } from '../http/handler.js';
import { Refusal } from '../http/refusal.js';
import { holdInstrument, openJobOf } from './open-job.js';
import { readPassport, summaries } from '../register/instrument.js';
import { addOnce, InstrumentRow, isSame, JobRow, PersonRow } from '../store/index.js';
import type { DataSource } from 'typeorm';

const WITH_INSTRUMENT = { instrument: { owner: true } };

export const listJobs: Handler<'listJobs'> = async (asked) => {
  const { store } = asked;
  const rows = await store.getRepository(JobRow).find({
    where: { state: Not('handed-over') },
    relations: WITH_INSTRUMENT,
    order: { promisedAt: { direction: 'ASC', nulls: 'LAST' }, takenInAt: 'ASC' },
  });
  return toSummaries(store, rows, signedIn(asked).id);
};

export const takeIn: Handler<'takeIn'> = async (asked) => {
  const { store, body } = asked;
  const known = await store.getRepository(InstrumentRow).existsBy({ id: body.instrumentId });
  if (!known)
    throw new Refusal('invalid', 'instrumentId must be an instrument in the register', {
      fields: [{ field: 'instrumentId', says: 'must be an instrument in the register' }],
    });
  const draft = { ...body, promisedAt: body.promisedAt === null ? null : new Date(body.promisedAt) };
  const inTheWay = await store.transaction(async (tx) => {
    await holdInstrument(tx, body.instrumentId);
    const added = await addOnce(tx, JobRow, { ...draft, takenInAt: new Date(), state: 'waiting', stage: 'choose', setName: null });
    return added ? null : ((await tx.findOneBy(JobRow, { id: body.id })) ?? (await openJobOf(tx, body.instrumentId)));
  });
  const personId = signedIn(asked).id;
  if (inTheWay !== null && !isSame(inTheWay, draft)) {
    const { summary: current } = await readJob(store, inTheWay.id, personId);
    throw new Refusal('taken', 'This instrument is already waiting or on the bench.', { current });
  }
  return (await readJob(store, body.id, personId)).summary;
};

export const worksheet: Handler<'worksheet'> = (asked) => openWorksheet(asked.store, asked.params.id, signedIn(asked).id);

/** All that a bench needs of one job, for one person. @throws Refusal where there is no such job. */
export async function openWorksheet(store: DataSource, id: string, personId: string): Promise<WorksheetFile> {
  const { row, summary } = await readJob(store, id, personId);
  const events = await readEvents(store, row.id, 0);
  const { methods, version } = await readHouse(store);
  const people = await store.getRepository(PersonRow).findBy({ id: In([personId, ...events.map(({ event }) => event.personId)]) });
  return {
    job: summary,
    passport: await readPassport(store, { id: row.instrumentId }),
    events,
    people: people.map((person) => ({ id: person.id, name: person.name })),
    house: methods,
    houseVersion: version,
    evidence: await countsFor(store, row.instrumentId, personId),
    times: await timesFor(store, personId, [row.instrument.geometry.family]),
  };
}

async function readJob(store: DataSource, id: string, personId: string): Promise<{ row: JobRow; summary: JobSummary }> {
  const row = await store.getRepository(JobRow).findOne({ where: { id }, relations: WITH_INSTRUMENT });
  if (row === null) throw new Refusal('unknown', 'There is no job with that id.');
  const [summary] = await toSummaries(store, [row], personId);
  if (summary === undefined) throw new TypeError('one row gives one summary');
  return { row, summary };
}

async function toSummaries(store: DataSource, rows: readonly JobRow[], personId: string): Promise<JobSummary[]> {
  const instruments = await summaries(
    store,
    rows.map(({ instrument }) => instrument),
  );
  const families = [...new Set(rows.map(({ instrument }) => instrument.geometry.family))];
  const times = await timesFor(store, personId, families);
  return rows.flatMap((row, index) => {
    const instrument = instruments[index];
    if (instrument === undefined) return [];
    const learned = learnedMinutes(times, personId, instrument.family, instrument.stringCount);
    return {
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
    };
  });
}
