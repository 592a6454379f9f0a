import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { postsBeyond, postToEnd, type Instrument } from '../instrument/index.js';
import { saySlack, SLACK_SCHOOLS, STEEL_FIXINGS, TYPICAL_HAND } from '../methods/index.js';
import { setsFor, stringProperties, type StringProperties } from '../strings/index.js';
import { fromMillimetres } from '../units/index.js';
import { practiceGap, windString } from './index.js';

function stringsOf(instrument: Instrument, setName: string): StringProperties[] {
  const set = setsFor(instrument.family, instrument.strings.length).find(({ name }) => name === setName);
  return (set?.strings ?? []).flatMap((string) => {
    const outcome = stringProperties(string);
    return outcome.ok ? [outcome.value] : [];
  });
}

/** The set that was made for the slots of an archetype. */
function ownSet(instrument: Instrument): StringProperties[] {
  const away = (strings: readonly StringProperties[]) =>
    strings.reduce((sum, { gauge }, index) => sum + Math.abs(Math.log(gauge / ((instrument.strings[index]?.slotWidth ?? 0) - 80e-6))), 0);
  const sets = setsFor(instrument.family, instrument.strings.length).map(({ name }) => stringsOf(instrument, name));
  return [...sets].sort((a, b) => away(a) - away(b))[0] ?? [];
}

/** Ways of fixing, with what nobody should choose on a flat head left out: a last turn over the tail leaves the string high. */
const FIXINGS = STEEL_FIXINGS.filter((fixing) => fixing !== 'over-last');

describe('every kind of instrument with its own set', () => {
  it.each(ARCHETYPES.map(({ id }) => id))('%s: no string is low over the nut, in built-in turns and no tree too many', (id) => {
    const instrument = instrumentOf(id);
    ownSet(instrument).forEach((string, index) => {
      const plan = windString({ instrument, index, string });
      if (plan?.kind !== 'post') return;
      expect([index + 1, plan.nut?.low ?? false]).toEqual([index + 1, false]);
      expect(plan.rule.kind === 'straight' && plan.rule.low).toBe(false);
      const flatGuitar = instrument.family !== 'bass' && instrument.headstock.angle < 0.05;
      if (plan.methods.turns !== null) expect(plan.wind.turns).toBeLessThanOrEqual(instrument.family === 'bass' ? 3 : flatGuitar ? 4 : 6);
    });
  });

  it.each(ARCHETYPES.map(({ id }) => id))('%s: the usual slack and what practice leaves agree within a third', (id) => {
    const instrument = instrumentOf(id);
    ownSet(instrument).forEach((string, index) => {
      const [plan, place] = [windString({ instrument, index, string }), instrument.strings[index]];
      if (plan?.kind === 'post' && place !== undefined) expect(practiceGap(plan, place, instrument.family)).toBeNull();
    });
  });

  it.each(ARCHETYPES.map(({ id }) => id))(
    '%s: somebody’s own turns are kept in every way of fixing, as far as the post holds them',
    (id) => {
      const instrument = instrumentOf(id);
      ownSet(instrument).forEach((string, index) => {
        for (const fixing of FIXINGS)
          for (const turns of [1, 1.5, 2.5]) {
            const strings = { [index + 1]: { turns } };
            const plan = windString({ instrument, index, string, choices: { technician: { strings, plainFixing: fixing, woundFixing: fixing } } }); // prettier-ignore
            if (plan?.kind === 'post' && plan.methods.turns !== null && plan.rule.kind !== 'stretch-makes-more')
              expect(plan.wind.turns).toBeCloseTo(Math.min(turns, plan.capacityTurns), 9);
          }
      });
    },
  );

  it.each(ARCHETYPES.map(({ id }) => id))(
    '%s: every school says something that can be done, and no school more posts than follow',
    (id) => {
      const instrument = instrumentOf(id);
      ownSet(instrument).forEach((string, index) => {
        const [plan, place] = [windString({ instrument, index, string }), instrument.strings[index]];
        if (plan?.kind !== 'post' || place === undefined) return;
        for (const school of SLACK_SCHOOLS) {
          const said = saySlack(
            school,
            {
              slack: plan.slack,
              cut: plan.cut,
              scaleLength: place.scaleLength,
              postSpacing: plan.postSpacing,
              postsBeyond: postsBeyond(instrument, index),
              postToEnd: postToEnd(instrument, index),
              handTurns: plan.handTurns,
              straight: plan.rule.kind === 'straight',
            },
            TYPICAL_HAND,
            1,
          );
          if (said.kind === 'posts') {
            // counted from the nut, as an eye does it: so many posts stand beyond this one on its side
            const beyond = instrument.strings.filter(
              ({ post }) => post.side === place.post.side && post.pipAlong === null && post.along > place.post.along,
            );
            expect(said.count).toBeLessThanOrEqual(beyond.length);
            expect(said.count * (plan.postSpacing ?? 0)).toBeCloseTo(plan.cut, 9);
          }
          if (said.kind === 'fret') expect(said.fret).toBeGreaterThanOrEqual(0);
          if (plan.slack < 0 && plan.rule.kind !== 'straight') expect(said.kind).toBe('no-slack');
        }
      });
    },
  );

  it('says so where practice and a post disagree: a mandolin whose posts are noted as 5.8 mm, not as their waist', () => {
    const mandolin = instrumentOf('mandolin');
    const thick = {...mandolin, strings: mandolin.strings.map((place) => ({...place, post: {...place.post, diameter: fromMillimetres(5.8) } })) }; // prettier-ignore
    const [string] = ownSet(mandolin);
    const [plan, place] = [string === undefined ? null : windString({ instrument: thick, index: 0, string }), thick.strings[0]];
    if (plan?.kind !== 'post' || place === undefined) throw new Error('no plan');
    const gap = practiceGap(plan, place, 'mandolin');
    expect(gap?.practice).toEqual({ kind: 'fret', from: 2.5, to: 3 });
    expect(gap?.made).toBeGreaterThan(4);
  });
});
