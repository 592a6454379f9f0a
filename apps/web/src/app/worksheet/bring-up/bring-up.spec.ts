import { Router } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { WorksheetBench } from '../../testing/worksheet-bench';
import { BringUp } from './bring-up';
import { Listening } from '../hearing';

const TENS = 'electric-nickel-10-13-17-26w-36w-46w';
const THIRD = 2;
let bench: WorksheetBench;
beforeEach(async () => {
  bench = await WorksheetBench.open({});
  await bench.choose(TENS);
  bench.desk.lane.set(THIRD);
  bench.desk.stage.set('wind');
  await bench.desk.markDone();
  bench.desk.stage.set('bring-up');
  bench.desk.lane.set(THIRD);
});
afterEach(() => bench.close());

const heard = () => bench.logged.filter(({ kind }) => kind === 'heard');

describe('an ear at the worksheet', () => {
  it('takes down what somebody’s own tuner reads, in words where it cannot be', async () => {
    const page = await bench.page(BringUp);
    const keep = async () => {
      page.field('it reads, ¢').form?.dispatchEvent(new Event('submit'));
      await page.settle();
    };
    await keep();
    expect(page.text).toContain('Type how many cents');
    await page.type('it reads, ¢', '-9000');
    await keep();
    expect(page.text).toContain('-9000 ¢, must');
    expect(heard()).toEqual([]);
    await page.type('it reads, ¢', '-31.5');
    TestBed.inject(Listening).ticksItself.set(false);
    await keep();
    expect(heard()).toMatchObject([{ string: 3, payload: { cents: -31.5, sure: null, by: 'typed' } }]);
    expect(page.text).toContain('32 ¢ to go');
    // a .017 of 648 mm pulls 16.6 lbf, 73.8 N, at its note; 31.5 cents under it by the square of the pitch 3.6 % less
    expect(page.text).toMatch(/pulls 7[01] N, 8\d % to spare/);
  });

  it('ticks a string by itself once it is at its note, was stretched, and is there again, unless that is switched off', async () => {
    vi.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    const listening = TestBed.inject(Listening);
    expect(bench.desk.stepInHand()).toMatchObject({ firstPass: true, done: 'up, stretched once' });
    for (const cents of [-300, 0.5, -24]) await listening.type(cents);
    expect(bench.desk.inHandIsDone()).toBe(false);
    listening.ticksItself.set(false);
    await listening.type(-1);
    expect(bench.desk.inHandIsDone()).toBe(false);
    listening.ticksItself.set(true);
    await listening.type(-1);
    expect(bench.logged.at(-1)).toMatchObject({ kind: 'tensioned', string: 3 });
  });

  it('does not tick a step again that was taken back before the string was elsewhere', async () => {
    vi.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    const listening = TestBed.inject(Listening);
    for (const cents of [0, -30, 0]) await listening.type(cents);
    await bench.desk.takeBack();
    TestBed.tick();
    bench.desk.stage.set('bring-up');
    bench.desk.lane.set(THIRD);
    await listening.type(0.4);
    expect(bench.logged.at(-1)).toMatchObject({ kind: 'heard' });
    for (const cents of [-12, 0.4]) await listening.type(cents);
    expect(bench.logged.at(-1)).toMatchObject({ kind: 'tensioned', string: 3 });
  });

  it('shows the mark of a string that stands exactly at its note', async () => {
    const page = await bench.page(BringUp);
    TestBed.inject(Listening).ticksItself.set(false);
    await TestBed.inject(Listening).type(0);
    await page.settle();
    expect(page.element.querySelector('.near path.now')).not.toBeNull();
  });

  it('says why nothing is heard where a microphone is refused', async () => {
    vi.spyOn(navigator.mediaDevices, 'getUserMedia').mockRejectedValue(new DOMException('no', 'NotAllowedError'));
    const listening = TestBed.inject(Listening);
    listening.listenTo('microphone');
    await vi.waitFor(() => expect(listening.fault()).toContain('was refused'));
    expect(listening.source()).toBe('off');
    vi.spyOn(navigator.mediaDevices, 'getUserMedia').mockRejectedValue(new DOMException('no', 'NotFoundError'));
    listening.listenTo('microphone');
    await vi.waitFor(() => expect(listening.fault()).toContain('no microphone on this device'));
    vi.restoreAllMocks();
  });
});
