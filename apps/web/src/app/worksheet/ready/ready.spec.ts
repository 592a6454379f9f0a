import { afterEach, describe, expect, it } from 'vitest';
import { TestBed } from '@angular/core/testing';
import { Caliper, CHANCE } from '../../devices/caliper';
import { setupWith, setOf, WorksheetBench } from '../../testing/worksheet-bench';
import { Ready } from './ready';

const TENS = 'electric-nickel-10-13-17-26w-36w-46w';
let bench: WorksheetBench;
afterEach(() => bench.close());

/** Half of everything: the caliper's hand trembles by √(2 ln 2)·cos π = −1.18 times its deviation, and its zero is off by 0.06 mm. */
async function open(kind = 'electric-in-line', more: Parameters<typeof WorksheetBench.open>[0] = {}) {
  TestBed.configureTestingModule({ providers: [{ provide: CHANCE, useValue: () => 0.5 }] });
  bench = await WorksheetBench.open({ kind, ...more }, 'ready');
  return bench.page(Ready);
}
const of = (kind: string) => bench.logged.filter((event) => event.kind === kind);

describe('the bench made ready', () => {
  it('lists the tools of exactly this job, ticks them one by one and all at once', async () => {
    const page = await open('acoustic-parlour');
    expect(page.text).toContain('notched lever for pins');
    expect(page.text).not.toContain('hex key');
    const boxes = () => [...page.element.querySelectorAll<HTMLInputElement>('peg-bench-list input[type=checkbox]')];
    boxes()[0]?.click();
    await page.settle();
    expect(of('tool-laid')).toMatchObject([{ payload: { tool: 'winder', there: true, sizeMm: null } }]);
    await page.press(`all ${boxes().length - 1} are there`);
    expect(of('tool-laid')).toHaveLength(boxes().length);
    expect(page.text).toContain('✓ all there');
    boxes()[0]?.click();
    await page.settle();
    expect(page.text).toContain('all 1 are there');
  });

  it('asks for hex sizes and the thickness of the block, as they were last time', async () => {
    const last = setupWith(setOf(TENS), { jobId: '01900000-0000-7000-8000-0000000000ff', sizes: [{ tool: 'block', sizeMm: 11.5 }] });
    const page = await open('electric-double-locking', { setups: [last] });
    expect(page.field('Thickness of the block to hold the bridge level, mm').value).toBe('11.5');
    expect(page.text).toContain('as last time');
    expect(page.text).toMatch(/mm ?typical/);
    const block = page.field('Thickness of the block to hold the bridge level, mm');
    block.value = '12,25';
    block.dispatchEvent(new Event('change'));
    await page.settle();
    expect(of('tool-laid')).toMatchObject([{ payload: { tool: 'block', sizeMm: 12.25 } }]);
    block.value = '900';
    block.dispatchEvent(new Event('change'));
    await page.settle();
    expect(page.alert()).toContain('must lie between 0.5 and 60 mm');
    expect(of('tool-laid')).toHaveLength(1);
  });

  it('holds the tuner’s reference against what was asked for: 442 Hz are 8 cents sharp', async () => {
    const page = await open();
    await page.type('the tuner shows A =', '442');
    await page.press('checked');
    expect(page.text).toContain('8 cents sharp: set it to 440 Hz');
    await page.type('the tuner shows A =', '440');
    await page.press('checked');
    expect(page.text).toContain('✓ as asked, A = 440 Hz');
    await page.type('the tuner shows A =', '44');
    await page.press('checked');
    expect(page.alert()).toContain('must lie between 392 and 466 Hz');
  });

  it('has nothing to check a string against before a set is taken', async () => {
    const page = await open();
    expect(page.button('Measure string 6').disabled).toBe(false); // the candidate is laid out already
    expect(page.text).toContain('.046'); // what fits the slots of its nut
  });

  it('reads a string wrongly with a caliper that was not zeroed, and rightly after', async () => {
    const page = await open();
    await bench.choose(TENS);
    await page.settle();
    await page.press('close its jaws');
    expect(page.text).toMatch(/Closed, the caliper \(simulated\) shows 0\.06 mm/);
    bench.desk.lane.set(0);
    await page.settle();
    await page.press('Measure string 1');
    expect(page.text).toContain('✗');
    await page.press('zero it');
    await page.press('Measure string 1');
    expect(of('gauge-read')).toHaveLength(2);
    expect(page.text).toContain('✓ String 1 reads 0.25 mm, .010 in: as planned.');
    expect(page.text).toMatch(/Chance that it is string 2: under 1 %/);
  });

  it('takes a typed reading for the string it looks like: 0.33 mm is no .010 but the .013 beside it', async () => {
    const page = await open();
    await bench.choose(TENS);
    bench.desk.lane.set(0);
    await page.settle();
    await page.type('or type, mm', '0.33');
    await page.press('keep');
    expect(page.text).toContain('that is string 2');
    expect(of('gauge-read')).toMatchObject([{ string: 1, payload: { readMm: 0.33, by: 'typed' } }]);
    await page.type('or type, mm', '33');
    await page.press('keep');
    expect(page.alert()).toContain('The reading, 33 mm, must lie between 0.127 and 4.572 mm');
    expect(page.field('or type, mm').value).toBe('33'); // nothing typed is lost
    TestBed.inject(Caliper).press(0.02);
    await page.settle();
    expect(page.alert()).toContain('must lie between 0.127');
    expect(of('gauge-read')).toHaveLength(1);
  });

  it('forgets what was read of another set', async () => {
    const page = await open();
    await bench.choose(TENS);
    bench.desk.lane.set(0);
    await page.settle();
    await page.type('or type, mm', '0.25');
    await page.press('keep');
    expect(page.text).toContain('✓ reads 0.25 mm');
    await bench.choose('electric-nickel-9-11-16-24w-32w-42w');
    await page.settle();
    expect(page.text).not.toContain('reads 0.25 mm');
  });

  it('suspects the caliper where all strings read too much alike', async () => {
    const page = await open();
    await bench.choose(TENS);
    const caliper = TestBed.inject(Caliper);
    for (const lane of [5, 4, 3]) {
      bench.desk.lane.set(lane);
      await page.settle();
      caliper.press((bench.desk.lanes()[lane]?.gauge ?? 0) * 1000);
      await page.settle();
    }
    expect(page.text).toMatch(/All 3 strings read 0\.0\d mm too much: close the jaws, zero the caliper/);
  });

  it('lays all strings out in one go for those who work so', async () => {
    const page = await open();
    await bench.choose(TENS);
    await page.settle();
    expect(page.button('all 6 laid out').textContent).toContain('Shift Space');
    expect(await bench.desk.markInOneGo()).toBe('strip');
    expect(of('laid-out')).toHaveLength(6);
    await page.settle();
    expect(page.text).toContain('All strings are laid out.');
  });
});
