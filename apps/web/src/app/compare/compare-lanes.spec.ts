import { TestBed } from '@angular/core/testing';
import { describe, expect, it } from 'vitest';
import { DEFAULT_PREFERENCES, type Preferences } from '@gold-peg/contract/people';
import { compareOn } from '@gold-peg/craft/gauges';
import { setsFor } from '@gold-peg/craft/strings';
import { strungKind } from '@gold-peg/craft/tuning';
import { Session } from '../session/session';
import { stringingOf } from '../solver/wish-form';
import { BenchPage } from '../testing/bench-page';
import { CompareLanes } from './compare-lanes';

function comparisonOn(neckId: string, index: number) {
  const strung = strungKind(neckId);
  const stringing = stringingOf(strung, setsFor(strung.family, strung.seats.length)[index]?.strings ?? []);
  if (stringing === null) throw new Error('no set');
  return compareOn(stringing, null);
}
const prefer = (change: Partial<Preferences>) =>
  TestBed.inject(Session).person.set({ id: 'p', name: 'P', role: 'owner', version: 1, preferences: { ...DEFAULT_PREFERENCES, ...change } });

describe('lanes of two sets', () => {
  it('have one row for each string, numbered from the high side, each with its unit', async () => {
    prefer({});
    const page = await BenchPage.open(CompareLanes, { comparison: comparisonOn('electric-in-line', 3) });
    const lanes = [...page.element.querySelectorAll('.lane')].map(({ textContent }) => textContent.replace(/\s+/g, ' '));
    expect(lanes.length).toBe(6);
    expect(lanes[0]).toMatch(/1.*E4.*\.010 ?plain.*72 ?N/);
    expect(lanes[5]).toMatch(/6.*E2.*\.046 ?wound/);
    for (const lane of lanes) expect(lane).toMatch(/safe to [A-G].*, breaks [A-G]/);
  });

  it('say pull in the unit of the person at the bench, on axis and bars alike', async () => {
    prefer({ pull: 'lbf' });
    const page = await BenchPage.open(CompareLanes, { comparison: comparisonOn('electric-in-line', 3) });
    // 7820 kg/m³ · 0.050671 mm² · (2 · 0.648 m · 329.63 Hz)² = 72.31 N, over 4.4482 N
    expect(page.element.querySelector('.lane')?.textContent).toContain('16.3');
    expect(page.element.querySelector('.axis')?.textContent).toContain('lbf');
  });

  it('tell which string was picked', async () => {
    const comparison = comparisonOn('acoustic-twelve', 0);
    const page = await BenchPage.open(CompareLanes, { comparison, inHand: 2 });
    expect(page.element.querySelectorAll('.lane').length).toBe(12);
    expect(page.element.querySelector('.in-hand')?.textContent).toContain('B');
    const picked: number[] = [];
    page.instance.picked.subscribe((index) => picked.push(index));
    page.element.querySelectorAll<HTMLElement>('.lane')[11]?.click();
    expect(picked).toEqual([11]);
  });
});
