import Papa from 'papaparse';
import type { ExerciseSheet } from '../practice/index.js';
import { FORMULA } from './cells.js';

const COLUMNS = ['sheet', 'person', 'skill', 'tries', 'asked', 'mean off', 'spread', 'unit', 'times good work', 'asked within', 'reached'];
const rounded = (value: number | null): string => (value === null ? '' : value.toFixed(2));

/** What came of an exercise sheet, a row for each person and skill. `unitOf`: the unit of a skill; of a choice the mean is the share that was wrong. */
export function writeResults(
  { title, people, each, within }: ExerciseSheet,
  unitOf: (skill: ExerciseSheet['skills'][number]) => string,
): string {
  const rows = people.flatMap(({ name, results }) =>
    results.map(({ skill, tries, bias, spread, worth, reached }) => [
      ...[title, name, skill, tries, each, rounded(bias), rounded(spread), unitOf(skill), rounded(worth), within],
      reached === null ? 'not done' : reached ? 'yes' : 'no',
    ]),
  );
  return `${Papa.unparse([COLUMNS, ...rows], { newline: '\n', escapeFormulae: FORMULA })}\n`;
}
