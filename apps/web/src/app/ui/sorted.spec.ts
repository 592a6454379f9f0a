import { expect, it } from 'vitest';
import { sorted, UNSORTED } from './sorted';

const ROWS = [{ name: '.046 wound', gauge: 1.17 }, { name: '.010 plain', gauge: 0.25 }, { name: '.9 odd', gauge: 0.25 }]; // prettier-ignore
const keys = { name: ({ name }: (typeof ROWS)[number]) => name, gauge: ({ gauge }: (typeof ROWS)[number]) => gauge };
const names = (rows: readonly { name: string }[]) => rows.map(({ name }) => name);

it('sorts by the column that was asked for, numbers by size and names as they are read, either way', () => {
  expect(names(sorted(ROWS, { active: 'gauge', direction: 'asc' }, keys))).toEqual(['.010 plain', '.9 odd', '.046 wound']);
  expect(names(sorted(ROWS, { active: 'gauge', direction: 'desc' }, keys))).toEqual(['.046 wound', '.010 plain', '.9 odd']);
  expect(names(sorted(ROWS, { active: 'name', direction: 'asc' }, keys))).toEqual(['.9 odd', '.010 plain', '.046 wound']);
  expect(sorted(ROWS, UNSORTED, keys)).toBe(ROWS);
});
