import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { setsFor } from '@gold-peg/craft/strings';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { BenchPage } from '../../testing/bench-page';
import { setOf, setupWith, WorksheetBench } from '../../testing/worksheet-bench';
import { Listening } from '../hearing';
import { RoundsByEar } from './rounds-by-ear';
import { SettleStage } from './settle-stage';

let bench: WorksheetBench;
let page: BenchPage<SettleStage>;

async function at(kind: string, set: string): Promise<void> {
  bench = await WorksheetBench.open({ kind, current: setupWith(setOf(set)) }, 'settle');
  await bench.choose(set);
  bench.desk.stage.set('settle');
  page = await bench.page(SettleStage);
}

async function note(lost: string): Promise<void> {
  await page.type('cents lost', lost);
  await page.press('note it');
}

afterEach(() => bench.close());

describe('Settle', () => {
  it('takes down what a round cost, and tells from the third on how many are left', async () => {
    await at('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w');
    bench.desk.lane.set(2);
    for (const lost of ['40', '20']) await note(lost);
    expect(page.text).toContain('lost 20 ¢ · too early to say');
    await note('10');
    expect(page.text).toMatch(/lost 10 ¢ · \d more rounds/);
    expect(
      bench.logged
        .filter(({ kind }) => kind === 'pitch-read')
        .map((event) => [event.kind, 'string' in event && event.string, event.payload]),
    ).toEqual([-40, -20, -10].map((cents) => ['pitch-read', 3, { cents, after: 'stretch', retuned: true, by: 'typed' }]));
    expect(page.element.querySelectorAll('peg-drop-bars rect')).toHaveLength(3);
  });

  it('takes what the ear read of this string where nothing was typed, once, and says so', async () => {
    await at('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w');
    const { reading } = TestBed.inject(Listening);
    const payload = () => bench.logged.at(-1)?.payload;
    bench.desk.lane.set(2);
    reading.set({ lane: 2, cents: -18.6 });
    await page.settle();
    expect(page.field('cents lost').value).toBe('18.6');
    expect(page.text).toContain('heard');
    await page.press('note it');
    expect(payload()).toEqual({ cents: -18.6, after: 'stretch', retuned: true, by: 'heard' });
    expect(page.field('cents lost').value).toBe('');
    reading.set({ lane: 2, cents: -9 });
    await note('7');
    expect(payload()).toMatchObject({ cents: -7, by: 'typed' });
    reading.set({ lane: 3, cents: -9 });
    await page.settle();
    expect(page.field('cents lost').value).toBe('');
  });

  it('never notes at one string what was typed at another', async () => {
    await at('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w');
    await page.type('cents lost', '40');
    bench.desk.lane.set(3);
    await page.settle();
    expect(page.field('cents lost').value).toBe('');
  });

  it('takes a reading back as it takes back a step', async () => {
    await at('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w');
    await note('40');
    await bench.desk.takeBack();
    await page.settle();
    expect(page.text).not.toContain('lost 40 ¢');
  });

  it('begins the rounds of a string that slipped anew once it was seated again', async () => {
    await at('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w');
    for (const lost of ['19', '22', '18', '21', '20']) await note(lost);
    expect(page.text).toContain('✗ slipping');
    await page.press('seated again');
    expect(page.text).not.toContain('slipping');
    await note('30');
    expect(page.text).toContain('lost 30 ¢ · too early to say');
  });

  it('says how far a string may be pulled aside, half of that on a bass, and nothing where it is twisted', async () => {
    await at('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w');
    bench.desk.lane.set(0);
    await page.settle();
    expect(page.text).toMatch(/no more than \d+ mm aside: there it bears what is safe/);
    bench.close();
    await at('bass-in-line', setsFor('bass', 4)[0]?.id ?? '');
    expect(page.text).toMatch(/no more than \d+ mm aside: half of what it may still bear/);
    bench.close();
    await at('classical', 'classical-nylon-basses-27-32-39-28w-34w-42w');
    expect(page.text).not.toContain('aside:');
  });

  it('refuses what cannot be, in a sentence, and keeps what was typed', async () => {
    await at('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w');
    await note('4000');
    expect(page.alert()).toContain('Cents lost, 4000 ¢, must lie between -1200 and 1200 ¢');
    expect(page.field('cents lost').value).toBe('4000');
    await note('');
    expect(page.alert()).toContain('Type how many cents');
    expect(bench.logged.some(({ kind }) => kind === 'pitch-read')).toBe(false);
  });

  it('asks for readings after a rest only where strings go on moving, once their clock runs', async () => {
    await at('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w');
    expect(page.element.querySelector('mat-select')).toBeNull();
    expect(page.text).not.toContain('By itself');
    bench.close();
    await at('classical', 'classical-nylon-basses-27-32-39-28w-34w-42w');
    expect(page.element.querySelector('mat-select')).not.toBeNull();
    expect(page.text).toContain('Tick it at Bring up first');
    await bench.desk.happens({ kind: 'brought-up', string: bench.desk.lane() + 1, payload: {} });
    await page.settle();
    expect(page.text).toContain('read it after a rest');
  });

  describe('by ear', () => {
    const START = Date.parse('2026-05-26T10:00:00Z');
    /** Plucks as (cents off, minutes), one after the other. */
    async function pluck(lane: number, plucks: readonly (readonly [number, number])[]): Promise<void> {
      const { readings } = TestBed.inject(Listening);
      for (const [cents, minutes] of plucks) {
        vi.setSystemTime(START + 60_000 * minutes);
        readings.next({ lane, cents, sure: 1 });
        await page.settle();
      }
    }
    const read = () => bench.logged.flatMap((event) => (event.kind === 'pitch-read' ? [event.payload] : []));
    beforeEach(() => vi.useFakeTimers({ toFake: ['Date'], now: START }));
    afterEach(() => vi.useRealTimers());

    it('notes each round without a hand, and ticks the string once it is settled', async () => {
      await at('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w');
      vi.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
      bench.desk.lane.set(2);
      await pluck(2, [[-12, 0], [0.5, 0.2], [-29.5, 0.5], [0, 1], [-12, 1.5], [0, 2], [-4, 2.5], [0, 3]]); // prettier-ignore
      expect(read().map(({ cents, after, by }) => [cents, after, by])).toEqual([-30, -12, -4].map((cents) => [cents, 'stretch', 'heard']));
      expect(bench.logged.some(({ kind }) => kind === 'settled')).toBe(false);
      await pluck(2, [[-1, 3.5]]);
      expect(bench.logged.at(-1)).toMatchObject({ kind: 'settled', string: 3 });
    });

    it('begins the round anew once one was noted by hand', async () => {
      await at('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w');
      bench.desk.lane.set(2);
      await pluck(2, [[0, 0]]); // prettier-ignore
      await note('17');
      await pluck(2, [[0, 1], [-9, 2]]); // prettier-ignore
      expect(read().map(({ cents, by }) => [cents, by])).toEqual([[-17, 'typed'], [-9, 'heard']]); // prettier-ignore
    });

    it('takes what a nylon string did by itself for a rest, and no pluck for a round where that is switched off', async () => {
      await at('classical', setsFor('classical', 6)[0]?.id ?? '');
      bench.desk.lane.set(0);
      await bench.desk.happens({ kind: 'tensioned', string: 1, payload: {} });
      await pluck(0, [[-15.2, 60], [0, 61], [-1, 62]]); // prettier-ignore
      expect(read().map(({ cents, after, retuned }) => [cents, after, retuned])).toEqual([[-15.2, 'rest', true], [-1, 'stretch', true]]); // prettier-ignore
      TestBed.inject(RoundsByEar).notes.set(false);
      await pluck(0, [[0, 70], [-20, 71]]); // prettier-ignore
      expect(read()).toHaveLength(2);
    });
  });
});
