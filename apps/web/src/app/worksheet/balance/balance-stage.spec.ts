import { Router } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { BenchPage } from '../../testing/bench-page';
import { setOf, setupWith, WorksheetBench } from '../../testing/worksheet-bench';
import { BenchActions } from '../actions';
import { BridgeDesk, BridgeWork } from '../bridge';
import { Listening } from '../hearing';
import { BalanceStage } from './balance-stage';

const NINES = 'electric-nickel-9-11-16-24w-32w-42w';
const TENS = 'electric-nickel-10-13-17-26w-36w-46w';
/** How pads lay, last time. */
const PADS = { jobId: '01900000-0000-7000-8000-00000000000f', pads: [{ clamp: 1, lies: 'along' }, { clamp: 2, lies: 'across' }] }; // prettier-ignore
const ORDER = [5, 4, 3, 2, 1, 0];
const BY_HAND = { sure: null, by: 'typed' as const };
let bench: WorksheetBench;
afterEach(() => bench.close());

/** A floating bridge under a set, that was level under the one before. */
async function open(before: string, after: string, more = {}, kind = 'electric-in-line-locking'): Promise<void> {
  bench = await WorksheetBench.open({ kind, current: setupWith(setOf(before), more) });
  await bench.choose(after);
  vi.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  bench.desk.stage.set('balance');
  TestBed.tick();
}
const work = () => TestBed.inject(BridgeWork);
const step = () => work().step();
const last = () => bench.logged.at(-1);
async function hearAll(cents: (lane: number) => number): Promise<void> {
  for (const lane of ORDER) await work().hear(lane, cents(lane), BY_HAND);
  await reckoned();
}
/** What was heard last was reckoned by the worker. */
const reckoned = () =>
  vi.waitFor(() => {
    TestBed.tick();
    expect(step()?.kind).not.toBe('reckon');
  }, 10_000);
async function space(): Promise<void> {
  await TestBed.inject(BenchActions).markDone();
  TestBed.tick();
}

describe('Balance with a heavier set', () => {
  beforeEach(() => open(NINES, TENS));

  it('hears all, sets them lower one by one, turns the claw in, by parts where they would hang loose, and hears all again', async () => {
    const page = await bench.page(BalanceStage);
    expect(page.text).toContain('Pluck string 6, 5, 4, 3, 2 and 1, each as it stands.');
    await hearAll(() => 0);
    expect(bench.logged.filter(({ kind }) => kind === 'heard-on-bridge')).toHaveLength(6);
    const turned: number[] = [];
    while (step()?.kind !== 'done' && turned.length < 3) {
      for (let set = 0; set < 6; set++) {
        const next = step();
        if (next?.kind !== 'set') throw new Error(`a string is set, not ${next?.kind}`);
        expect(next.leaves.travel).toBeGreaterThan(0);
        expect(bench.desk.lane()).toBe(next.step.string);
        await space();
        expect(last()).toMatchObject({ kind: 'set-on-bridge', string: next.step.string + 1 });
      }
      await page.settle();
      expect(page.text).toContain('Screwdriver: each screw of the claw');
      turned.push(work().screws()?.bass ?? 0);
      await space();
      expect(last()).toMatchObject({ kind: 'claw-turned' });
      expect(step()?.kind).toBe('read');
      await hearAll(() => 0);
    }
    // about 84 N more at 10.5 mm, against three springs at 40 mm of 1.2 N/mm: 6.1 mm by screws of 1.7 mm
    expect(turned).toHaveLength(2);
    expect(turned.reduce((sum, turns) => sum + turns, 0)).toBeGreaterThan(2.5);
    expect(turned.reduce((sum, turns) => sum + turns, 0)).toBeLessThan(4.5);
    await space();
    expect(bench.logged.filter(({ kind }) => kind === 'balanced')).toHaveLength(6);
  });

  it('says no mark by springs that what was heard last may have changed, and Space waits for them', async () => {
    const page = await bench.page(BalanceStage);
    await hearAll(() => 0);
    while (step()?.kind === 'set') await space();
    await space(); // the claw
    for (const lane of ORDER) await work().hear(lane, -20, BY_HAND);
    const before = bench.logged.length;
    expect(step()?.kind).toBe('reckon');
    expect(TestBed.inject(BridgeDesk).marks()).toBeNull();
    await TestBed.inject(BenchActions).markDone();
    expect(bench.logged).toHaveLength(before);
    await reckoned();
    await page.settle();
    expect(step()?.kind).toBe('set');
    expect(page.text).toMatch(/String \d to [+−]/);
  });

  it('takes down a string at its mark only, whatever is heard on its way', async () => {
    await hearAll(() => 0);
    const next = step();
    if (next?.kind !== 'set') throw new Error('a string is set');
    const { string, target } = next.step;
    const before = bench.logged.length;
    await work().hear(string, target + 40, BY_HAND);
    expect(bench.logged).toHaveLength(before);
    await work().hear(string, target + 1.5, BY_HAND);
    expect(last()).toMatchObject({ kind: 'set-on-bridge', payload: { cents: Math.round(10 * (target + 1.5)) / 10 } });
  });

  it('tries a claw, springs and a pitch without taking anything down', async () => {
    await hearAll(() => 0);
    const page = await bench.page(BalanceStage);
    const [before, tilt] = [bench.logged.length, TestBed.inject(BridgeDesk).now()?.angle ?? 0];
    await page.press('Try one spring more');
    expect(page.text).toContain('tried, not done');
    expect(page.text).toContain('4 are hooked in now');
    expect(TestBed.inject(BridgeDesk).now()?.angle ?? 0).toBeLessThan(tilt);
    expect(bench.logged).toHaveLength(before);
    await page.press('back to how it is');
    expect(TestBed.inject(BridgeDesk).now()?.angle).toBe(tilt);
  });

  it('takes down springs that were hooked in: the claw comes out then, or goes in less', async () => {
    await hearAll(() => 0);
    const page = await bench.page(BalanceStage);
    await page.press('Try one spring more');
    await page.press('4 are hooked in now');
    expect(last()).toMatchObject({ kind: 'springs-hooked', payload: { count: 4 } });
    expect(page.text).not.toContain('tried, not done');
    expect(TestBed.inject(BridgeDesk).now()?.bridge.springs.count).toBe(4);
  });
});

describe('Balance with the same set', () => {
  beforeEach(() => open(TENS, TENS));

  it('leaves the claw, and gives marks above their notes to strings that are followed by flat ones', async () => {
    const page = await bench.page(BalanceStage);
    await hearAll((lane) => [-30, -60, -80, -100, -50, -20][lane] ?? 0);
    const next = step();
    expect(next?.kind === 'set' && next.step.target).toBeGreaterThan(5);
    await page.settle();
    expect(page.text).toContain('Claw: leave it where it is');
    expect(page.text).toMatch(/Tune to E2 \+[\d.]+ ¢ now: it comes down to 0 when 5, 4, 3, 2 and 1 are up\./);
  });

  it('lowers a string to learn, and takes that for no step of a pass', async () => {
    await hearAll(() => 0.5);
    TestBed.inject(BridgeDesk).learning.set(true);
    expect(step()).toEqual({ kind: 'lower', string: 5 });
    await work().hear(5, -40, BY_HAND); // on its way
    expect(step()?.kind).toBe('lower');
    await work().hear(5, -196, BY_HAND);
    TestBed.tick();
    expect(step()).toMatchObject({ kind: 'read' });
    await work().hear(3, 11, BY_HAND);
    await work().hear(1, 12, BY_HAND);
    expect(TestBed.inject(BridgeDesk).trials()).toHaveLength(1);
  });

  it('goes on to the string that is next, also where one was plucked twice', async () => {
    await work().hear(5, -3, BY_HAND);
    expect(bench.desk.lane()).toBe(4);
    bench.desk.lane.set(5);
    await work().hear(5, -3.2, BY_HAND);
    expect(bench.desk.lane()).toBe(4);
  });

  it('refuses a reading that cannot be, in words, and takes readings back to where they were', async () => {
    TestBed.inject(Listening).listenTo('off');
    const page = await bench.page(BalanceStage);
    TestBed.inject(Listening).listenTo('off');
    await page.settle();
    const keep = async () => {
      page.field('it reads, ¢').form?.dispatchEvent(new Event('submit'));
      await page.settle();
    };
    await keep();
    expect(page.text).toContain('Type how many cents');
    await page.type('it reads, ¢', '-2400');
    await keep();
    expect(page.text).toContain('-2400 ¢, must');
    await page.type('it reads, ¢', '-12.5');
    await keep();
    expect(last()).toMatchObject({ kind: 'heard-on-bridge', string: 6, payload: { cents: -12.5 } });
    expect(await bench.desk.takeBack()).toBe('balance');
    expect(bench.desk.sheet().onBridge).toEqual([]);
  });
});

it('goes on from the springs that an earlier job learned', async () => {
  const springs = { count: 4, rateNPerMm: { low: 1.7, likely: 1.8, high: 1.9 }, initialN: { low: 6, likely: 8, high: 10 }, trials: 3 };
  await open(TENS, TENS, { springs });
  expect(TestBed.inject(BridgeDesk).bridge()?.springs).toMatchObject({ count: 4, rate: 1800, initial: 8 });
});

describe('Balance of a bridge that stands skew', () => {
  it('turns the screws against each other once all are in tune, and measures anew after it', async () => {
    await open(TENS, TENS, { jobId: PADS.jobId, measurements: [{ what: 'bridge-level', valueMm: 3 }] });
    for (const lane of ORDER) await bench.desk.happens({ kind: 'tensioned', string: lane + 1, payload: {} });
    await hearAll(() => 0);
    const measure = (what: 'bridge-level' | 'bridge-level-treble', valueMm: number) =>
      bench.desk.happens({ kind: 'measured', payload: { what, valueMm } });
    await measure('bridge-level', 3.6);
    await measure('bridge-level-treble', 2.4);
    await hearAll(() => 0);
    const page = await bench.page(BalanceStage);
    expect(page.text).toContain('bass screw of the claw ¼ turn in, treble screw ¼ turn out');
    await space();
    expect(last()).toMatchObject({ kind: 'claw-turned', payload: { bassTurns: 0.25, trebleTurns: -0.25 } });
    expect(TestBed.inject(BridgeDesk).skewTurns()).toBe(0);
  });
});

describe('Balance on a headless vibrato', () => {
  it('says what its screw has left', async () => {
    await open(TENS, TENS, {}, 'electric-headless');
    const page = await bench.page(BalanceStage);
    expect(page.text).toMatch(/\d+\.\d mm of its screw left at its note/);
  });
});

describe('Balance behind a locking nut', () => {
  beforeEach(() => open(TENS, TENS, PADS, 'electric-double-locking'));

  it('fine tuners to the middle, all heard, the clamps shut, all heard again, and the rest by fine tuners', async () => {
    const page = await bench.page(BalanceStage);
    expect(page.text).toContain('every fine tuner to the middle of its travel');
    expect(work().string()).toBeNull();
    await space();
    expect(last()).toMatchObject({ kind: 'fine-tuners-at-mid' });
    await hearAll(() => 0);
    await page.settle();
    expect(page.text).toContain('shut the clamps at the nut, pads 1 along, 2 across the strings');
    await space();
    expect(last()).toMatchObject({ kind: 'nut-clamped', payload: { shut: true } });
    await hearAll((lane) => (lane === 2 ? -9 : 0));
    await page.settle();
    const next = step();
    expect(next?.kind).toBe('set');
    bench.desk.lane.set(2);
    await page.settle();
    expect(page.text).toMatch(/about (0\.\d turns|\d+°) of its fine tuner in · \d+ ¢ a turn, 3\.0 left in, 3\.0 out/);
  });

  it('opens the clamps again where a string is out of reach', async () => {
    await space();
    await hearAll(() => 0);
    await space();
    await hearAll((lane) => (lane === 5 ? -500 : 0));
    const page = await bench.page(BalanceStage);
    expect(page.text).toMatch(/The fine tuner of string 6 ends \d+\.\d turns short of its mark: open the clamps/);
    await space();
    expect(last()).toMatchObject({ kind: 'nut-clamped', payload: { shut: false } });
    expect(step()).toEqual({ kind: 'mid' });
  });
});

describe('The arm at Balance', () => {
  let page: BenchPage<BalanceStage>;
  beforeEach(async () => {
    await open(TENS, TENS);
    page = await bench.page(BalanceStage);
    page.element.querySelector<HTMLElement>('mat-chip-option:last-of-type button')?.click();
    await page.settle();
  });

  it('says how far each string goes, which is slack first, and what a bend costs', () => {
    expect(page.text).toMatch(/String \d goes slack first/);
    expect(page.text).toMatch(/string \d −\d+ ¢/);
    expect(page.element.querySelectorAll('peg-arm-panel tbody tr')).toHaveLength(6);
  });

  it('tells apart, after dives, what each string did and what the bridge did', async () => {
    expect(page.button('dived five times').disabled).toBe(true);
    await hearAll(() => 0);
    await page.settle();
    await page.press('dived five times');
    expect(last()).toMatchObject({ kind: 'arm-moved', payload: { way: 'down' } });
    await hearAll((lane) => (lane === 2 ? -6 : 0.2));
    await page.settle();
    expect(page.text).toMatch(/String 3 came back \d\.\d ¢ low: friction at slot or tree, or it slips: pull the arm up/);
  });
});
