import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { exerciseOf } from '@gold-peg/craft/exercises';
import { v7 as uuidV7 } from 'uuid';
import { openHouse, type TestHouse } from '../testing/house.js';

let house: TestHouse;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

interface Kept {
  id: string;
  skill: string;
  off: number;
  good: boolean;
}

const AT = '2026-05-26T08:41:00.000Z';
const winding = (direction: 'anticlockwise' | 'clockwise', id = uuidV7()) => ({
  id,
  skill: 'winding-side',
  seed: 77,
  level: 0,
  at: AT,
  answer: { direction },
});
/** Right or wrong by the rule itself: toward the centre line, anticlockwise on the bass side of what is strung for the right hand. */
const right = () => {
  const { instrument, index } = exerciseOf('winding-side', 77, 0);
  return instrument.strings[index]?.post.side === 'bass' ? 'anticlockwise' : 'clockwise';
};
const wrong = () => (right() === 'clockwise' ? 'anticlockwise' : 'clockwise');

describe('what somebody practised', () => {
  it('is judged by craft whatever the device thought, kept once, and read by nobody else', async () => {
    const [corin, maud] = [await house.visitor().signIn('technician'), await house.visitor().signIn('counter')];
    const [first, second] = [winding(right()), winding(wrong())];
    const { status, body } = await corin.ask('POST', '/api/practice', { tries: [first, second] });
    expect(status).toBe(200);
    expect((body as Kept[]).map(({ id, off, good }) => [id, off, good])).toEqual([[first.id, 0, true], [second.id, 1, false]]); // prettier-ignore
    await corin.ask('POST', '/api/practice', { tries: [{ ...first, answer: { direction: wrong() } }] });
    const again = (await corin.ask('GET', '/api/practice')).body as Kept[];
    expect(again.find(({ id }) => id === first.id)?.good).toBe(true);
    expect(again).toHaveLength(2);
    expect((await maud.ask('GET', '/api/practice')).body).toEqual([]);
  });

  it('measures a size in the unit of its skill', async () => {
    const corin = await house.visitor().signIn('technician');
    const { truth } = exerciseOf('cents', 5, 2);
    const said = { id: uuidV7(), skill: 'cents', seed: 5, level: 2, at: AT, answer: { cents: truth + 7 } };
    const { body } = await corin.ask('POST', '/api/practice', { tries: [said] });
    const kept = (body as Kept[]).find(({ id }) => id === said.id);
    expect(kept?.off).toBeCloseTo(7, 9);
    expect(kept?.good).toBe(false);
  });

  it.each([
    ['an answer of another skill', { ...winding('clockwise'), skill: 'cents' }, /answer/],
    ['a level that there is not', { ...winding('clockwise'), level: 7 }, /level/],
    ['a seed below nought', { ...winding('clockwise'), seed: -1 }, /seed/],
    [
      'more cents than there are between notes',
      { id: uuidV7(), skill: 'cents', seed: 5, level: 0, at: AT, answer: { cents: 900 } },
      /between -200 and 200 ¢/,
    ],
    ['a day that is not come', { ...winding('clockwise'), at: '2099-01-01T00:00:00.000Z' }, /more than a day ahead/],
  ])('refuses %s, and keeps nothing of what came with it', async (_what, bad, says) => {
    const corin = await house.visitor().signIn('technician');
    const before = ((await corin.ask('GET', '/api/practice')).body as Kept[]).length;
    const { status, body } = await corin.ask('POST', '/api/practice', { tries: [winding('clockwise'), bad] });
    expect(status).toBe(422);
    expect(JSON.stringify(body)).toMatch(says);
    expect(((await corin.ask('GET', '/api/practice')).body as Kept[]).length).toBe(before);
  });
});
