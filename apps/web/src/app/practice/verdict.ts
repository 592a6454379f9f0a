import type { Judged } from '@gold-peg/craft/exercises';

/** What came of an answer, as it is said beside the exercise. */
export interface Verdict {
  value: string;
  says: string;
  good: boolean;
}

/** Of a choice: right or wrong, with what is to be said of it. */
export const rightOrWrong = (judged: Judged | null, says: (good: boolean) => string): Verdict | null =>
  judged === null ? null : { value: judged.good ? 'right' : 'wrong', says: says(judged.good), good: judged.good };
