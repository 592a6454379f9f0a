import { expect, it } from 'vitest';
import { NewThing } from './new-thing';

it('asks once for a double click, under the same id again after a fault, and under a new one for the next thing', async () => {
  const thing = new NewThing();
  const asked: string[] = [];
  let fails = true;
  const ask = async (id: string) => {
    asked.push(id);
    await new Promise((resolve) => setTimeout(resolve));
    if (fails) throw new Error('the answer was lost');
    return id;
  };
  const first = thing.make(ask);
  expect(await thing.make(ask)).toBeNull(); // the second click
  await expect(first).rejects.toThrow('the answer was lost');
  fails = false;
  const made = await thing.make(ask);
  expect(asked).toEqual([made, made]);
  expect(await thing.make(ask)).not.toBe(made);
});
