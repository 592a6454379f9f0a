import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { setsFor } from '@gold-peg/craft/strings';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { setupWith, setOf, WorksheetBench } from '../../testing/worksheet-bench';
import { NowPanel } from './now-panel';

const START = Date.parse('2026-05-26T18:00:00Z');
const hoursLater = (hours: number) => vi.setSystemTime(START + 3_600_000 * hours);

describe('Trim says of a tail that is too fresh to be cut', () => {
  let bench: WorksheetBench;
  beforeEach(() => {
    vi.useFakeTimers({ toFake: ['Date'], now: START });
    TestBed.configureTestingModule({ providers: [provideRouter([])] });
  });
  afterEach(() => {
    bench.close();
    vi.useRealTimers();
  });

  /** The first string of a kind, under pull since `START`, at Trim so many hours later. */
  async function said(kind: string, set: string, hours: number): Promise<string> {
    bench = await WorksheetBench.open({ kind, current: setupWith(setOf(set)) }, 'settle');
    await bench.choose(set);
    bench.desk.lane.set(0);
    await bench.desk.happens({ kind: 'tensioned', string: 1, payload: {} });
    hoursLater(hours);
    bench.desk.stage.set('trim');
    const { element, text } = await bench.page(NowPanel);
    return `${text} large: ${element.querySelector('.act')?.textContent.trim()}`;
  }
  const nylon = setsFor('classical', 6)[0]?.id ?? '';

  it('how long nylon has borne pull, until it has for a night', async () => {
    const told = await said('classical', nylon, 0.6);
    expect(told).toMatch(/less than an hour: leave its tail for a night.*String 1 \S+ Space.* large: Leave it, back to Today$/);
    bench.close();
    hoursLater(0);
    TestBed.configureTestingModule({ providers: [provideRouter([])] });
    expect(await said('classical', nylon, 3.5)).toContain('Under pull for 3 h: leave');
    bench.close();
    hoursLater(0);
    expect(await said('classical', nylon, 14)).toMatch(/ large: String 1 trimmedSpace$/);
  });

  it('nothing of steel', async () => {
    expect(await said('electric-in-line', 'electric-nickel-10-13-17-26w-36w-46w', 0.6)).not.toContain('leave its tail');
  });
});

describe('Bring up counts what is to go', () => {
  it('in its own pass: strings that do not bear pull yet in the first, those that are not at their note in the second', async () => {
    const set = setsFor('classical', 6)[0]?.id ?? '';
    const bench = await WorksheetBench.open({ kind: 'classical', current: setupWith(setOf(set)) }, 'bring-up');
    await bench.choose(set);
    const page = await bench.page(NowPanel);
    const says = async (lane: number) => {
      bench.desk.lane.set(lane);
      await page.settle();
      return /(\d) to go/.exec(page.text)?.[1];
    };
    expect(await says(5)).toBe('6');
    await bench.desk.happens({ kind: 'tensioned', string: 6, payload: {} });
    expect([await says(4), await says(5)]).toEqual(['5', '6']); // string 6 is at its second pass, which no string has passed
    await bench.desk.happens({ kind: 'brought-up', string: 6, payload: {} });
    expect([await says(4), await says(5)]).toEqual(['5', '5']);
    bench.close();
  });
});
