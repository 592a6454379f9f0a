import { In, IsNull, Raw, type DataSource } from 'typeorm';
import type { ExerciseSheet, ExerciseSheetDraft } from '@gold-peg/contract/practice';
import { writeResults } from '@gold-peg/contract/sheets';
import { ARCHETYPES } from '@gold-peg/craft/archetypes';
import { GOOD_WORK } from '@gold-peg/craft/constants';
import { sheetResults, standingOf, unfitFor } from '@gold-peg/craft/exercises';
import { SKILLS } from '@gold-peg/craft/skills';
import { act } from '../acts/index.js';
import { type Handler, Refusal, refuseField, signedIn, type StreamHandler } from '../handling/index.js';
import { addOnce, isSame, PersonRow, PracticeSheetRow, PracticeTryRow } from '../store/index.js';
import { latestTries } from './tries.js';

/** Sheets of a house that are told at once, the latest first. */
const MOST_SHEETS = 100;

/** Those of the sheets with what came of them; `whose`: one person alone, or everybody where it is null. */
async function told(store: DataSource, rows: readonly PracticeSheetRow[], whose: string | null): Promise<ExerciseSheet[]> {
  const ids = [...new Set(rows.flatMap(({ forIds, madeById }) => [...forIds, madeById]))];
  const people = await store.getRepository(PersonRow).findBy({ id: In(ids) });
  const tries = await store.getRepository(PracticeTryRow).findBy({ sheetId: In(rows.map(({ id }) => id)) });
  const named = (id: string) => ({ id, name: people.find((each) => each.id === id)?.name ?? '' });
  return rows.map((row) => {
    const { id, title, madeById, madeAt, skills, kinds, level, each, within } = row;
    const results = (personId: string) => {
      const own = tries.filter((one) => one.sheetId === id && one.personId === personId);
      return sheetResults(
        row,
        own.map(({ skill, at, off, good }) => ({ skill, at: at.getTime(), off, good })),
      );
    };
    return {
      ...{ id, title, madeBy: named(madeById), madeAt: madeAt.toISOString(), skills, kinds, level, each, within },
      people: row.forIds
        .filter((personId) => whose === null || personId === whose)
        .map((personId) => ({ ...named(personId), results: results(personId) })),
    };
  });
}

const oneOf = async (store: DataSource, id: string): Promise<PracticeSheetRow> => {
  const row = await store.getRepository(PracticeSheetRow).findOneBy({ id });
  if (row === null) throw new Refusal('unknown', 'There is no such exercise sheet.');
  return row;
};

/** The sheets that somebody is asked for. */
export const sheetsFor = (store: DataSource, personId: string): Promise<PracticeSheetRow[]> =>
  store.getRepository(PracticeSheetRow).find({
    where: { takenBackAt: IsNull(), forIds: Raw((column) => `${column} @> :one`, { one: JSON.stringify([personId]) }) },
    order: { madeAt: 'DESC', id: 'DESC' },
    take: MOST_SHEETS,
  });

export const listSheets: Handler<'listSheets'> = async (asked) => {
  const { store } = asked;
  const { id, role } = signedIn(asked);
  if (role !== 'owner') return told(store, await sheetsFor(store, id), id);
  const all = await store
    .getRepository(PracticeSheetRow)
    .find({ where: { takenBackAt: IsNull() }, order: { madeAt: 'DESC', id: 'DESC' }, take: MOST_SHEETS });
  return told(store, all, null);
};

export const addSheet: Handler<'addSheet'> = async (asked) => {
  const { store, now, body } = asked;
  // one that was sent before was held to all this then: who is on it may have left since
  if (!(await store.getRepository(PracticeSheetRow).existsBy({ id: body.id }))) await refuseUnfit(store, body);
  const madeById = signedIn(asked).id;
  const added = await addOnce(store, PracticeSheetRow, { ...body, madeById, madeAt: now });
  const row = await oneOf(store, body.id);
  if (!added && !isSame(row, body)) throw new Refusal('taken', 'id must be new: there is another sheet of it');
  const [sheet] = await told(store, [row], null);
  if (sheet === undefined) throw new TypeError('the sheet that was made is told');
  if (added) await act(asked, 'sheet', `the exercise sheet ${sheet.title} to ${sheet.people.map(({ name }) => name).join(', ')}`);
  return sheet;
};

async function refuseUnfit(store: DataSource, { forIds, kinds, skills, level }: ExerciseSheetDraft): Promise<void> {
  const unknownKind = kinds.find((kind) => !ARCHETYPES.some(({ id }) => id === kind));
  if (unknownKind !== undefined) throw refuseField('kinds', `must be kinds of instruments that there are: ${unknownKind} is none`);
  const there = await store.getRepository(PersonRow).countBy({ id: In(forIds), standing: 'works' });
  if (there < forIds.length) throw refuseField('forIds', 'must be people who work here');
  const [unfit] = unfitFor({ skills, kinds, level });
  if (unfit !== undefined) throw refuseField('kinds', `must be fit for what is to be practised: ${unfit} cannot be on any of these`);
}

export const takeSheetBack: Handler<'takeSheetBack'> = async (asked) => {
  const { store, params, now } = asked;
  const { title, takenBackAt } = await oneOf(store, params.id);
  if (takenBackAt === null) {
    await store.getRepository(PracticeSheetRow).update({ id: params.id }, { takenBackAt: now });
    await act(asked, 'sheet', `the exercise sheet ${title} was taken back`);
  }
  return { done: true };
};

const unitOf = (skill: keyof typeof GOOD_WORK) => GOOD_WORK[skill].unit;

export const sheetCsv: StreamHandler<'sheetCsv'> = async (asked, response) => {
  const [sheet] = await told(asked.store, [await oneOf(asked.store, asked.params.id)], null);
  if (sheet === undefined) throw new TypeError('the sheet that is there is told');
  await act(asked, 'export', `results of the exercise sheet ${sheet.title}, as CSV`);
  response.type('text/csv').setHeader('content-disposition', 'attachment; filename="gold-peg-exercise-sheet.csv"');
  response.send(writeResults(sheet, unitOf));
};

export const listLearners: Handler<'listLearners'> = async ({ store }) => {
  const people = await store
    .getRepository(PersonRow)
    .find({ where: { standing: 'works', preferences: Raw((column) => `${column} @> '{"showsPractice": true}'`) }, order: { name: 'ASC' } });
  return Promise.all(
    people.map(async ({ id, name }) => {
      const tries = (await latestTries(store, id)).map(({ at, ...each }) => ({ ...each, at: at.getTime() }));
      return { id, name, standings: SKILLS.map((skill) => standingOf(skill, tries)) };
    }),
  );
};
