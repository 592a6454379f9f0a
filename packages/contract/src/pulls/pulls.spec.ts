import { expect, it } from 'vitest';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { fromInstrument, type PastSetup } from '../register/index.js';
import { neckReadings, pullOf } from './index.js';

const GEOMETRY = fromInstrument(instrumentOf('electric-in-line'));
const setup = (gaugeMm: number, measurements: PastSetup['measurements'] = []): PastSetup => ({
  jobId: '01900000-0000-7000-8000-000000000000',
  setName: 's',
  fittedAt: new Date(0).toISOString(),
  fittedBy: 'P',
  remark: '',
  notes: [],
  measurements,
  strings: GEOMETRY.strings.map((_, index) => ({ string: index + 1, construction: 'plain' as const, gaugeMm, turns: null, slackMm: null })),
});
const relief = (valueMm: number, asItCame = false) => ({ what: 'relief' as const, valueMm, ...(asItCame && { asItCame }) });

it('adds up the pulls of all strings: plain steel four times as heavy pulls four times as much', () => {
  expect((pullOf(GEOMETRY, setup(0.6)) ?? 0) / (pullOf(GEOMETRY, setup(0.3)) ?? 1)).toBeCloseTo(4, 9);
});

it('reads how the neck gave: a relief of the instrument as it came is of the strings before', () => {
  const light = pullOf(GEOMETRY, setup(0.3)) ?? 0;
  const readings = neckReadings(GEOMETRY, [setup(0.6, [relief(0.22, true), relief(0.5)]), setup(0.3, [relief(0.2)])]);
  expect(readings.map(({ pullChange, reliefChange }) => [pullChange, reliefChange * 1000])).toEqual([
    [expect.closeTo(0, 9), expect.closeTo(0.02, 9)],
    [expect.closeTo(3 * light, 6), expect.closeTo(0.28, 9)],
  ]);
});

it('reads nothing where only one relief was taken, or the strings of one are not known', () => {
  expect(neckReadings(GEOMETRY, [setup(0.3, [relief(0.2), { what: 'action-bass', valueMm: 2 }])])).toEqual([]);
  expect(neckReadings(GEOMETRY, [setup(0.3, [relief(0.2, true)])])).toEqual([]);
});
