import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { setsFor } from '@gold-peg/craft/strings';
import { strungKind, tuningsFor } from '@gold-peg/craft/tuning';
import { CONCERT_A4 } from '@gold-peg/craft/units';
import { stringingOf } from '../solver/wish-form';
import { BenchPage } from '../testing/bench-page';
import { TuningEditor, type TunedNeck, type TuningData } from './tuning-editor';

const strung = strungKind('ukulele-concert');
const data: TuningData = {
  title: 'a concert ukulele',
  strung,
  tuned: { a4: CONCERT_A4, notes: strung.seats.map(({ note }) => ({ note, frequency: null })) },
  strings: stringingOf(strung, setsFor('ukulele', 4)[0]?.strings ?? [])?.strings ?? null,
  tunings: tuningsFor('ukulele', 4),
  scales: true,
};

describe('the tuning editor', () => {
  let page: BenchPage<TuningEditor>;
  const closed = vi.fn<(neck?: TunedNeck) => void>();

  beforeEach(async () => {
    closed.mockClear();
    TestBed.configureTestingModule({
      providers: [
        { provide: MAT_DIALOG_DATA, useValue: data },
        { provide: MatDialogRef, useValue: { close: closed } },
      ],
    });
    page = await BenchPage.open(TuningEditor);
  });

  const taken = () => closed.mock.calls.at(-1)?.[0]?.tuned.notes.map(({ note }) => note);

  it('moves one string by a semitone, and names the tuning by its notes', async () => {
    await page.press('String 4 a semitone down');
    await page.press('String 4 a semitone down');
    await page.press('Take f C E A');
    expect(taken()).toEqual(['A4', 'E4', 'C4', 'F4']);
  });

  it('moves all strings together', async () => {
    await page.press('all a semitone down');
    await page.press('all a semitone down');
    await page.press('Take f B♭ D G');
    expect(taken()).toEqual(['G4', 'D4', 'B♭3', 'F4']);
  });

  it('takes a pitch in hertz, with the nearest note beside it', async () => {
    await page.type('String 1 is tuned to', '435 Hz');
    await page.press('Take');
    expect(closed.mock.calls.at(-1)?.[0]?.tuned.notes[0]).toEqual({ note: 'A4', frequency: 435 });
  });

  it('gives nothing away while something in it is no pitch, and keeps what was typed', async () => {
    await page.type('String 2 is tuned to', 'E and a bit');
    expect(page.alert()).toContain('must be a note with its octave');
    expect(page.button('Take').disabled).toBe(true);
    expect(page.field('String 2 is tuned to').value).toBe('E and a bit');
    await page.type('String 2 is tuned to', 'E4');
    expect(page.button('Take').disabled).toBe(false);
  });

  it('takes a reference from 392 to 466 Hz and no other, whose pitches all follow', async () => {
    await page.type('A4, Hz', '300');
    expect(page.alert()).toContain('A4 must lie between 392 and 466 Hz');
    expect(page.button('Take').disabled).toBe(true);
    await page.type('A4, Hz', '415');
    await page.press('Take');
    expect(closed.mock.calls.at(-1)?.[0]?.tuned.a4).toBe(415);
  });

  it('says in red, before it is taken, which string a tuning breaks', async () => {
    for (let semitone = 0; semitone < 14; semitone++) await page.press('String 1 a semitone up');
    expect(page.text).toMatch(/▲ (This tuning breaks string 1|String 1 at .* is past its safe share)/);
    expect(page.button('Take').textContent).toContain('all the same');
    expect(page.button('Take').classList).toContain('danger');
  });

  it('offers to keep only a tuning that the table does not have', async () => {
    expect(page.text).not.toContain('in the table.');
    expect(() => page.button('keep')).toThrow();
    await page.press('String 2 a semitone up');
    expect(page.button('keep').textContent).toContain('keep g C F A in the table');
  });

  it('takes another scale for each string, or a fan from the first to the last, and pulls by it', async () => {
    const pull = (string: number) =>
      Number.parseFloat(/(\d+) N/.exec(page.element.querySelectorAll('tbody tr')[string - 1]?.textContent ?? '')?.[1] ?? '');
    const before = pull(4);
    await page.type('Scale of string 1, mm', '400');
    await page.type('Scale of string 4, mm', '460');
    await page.press('fan evenly');
    expect(page.field('Scale of string 2, mm').value).toBe('420');
    expect(pull(4)).toBeGreaterThan(before * 1.3);
    await page.press('Take');
    expect(closed.mock.calls.at(-1)?.[0]?.scales.map((scale) => Math.round(scale * 1000))).toEqual([400, 420, 440, 460]);
    await page.type('Scale of string 3, mm', '4');
    expect(page.alert()).toContain('The scale of string 3 must lie between 150 and 1300 mm');
    expect(page.button('Take').disabled).toBe(true);
  });
});
