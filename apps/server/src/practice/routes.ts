import type { DataSource } from 'typeorm';
import { MOST_TRIES_READ, type PracticeTry, type TryDraft } from '@gold-peg/contract/practice';
import { exerciseOf, judge, type AnswerOf, type Judged } from '@gold-peg/craft/exercises';
import type { Skill } from '@gold-peg/craft/skills';
import { type Handler, refuseField, signedIn } from '../handling/index.js';
import { PracticeTryRow } from '../store/index.js';

/** A device may be a day ahead, for want of a time zone. */
const A_DAY_MS = 24 * 3_600_000;

/** The latest tries of somebody, the latest last. */
async function triesOf(store: DataSource, personId: string): Promise<PracticeTry[]> {
  const rows = await store
    .getRepository(PracticeTryRow)
    .find({ where: { personId }, order: { at: 'DESC', id: 'DESC' }, take: MOST_TRIES_READ });
  return rows.reverse().map(({ id, skill, at, seed, level, off, good }) => ({ id, skill, at: at.toISOString(), seed, level, off, good }));
}

const judgeAgain = <S extends Skill>(skill: S, { seed, level, answer }: { seed: number; level: number; answer: AnswerOf<S> }): Judged =>
  judge(skill, exerciseOf(skill, seed, level), answer);

export const readPractice: Handler<'readPractice'> = (asked) => triesOf(asked.store, signedIn(asked).id);

export const keepPractice: Handler<'keepPractice'> = async (asked) => {
  const { store, now, body } = asked;
  const { id: personId } = signedIn(asked);
  const ahead = body.tries.findIndex(({ at }) => Date.parse(at) > now.getTime() + A_DAY_MS);
  if (ahead >= 0) throw refuseField(`tries.${ahead}.at`, 'must not be more than a day ahead: set the clock of the device right');
  const rows = body.tries.map((each: TryDraft) => {
    const { id, skill, at, seed, level, answer } = each;
    return { id, personId, skill, at: new Date(at), seed, level, answer, ...judgeAgain(skill, each) };
  });
  await store.createQueryBuilder().insert().into(PracticeTryRow).values(rows).orIgnore().execute();
  return triesOf(store, personId);
};
