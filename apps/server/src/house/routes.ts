import type { DataSource, EntityManager } from 'typeorm';
import type { House } from '@gold-peg/contract/register';
import { act } from '../acts/index.js';
import { type Handler, Refusal } from '../handling/index.js';
import { HouseRow, THE_HOUSE } from '../store/index.js';
import { sayChanges } from './say-changes.js';

export async function readHouse(store: DataSource | EntityManager): Promise<House> {
  const { methods, version } = await store.getRepository(HouseRow).findOneByOrFail({ id: THE_HOUSE });
  return { methods, version };
}

export const house: Handler<'house'> = ({ store }) => readHouse(store);

export const changeHouse: Handler<'changeHouse'> = async (asked) => {
  const { store, body } = asked;
  const { version, methods } = body;
  const before = await readHouse(store);
  const { affected } = await store.getRepository(HouseRow).update({ id: THE_HOUSE, version }, { methods, version: version + 1 });
  const current = await readHouse(store);
  if (affected === 0) throw new Refusal('stale', 'Somebody changed the ways of the house meanwhile: look at them again.', { current });
  const changes = sayChanges(before.methods, methods);
  if (changes !== '') await act(asked, 'ways', changes);
  return current;
};
