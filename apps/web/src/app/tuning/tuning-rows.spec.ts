import { describe, expect, it } from 'vitest';
import { setsFor } from '@gold-peg/craft/strings';
import { strungKind, type Tuned } from '@gold-peg/craft/tuning';
import { CONCERT_A4, hertz } from '@gold-peg/craft/units';
import { stringingOf } from '../solver/wish-form';
import { readPitch, sayVerdicts, tuningRows } from './tuning-rows';

describe('a pitch that is typed', () => {
  it.each([
    ['E4', 'E4', null],
    ['  e4 ', 'E4', null],
    ['Bb2', 'Bb2', null],
    ['f♯3', 'F♯3', null],
    ['82.4 Hz', 'E2', 82.4],
    ['82,4', 'E2', 82.4],
  ])('%s is %s', (text, note, frequency) => expect(readPitch(text, CONCERT_A4)).toEqual({ ok: true, tuned: { note, frequency } }));

  it.each(['', 'H4', 'E', '4', 'E44', '9000 Hz', 'C9', 'E4 and a bit'])('%s is none, and a sentence says why', (text) => {
    const read = readPitch(text, CONCERT_A4);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.says).toMatch(/^must (be a note|lie between 16 and 3000 Hz)/);
  });

  it('is named by the reference that is in force', () => {
    expect(readPitch('415', hertz(415))).toEqual({ ok: true, tuned: { note: 'A4', frequency: 415 } });
    expect(readPitch('415', hertz(440))).toEqual({ ok: true, tuned: { note: 'A♭4', frequency: 415 } });
  });
});

describe('a tuning and its strings', () => {
  const strung = strungKind('electric-in-line');
  const strings = stringingOf(strung, setsFor('electric', 6)[3]?.strings ?? [])?.strings ?? null;
  const tuned = (first: string, last = 'E2'): Tuned => ({
    a4: CONCERT_A4,
    notes: [first, 'B3', 'G3', 'D3', 'A2', last].map((note) => ({ note, frequency: null })),
  });
  const said = (first: string, last?: string) => sayVerdicts(tuningRows(strung, tuned(first, last), strings, 0));

  it('holds in the usual tuning, and says nothing', () => expect(said('E4')).toBeNull());

  it('says in red which string breaks, and which is only past its safe share', () => {
    expect(said('C5')).toEqual({ says: 'This tuning breaks string 1 at C5 before it is reached.', grave: true });
    expect(said('A♭4')).toMatchObject({ grave: true, says: expect.stringContaining('String 1 at A♭4 is past its safe share') });
  });

  it('says which string hangs slack', () => {
    expect(said('E4', 'C1')).toMatchObject({ grave: false });
    expect(said('C3')?.says ?? '').toContain('hangs slack');
  });

  it('shows what sounds behind a capo, at the same pull', () => {
    const open = tuningRows(strung, tuned('E4'), strings, 0);
    const behind = tuningRows(strung, tuned('E4'), strings, 2);
    expect(behind.map(({ sounds }) => sounds)).toEqual(['F♯4', 'C♯4', 'A3', 'E3', 'B2', 'F♯2']);
    expect(behind.map(({ pull }) => pull)).toEqual(open.map(({ pull }) => pull));
  });

  it('knows no verdict where no string is chosen', () => {
    expect(tuningRows(strung, tuned('E4'), null, 0)[0]).toMatchObject({ pull: null, verdict: null });
  });
});
