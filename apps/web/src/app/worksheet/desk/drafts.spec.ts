import { afterEach, describe, expect, it } from 'vitest';
import type { Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Stage } from '@gold-peg/craft/stages';
import { Drafts } from './drafts';
import { WorksheetBench } from '../../testing/worksheet-bench';
import { LookOver } from '../look-over/look-over';
import { Ready } from '../ready/ready';
import { SettleStage } from '../settle/settle-stage';
import { TurnsCounted } from '../wind/turns-counted';

const TENS = 'electric-nickel-10-13-17-26w-36w-46w';
const [SIX, FIVE] = [5, 4];
let bench: WorksheetBench;
afterEach(() => bench.close());

/** Every panel that takes a number for a string: how it is called for strings 6 and 5, and what the log then says. */
const PANELS: { panel: Type<unknown>; stage: Stage; field: (number: number) => string; typed: string; kept: object }[] = [
  { panel: TurnsCounted, stage: 'wind', field: () => 'turns really on it', typed: '2.25', kept: { kind: 'turns-counted', string: 6 } },
  { panel: Ready, stage: 'ready', field: () => 'or type, mm', typed: '1.17', kept: { kind: 'gauge-read', string: 6 } },
  { panel: SettleStage, stage: 'settle', field: () => 'cents lost', typed: '17', kept: { kind: 'pitch-read', string: 6 } },
  {
    panel: LookOver,
    stage: 'look-over',
    field: (number) => `nut slot, string ${number}`,
    typed: '1.2',
    kept: { kind: 'measured', payload: { what: 'slot-width', valueMm: 1.2, string: 6 } },
  },
];

it('is there again when the page was loaded anew', async () => {
  bench = await WorksheetBench.open({});
  TestBed.inject(Drafts).draft(() => 'turns', () => 0).type(2.25); // prettier-ignore
  TestBed.tick();
  const again = TestBed.runInInjectionContext(() => new Drafts());
  expect(again.draft(() => 'turns', () => 0).value()).toBe(2.25); // prettier-ignore
});

describe.each(PANELS)('a number typed for one string at $stage', ({ panel, stage, field, typed, kept }) => {
  it('waits at that string while another is in hand, and is kept at no other', async () => {
    bench = await WorksheetBench.open({});
    await bench.choose(TENS);
    bench.desk.stage.set('wind');
    bench.desk.lane.set(SIX);
    await bench.desk.markDone();
    bench.desk.stage.set(stage);
    TestBed.tick();
    const page = await bench.page(panel);
    const before = bench.logged.length;
    const takeInHand = async (lane: number) => {
      bench.desk.lane.set(lane);
      await page.settle();
    };
    const keep = async (number: number) => {
      const input = page.field(field(number));
      if (input.form === null) input.dispatchEvent(new Event('blur'));
      else input.form.dispatchEvent(new Event('submit'));
      await page.settle();
    };
    await takeInHand(SIX);
    await page.type(field(6), typed);
    await takeInHand(FIVE);
    expect(page.field(field(5)).value).toBe('');
    await keep(5);
    expect(bench.logged).toHaveLength(before);
    await takeInHand(SIX);
    expect(page.field(field(6)).value).toBe(typed);
    await keep(6);
    expect(bench.logged).toHaveLength(before + 1);
    expect(bench.logged.at(-1)).toMatchObject(kept);
  });
});
