import { TestBed } from '@angular/core/testing';
import { expect, it } from 'vitest';
import { setOf, setupWith, WorksheetBench } from '../../testing/worksheet-bench';
import { SimulatedInstrument } from './simulated-instrument';
import { SimulatedPegs } from './simulated-pegs';

const THIRD = 2;

it('has pegs to turn on the simulated instrument, says which string is off, and which was turned too far', async () => {
  const bench = await WorksheetBench.open({});
  await bench.choose('electric-nickel-10-13-17-26w-36w-46w');
  bench.desk.lane.set(THIRD);
  bench.desk.stage.set('wind');
  await bench.desk.markDone();
  const page = await bench.page(SimulatedPegs);
  bench.desk.lane.set(0);
  await page.settle();
  expect(page.text).toContain('String 1 is off');
  bench.desk.lane.set(THIRD);
  await page.settle();
  expect(page.text).not.toContain('is off: nothing');
  TestBed.inject(SimulatedInstrument).turn(THIRD, 30);
  await page.settle();
  expect(page.text).toContain('String 3 broke');
  bench.close();
});

it('plucks and turns strings that stay on, where one string alone is replaced', async () => {
  const current = setupWith(setOf('electric-nickel-10-13-17-26w-36w-46w'));
  const bench = await WorksheetBench.open({ kind: 'electric-in-line', current }, 'choose');
  bench.desk.laidOut.togglePick(1);
  await bench.choose('electric-nickel-10-13-17-26w-36w-46w');
  const page = await bench.page(SimulatedPegs);
  const says = async (lane: number) => {
    bench.desk.lane.set(lane);
    await page.settle();
    return page.text;
  };
  expect(await says(1)).toContain('String 2 is off');
  expect(await says(0)).not.toContain('is off');
  TestBed.inject(SimulatedInstrument).turn(0, 30);
  await page.settle();
  expect(page.text).toContain('String 1 broke');
  bench.close();
});
