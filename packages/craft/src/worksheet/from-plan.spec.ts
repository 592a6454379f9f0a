import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { windString, type PostPlan, type WindPlan } from '../procedure/index.js';
import { setsFor, stringProperties } from '../strings/index.js';
import { fromMillimetres, radians } from '../units/index.js';
import { countedAgainst, lies, woundAsPlanned } from './index.js';

function planOf(kind: string, index: number): WindPlan {
  const instrument = instrumentOf(kind);
  const [set] = setsFor(instrument.family, instrument.strings.length);
  const string = set?.strings[index];
  const properties = string === undefined ? null : stringProperties(string);
  const plan = properties?.ok === true ? windString({ instrument, index, string: properties.value }) : null;
  if (plan === null) throw new Error(`no plan for ${kind}`);
  return plan;
}
const round = planOf('acoustic-parlour', 5) as PostPlan;
/** A plan in round numbers: what is kept of it can be read off. */
const plain: PostPlan = {
  ...round,
  slack: fromMillimetres(60),
  cut: fromMillimetres(72),
  allowance: fromMillimetres(5),
  stretched: fromMillimetres(2),
  wind: { ...round.wind, turns: 2.5, rotationTurns: 2.8 },
  nut: round.nut === null ? null : { ...round.nut, vertical: radians(Math.PI / 18) },
  geometry: { ...round.geometry, stringDiameter: fromMillimetres(1.2), nutToPost: fromMillimetres(60) },
};

describe('what the log keeps of a plan', () => {
  it('is turns, slack, cut and angle, in mm and degrees', () => {
    const kept = woundAsPlanned(plain);
    expect(kept.turns).toBe(2.5);
    expect([kept.slackMm, kept.cutBeyondPostMm, kept.nutDeg]).toEqual([expect.closeTo(60, 9), expect.closeTo(72, 9), expect.closeTo(10, 9)]); // prettier-ignore
  });

  it('is how far the post turns where a lock holds the string, and no turn in a clamp', () => {
    expect(woundAsPlanned({ ...plain, methods: { ...plain.methods, turns: null } }).turns).toBe(2.8);
    const clamp = woundAsPlanned(planOf('electric-headless', 0));
    expect([clamp.turns, clamp.nutDeg]).toEqual([0, null]);
  });

  it('has no angle where no nut is pressed', () => {
    expect(woundAsPlanned({ ...plain, nut: null }).nutDeg).toBeNull();
    expect(lies({ ...plain, nut: null })).toEqual({ slackMm: expect.closeTo(60, 9), nutDeg: null });
  });
});

describe('turns that were counted', () => {
  it('stand against the slack meant, without what the lock took, and against post and string as noted', () => {
    const counted = countedAgainst(plain, 2.25, 60, 6.35);
    expect(counted).toEqual({
      turns: 2.25,
      slackMm: expect.closeTo(55, 9),
      stretchMm: expect.closeTo(2, 9),
      postDiameterMm: 6.35,
      stringDiameterMm: expect.closeTo(1.2, 9),
      nutToPostMm: expect.closeTo(60, 9),
    });
  });
});
