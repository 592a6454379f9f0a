import type { Sort } from '@angular/material/sort';

/** What each column of a table is sorted by. */
export type SortKeys<Row> = Readonly<Record<string, (row: Row) => number | string>>;

const AS_READ = new Intl.Collator('en-GB', { numeric: true });

/** Rows in the order of a column, or as they came where none is asked for; rows that are alike stay as they were. */
export function sorted<Row>(rows: readonly Row[], { active, direction }: Sort, keys: SortKeys<Row>): readonly Row[] {
  const key = keys[active];
  if (direction === '' || key === undefined) return rows;
  const sign = direction === 'asc' ? 1 : -1;
  return [...rows].sort((first, second) => {
    const [one, other] = [key(first), key(second)];
    return sign * (typeof one === 'number' && typeof other === 'number' ? one - other : AS_READ.compare(String(one), String(other)));
  });
}

/** As the rows come. */
export const UNSORTED: Sort = { active: '', direction: '' };
