import type { DataSource } from 'typeorm';
import { MOST_COUNTED } from '@gold-peg/contract/register';

/** How many rows a query has, counted no further than anybody would read. */
export async function countSome(store: DataSource, from: string, parameters: readonly unknown[]): Promise<number> {
  const rows: { n: number }[] = await store.query(
    `SELECT count(*)::int AS n FROM (SELECT 1 FROM ${from} LIMIT ${MOST_COUNTED}) AS counted`,
    [...parameters],
  );
  return rows[0]?.n ?? 0;
}
