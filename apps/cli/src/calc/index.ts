import { CALC_TOPICS, type CalcTopic, type Question } from '@gold-peg/contract/calc';
import { invalidInput, problem, type Problem } from '@gold-peg/contract/problems';
import type { Outcome } from '@gold-peg/craft/outcome';
import type { Fault } from './fault.js';
import { answerBalance } from './balance.js';
import { answerDay } from './day.js';
import { answerNeck } from './neck.js';
import { answerNut } from './nut.js';
import { answerDrift, answerSettle } from './settle.js';
import { answerPitch } from './pitch.js';
import { answerSlack } from './slack.js';
import type { Sound } from '@gold-peg/contract/sound-file';
import { answerString } from './string.js';
import { answerWinding } from './winding.js';

const ANSWERS: { [T in CalcTopic]: (asked: Question<T>, sound: Sound | null) => Outcome<unknown, Fault> } = {
  string: answerString,
  winding: answerWinding,
  slack: answerSlack,
  nut: answerNut,
  balance: answerBalance,
  settle: answerSettle,
  drift: answerDrift,
  day: answerDay,
  neck: answerNeck,
  pitch: answerPitch,
};

export type Reply = { ok: true; answer: unknown } | { ok: false; problem: Problem };

export const isTopic = (word: string): word is CalcTopic => Object.hasOwn(CALC_TOPICS, word);

/** Answers one question, or says which field cannot be right and why. `sound`: what was recorded, for those who ask about that. */
export function answer<T extends CalcTopic>(topic: T, asked: unknown, sound: Sound | null = null): Reply {
  const read = CALC_TOPICS[topic].question.safeParse(asked);
  if (!read.success) return { ok: false, problem: invalidInput(read.error) };
  const outcome = ANSWERS[topic](read.data as Question<T>, sound);
  if (outcome.ok) return { ok: true, answer: outcome.value };
  const { field, says } = outcome.problem;
  return { ok: false, problem: problem('invalid', `${field} ${says}`, [{ field, says }]) };
}
