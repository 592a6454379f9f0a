import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf, type Instrument } from '../instrument/index.js';
import { setsFor, stringProperties, type StringProperties } from '../strings/index.js';
import { metres, toDegrees, toMillimetres } from '../units/index.js';
import { cutZones, windString, type WindPlan } from './index.js';

function stringsOf(instrument: Instrument, setName?: string): StringProperties[] {
  const sets = setsFor(instrument.family, instrument.strings.length);
  const set = sets.find(({ name }) => setName === undefined || name.startsWith(setName));
  return (set?.strings ?? []).map((string) => {
    const outcome = stringProperties(string);
    if (!outcome.ok) throw new Error(outcome.problem.kind);
    return outcome.value;
  });
}

function planOf(id: string, number: number, setName?: string): WindPlan {
  const instrument = instrumentOf(id);
  const string = stringsOf(instrument, setName)[number - 1];
  const plan = string === undefined ? null : windString({ instrument, index: number - 1, string });
  if (plan === null) throw new Error('no plan');
  return plan;
}

describe('winding a string', () => {
  it.each(ARCHETYPES.map(({ id }) => id))('%s: every string of every set has a plan whose turns fit its post', (id) => {
    const instrument = instrumentOf(id);
    for (const set of setsFor(instrument.family, instrument.strings.length)) {
      stringsOf(instrument, set.name).forEach((string, index) => {
        const plan = windString({ instrument, index, string });
        expect(plan).not.toBeNull();
        expect(plan?.wind.turns).toBeLessThanOrEqual((plan?.capacityTurns ?? 0) + 1e-9);
        expect(plan?.wind.turns).toBeLessThanOrEqual(plan?.methods.mostTurns ?? 0);
        expect(plan?.nut?.lifts ?? false).toBe(false);
      });
    }
  });

  it('gives thin plain strings of a guitar three turns and thick wound ones two', () => {
    expect(planOf('acoustic-parlour', 1).wind.turns).toBe(3);
    expect(planOf('acoustic-parlour', 6, '.012–.053').wind.turns).toBe(2);
    expect(planOf('acoustic-parlour', 1).rule).toEqual({ kind: 'house' });
  });

  it('raises the turns of a bass string that no tree helps until it breaks by the wanted 8°', () => {
    const plan = planOf('bass-in-line', 4, '.045–.105 nickel');
    expect(plan.rule.kind).toBe('raised-for-angle');
    expect(plan.wind.turns).toBeGreaterThan(2);
    expect(toDegrees(plan.nut?.vertical ?? (0 as never))).toBeCloseTo(8, 6);
  });

  it('adds no turns under a tree that carries the string, and says what can be had', () => {
    const plan = planOf('electric-in-line', 1, '.010–.046');
    expect(plan.rule.kind).toBe('angle-out-of-reach');
    expect(plan.wind.turns).toBe(3);
    expect(plan.nut?.treeTouched).toBe(true);
    expect(toDegrees(plan.nut?.vertical ?? (0 as never))).toBeCloseTo((Math.atan(4 / 52) * 180) / Math.PI, 6);
  });

  it('locks plain strings with a kink, and gives them the slack that the lock takes', () => {
    const plan = planOf('acoustic-parlour', 1);
    expect(plan.methods.postMethod).toBe('kink-lock');
    expect(toMillimetres(metres(plan.slack - plan.wind.slack))).toBeCloseTo(Math.PI * toMillimetres(plan.geometry.stringDiameter), 9);
    expect(planOf('acoustic-parlour', 6).slack).toBe(planOf('acoustic-parlour', 6).wind.slack);
  });

  it('cuts a slotted post by slack and depth: 13 mm on the bass', () => {
    const plan = planOf('bass-in-line', 1);
    expect(toMillimetres(metres(plan.cut - plan.slack))).toBeCloseTo(13, 9);
  });

  it('says a band for nylon that holds its value, and next to none for steel', () => {
    const nylon = planOf('classical', 1);
    expect(nylon.slackRange[0]).toBeLessThan(nylon.slack);
    expect(nylon.slackRange[1]).toBeGreaterThan(nylon.slack);
    const steel = planOf('acoustic-parlour', 2);
    expect(toMillimetres(metres(steel.slackRange[1] - steel.slackRange[0]))).toBeLessThan(1);
  });

  it('judges no nut angle at a fifth peg, and turns the buttons by the gear ratio', () => {
    expect(planOf('banjo-five-string', 5).nut).toBeNull();
    const plan = planOf('acoustic-parlour', 3);
    expect(plan.buttonTurns / plan.wind.rotationTurns).toBeCloseTo(16, 9);
  });

  it('gives back the turns of the plan when its own cut is asked for, and more for a longer one', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('acoustic-parlour', 'bass-in-line', 'mandolin', 'ukulele-concert'),
        fc.integer({ min: 0, max: 3 }),
        (id, index) => {
          const instrument = instrumentOf(id);
          const string = stringsOf(instrument)[index];
          if (string === undefined) return;
          const plan = windString({ instrument, index, string });
          const again = windString({ instrument, index, string, cut: plan?.cut ?? metres(0) });
          const longer = windString({ instrument, index, string, cut: metres((plan?.cut ?? 0) + 0.01) });
          expect(again?.wind.turns).toBeCloseTo(plan?.wind.turns ?? 0, 9);
          expect(longer?.wind.turns).toBeGreaterThan(again?.wind.turns ?? 99);
        },
      ),
    );
  });

  it('has no plan for a cut that leaves the string too short to reach', () => {
    const instrument = instrumentOf('acoustic-parlour');
    const [string] = stringsOf(instrument);
    if (string === undefined) throw new Error('no string');
    expect(windString({ instrument, index: 0, string, cut: metres(-0.05) })).toBeNull();
    expect(() => windString({ instrument, index: 9, string })).toThrow(RangeError);
  });
});

describe('zones of the cut rule', () => {
  const plans = ['acoustic-parlour', 'electric-in-line', 'bass-in-line', 'classical', 'mandolin'].flatMap((id) =>
    [1, 2, 3, 4].map((number) => planOf(id, number)),
  );

  it('cover the rule without gap or overlap', () => {
    for (const plan of plans) {
      const zones = cutZones(plan, metres(0.25));
      expect(zones[0]?.from).toBe(0);
      expect(zones.at(-1)?.to).toBeCloseTo(0.25, 12);
      zones.slice(1).forEach((zone, index) => expect(zone.from).toBe(zones[index]?.to));
    }
  });

  it('hold the house mark in the good one', () => {
    for (const plan of plans) {
      const zone = cutZones(plan, metres(0.25)).find(({ from, to }) => plan.cut >= from && plan.cut <= to);
      expect(zone?.kind).toBe('good');
    }
  });

  it('call a mark that gives less than a turn scrap', () => {
    const plan = planOf('acoustic-parlour', 4);
    const scrap = cutZones(plan, metres(0.25)).find(({ kind }) => kind === 'scrap');
    const instrument = instrumentOf('acoustic-parlour');
    const string = stringsOf(instrument)[3];
    if (string === undefined || scrap === undefined) throw new Error('no scrap');
    expect(windString({ instrument, index: 3, string, cut: scrap.to })?.wind.turns).toBeCloseTo(1, 9);
  });
});
