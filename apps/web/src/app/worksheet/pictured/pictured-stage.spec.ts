import { afterEach, describe, expect, it } from 'vitest';
import { metres } from '@gold-peg/craft/units';
import type { BenchPage } from '../../testing/bench-page';
import { setOf, setupWith, WorksheetBench } from '../../testing/worksheet-bench';
import { bridgeFromAbove } from './place-layout';
import { PicturedStage } from './pictured-stage';

let bench: WorksheetBench;
afterEach(() => bench.close());
const before = setupWith(setOf('electric-nickel-10-13-17-26w-36w-46w'), {
  jobId: '01900000-0000-7000-8000-0000000000ff',
  measurements: [{ what: 'bridge-level', valueMm: 3.2 }],
  pads: [{ clamp: 1, lies: 'across' }],
});
async function open(kind: string, stage: 'strip' | 'anchor', setups = [before]) {
  bench = await WorksheetBench.open({ kind, setups }, stage);
  return bench.page(PicturedStage);
}
const titles = (page: BenchPage<PicturedStage>) =>
  [...page.element.querySelectorAll('peg-anchor-frames h2')].map(({ textContent }) => textContent.trim());

describe('strip and anchor, drawn', () => {
  it('show the steps of this bridge, the fault at Anchor alone', async () => {
    const page = await open('acoustic-parlour', 'anchor');
    expect(titles(page).at(-1)).toContain('The pin creeps out');
    expect(page.text).toContain('does not creep');
    bench.desk.stage.set('strip');
    await page.settle();
    expect(titles(page).join(' ')).toContain('Slacken, then lever');
    expect(page.element.querySelector('li.fault')).toBeNull();
  });

  it('draw for the string in hand: a smooth treble of a tie block is tucked oftener than a wound bass', async () => {
    const page = await open('classical', 'anchor', []);
    bench.desk.lane.set(0);
    await page.settle();
    expect(titles(page).join(' ')).toContain('twice or three times');
    bench.desk.lane.set(5);
    await page.settle();
    expect(titles(page).join(' ')).toContain('once or twice');
    expect(page.text).toMatch(/Holes of the tie block.*6.*9.*12/);
  });

  it('note the place of a loose bridge and of nothing at a fixed one', async () => {
    const mandolin = await open('mandolin', 'strip', []);
    expect(mandolin.text).toContain('Note where it stands');
    expect(mandolin.element.querySelector('svg[aria-label^="The bridge from above: treble side ?"]')).not.toBeNull();
    await mandolin.type('bridge, treble side', '177.5');
    mandolin.field('bridge, treble side').dispatchEvent(new Event('blur'));
    await mandolin.settle();
    expect(mandolin.element.querySelector('svg[aria-label*="treble side 177.5 mm"]')).not.toBeNull();
    bench.close();
    expect((await open('acoustic-parlour', 'strip', [])).text).not.toContain('Note where it stands');
  });

  it('note which way the pads of a locking nut lie, as last time until somebody looks', async () => {
    const page = await open('electric-double-locking', 'strip');
    expect(page.text).toContain('1 and 2: across (last time)');
    expect(page.text).toContain('3 and 4: ?');
    await page.press('Pad of strings 3 and 4');
    expect(bench.logged.at(-1)).toMatchObject({ kind: 'pads-noted', payload: { clamp: 2, lies: 'along' } });
    await page.press('Pad of strings 3 and 4');
    expect(page.text).toContain('3 and 4: across');
    await page.press('Pad of strings 1 and 2');
    expect(page.text).toMatch(/1 and 2: along(?! \(last)/);
    expect(page.text).toContain('3.2 mm');
  });

  it('offer what the school puts together: one string at a loose bridge, the pair of a clamp at a locking nut', async () => {
    const pair = await open('electric-double-locking', 'strip');
    expect(pair.button('all 2 off').textContent).toContain('Shift Space');
    bench.close();
    const one = await open('mandolin', 'strip', []);
    expect(() => one.button('all')).toThrow();
  });
});

describe('the place of a loose bridge', () => {
  const scale = metres(0.353);
  it('is drawn with the side that is farther back to the right, five times as much', () => {
    const { treble, bass, exaggerated } = bridgeFromAbove(scale, 177, 180, false);
    expect(bass.x - treble.x).toBeCloseTo((3 * exaggerated * 180) / 176.5 / 2, 6);
    expect(treble.y).toBeLessThan(bass.y);
    expect(bridgeFromAbove(scale, 177, 180, true).treble.y).toBeGreaterThan(bridgeFromAbove(scale, 177, 180, true).bass.y);
  });

  it('is straight while one side or none is known', () => {
    for (const [treble, bass] of [
      [null, null],
      [178, null],
      [null, 178],
    ] as const) {
      const drawn = bridgeFromAbove(scale, treble, bass, false);
      expect(drawn.bass.x).toBeCloseTo(drawn.treble.x, 9);
    }
  });
});
