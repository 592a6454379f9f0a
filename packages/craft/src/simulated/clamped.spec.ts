import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { pitchOf } from '../instrument/index.js';
import { windString } from '../procedure/index.js';
import { setsFor, stringProperties } from '../strings/index.js';
import { chanceFrom, clamped, fineTuned, pitchNow, wound } from './index.js';

/** String 1 of a double-locking guitar at its note. */
function atItsNote() {
  const instrument = instrumentOf('electric-double-locking');
  const spec = setsFor('electric', 6)[0]?.strings[0];
  const properties = spec === undefined ? null : stringProperties(spec);
  const place = instrument.strings[0];
  if (properties?.ok !== true || place === undefined) throw new Error('no such string');
  const plan = windString({ instrument, index: 0, string: properties.value });
  if (plan === null) throw new Error('no plan');
  const borne = { pitch: pitchOf(instrument, place), rounds: 3 };
  const strung = { plan, string: properties.value, scale: place.scaleLength, gearRatio: 14, holds: null, borne };
  return wound(strung, chanceFrom(3));
}

describe('behind a clamped nut', () => {
  it('breaks where it is drawn past what it bears', () => {
    const { of, state } = atItsNote();
    expect(fineTuned(of, state, 200).broken).toBe(true);
  });

  it('pads drag strings by a few cents, up or down, about four on the whole', () => {
    const { of, state } = atItsNote();
    const chance = chanceFrom(11);
    const dragged = Array.from({ length: 400 }, () => 1200 * Math.log2(pitchNow(of, clamped(of, state, chance)) / pitchNow(of, state)));
    const mean = dragged.reduce((sum, each) => sum + each, 0) / 400;
    const spread = Math.sqrt(dragged.reduce((sum, each) => sum + (each - mean) ** 2, 0) / 400);
    expect(Math.abs(mean)).toBeLessThan(0.8);
    expect(spread).toBeGreaterThan(3.3);
    expect(spread).toBeLessThan(4.7);
  });
});
