import { expect, it } from 'vitest';
import { soak } from './soak.js';

const root = new URL('../..', import.meta.url).pathname;

it('loses nothing that was acknowledged and doubles nothing, whatever dies or is cut off meanwhile', async () => {
  const told = await soak(root, { seconds: 20, seed: 7 });
  expect(told).toMatchObject({ lost: 0, doubled: 0, stuck: 0, disagreeing: 0, refused: [] });
  expect(told.acknowledged).toBe(told.made);
  expect(told.made).toBeGreaterThan(8 * 20);
  expect(told.sentAgain).toBeGreaterThan(0); // something did go wrong
}, 240_000);
