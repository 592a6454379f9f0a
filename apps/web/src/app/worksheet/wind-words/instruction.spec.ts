import { describe, expect, it } from 'vitest';
import { kindPicture } from '../../build';
import type { LayeredChoices } from '@gold-peg/craft/methods';
import { windString } from '@gold-peg/craft/procedure';
import { instructionFor, sayCutTime } from './instruction';

function said(archetypeId: string, number: number, choices: LayeredChoices = {}) {
  const { instrument, lanes } = kindPicture(archetypeId, 300);
  const lane = lanes[number - 1];
  const plan = lane?.string == null ? null : windString({ instrument, index: number - 1, string: lane.string, choices });
  if (lane === undefined || plan === null) throw new Error('no lane');
  return { ...instructionFor(lane, plan, instrument, (length) => `${(length * 1000).toFixed(0)} mm`), cut: sayCutTime(plan.methods.cut) };
}
const told = (archetypeId: string, number: number, choices?: LayeredChoices) => said(archetypeId, number, choices).steps.join(' ');

describe('what to do now at the post', () => {
  it('locks a plain string with its tail under itself, a wound one over one and under the rest', () => {
    expect(told('acoustic-parlour', 1)).toContain('under the string, up and over');
    expect(told('acoustic-parlour', 6)).toContain('First turn above the tail, all others below');
  });

  it('bends a wound string before it is cut at a slotted post', () => {
    const [, bend = 0, cut = 0] = (/Bend it square at (\d+) mm, cut it at (\d+) mm, bend first/.exec(told('bass-in-line', 4)) ?? []).map(Number); // prettier-ignore
    expect(cut - bend).toBe(13); // the depth of its post
  });

  it('turns the bass side anticlockwise and the treble side clockwise, in line all one way', () => {
    expect(told('acoustic-parlour', 6)).toContain('Turn anticlockwise');
    expect(told('acoustic-parlour', 1)).toContain('Turn clockwise');
    expect(told('electric-in-line', 1)).toContain('Turn anticlockwise');
  });

  it('winds the outer strings of a classical outside, the inner four inside', () => {
    expect([1, 6].map((number) => told('classical', number))).toEqual([expect.stringContaining('outside'), expect.stringContaining('outside')]); // prettier-ignore
    for (const number of [2, 3, 4, 5]) expect(told('classical', number)).toContain('the inside of the roller');
  });

  it('winds the fifth string of a banjo into its pip', () => expect(told('banjo-five-string', 5)).toContain('pip'));

  it('clamps a locking post straight, less than half a turn, and trims it only once it holds', () => {
    const { steps, cut } = said('electric-seven', 1);
    expect(steps.join(' ')).toContain('Pull it straight through and lock it');
    expect(steps.at(-1)).toMatch(/0\.[1-5] of a turn brings it to pitch/);
    expect(cut).toMatch(/^Cut later: a tail cut before the lock held is a string lost/);
  });

  it('bends a string of a headless instrument at its clamp, and counts the screw', () => {
    const { steps, wrongWay, cut } = said('electric-headless', 6);
    expect(steps[0]).toContain('draw the end just inside');
    expect(steps[1]).toMatch(/\d+ turns, \d+ mm of its 16 mm/);
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
    // in line, the post of string 6 stands a little inside its slot: the other side is no negative angle to a reader
    expect(said('electric-in-line', 6).wrongWay).toMatch(/pulls [\d.]+° sideways, not [\d.]+°/);
    expect(said('classical', 6).wrongWay).toContain('rub on its neighbour');
    expect(said('classical', 5).wrongWay).toContain('the wood beside it');
    expect(said('banjo-five-string', 5).wrongWay).toContain('lift out of its pip');
  });

  it('follows the ways in force: wrapped first by hand, or twice through', () => {
    const wrapped = told('acoustic-parlour', 1, { technician: { plainFixing: 'turns-first' } });
    // three turns in all: what is wrapped by hand, and what the button adds as the string stretches
    const [, byHand = '', adds = ''] =
      /by hand, (\S+) turns, .*lie under the tail.*adds the last (\S+) turn, 3 turns in all/.exec(wrapped) ?? [];
    const quarters = (text: string) => Number(text.replace(/[¼½¾]/, '') || 0) + ({ '¼': 0.25, '½': 0.5, '¾': 0.75 }[text.slice(-1)] ?? 0);
    expect(quarters(byHand) + quarters(adds)).toBeCloseTo(3, 9);
    expect(wrapped).not.toMatch(/Turn clockwise, 3 turns/);
    expect(told('acoustic-parlour', 1, { technician: { plainFixing: 'crossing-turn' } })).toContain('the last one up across the others');
    expect(told('acoustic-parlour', 1, { technician: { plainFixing: 'under-all' } })).toContain('every turn passes under it');
    expect(told('ukulele-concert', 1, { house: { softFixing: 'twice-through' } })).toContain('through again in the same direction');
    expect(said('acoustic-parlour', 1, { house: { cutTime: 'after-it-holds' } }).cut).toContain('Cut later: your way');
  });

  it('stands the empty hole in line, puts a string under its tree in time, and lets a bass string hang straight', () => {
    expect(told('acoustic-parlour', 1)).toMatch(/^The empty hole stands in line with the string/);
    expect(told('electric-in-line', 1)).toContain('Under its tree before it is tight');
    expect(told('electric-double-locking', 1)).toContain('Under its bar before it is tight');
    expect(told('electric-in-line', 6)).not.toContain('tree');
    expect(told('bass-in-line', 4)).toMatch(/^Let it untwist and hang straight/);
    expect(told('ukulele-soprano', 1)).toContain('between slipping and too stiff');
  });

  it('pulls tight what stretch alone would wind too often', () => {
    expect(told('ukulele-baritone', 3)).toContain('Pull it tight through the hole');
  });
});
