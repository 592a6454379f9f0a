import { expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { setsFor, stringProperties } from '../strings/index.js';
import { hertz } from '../units/index.js';
import { turnsBetween, windString } from './index.js';

function inHand(kind: string, number: number) {
  const instrument = instrumentOf(kind);
  const [index, place] = [number - 1, instrument.strings[number - 1]];
  const spec = setsFor(instrument.family, instrument.strings.length)[0]?.strings[index];
  const read = spec === undefined ? null : stringProperties(spec);
  if (read?.ok !== true || place === undefined) throw new Error('no such string');
  const plan = windString({ instrument, index, string: read.value });
  if (plan === null) throw new Error('no plan');
  const pitch = hertz(plan.load.safePitch * 2 ** (-plan.load.semitonesToSafe / 12));
  return { button: { plan, string: read.value, scale: place.scaleLength, gearRatio: instrument.gearRatio }, plan, pitch };
}

it.each([
  ['electric-in-line', 1],
  ['acoustic-parlour', 6],
  ['bass-in-line', 4],
])('near pitch a turn of the button of %s, string %d, brings the cents that the plan says', (kind, number) => {
  const { button, plan, pitch } = inHand(kind, number);
  if (plan.kind !== 'post') throw new Error('no post');
  const oneCentUp = hertz(pitch * 2 ** (1 / 1200));
  expect(Math.abs(turnsBetween(button, pitch, oneCentUp) * plan.centsPerButtonTurn - 1)).toBeLessThan(0.01); // the plan lets it thin by its strain
});

it('is the sum of its parts, there and back, and four times the pull for the octave', () => {
  const { button, pitch } = inHand('electric-in-line', 2);
  const [under, tone] = [hertz(pitch / 2), hertz(pitch * 2 ** (-200 / 1200))];
  const all = turnsBetween(button, under, pitch);
  expect(turnsBetween(button, under, tone) + turnsBetween(button, tone, pitch)).toBeCloseTo(all, 9);
  expect(turnsBetween(button, pitch, under)).toBeCloseTo(-all, 9);
  // T goes with f²: from half the pitch it is three quarters of the pull, to an octave over it three times as much as it has
  expect(turnsBetween(button, pitch, hertz(2 * pitch)) / all).toBeCloseTo(4, 6);
});

it('counts turns of the screw where a string is clamped', () => {
  const { button, plan, pitch } = inHand('electric-headless', 1);
  if (plan.kind !== 'clamp') throw new Error('no clamp');
  const strain = plan.load.pull / button.string.stiffness;
  const lead = plan.screw.used / plan.screw.turns;
  // T is a quarter an octave under
  expect(turnsBetween(button, hertz(pitch / 2), pitch)).toBeCloseTo((0.75 * strain * plan.stretch.path) / (1 + strain) / lead, 6);
});
