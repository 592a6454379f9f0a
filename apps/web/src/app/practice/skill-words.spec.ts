import { describe, expect, it } from 'vitest';
import { fromMillimetres } from '@gold-peg/craft/units';
import { inFistAndFingers, sayOff } from './exercises/slack-words';
import { sayGood, sayStanding } from './skill-words';

const standing = { tries: 20, bias: null, spread: null, wrong: 0, worth: 1 };

describe('where somebody stands, in words', () => {
  it('says sizes with their side and spread, choices by how many were wrong', () => {
    expect(sayStanding({ ...standing, skill: 'slack', bias: -9.2, spread: 6.1 })).toBe('9 % too little, ± 6');
    expect(sayStanding({ ...standing, skill: 'cents', bias: 2.14, spread: 3.5 })).toBe('2.1 ¢ too sharp, ± 3.5');
    expect(sayStanding({ ...standing, skill: 'nylon', bias: 0.2, spread: 18 })).toBe('± 18 %');
    expect(sayStanding({ ...standing, skill: 'octave' })).toBe('none wrong in 20');
    expect(sayStanding({ ...standing, skill: 'octave', wrong: 2 })).toBe('2 wrong in 20');
    expect(sayStanding({ ...standing, skill: 'slack', tries: 3 })).toBe('3 tried');
    expect(sayStanding({ ...standing, skill: 'slack', tries: 0 })).toBe('not tried yet');
  });

  it('says what good work is', () => {
    expect(sayGood('slack')).toBe('within 8 %');
    expect(sayGood('cents')).toBe('within 3 ¢');
    expect(sayGood('octave')).toBe('one in 20 wrong');
  });
});

describe('a height in somebody’s own hand', () => {
  const hand = { fist: fromMillimetres(85), finger: fromMillimetres(18), spacer: fromMillimetres(60) };
  it.each([
    [132, 'a fist and 2½ fingers'], // 85 + 2.6 · 18
    [85, 'a fist'],
    [206, '2 fists and 2 fingers'],
    [103, 'a fist and 1 finger'],
    [94, 'a fist and ½ finger'],
    [36, '2 fingers'],
    [27, '1½ fingers'],
    [2, 'next to nothing'],
  ])('%d mm: %s', (mm, says) => expect(inFistAndFingers(mm, hand)).toBe(says));

  it('says how far off, and which way', () => {
    expect(sayOff(-16.2, 'too little', 'too much')).toBe('16 % too little');
    expect(sayOff(0.3, 'too little', 'too much')).toBe('just right');
    expect(sayOff(2.26, 'too flat', 'too sharp', '¢')).toBe('2.3 ¢ too sharp');
  });
});
