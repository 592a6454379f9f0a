import { v7 as uuidV7 } from 'uuid';
import type { DataSource, EntityManager } from 'typeorm';
import type { ActKind } from '@gold-peg/contract/people';
import type { Asked } from '../handling/index.js';
import { ActRow } from '../store/index.js';

/** Writes down that something was done, by whom, in the same transaction where there is one. */
export async function actOf(
  store: DataSource | EntityManager,
  done: { at: Date; personId: string | null; kind: ActKind; says: string },
): Promise<void> {
  await store.getRepository(ActRow).insert({ id: uuidV7(), ...done });
}

/** The same, by whoever asks. */
export const act = ({ store, now, person }: Pick<Asked<'session'>, 'store' | 'now' | 'person'>, kind: ActKind, says: string) =>
  actOf(store, { at: now, personId: person?.id ?? null, kind, says });
