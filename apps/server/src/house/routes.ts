import type { DataSource, EntityManager } from 'typeorm';
import type { House } from '@gold-peg/contract/register';
import { type Handler, Refusal } from '../handling/index.js';
import { HouseRow, THE_HOUSE } from '../store/index.js';

export async function readHouse(store: DataSource | EntityManager): Promise<House> {
  const { methods, version } = await store.getRepository(HouseRow).findOneByOrFail({ id: THE_HOUSE });
  return { methods, version };
}

export const house: Handler<'house'> = ({ store }) => readHouse(store);

export const changeHouse: Handler<'changeHouse'> = async ({ store, body }) => {
  const { version, methods } = body;
  const { affected } = await store.getRepository(HouseRow).update({ id: THE_HOUSE, version }, { methods, version: version + 1 });
  const current = await readHouse(store);
  if (affected === 0) throw new Refusal('stale', 'Somebody changed the ways of the house meanwhile: look at them again.', { current });
  return current;
};
