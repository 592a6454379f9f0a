import { TestBed } from '@angular/core/testing';
import { expect, it } from 'vitest';
import { WorksheetBench } from '../../testing/worksheet-bench';
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
