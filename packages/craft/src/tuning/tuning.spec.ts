import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { stretchingPath } from '../instrument/index.js';
import { stringProperties } from '../strings/index.js';
import { tensionFor } from '../tension/index.js';
import { frequencyOf, fromInches, fromMillimetres, hertz, parseNote, toMillimetres } from '../units/index.js';
import {
  fanned,
  nameStrung,
  nameTuning,
  rescale,
  retune,
  retuneAsLogged,
  retuneSeats,
  strungKind,
  strungOf,
  tunedAs,
  TUNINGS,
  tuningsFor,
  withCapo,
} from './index.js';

describe('tunings', () => {
  it('are some fifty, each with its own id and name, every note a note', () => {
    expect(TUNINGS.length).toBeGreaterThanOrEqual(50);
    expect(new Set(TUNINGS.map(({ id }) => id)).size).toBe(TUNINGS.length);
    for (const { notes } of TUNINGS) for (const note of notes) expect(parseNote(note).ok).toBe(true);
    for (const { families, notes } of TUNINGS) {
      const names = tuningsFor(families[0] ?? 'bass', notes.length).map(({ name }) => name);
      // mandolin and octave mandolin bear the same letters an octave apart
      if (families[0] !== 'mandolin' && families[0] !== 'ukulele') expect(new Set(names).size).toBe(names.length);
    }
  });

  it('are named by their notes, low string first, a re-entrant one in lower case', () => {
    expect(nameTuning(['E4', 'B3', 'G3', 'D3', 'A2', 'E2'])).toBe('E A D G B E');
    expect(nameTuning(['A4', 'E4', 'C4', 'G4'])).toBe('g C E A');
    expect(nameTuning(['A4', 'E4', 'C4', 'G3'])).toBe('G C E A');
    expect(nameTuning(['D4', 'B3', 'G3', 'D3', 'G4'])).toBe('g D G B D');
    expect(nameTuning(['E5', 'E5', 'A4', 'A4', 'D4', 'D4', 'G3', 'G3'], [1, 1, 2, 2, 3, 3, 4, 4])).toBe('G D A E');
  });

  it('name a course by its lower string, whichever comes first, and none twice as high for being the same', () => {
    expect(nameTuning(['E4', 'E4', 'G4', 'D3'], [1, 1, 2, 2])).toBe('D E');
    expect(nameTuning(['E4', 'E4', 'D3', 'G4'], [1, 1, 2, 2])).toBe('D E');
    expect(nameTuning(['E4', 'E4'])).toBe('E E');
  });

  it('put the octave of a twelve-string beside its string: string 5 is G3, string 6 an octave above', () => {
    const [standard] = tuningsFor('acoustic', 12);
    expect(standard?.name).toBe('E A D G B E, octave courses');
    expect(standard?.notes).toEqual(['E4', 'E4', 'B3', 'B3', 'G3', 'G4', 'D3', 'D4', 'A2', 'A3', 'E2', 'E3']);
  });
});

describe('an instrument in another tuning', () => {
  const instrument = instrumentOf('acoustic-parlour');
  const notes = ['D4', 'A3', 'G3', 'D3', 'A2', 'D2'].map((note) => ({ note, frequency: null }));

  it('keeps its geometry and takes the notes, and comes back by its own tuning', () => {
    const lower = retune(instrument, { notes, a4: hertz(432) });
    expect(lower.strings.map(({ note }) => note)).toEqual(['D4', 'A3', 'G3', 'D3', 'A2', 'D2']);
    expect(strungOf(lower).seats[0]?.pitch).toBeCloseTo(432 * 2 ** (-7 / 12), 9);
    expect(retune(lower, tunedAs(instrument))).toEqual(instrument);
    expect(() => retune(instrument, { notes: notes.slice(1), a4: hertz(440) })).toThrow('5 notes for 6 strings');
  });

  it('is the one that the log says, where it says one', () => {
    const said = notes.map(({ note }, index) => ({ note, frequencyHz: index === 5 ? 72 : null }));
    const tuned = retuneAsLogged(instrument, { a4Hz: 432, notes: said });
    expect(tuned.a4).toBe(432);
    expect(tuned.strings.map(({ frequency }) => frequency)).toEqual([null, null, null, null, null, 72]);
    expect(nameStrung(strungOf(tuned))).toBe('D A D G A D');
    expect(retuneAsLogged(instrument, undefined)).toBe(instrument);
  });

  it('takes the width of a slot that was measured for its own, and the others for typical', () => {
    const seats = strungOf(instrument, [null, fromMillimetres(0.7)]).seats.slice(0, 3);
    expect(seats.map(({ slotMeasured }) => slotMeasured)).toEqual([false, true, false]);
    expect(seats.map(({ slotWidth }) => slotWidth)).toEqual([
      instrument.strings[0]?.slotWidth,
      fromMillimetres(0.7),
      instrument.strings[2]?.slotWidth,
    ]);
  });

  it('has a note for each of its strings', () => {
    expect(() => retuneSeats(strungOf(instrument), { notes: notes.slice(0, 5), a4: hertz(440) })).toThrow('no note for string 6');
  });

  it('lets a pitch of the player’s own win over the note', () => {
    const own = notes.map((note, index) => (index === 5 ? { note: 'D2', frequency: hertz(72) } : note));
    expect(retuneSeats(strungOf(instrument), { notes: own, a4: hertz(440) }).seats[5]?.pitch).toBe(72);
  });

  it('says where each string goes: scale, stretching path and slot are the instrument’s', () => {
    strungOf(instrument).seats.forEach((seat, index) => {
      const place = instrument.strings[index];
      if (place === undefined) throw new Error('no string');
      expect(seat.path).toBe(stretchingPath(instrument, place));
      expect(seat.slotWidth).toBe(place.slotWidth);
    });
  });

  it('takes other scales, and stretches as much beyond them as before', () => {
    const strung = strungOf(instrument);
    const scales = fanned(fromMillimetres(600), fromMillimetres(650), 6);
    expect(scales.map((scale) => Math.round(toMillimetres(scale)))).toEqual([600, 610, 620, 630, 640, 650]);
    expect(fanned(fromMillimetres(600), fromMillimetres(650), 1)).toEqual([fromMillimetres(600)]);
    expect(fanned(fromMillimetres(600), fromMillimetres(650), 2).map((scale) => Math.round(toMillimetres(scale)))).toEqual([600, 650]);
    rescale(strung, scales).seats.forEach((seat, index) => {
      const before = strung.seats[index];
      if (before === undefined) throw new Error('no seat');
      expect(seat.speakingLength).toBe(scales[index]);
      expect(seat.path - seat.speakingLength).toBeCloseTo(before.path - before.speakingLength, 12);
      expect(seat.pitch).toBe(before.pitch);
    });
  });

  it('sounds higher behind a capo at the same pull: shorter by what the fret takes', () => {
    const open = strungOf(instrument);
    const behind = withCapo(open, 3);
    const string = stringProperties({ family: 'acoustic', construction: 'plain', gauge: fromInches(0.012) });
    if (!string.ok) throw new Error('no string');
    behind.seats.forEach((seat, index) => {
      const before = open.seats[index];
      if (before === undefined) throw new Error('no seat');
      expect(seat.pitch / before.pitch).toBeCloseTo(2 ** (3 / 12), 12);
      const [now, then] = [seat, before].map(({ pitch, speakingLength }) => tensionFor(pitch, speakingLength, string.value));
      expect(now).toBeCloseTo(then ?? NaN, 9);
    });
    expect(behind.seats.map(({ note }) => note)).toEqual(['G4', 'D4', 'B♭3', 'F3', 'C3', 'G2']);
  });
});

describe('necks of a kind', () => {
  it.each(ARCHETYPES.map(({ id }) => id))('%s is in a tuning of the table, with a path longer than its scale', (id) => {
    const { family, seats } = strungKind(id);
    const notes = seats.map(({ note }) => note);
    expect(tuningsFor(family, seats.length).map((tuning) => tuning.notes)).toContainEqual(notes);
    for (const { path, speakingLength, pitch, note, slotWidth } of seats) {
      expect(path).toBeGreaterThan(speakingLength);
      expect(pitch).toBeCloseTo(frequencyOf(note), 12);
      expect(slotWidth).toBeNull();
    }
  });

  it('runs evenly from the first scale to the last, and gives a banjo its short fifth', () => {
    const scales = (id: string) => strungKind(id).seats.map(({ speakingLength }) => toMillimetres(speakingLength));
    expect(scales('electric-seven').map((mm) => Math.round(mm * 10) / 10)).toEqual([648, 654.3, 660.7, 667, 673.3, 679.7, 686]);
    expect(scales('banjo-five-string').map(Math.round)).toEqual([670, 670, 670, 670, 502]);
  });
});
