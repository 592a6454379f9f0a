import { describe, expect, it } from 'vitest';
import { calibrate } from '@gold-peg/craft/calibration';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { slackForTurns } from '@gold-peg/craft/post';
import { fromMillimetres, toMillimetres, metres } from '@gold-peg/craft/units';
import type { CountedTurnsRow } from '../bench-log/index.js';
import { fromInstrument, type Passport } from '../register/index.js';
import { evidenceOf } from './index.js';

const id = '01900000-0000-7000-8000-00000000000b';
const geometry = fromInstrument(instrumentOf('acoustic-parlour'));
const passportWith = (diameterMm: number) =>
  ({
    id,
    geometry: { ...geometry, strings: geometry.strings.map((string) => ({ ...string, post: { ...string.post, diameterMm } })) },
  }) as Passport;

/** Counts at posts noted as 6 mm that are really 6.4: slack and stretch of three turns there. */
const evidence: CountedTurnsRow[] = [1, 2, 3, 4, 5, 6].flatMap((string) =>
  Array.from({ length: 8 }, (_, person) => {
    const post = { postDiameter: fromMillimetres(6.4), stringDiameter: fromMillimetres(0.5), nutToPost: fromMillimetres(92) };
    const real = slackForTurns(3, post, { path: fromMillimetres(700), strain: 0.004, creep: 0 });
    if (!real.ok) throw new Error(real.problem.kind);
    return {
      jobId: id,
      instrumentId: id,
      instrumentName: '',
      personId: `01900000-0000-7000-8000-0000000000${10 + person}`,
      personName: '',
      string,
      at: '2026-05-01T10:00:00Z',
      turns: 3,
      slackMm: toMillimetres(real.value.slack),
      stretchMm: toMillimetres(real.value.stretch),
      postDiameterMm: 6,
      stringDiameterMm: 0.5,
      nutToPostMm: 92,
    };
  }),
);

describe('counts as evidence', () => {
  const thicker = (diameterMm: number) =>
    toMillimetres(metres(calibrate(evidenceOf({ passport: passportWith(diameterMm), evidence })).postThicker(id).value));

  it('say that posts noted as 6 mm are thicker, and nothing more once 6.4 was measured', () => {
    expect(thicker(6)).toBeGreaterThan(0.2);
    expect(Math.abs(thicker(6.4))).toBeLessThan(1e-6);
  });
});
