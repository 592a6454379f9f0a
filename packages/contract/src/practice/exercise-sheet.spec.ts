import { describe, expect, it } from 'vitest';
import { issueFields } from '../problems/index.js';
import { writeResults } from '../sheets/index.js';
import { exerciseSheetDraft, type ExerciseSheet } from './index.js';

const [SHEET, CORIN, WENNA] = [1, 2, 3].map((nth) => `0190f3a0-0000-7000-8000-00000000000${nth}`) as [string, string, string];
const DRAFT = { id: SHEET, title: 'Nylon first', forIds: [CORIN], skills: ['slack'], kinds: ['classical'], level: 0, each: 10, within: 1 };

describe('an exercise sheet', () => {
  it('is taken as it is', () => expect(exerciseSheetDraft.parse(DRAFT)).toEqual(DRAFT));

  it.each([
    ['no title', { title: '  ' }, 'title', 'must not be empty'],
    ['nobody', { forIds: [] }, 'forIds', 'given to people'],
    ['somebody twice', { forIds: [CORIN, CORIN] }, 'forIds', 'once'],
    ['no skill', { skills: [] }, 'skills', 'nothing to practise'],
    ['a skill that there is not', { skills: ['soldering'] }, 'skills', 'must be a skill'],
    ['no tries', { each: 0 }, 'each', 'at least one'],
    ['more tries than a learner is read by', { each: 21 }, 'each', 'at most 20'],
    ['a level that there is not', { level: 7 }, 'level', 'at most 7'],
    ['more exact than a hand gets', { within: 0.1 }, 'within', 'between 0.5 and 4'],
  ])('is refused with %s, and says where and why', (_what, wrong, field, says) => {
    const read = exerciseSheetDraft.safeParse({ ...DRAFT, ...wrong });
    const [first] = read.success ? [] : issueFields(read.error);
    expect(first?.path[0]).toBe(field);
    expect(first?.says).toContain(says);
  });
});

it('becomes a table: a row for each person and skill, and no cell that is a formula', () => {
  const sheet = {
    ...{ id: SHEET, title: '=1+1', madeBy: { id: WENNA, name: 'Wenna Tarrow' }, madeAt: '2026-05-26T09:00:00.000Z' },
    ...{ skills: ['slack', 'fault'], kinds: [], level: 0, each: 2, within: 1.5 },
    people: [
      {
        ...{ id: CORIN, name: 'Corin Vell' },
        results: [
          { skill: 'slack', tries: 2, bias: 6, spread: 2.309, worth: 0.8036, reached: true },
          { skill: 'fault', tries: 1, bias: 0, spread: null, worth: 0, reached: null },
        ],
      },
    ],
  } satisfies ExerciseSheet;
  const [, first, second] = writeResults(sheet, (skill) => (skill === 'slack' ? '%' : '')).split('\n');
  expect(first).toBe('"\'=1+1",Corin Vell,slack,2,2,6.00,2.31,%,0.80,1.5,yes');
  expect(second).toBe('"\'=1+1",Corin Vell,fault,1,2,0.00,,,0.00,1.5,not done');
});
