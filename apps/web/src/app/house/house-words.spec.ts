import { expect, it } from 'vitest';
import { ago, bytesIn, sayOwnWays } from './house-words';

it('says how long ago, and how large, as one says it', () => {
  const now = new Date('2026-11-26T12:00:00Z');
  const said = ['2026-11-26T11:59:30Z', '2026-11-26T11:13:00Z', '2026-11-26T05:00:00Z', '2026-11-17T12:00:00Z'].map((at) => ago(at, now));
  expect(said).toEqual(['now', '47 min ago', '7 h ago', '9 days ago']);
  expect([400, 380_400, 7_900_000, 41_200_000].map(bytesIn)).toEqual(['1 kB', '380 kB', '7.9 MB', '41 MB']);
});

it('says whose ways somebody has, way by way, and by what they say slack', () => {
  expect(sayOwnWays({ methods: {}, slackMeasure: 'fist' })).toBe('ways of the house; says slack in fists');
  const methods = { turns: { 'thick-wound': 1.75 }, stripping: 'all-off' as const, nutDeg: 7, strings: { '3': { turns: 4 } } };
  expect(sayOwnWays({ methods, slackMeasure: 'pull-back' })).toBe(
    'thick wound 1.75, strings come off all together, angle wanted over the nut, ° 7, 1 string apart; says slack pulled back to a fret',
  );
});
