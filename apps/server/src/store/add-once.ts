import { isDeepStrictEqual } from 'node:util';
import type { DataSource, EntityManager, EntityTarget, ObjectLiteral, QueryDeepPartialEntity } from 'typeorm';

/** Adds a row. Returns false, and changes nothing, where there is one of its id already, or of what there may be one of. */
export async function addOnce<Row extends ObjectLiteral>(
  store: DataSource | EntityManager,
  entity: EntityTarget<Row>,
  row: QueryDeepPartialEntity<Row>,
): Promise<boolean> {
  const { raw } = await store.createQueryBuilder().insert().into(entity).values(row).orIgnore().returning('*').execute();
  return (raw as unknown[]).length > 0;
}

/** Whether what is there is what was asked for: then the request was sent twice, and its answer is the same. */
export const isSame = <Asked extends object>(there: { [Field in keyof Asked]: unknown }, asked: Asked): boolean =>
  Object.entries(asked).every(([field, value]) => isDeepStrictEqual(there[field as keyof Asked], value));
