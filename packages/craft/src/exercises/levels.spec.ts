import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { RESTRINGING } from '../constants/index.js';
import { offAt, screwLead, settle, levelClaw } from '../balance/index.js';
import { HARDEST, OCTAVE_ANSWERS, type Skill } from '../skills/index.js';
import { LINES, STRINGS } from '../strings/index.js';
import { metres } from '../units/index.js';
import { exerciseOf, judge, TRIED_CENTS, turnsOf } from './index.js';

const SEEDS = Array.from({ length: 40 }, (_, nth) => 104_729 * (nth + 1));
const firstSeeds = (many: number) => Array.from({ length: many }, (_, seed) => seed);
const ALL_LEVELS = Array.from({ length: HARDEST + 1 }, (_, level) => level);
const at = <S extends Skill>(skill: S, level: number, kinds: readonly string[] = [], seeds = SEEDS) =>
  seeds.map((seed) => exerciseOf(skill, seed, level, kinds));
/** Of numbers drawn evenly the farthest lie near the ends: within a tenth of the width, of forty. */
const reaches = (values: readonly number[], least: number, most: number) => {
  const tenth = (most - least) / 10;
  expect(Math.min(...values)).toBeGreaterThanOrEqual(least);
  expect(Math.min(...values)).toBeLessThan(least + tenth);
  expect(Math.max(...values)).toBeLessThanOrEqual(most);
  expect(Math.max(...values)).toBeGreaterThan(most - tenth);
};
const PINNED = ['acoustic-parlour'];
const TIED = ['classical'];
const SCREWED = ['electric-split'];

describe('slack', () => {
  it('is asked for where a hand can lift it, 25 to 120 mm, and what somebody left lies up to 45 % beside it', () => {
    const all = at('slack', 0);
    for (const { wanted, plan } of all) {
      expect(wanted).toBe(plan.slack);
      expect(wanted).toBeGreaterThanOrEqual(0.025);
      expect(wanted).toBeLessThanOrEqual(0.12);
    }
    const shares = all.map(({ left, wanted }) => left / wanted);
    reaches(shares, 0.55, 1.45);
  });

  it('comes to no turns where the string does not reach the post', () => {
    for (const exercise of at('slack', 0)) {
      expect(turnsOf(exercise, metres(-0.5))).toBe(0);
      expect(judge('slack', exercise, { way: 'cut', cutMm: -500 }).off).toBe(-100);
    }
  });
});

describe('winding side', () => {
  it('is asked of posts that are seen from above, and from the third level on of hands of both kinds', () => {
    for (const level of [0, 1, 2]) {
      const all = at('winding-side', level);
      const styles = new Set(all.map(({ instrument, index }) => instrument.strings[index]?.post.style));
      for (const style of styles) expect(['through', 'slotted', 'locking', 'planetary']).toContain(style);
      expect(styles.size).toBeGreaterThan(2);
      const left = all.filter(({ instrument }) => instrument.hand === 'left').length;
      if (level < 2) expect(left).toBe(0);
      else expect(Math.abs(left - 20)).toBeLessThan(10); // half of forty, give or take three standard deviations
    }
  });
});

describe('which string', () => {
  const rowsApart = [4, 3, 3, 2, 2, 1, 1];

  it.each(ALL_LEVELS)('level %i: four of one line, so many rows of the table apart', (level) => {
    for (const { choices } of at('which-string', level)) {
      expect(choices).toHaveLength(4);
      const line = STRINGS.filter(({ lineId }) => lineId === choices[0]?.lineId).sort((a, b) => a.gauge - b.gauge);
      const rows = choices.map((each) => line.findIndex(({ gauge }) => gauge === each.gauge));
      expect(rows.slice(1).map((row, nth) => row - (rows[nth] ?? 0))).toEqual([1, 2, 3].map(() => rowsApart[level]));
    }
  });

  it('may be any of the four, of any line that is long enough', () => {
    const many = at('which-string', HARDEST, [], firstSeeds(400));
    expect(new Set(many.map(({ truth }) => truth))).toEqual(new Set([0, 1, 2, 3]));
    const lines = LINES.map(({ id }) => STRINGS.filter(({ lineId }) => lineId === id).sort((a, b) => a.gauge - b.gauge));
    const long = lines.filter((line) => line.length >= 4);
    expect(new Set(many.map(({ choices }) => choices[0]?.lineId))).toEqual(new Set(long.map((line) => line[0]?.lineId)));
  });

  it('reads five times, on a caliper that is zeroed at first, and from the third level on up to 20 µm beside', () => {
    for (const level of [0, 1]) for (const { zero, readings } of at('which-string', level)) expect([zero, readings.length]).toEqual([0, 5]);
    const zeroes = (level: number) => at('which-string', level).map(({ zero }) => zero);
    for (const level of [2, HARDEST]) reaches(zeroes(level), -20e-6, 20e-6);
  });

  it('is felt as ribbed where it is wound, unless it was wound flat', () => {
    for (const { choices, truth, ribbed } of at('which-string', 0)) {
      const it = choices[truth];
      expect(ribbed).toBe(it?.construction === 'wound' && it.finish !== 'flat');
    }
  });
});

describe('octave', () => {
  const under = [[7, 8], [5, 7], [4, 5], [3, 4], [2, 3]]; // prettier-ignore
  const over = [[4, 5], [3, 4], [2, 3], [2, 2]]; // prettier-ignore

  it.each([0, 1, 2, 3, 4, HARDEST])('level %i: so many semitones from its note, and at least a semitone from what breaks it', (level) => {
    const all = at('octave', level);
    expect(new Set(all.map(({ truth }) => truth))).toEqual(new Set(OCTAVE_ANSWERS));
    for (const { truth, sounds, note, breaksAt, pull, gives, shouldGive, plan, instrument, index } of all) {
      const semitones = 12 * Math.log2(sounds / note);
      const length = instrument.strings[index]?.scaleLength ?? 0;
      const [low = 0, high = 0] = (truth === 'over' ? over[Math.min(level, 3)] : under[Math.min(level, 4)]) ?? [];
      if (truth === 'over' || truth === 'under') {
        expect(Math.abs(semitones)).toBeGreaterThanOrEqual(low - 1e-9);
        expect(Math.abs(semitones)).toBeLessThanOrEqual(high + 1e-9);
      } else expect(semitones).toBeCloseTo(truth === 'at-its-note' ? 0 : -12, 9);
      expect(Math.sign(Math.round(semitones))).toBe({ over: 1, 'at-its-note': 0, under: -1, 'an-octave-under': -1 }[truth]);
      expect(breaksAt / note).toBeGreaterThan(2 ** (1 / 12));
      expect(sounds).toBeLessThan(0.98 * breaksAt);
      expect(gives).toBeCloseTo((2 * length) / (4 * pull), 9);
      expect(shouldGive).toBeCloseTo((2 * length) / (4 * plan.load.pull), 9);
    }
  });
});

describe('cents', () => {
  it.each(ALL_LEVELS)('level %i: so far beside its note at most, in tenths', (level) => {
    const most = [50, 40, 30, 20, 14, 10][Math.min(level, 5)] ?? 0;
    const truths = at('cents', level).map(({ truth }) => truth);
    reaches(truths, -most, most);
    for (const truth of truths) expect(truth * 10).toBeCloseTo(Math.round(truth * 10), 6);
  });

  it('is asked from E2 to E4, and beats on the partial that lies nearest to 660 a second', () => {
    const many = at('cents', 0, [], firstSeeds(300));
    const steps = many.map(({ note }) => Math.round(12 * Math.log2(note / 440)));
    expect([Math.min(...steps), Math.max(...steps)]).toEqual([-29, -5]);
    for (const { note, sounds, partial, beats, beatsAfter } of many) {
      for (const other of [partial - 1, partial + 1])
        if (other > 0) expect(Math.abs(other * note - 660)).toBeGreaterThanOrEqual(Math.abs(partial * note - 660));
      expect(beats).toBeCloseTo(partial * Math.abs(note - sounds), 9);
      expect(beatsAfter).toBeCloseTo(partial * Math.abs(note - sounds * 2 ** (TRIED_CENTS / 1200)), 9);
    }
  });
});

describe('stretch or slip', () => {
  const lastToFirst = [
    [[0, 0.15], [0.85, 1.6]],
    [[0.05, 0.2], [0.75, 1.3]],
    [[0.1, 0.3], [0.65, 1.1]],
    [[0.15, 0.4], [0.55, 0.9]],
  ]; // prettier-ignore

  it.each([0, 1, 2, 3, HARDEST])('level %i: the last round costs such a share of the first', (level) => {
    const all = at('stretch-or-slip', level, [], SEEDS.slice(0, 16));
    for (const { drops, slips } of all) {
      const [first = 0, , last = 0] = drops;
      const [least = 0, most = 0] = lastToFirst[Math.min(level, 3)]?.[slips ? 1 : 0] ?? [];
      expect(first).toBeGreaterThanOrEqual(6);
      expect(last / first).toBeGreaterThan(least);
      expect(last / first).toBeLessThanOrEqual(most);
    }
    expect(Math.abs(all.filter(({ slips }) => slips).length - 8)).toBeLessThan(7); // half of sixteen, three standard deviations
  });
});

describe('nylon', () => {
  it.each([0, 1, 2, 3, HARDEST])('level %i: strings of a kind lie so far from one another', (level) => {
    const spread = [0.15, 0.25, 0.35, 0.5][Math.min(level, 3)] ?? 0;
    const all = at('nylon', level, [], firstSeeds(200));
    for (const { truth, hold, readings } of all) {
      expect(truth).toBeGreaterThanOrEqual(5);
      expect(truth).toBeLessThanOrEqual(72);
      expect(hold).toEqual({ cents: 5, hours: 2 });
      expect(readings.map(({ hours }) => hours)).toEqual([0.5, 1.5, 4]);
    }
    // what went by each reading is about as much of the amplitude, which is spread by that much; the onset beside it, by twice
    const gone = all.map(({ readings }) => Math.log(readings.reduce((sum, { cents }) => sum + cents, 0)));
    const mean = gone.reduce((sum, each) => sum + each, 0) / gone.length;
    const found = Math.sqrt(gone.reduce((sum, each) => sum + (each - mean) ** 2, 0) / gone.length);
    expect(found).toBeGreaterThan(0.7 * spread);
    expect(found).toBeLessThan(1.6 * spread);
  });
});

describe('nut angle', () => {
  it.each([0, 1, 2, 3, 4, HARDEST])('level %i: so many degrees from what is wanted', (level) => {
    const [least = 0, most = 0] = [[2.5, 6], [1.5, 4], [1, 3], [0.6, 2], [0.3, 1.2]][Math.min(level, 4)] ?? []; // prettier-ignore
    const all = at('nut-angle', level, [], SEEDS.slice(0, 16));
    for (const { degrees, wanted, turns, wound, instrument, index } of all) {
      expect(Math.abs(degrees - wanted)).toBeGreaterThanOrEqual(least);
      expect(Math.abs(degrees - wanted)).toBeLessThanOrEqual(most);
      expect(turns * 4).toBe(Math.round(turns * 4)); // quarters
      expect(turns).toBeGreaterThanOrEqual(1);
      expect(turns).toBeLessThanOrEqual(Math.min(5.25, wound.capacityTurns));
      expect(wound.wind.turns).toBeCloseTo(turns, 6);
      expect(wound.wind.slack).toBeGreaterThanOrEqual(0);
      expect(degrees).toBeCloseTo(((wound.nut?.vertical ?? 0) * 180) / Math.PI, 9);
      expect(wanted).toBeCloseTo(((wound.nut?.wanted ?? 0) * 180) / Math.PI, 9);
      expect(instrument.strings[index]?.post.style).not.toBe('locking'); // its turns are not chosen
    }
    expect(Math.abs(all.filter(({ enough }) => enough).length - 8)).toBeLessThan(7);
  });
});

describe('order of strings', () => {
  it.each([0, 1, 2, 3, HARDEST])('level %i: of three orders, others are worse by so much', (level) => {
    const worseBy = [1, 0.6, 0.4, 0.2][Math.min(level, 3)] ?? 0;
    const all = at('order', level);
    for (const exercise of all) {
      if (exercise.question === 'at-once') continue;
      const { apart, choices, truth } = exercise;
      expect(new Set(choices).size).toBe(3);
      const least = apart[truth] ?? 0;
      for (const [nth, other] of apart.entries()) if (nth !== truth) expect(other).toBeGreaterThan(least * (1 + worseBy));
    }
    const inOrder = all.filter(({ question }) => question === 'in-order');
    expect(Math.abs(inOrder.length - 20)).toBeLessThan(10); // half of forty
    expect(new Set(inOrder.map(({ truth }) => truth))).toEqual(new Set([0, 1, 2]));
  });

  it('blocks only bridges that float, some of them', () => {
    const all = at('order', 0, ['electric-double-locking'], firstSeeds(100));
    const asked = all.flatMap((each) => (each.question === 'at-once' ? [each.blocked] : []));
    const share = asked.filter((blocked) => blocked).length / asked.length;
    expect(Math.abs(share - 0.4)).toBeLessThan(0.21); // three standard deviations of fifty
    for (const each of at('order', 0, SCREWED)) if (each.question === 'at-once') expect(each.blocked).toBe(false);
  });

  it('has nothing to ask of kinds that there are not', () => {
    expect(() => exerciseOf('order', 1, 0, ['no such kind'])).toThrow(new RangeError('no bridge is fit for this exercise'));
  });
});

describe('find the fault', () => {
  const LEVELS = [0, 1, 2, 3, 4, HARDEST];
  const of = (level: number, kinds: readonly string[]) => at('fault', level, kinds);

  it('is on posts alone where there is neither pin nor tie, at both where there are pins, and nowhere else where there is a tie', () => {
    const places = (kinds: readonly string[]) => [...new Set(of(0, kinds).map(({ at: place }) => place))].sort();
    expect([places(SCREWED), places(PINNED), places(TIED)]).toEqual([['post'], ['pins', 'post'], ['tie-block']]);
    const none = ARCHETYPES.filter(({ id }) => {
      const { strings, bridge } = instrumentOf(id);
      return strings.every(({ post }) => post.style !== 'through') && bridge.anchor !== 'pins' && bridge.anchor !== 'tie-block';
    });
    expect(none.length).toBeGreaterThan(0);
    for (const { id } of none)
      expect(() => exerciseOf('fault', 1, 0, [id])).toThrow(new RangeError('none of these instruments shows where it may be faulty'));
  });

  it.each(LEVELS)(
    'level %i, on a post: a quarter turn to three of them where they are few, else as many as are wanted, two or more',
    (level) => {
      const few = [0.25, 0.4, 0.5, 0.6, 0.75][Math.min(level, 4)];
      for (const exercise of of(level, SCREWED)) {
        if (exercise.at !== 'post') continue;
        const { truth, turns, tail, crosses, wound, plan, instrument, index } = exercise;
        expect(instrument.strings[index]?.post.style).toBe('through');
        expect(plan.wind.turns).toBeGreaterThanOrEqual(2);
        expect(plan.wind.turns).toBeLessThanOrEqual(plan.capacityTurns);
        expect(wound.wind.turns).toBeCloseTo(turns, 6);
        if (truth === 'few') expect(turns).toBe(few);
        expect(tail).toBe(truth === 'short-tail' ? 0 : 0.003);
        if (crosses !== null) expect([crosses, crosses >= 1, crosses < Math.floor(turns)]).toEqual([Math.round(crosses), true, true]);
      }
    },
  );

  it.each(LEVELS)('level %i, at a pin: it stands out by so much, and creeps', (level) => {
    const out = [4, 3.2, 2.5, 2, 1.5][Math.min(level, 4)] ?? 0;
    for (const exercise of of(level, PINNED)) {
      if (exercise.at === 'post') continue;
      const { truth, away, tucks, givesAt, plan } = exercise;
      expect(tucks).toBe(0);
      expect(away).toBeCloseTo(truth === 'under-tip' ? out / 1000 : 0, 9);
      if (truth === 'under-tip') expect((givesAt ?? 0) / plan.load.pull).toBeCloseTo(RESTRINGING.creepsAt.value, 9);
    }
  });

  it.each(LEVELS)('level %i, at a tie: so far behind the edge, or in front of it; with one tuck too few it runs', (level) => {
    const [inFront, behind] = [[8, 6, 4.5, 3.5, 2.5], [4, 3.5, 3, 2.5, 2]].map((list) => (list[Math.min(level, 4)] ?? 0) / 1000); // prettier-ignore
    const seen = new Set<string>();
    for (const exercise of of(level, TIED)) {
      if (exercise.at === 'post') continue;
      const { truth, away, tucks, givesAt, plan, string } = exercise;
      expect(away).toBeCloseTo(truth === 'last-on-top' ? -(inFront ?? 0) : (behind ?? 0), 9);
      const least = string.construction === 'wound' ? 1 : 2;
      if (truth === 'few-tucks') expect(tucks).toBe(least - 1);
      else seen.add(`${least} ${tucks}`);
      const gives = { 'few-tucks': RESTRINGING.runsAt.value, 'last-on-top': RESTRINGING.creepsAt.value }[truth as string];
      if (gives === undefined) expect(givesAt).toBeNull();
      else expect((givesAt ?? 0) / plan.load.pull).toBeCloseTo(gives, 9);
    }
    expect([...seen].sort()).toEqual(['1 1', '1 2', '2 2', '2 3']);
  });
});

describe('balance', () => {
  it.each([0, 1, 2, 3, HARDEST])('level %i: strings and claw are off by so much at most', (level) => {
    const [cents, turns] = [[12, 20, 30, 45], [0.25, 0.5, 0.75, 1]].map((list) => list[Math.min(level, 3)] ?? 0) as [number, number]; // prettier-ignore
    const all = at('balance', level, [], SEEDS.slice(0, 6));
    const [off, claws] = [[] as number[], [] as number[]];
    for (const { bridge, claw, rests } of all) {
      const right = levelClaw(bridge);
      if (!right.ok) throw new Error('no level claw');
      claws.push((claw - right.value) / screwLead);
      off.push(...offAt(bridge, claw, rests).map((each) => each ?? Infinity));
      expect(Number.isFinite(settle(bridge, claw, rests).angle)).toBe(true);
    }
    expect(Math.max(...off.map(Math.abs))).toBeLessThanOrEqual(cents + 0.01);
    expect(Math.max(...off.map(Math.abs))).toBeGreaterThan(0.8 * cents);
    expect(Math.max(...claws.map(Math.abs))).toBeLessThanOrEqual(turns + 1e-9);
    expect(Math.max(...claws.map(Math.abs))).toBeGreaterThan(0.4 * turns);
    expect([Math.min(...off) < 0, Math.max(...off) > 0]).toEqual([true, true]);
  });

  it('has nothing to ask of bridges that do not float', () => expect(() => exerciseOf('balance', 1, 0, SCREWED)).toThrow(RangeError));
});
