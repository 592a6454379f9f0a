import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { frequencyOf, hertz, nearestNote, noteAtOrBelow, parseNote, semitonesBetween, transpose } from './index.js';

describe('notes', () => {
  it.each([
    ['A4', 440],
    ['E4', 329.6276],
    ['E2', 82.4069],
    ['B0', 30.8677],
    ['C4', 261.6256],
  ])('%s sounds at %f Hz (printed table of equal temperament)', (note, frequency) => {
    expect(frequencyOf(note)).toBeCloseTo(frequency, 3);
  });

  it('counts the octave by the letter: C♭4 is B3, B♯3 is C4, and accidentals double', () => {
    expect(frequencyOf('C♭4')).toBeCloseTo(frequencyOf('B3'), 9);
    expect(frequencyOf('B#3')).toBeCloseTo(frequencyOf('C4'), 9);
    expect(frequencyOf('Fx3')).toBeCloseTo(frequencyOf('G3'), 9);
    expect(frequencyOf('E𝄫2')).toBeCloseTo(frequencyOf('D2'), 9);
    expect(frequencyOf(' Eb3 ')).toBeCloseTo(frequencyOf('D#3'), 9);
    expect(frequencyOf('Abb4')).toBeCloseTo(frequencyOf('G4'), 9);
  });

  it('follows another reference in proportion', () => expect(frequencyOf('E4', hertz(415)) / frequencyOf('E4')).toBeCloseTo(415 / 440, 12));

  it.each(['', 'H2', 'E', '4', 'E#b4', 'Q#3', 'e4', 'E44'])('refuses %j and gives the text back', (text) => {
    expect(parseNote(text)).toEqual({ ok: false, problem: { kind: 'not-a-note', text } });
    expect(() => frequencyOf(text)).toThrow(`${text} is not a note`);
  });

  it('names the highest note that is not above a frequency', () => {
    expect(noteAtOrBelow(hertz(440))).toBe('A4');
    expect(noteAtOrBelow(hertz(439.9))).toBe('A♭4');
    expect(noteAtOrBelow(hertz(466.2))).toBe('B♭4');
    expect(noteAtOrBelow(hertz(261.63))).toBe('C4');
    expect(noteAtOrBelow(hertz(31))).toBe('B0');
  });

  it('finds every note again from its own frequency, whatever the reference', () => {
    const letters = fc.constantFrom('C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B');
    fc.assert(
      fc.property(letters, fc.integer({ min: 0, max: 8 }), fc.double({ min: 392, max: 466, noNaN: true }), (letter, octave, a4) => {
        expect(noteAtOrBelow(frequencyOf(`${letter}${octave}`, hertz(a4)), hertz(a4))).toBe(`${letter}${octave}`);
      }),
    );
  });

  it('measures an octave as twelve semitones up and minus twelve down', () => {
    expect(semitonesBetween(hertz(110), hertz(220))).toBeCloseTo(12, 12);
    expect(semitonesBetween(hertz(220), hertz(110))).toBeCloseTo(-12, 12);
  });

  it('moves a note by semitones, and leaves its spelling alone where it does not move', () => {
    expect(transpose('E2', -2)).toBe('D2');
    expect(transpose('B3', 1)).toBe('C4');
    expect(transpose('G♭3', 0)).toBe('G♭3');
    expect(() => transpose('H2', 1)).toThrow('H2 is not a note');
  });

  it('names the nearest note, up or down', () => {
    expect(nearestNote(hertz(445))).toBe('A4');
    expect(nearestNote(hertz(460))).toBe('B♭4');
    expect(nearestNote(hertz(428), hertz(415))).toBe('B♭4'); // 53 cents above A at 415
  });
});
