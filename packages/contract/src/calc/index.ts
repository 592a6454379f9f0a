import type * as z from 'zod';
import { neckAnswer, neckQuestion } from './neck.js';
import { nutAnswer, nutQuestion } from './nut.js';
import { balanceAnswer, balanceQuestion } from './balance.js';
import { dayAnswer, dayQuestion } from './day.js';
import { driftAnswer, driftQuestion, settleAnswer, settleQuestion } from './settle.js';
import { pitchAnswer, pitchQuestion } from './pitch.js';
import { slackAnswer, slackQuestion } from './slack.js';
import { stringAnswer, stringQuestion } from './string.js';
import { windingAnswer, windingQuestion } from './winding.js';

/** One entry per topic of the command line: what goes in, what comes out. */
export const CALC_TOPICS = {
  string: { question: stringQuestion, answer: stringAnswer },
  winding: { question: windingQuestion, answer: windingAnswer },
  slack: { question: slackQuestion, answer: slackAnswer },
  nut: { question: nutQuestion, answer: nutAnswer },
  balance: { question: balanceQuestion, answer: balanceAnswer },
  settle: { question: settleQuestion, answer: settleAnswer },
  drift: { question: driftQuestion, answer: driftAnswer },
  day: { question: dayQuestion, answer: dayAnswer },
  neck: { question: neckQuestion, answer: neckAnswer },
  pitch: { question: pitchQuestion, answer: pitchAnswer },
} as const;

export type CalcTopic = keyof typeof CALC_TOPICS;
export type Question<T extends CalcTopic> = z.output<(typeof CALC_TOPICS)[T]['question']>;
export type Answer<T extends CalcTopic> = z.output<(typeof CALC_TOPICS)[T]['answer']>;
