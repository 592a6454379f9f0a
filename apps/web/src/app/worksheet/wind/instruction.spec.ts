import { describe, expect, it } from 'vitest';
import { kindPicture } from '../../register/kind-picture';
import type { LayeredChoices } from '@gold-peg/craft/methods';
import { windString } from '@gold-peg/craft/procedure';
import { instructionFor, sayCutTime } from './instruction';

function said(archetypeId: string, number: number, choices: LayeredChoices = {}) {
  const { instrument, lanes } = kindPicture(archetypeId, 300);
  const lane = lanes[number - 1];
  const plan = lane?.string == null ? null : windString({ instrument, index: number - 1, string: lane.string, choices });
  if (lane === undefined || plan === null) throw new Error('no lane');
  return { ...instructionFor(lane, plan, instrument), cut: sayCutTime(plan.methods.cut) };
}
const told = (archetypeId: string, number: number, choices?: LayeredChoices) => said(archetypeId, number, choices).steps.join(' ');

describe('what to do now at the post', () => {
  it('locks a plain string with its tail under itself, a wound one over one and under the rest', () => {
    expect(told('acoustic-parlour', 1)).toContain('under the string, up and over');
    expect(told('acoustic-parlour', 6)).toContain('First turn above the tail, all others below');
  });

  it('bends a wound string before it is cut at a slotted post', () => {
    expect(told('bass-in-line', 4)).toMatch(/Bend it square a little beyond the mark, then cut/);
  });

  it('turns the bass side anticlockwise and the treble side clockwise, in line all one way', () => {
    expect(told('acoustic-parlour', 6)).toContain('Turn anticlockwise');
    expect(told('acoustic-parlour', 1)).toContain('Turn clockwise');
    expect(told('electric-in-line', 1)).toContain('Turn anticlockwise');
  });

  it('winds the outer strings of a classical outside, the inner four inside', () => {
    expect([1, 6].map((number) => told('classical', number))).toEqual([
      expect.stringContaining('outside'),
      expect.stringContaining('outside'),
    ]);
    for (const number of [2, 3, 4, 5]) expect(told('classical', number)).toContain('the inside of the roller');
  });

  it('winds the fifth string of a banjo into its pip', () => {
    expect(told('banjo-five-string', 5)).toContain('pip');
  });

  it('clamps a locking post straight, less than half a turn, and trims it only once it holds', () => {
    const { steps, cut } = said('electric-seven', 1);
    expect(steps[0]).toContain('Pull it straight through and lock it');
    expect(steps[1]).toMatch(/0\.[1-5] of a turn brings it to pitch/);
    expect(cut).toMatch(/^Cut later: a tail cut before the lock held is a string lost/);
  });

  it('bends a string of a headless instrument at its clamp, and counts the screw', () => {
    const { steps, wrongWay, cut } = said('electric-headless', 6);
    expect(steps[0]).toContain('draw the end just inside');
    expect(steps[1]).toMatch(/\d+ turns, \d+\.\d of its 16 mm/);
    expect(wrongWay).toBeNull();
    expect(cut).toContain('Bend first, then cut');
  });

  it('pushes friction pegs in, and knows no other way for planetary ones', () => {
    expect(told('ukulele-soprano', 1)).toContain('Push the peg in');
    expect(told('banjo-tenor', 1)).not.toContain('Push');
  });

  it('says what goes wrong the other way: by how much it pulls sideways, or what it rubs on', () => {
    const other = said('acoustic-parlour', 6).wrongWay ?? '';
    const [wrong = 0, right = 0] = [...other.matchAll(/([\d.]+)°/g)].map(([, degrees]) => Number(degrees));
    expect(wrong).toBeGreaterThan(right);
    expect(said('classical', 6).wrongWay).toContain('rub on its neighbour');
    expect(said('classical', 5).wrongWay).toContain('the wood beside it');
    expect(said('banjo-five-string', 5).wrongWay).toContain('lift out of its pip');
  });

  it('follows the ways in force: wrapped first by hand, or twice through', () => {
    expect(told('acoustic-parlour', 1, { technician: { plainFixing: 'turns-first' } })).toMatch(
      /Wrap it slack round the post by hand, 2[¼½¾]? turns/,
    );
    expect(told('ukulele-concert', 1, { house: { softFixing: 'twice-through' } })).toContain('through again in the same direction');
    expect(said('acoustic-parlour', 1, { house: { cutTime: 'after-it-holds' } }).cut).toContain('Cut later: your way');
  });
});
