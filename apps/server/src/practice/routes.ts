import { In, type DataSource } from 'typeorm';
import type { PracticeTry, TryDraft } from '@gold-peg/contract/practice';
import { exerciseOf, judge, type AnswerOf, type Judged } from '@gold-peg/craft/exercises';
import type { Skill } from '@gold-peg/craft/skills';
import { type Handler, refuseField, signedIn } from '../handling/index.js';
import { PracticeSheetRow, PracticeTryRow } from '../store/index.js';
import { latestTries } from './tries.js';

/** A device may be a day ahead, for want of a time zone. */
const A_DAY_MS = 24 * 3_600_000;

const triesOf = async (store: DataSource, personId: string): Promise<PracticeTry[]> =>
  (await latestTries(store, personId)).map(({ id, skill, at, seed, level, off, good, sheetId }) => ({
    ...{ id, skill, at: at.toISOString(), seed, level, off, good, sheetId },
  }));

const judgeAgain = <S extends Skill>(
  skill: S,
  { seed, level, answer }: { seed: number; level: number; answer: AnswerOf<S> },
  kinds: readonly string[],
): Judged => judge(skill, exerciseOf(skill, seed, level, kinds), answer);

export const readPractice: Handler<'readPractice'> = (asked) => triesOf(asked.store, signedIn(asked).id);

export const keepPractice: Handler<'keepPractice'> = async (asked) => {
  const { store, now, body } = asked;
  const { id: personId } = signedIn(asked);
  const ahead = body.tries.findIndex(({ at }) => Date.parse(at) > now.getTime() + A_DAY_MS);
  if (ahead >= 0) throw refuseField(`tries.${ahead}.at`, 'must not be more than a day ahead: set the clock of the device right');
  const kinds = await kindsAsked(store, personId, body.tries);
  const rows = body.tries.map((each: TryDraft, nth) => {
    const { id, skill, at, seed, level, answer, sheetId } = each;
    return { id, personId, skill, at: new Date(at), seed, level, answer, sheetId, ...judgeAgain(skill, each, kinds[nth] ?? []) };
  });
  await store.createQueryBuilder().insert().into(PracticeTryRow).values(rows).orIgnore().execute();
  return triesOf(store, personId);
};

/** The kinds of the sheet that asked for each try; none where no sheet did. One that was taken back meanwhile still counts. */
async function kindsAsked(store: DataSource, personId: string, tries: readonly TryDraft[]): Promise<(readonly string[])[]> {
  const ids = [...new Set(tries.flatMap(({ sheetId }) => sheetId ?? []))];
  const sheets = ids.length === 0 ? [] : await store.getRepository(PracticeSheetRow).findBy({ id: In(ids) });
  return tries.map(({ sheetId, skill, level }, nth) => {
    if (sheetId === null) return [];
    const sheet = sheets.find(({ id, forIds }) => id === sheetId && forIds.includes(personId));
    if (sheet === undefined) throw refuseField(`tries.${nth}.sheetId`, 'must be a sheet that was given to you');
    if (!sheet.skills.includes(skill) || sheet.level !== level)
      throw refuseField(`tries.${nth}.sheetId`, `must be a sheet that asks for ${skill} at level ${level + 1}`);
    return sheet.kinds;
  });
}
