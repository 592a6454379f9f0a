import { describe, expect, it } from 'vitest';
import { COUNTING } from '../constants/index.js';
import { slackForTurns, takeUp, turnsForSlack, windingCircle } from '../post/index.js';
import { fromMillimetres, metres, radians, toMillimetres, type Metres } from '../units/index.js';
import { calibrate, type CountedTurns } from './index.js';

const STRETCH = { path: fromMillimetres(700), strain: 0.004, creep: 0 };

/** A count at a post that is really `thicker` than noted, by a person who really leaves `leaves` of the slack meant: from the law of the post. */
function count(instrumentId: string, personId: string, thicker: Metres, leaves: number, wanted: number, gaugeMm: number): CountedTurns {
  const noted = { postDiameter: fromMillimetres(6), stringDiameter: fromMillimetres(gaugeMm), nutToPost: fromMillimetres(95) };
  const meant = slackForTurns(wanted, noted, STRETCH);
  if (!meant.ok) throw new Error(meant.problem.kind);
  const real = turnsForSlack(metres(meant.value.slack * leaves), { ...noted, postDiameter: metres(noted.postDiameter + thicker) }, STRETCH);
  if (!real.ok) throw new Error(real.problem.kind);
  return { instrumentId, personId, turns: real.value.turns, slack: meant.value.slack, stretch: meant.value.stretch, ...noted };
}

const GAUGES = [0.3, 0.41, 0.6, 0.8, 1.1, 1.35];

const restring = (instrumentId: string, personId: string, thicker: Metres, leaves: number) =>
  GAUGES.map((gauge, nth) => count(instrumentId, personId, thicker, leaves, 3 - Math.floor(nth / 2) / 2, gauge));

describe('calibrating posts and hands from counted turns', () => {
  it('says what was taken for granted where nothing was counted', () => {
    const nothing = calibrate([]);
    expect(nothing.leaves('anna')).toEqual({ value: 1, spread: 0.1, count: 0 });
    expect(nothing.postThicker('a')).toEqual({ value: 0, spread: 0.0003, count: 0 });
  });

  it('changes nothing where all came out as planned, and becomes surer', () => {
    const { leaves, postThicker } = calibrate(restring('a', 'anna', metres(0), 1));
    expect(leaves('anna').value).toBeCloseTo(1, 6);
    expect(postThicker('a').value).toBeCloseTo(0, 6);
    expect(leaves('anna').spread).toBeLessThan(0.1);
    expect(leaves('anna').spread).toBeGreaterThan(0.001);
  });

  it('tells a hand from posts when one person worked at many instruments', () => {
    const evidence = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'].flatMap((id) => restring(id, 'anna', metres(0), 1.12));
    const { leaves, postThicker } = calibrate(evidence);
    expect(leaves('anna').value).toBeCloseTo(1.12, 1);
    expect(leaves('anna').value).toBeGreaterThan(1.08);
    expect(Math.abs(toMillimetres(metres(postThicker('a').value)))).toBeLessThan(0.1);
  });

  it('tells a post from hands when many persons worked at one instrument', () => {
    // 24 hands that differ by 10 % agree by chance to 2 %: what they share is the post's, 6 % of its circle
    const people = Array.from({ length: 24 }, (_, index) => `person ${index}`);
    const { leaves, postThicker } = calibrate(people.flatMap((id) => restring('a', id, fromMillimetres(0.4), 1)));
    expect(toMillimetres(metres(postThicker('a').value))).toBeGreaterThan(0.3);
    expect(toMillimetres(metres(postThicker('a').value))).toBeLessThan(0.42);
    for (const id of people) expect(Math.abs(leaves(id).value - 1)).toBeLessThan(0.03);
  });

  it('believes a single miscount less than five counts that agree', () => {
    const honest = restring('a', 'anna', fromMillimetres(0.3), 1);
    const [first, ...rest] = honest;
    if (first === undefined) throw new Error('no count');
    const misread = [{ ...first, turns: first.turns + 3 }, ...rest];
    const before = calibrate(honest).postThicker('a').value;
    const after = calibrate(misread).postThicker('a').value;
    expect(Math.abs(toMillimetres(metres(after - before)))).toBeLessThan(0.15);
  });

  it('settles, also where a count is far off and where a person worked at 300 instruments', () => {
    const many = Array.from({ length: 300 }, (_, index) => count(`instrument ${index}`, 'anna', metres(0), 1.1, 2 + (index % 3) / 2, 0.8));
    const misread = many.map((each, index) => (index === 7 ? { ...each, turns: each.turns + 6 } : each));
    const { settled, leaves, postThicker } = calibrate(misread);
    expect(settled).toBe(true);
    expect(leaves('anna')).toMatchObject({ count: 300 });
    expect(leaves('anna').value).toBeCloseTo(1.1, 1);
    expect(postThicker('instrument 8').count).toBe(1);
  });

  it('comes to what is likeliest: any other hand or post explains the counts worse, miscount and all', () => {
    const [first, ...rest] = restring('a', 'anna', fromMillimetres(0.25), 1.08);
    if (first === undefined) throw new Error('no count');
    const evidence = [
      { ...first, turns: first.turns + 1 },
      ...rest,
      count('b', 'anna', metres(0), 1.05, 3, 0.5),
      count('a', 'ben', metres(0), 0.9, 2, 0.5),
    ];
    const { leaves, postThicker, settled } = calibrate(evidence);
    expect(settled).toBe(true);
    expect([leaves('anna').count, leaves('ben').count, postThicker('a').count, postThicker('b').count]).toEqual([7, 1, 7, 1]);
    /** Logarithm of the posterior: normal priors of 10 % and 0.3 mm, Student's density of four degrees about what the post takes up, as wide as turns are counted. */
    const posterior = (hands: Readonly<Record<string, number>>, posts: Readonly<Record<string, number>>) =>
      evidence.reduce(
        (sum, { instrumentId, personId, turns, slack, stretch, ...noted }) => {
          const thick = { ...noted, postDiameter: metres(noted.postDiameter + (posts[instrumentId] ?? 0)) };
          const wound = takeUp(radians(2 * Math.PI * turns + windingCircle(thick).tangentAngle), thick);
          const noise = COUNTING.turns.value * Math.PI * (noted.postDiameter + noted.stringDiameter);
          return sum - 2.5 * Math.log(1 + ((wound - slack * (hands[personId] ?? 1) - stretch) / noise) ** 2 / 4);
        },
        -Object.values(hands).reduce((sum, hand) => sum + ((hand - 1) / 0.1) ** 2, 0) / 2 -
          Object.values(posts).reduce((sum, post) => sum + (post / 0.0003) ** 2, 0) / 2,
      );
    const hands = { anna: leaves('anna').value, ben: leaves('ben').value };
    const posts = { a: postThicker('a').value, b: postThicker('b').value };
    /** How far the top of the parabola through three values lies aside, in spreads of the prior. */
    const aside = (at: (by: number) => number) => ((at(0.1) - at(-0.1)) / (2 * at(0) - at(0.1) - at(-0.1))) * 0.05;
    for (const id of ['anna', 'ben'] as const)
      expect(Math.abs(aside((by) => posterior({ ...hands, [id]: hands[id] + 0.1 * by }, posts)))).toBeLessThan(0.01);
    for (const id of ['a', 'b'] as const)
      expect(Math.abs(aside((by) => posterior(hands, { ...posts, [id]: posts[id] + 0.0003 * by })))).toBeLessThan(0.01);
  });

  it('does not depend on the order of the evidence', () => {
    const evidence = [...restring('a', 'anna', fromMillimetres(0.2), 1.05), ...restring('b', 'ben', fromMillimetres(-0.2), 0.93)];
    const forth = calibrate(evidence);
    const back = calibrate([...evidence].reverse());
    expect(back.leaves('ben').value).toBeCloseTo(forth.leaves('ben').value, 9);
    expect(back.postThicker('a').value).toBeCloseTo(forth.postThicker('a').value, 9);
  });
});
