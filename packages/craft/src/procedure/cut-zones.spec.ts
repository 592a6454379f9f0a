import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/index.js';
import { slackForCut, turnsForSlack } from '../post/index.js';
import { anyPlan, clampOf, planOf } from '../testing/index.js';
import { metres, toMillimetres, type Metres } from '../units/index.js';
import { cutZones, zoneAt, type CutZone } from './index.js';

describe('zones of the cut rule', () => {
  const plans = () => ARCHETYPES.flatMap(({ id, sketch }) => sketch.notes.map((_, index) => anyPlan(id, index + 1)));
  const END = metres(0.4);

  it('cover the rule without gap or overlap', () => {
    for (const plan of plans()) {
      const zones = cutZones(plan, END);
      expect(zones[0]?.from).toBe(0);
      expect(zones.at(-1)?.to).toBeCloseTo(END, 12);
      zones.slice(1).forEach((zone, index) => expect(zone.from).toBe(zones[index]?.to));
    }
  });

  it('hold the mark of the plan in the good one', () => {
    for (const plan of plans()) {
      if (plan.cut < 0) continue;
      expect(zoneAt(cutZones(plan, END), plan.cut)).toBe('good');
    }
  });

  it('call a mark that gives less than a turn scrap', () => {
    const plan = planOf('acoustic-parlour', 4);
    const scrap = cutZones(plan, END).find(({ kind }) => kind === 'scrap');
    if (scrap === undefined) throw new Error('no scrap');
    expect(planOf('acoustic-parlour', 4, { cut: scrap.to }).wind.turns).toBeCloseTo(1, 9);
  });

  it('call a lock that is not reached scrap, and more than a turn on it many', () => {
    const plan = planOf('electric-seven', 7);
    const zones = cutZones(plan, END);
    expect(toMillimetres(zones.find(({ kind }) => kind === 'scrap')?.to ?? (0 as never))).toBeCloseTo(4, 9); // half of 6 mm, and one
    const many = zones.find(({ kind }) => kind === 'many');
    expect(planOf('electric-seven', 7, { cut: many?.from ?? metres(0) }).wind.turns).toBeCloseTo(1, 6);
  });

  it('end at the clamp where the screw would run out', () => {
    const plan = clampOf(6);
    const over = cutZones(plan, END).find(({ kind }) => kind === 'over-capacity');
    expect(clampOf(6, { cut: over?.from ?? metres(0) }).screw.left).toBeCloseTo(0, 9);
  });

  it('end where the rule ends, with nothing behind', () => {
    const plan = planOf('acoustic-parlour', 4);
    const [scrap, few] = cutZones(plan, END);
    if (scrap === undefined || few === undefined) throw new Error('no zones');
    expect(cutZones(plan, scrap.to)).toEqual([scrap]);
    expect(cutZones(plan, few.to)).toEqual([scrap, few]);
    expect(cutZones(plan, metres(scrap.to / 2))).toEqual([{ ...scrap, to: scrap.to / 2 }]);
  });

  it('are good from 0.35 turns fewer to 0.75 more, as far as the post holds them; what is longer is many up to the full post', () => {
    for (const plan of plans()) {
      if (plan.kind !== 'post' || plan.methods.turns === null) continue;
      const { turns } = plan.wind;
      const full = plan.capacityTurns;
      const turnsAt = (cut: Metres): number => {
        const wound = turnsForSlack(metres(slackForCut(cut, plan.end) - plan.allowance), plan.geometry, plan.stretch);
        return wound.ok ? wound.value.turns : Number.NaN;
      };
      const until = new Map(cutZones(plan, END).map((zone) => [zone.kind, zone.to]));
      const ends = (kind: CutZone['kind'], wanted: number) => {
        const to = until.get(kind);
        if (to !== undefined && to < END) expect([kind, turnsAt(to)]).toEqual([kind, expect.closeTo(wanted, 6)]);
      };
      ends('scrap', Math.min(1, turns - 0.35));
      ends('few', turns - 0.35);
      ends('good', Math.max(turns, Math.min(turns + 0.75, full)));
      ends('many', Math.max(turns + 0.75, full));
      if (full > turns + 0.8 && (until.get('good') ?? END) < END) expect(until.has('many')).toBe(true);
    }
  });

  it('leave a screw three millimetres to spare before there is too much to draw', () => {
    const plan = clampOf(6);
    const zones = cutZones(plan, END);
    expect(zones.map(({ kind }) => kind)).toEqual(['scrap', 'good', 'many', 'over-capacity']);
    expect(zones[0]?.to).toBe(plan.grip);
    expect(clampOf(6, { cut: zones[1]?.to ?? metres(0) }).screw.left).toBeCloseTo(0.003, 9);
  });

  it('begin at what a lock needs, and call good what turns it no more than once', () => {
    const zones = cutZones(planOf('electric-seven', 1), metres(1));
    expect(zones.map(({ kind }) => kind)).toEqual(['scrap', 'good', 'many', 'over-capacity']);
    const many = planOf('electric-seven', 1, { cut: zones[2]?.to ?? metres(0) });
    expect(many.wind.turns).toBeCloseTo(many.capacityTurns, 6);
  });
});

describe('the zone of a cut', () => {
  const at = (kind: CutZone['kind'], from: number, to: number): CutZone => ({ kind, from: metres(from), to: metres(to) });
  const zones = [at('scrap', 0, 1), at('few', 1, 2), at('good', 2, 3), at('many', 3, 4)];
  const of = (cut: number) => zoneAt(zones, metres(cut));

  it('is the one that it lies in, the good one on its borders and else the shorter; shorter than any is scrap, longer over capacity', () => {
    expect([-0.1, 0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4, 4.1].map(of)).toEqual(
      ['scrap', 'scrap', 'scrap', 'scrap', 'few', 'good', 'good', 'good', 'many', 'many', 'over-capacity'], // prettier-ignore
    );
    expect([zoneAt([], metres(-1)), zoneAt([], metres(0))]).toEqual(['scrap', 'over-capacity']);
  });
});
