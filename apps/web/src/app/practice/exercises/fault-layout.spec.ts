import { describe, expect, it } from 'vitest';
import { exerciseOf } from '@gold-peg/craft/exercises';
import { FAULTS_AT, type FaultOf } from '@gold-peg/craft/skills';
import { layOutFault } from './fault-layout';

const shown = (fault: FaultOf<'post'>) => {
  const all = Array.from({ length: 200 }, (_, seed) => exerciseOf('fault', seed, 0));
  const found = all.find((exercise) => exercise.at === 'post' && exercise.truth === fault);
  if (found?.at !== 'post') throw new Error(`none of 200 is ${fault}`);
  return { ...found, picture: layOutFault(found) };
};

describe('a post with its fault', () => {
  it.each(FAULTS_AT.post)('%s is seen, and nothing else', (fault) => {
    const { picture, turns } = shown(fault);
    const below = picture.turns.every(({ y1 }) => y1 > picture.holeY);
    expect(below).toBe(fault !== 'upward');
    expect(picture.tail === null).toBe(fault === 'short-tail');
    expect(picture.crossing !== null).toBe(fault === 'crossing');
    expect(picture.turns.length + (picture.crossing === null ? 0 : 1)).toBe(Math.ceil(turns));
    if (fault === 'few') expect((picture.turns[0]?.x2 ?? 0) - (picture.turns[0]?.x1 ?? 0)).toBeLessThan(0.5 * picture.width);
  });

  it('draws the crossing turn over the one before it', () => {
    const { picture, crosses } = shown('crossing');
    const before = picture.turns[(crosses ?? 1) - 1];
    expect(picture.crossing?.y1).toBeGreaterThan(before?.y1 ?? 0);
    expect(picture.crossing?.y2).toBeLessThan(before?.y2 ?? 0);
  });
});
