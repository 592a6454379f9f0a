import { describe, expect, it } from 'vitest';
import { levelClaw, restsFrom, screwLead } from '../balance/index.js';
import { CALIPER, GOOD_WORK } from '../constants/index.js';
import { floats } from '../instrument/index.js';
import { chanceFrom } from '../simulated/index.js';
import { takeUp, windingCircle } from '../post/index.js';
import { HOLDS } from '../methods/index.js';
import { hertz, metres, radians, type Metres } from '../units/index.js';
import { bridgeAfter, exerciseOf, givesUnder, judge, PUSH, rightSlack, slackLeft, turnsOf, aimFor, beatsBetween } from './index.js';
import type { BridgeMove, ExerciseOf } from './index.js';
import { FAULTS, FAULTS_AT, HARDEST, OCTAVE_ANSWERS, SKILLS, type Skill } from '../skills/index.js';

const SEEDS = Array.from({ length: 12 }, (_, nth) => 7919 * (nth + 1));
const LEVELS = [0, 2, HARDEST];
const made = <S extends Skill>(skill: S) => LEVELS.flatMap((level) => SEEDS.map((seed) => exerciseOf(skill, seed, level)));

it.each(SKILLS)('%s: the same seed and level make the same exercise, other seeds others', (skill) => {
  const as = (seed: number) => JSON.stringify(exerciseOf(skill, seed, 2));
  expect(as(11)).toBe(as(11));
  expect(new Set(SEEDS.map(as)).size).toBeGreaterThan(6);
});

describe('slack', () => {
  it('makes, on the post, the turns that its length comes to: slack and stretch are what the turns take up', () => {
    for (const exercise of made('slack')) {
      const { plan } = exercise;
      const turns = turnsOf(exercise, exercise.left);
      const rotation = 2 * Math.PI * turns + windingCircle(plan.geometry).tangentAngle;
      const stretched = plan.stretch.path * Math.log(1 + plan.stretch.strain + plan.stretch.creep);
      expect(takeUp(radians(rotation), plan.geometry)).toBeCloseTo(exercise.left - plan.allowance + stretched, 6);
    }
  });

  it('is off by nothing where it is done as is right, in each way, and above nought where there is too much', () => {
    for (const exercise of made('slack')) {
      const [lift, cut, turns] = (['lift', 'cut', 'say'] as const).map((way) => rightSlack(exercise, way));
      expect(judge('slack', exercise, { way: 'lift', liftMm: lift ?? 0 }).off).toBeCloseTo(0, 6);
      expect(Math.abs(judge('slack', exercise, { way: 'cut', cutMm: cut ?? 0 }).off)).toBeLessThan(0.5);
      expect(judge('slack', exercise, { way: 'say', turns: turns ?? 0 })).toEqual({ off: 0, good: true });
      expect(judge('slack', exercise, { way: 'lift', liftMm: (lift ?? 0) * 1.1 }).off).toBeGreaterThan(15); // slack goes with the square of the lift
      expect(judge('slack', exercise, { way: 'cut', cutMm: (cut ?? 0) - 10 }).off).toBeLessThan(0);
      expect(judge('slack', exercise, { way: 'lift', liftMm: 0 })).toEqual({ off: -100, good: false });
      expect(slackLeft(exercise, { way: 'say', turns: 2 })).toBe(exercise.left);
    }
  });

  it('corrects a hand: who aims there and is off as ever comes out right', () => {
    for (const exercise of made('slack').slice(0, 12)) {
      const aimed = judge('slack', exercise, { way: 'lift', liftMm: aimFor(exercise, 'lift', -9) });
      expect((1 + aimed.off / 100) * 0.91).toBeCloseTo(1, 6);
      const cut = judge('slack', exercise, { way: 'cut', cutMm: aimFor(exercise, 'cut', -9) });
      expect((1 + cut.off / 100) * 0.91).toBeCloseTo(1, 2);
    }
  });
});

describe('winding side', () => {
  it('turns toward the centre line: anticlockwise on the bass side, the other way strung for the left hand', () => {
    const all = made('winding-side');
    for (const exercise of all) {
      const { instrument, index } = exercise;
      const isBass = instrument.strings[index]?.post.side === 'bass';
      const right = isBass === (instrument.hand === 'right') ? 'anticlockwise' : 'clockwise';
      expect(judge('winding-side', exercise, { direction: right })).toEqual({ off: 0, good: true });
      expect(judge('winding-side', exercise, { direction: right === 'clockwise' ? 'anticlockwise' : 'clockwise' }).good).toBe(false);
    }
    expect(all.some(({ instrument }) => instrument.hand === 'left')).toBe(true);
    expect(SEEDS.every((seed) => exerciseOf('winding-side', seed, 0).instrument.hand === 'right')).toBe(true);
  });
});

describe('which string', () => {
  it('lets the truth be read: five readings less the zero lie within their error of what was sold', () => {
    for (const exercise of made('which-string')) {
      const it = exercise.choices[exercise.truth];
      const mean = exercise.readings.reduce((sum, reading) => sum + reading, 0) / exercise.readings.length - exercise.zero;
      const making = it?.construction === 'wound' ? CALIPER.makingWound.value : CALIPER.making.value;
      const error = Math.hypot(making, CALIPER.reading.value / Math.sqrt(5)) / 1000;
      expect(Math.abs(mean - (it?.gauge ?? 0))).toBeLessThan(4 * error);
      expect(judge('which-string', exercise, { choice: exercise.truth }).good).toBe(true);
      expect(judge('which-string', exercise, { choice: (exercise.truth + 1) % 4 }).good).toBe(false);
    }
  });

  it('lays choices nearer to one another where it is harder', () => {
    const apart = (level: number) =>
      SEEDS.map((seed) => exerciseOf('which-string', seed, level).choices)
        .map((choices) => Math.log((choices[1]?.gauge ?? 1) / (choices[0]?.gauge ?? 1)))
        .reduce((sum, each) => sum + each, 0);
    expect(apart(HARDEST)).toBeLessThan(apart(0) / 2);
  });
});

describe('octave', () => {
  it('shows strings where it says, none of them past what breaks it, and a quarter of the pull an octave under', () => {
    for (const exercise of made('octave')) {
      const semitones = 12 * Math.log2(exercise.sounds / exercise.note);
      const truth = semitones < -11.9 ? 'an-octave-under' : semitones < -1 ? 'under' : semitones > 1 ? 'over' : 'at-its-note';
      expect(exercise.truth).toBe(truth);
      for (const place of OCTAVE_ANSWERS) expect(judge('octave', exercise, { place }).good).toBe(place === truth);
      expect(exercise.sounds).toBeLessThan(exercise.breaksAt);
      if (truth === 'an-octave-under' && !exercise.string.thins) expect(exercise.gives / exercise.shouldGive).toBeCloseTo(4, 6);
    }
  });

  it('gives under a push by F L / 4 T: 2 N on 640 mm at 80 N, 4 mm', () => {
    expect(givesUnder(PUSH, 80 as never, metres(0.64))).toBeCloseTo(0.004, 9);
  });
});

describe('cents', () => {
  it('beats as often as the partials differ: A3 four cents flat, third partial, 1.5 in a second', () => {
    expect(beatsBetween(220 as never, (220 * 2 ** (-4 / 1200)) as never, 3)).toBeCloseTo(1.52, 2); // 220 · 0.231 % · 3
  });

  it('tells its side by a turn up: sharp ones beat faster then, flat ones slower as long as they stay flat', () => {
    for (const exercise of made('cents')) {
      expect(judge('cents', exercise, { cents: exercise.truth }).off).toBeCloseTo(0, 9);
      expect(judge('cents', exercise, { cents: exercise.truth + 4 }).good).toBe(false);
      expect(1200 * Math.log2(exercise.sounds / exercise.note)).toBeCloseTo(exercise.truth, 6);
      if (Math.abs(exercise.truth) > 2) expect(exercise.beatsAfter > exercise.beats).toBe(exercise.truth > 0);
    }
  });
});

describe('stretch or slip', () => {
  it('costs less from the first round to the last where it stretches, about as much again where it slips', () => {
    const all = made('stretch-or-slip');
    for (const exercise of all) {
      const share = (exercise.drops[2] ?? 0) / (exercise.drops[0] ?? 1);
      expect(exercise.drops).toHaveLength(3);
      if (exercise.slips) expect(share).toBeGreaterThan(0.5);
      else expect(share).toBeLessThan(0.45);
      for (const drop of exercise.drops) expect(drop).toBe(Number(drop.toFixed(1))); // as a tuner shows it
      expect(judge('stretch-or-slip', exercise, { slips: exercise.slips })).toEqual({ off: 0, good: true });
      expect(judge('stretch-or-slip', exercise, { slips: !exercise.slips })).toEqual({ off: 1, good: false });
    }
    expect(new Set(all.map(({ slips }) => slips)).size).toBe(2);
  });
});

describe('nylon', () => {
  it('holds from the hour that it says by b ln(1 + t/τ): readings and hour are of one law', () => {
    for (const { readings, hold, truth } of made('nylon')) {
      // two parts of one logarithm: what went from 0.5 to 1.5 h and from 1.5 to 4 h tells amplitude and onset, to the rounding of a cent
      const lost = readings.map(({ cents }) => cents);
      expect(lost.every((each) => each > 0)).toBe(true);
      const late = hold.hours / truth; // long after the onset b ln((t + 2)/t) ≈ 2 b / t
      const amplitude = hold.cents / Math.log1p(late);
      expect((lost[2] ?? 0) / amplitude).toBeGreaterThan(Math.log(4 / 1.5) - 0.35);
      expect((lost[2] ?? 0) / amplitude).toBeLessThan(Math.log(4 / 1.5) + 0.1);
    }
  });

  it('is early below nought and late above', () => {
    const exercise = exerciseOf('nylon', 5, 1);
    expect(judge('nylon', exercise, { hours: exercise.truth / 2 })).toEqual({ off: -50, good: false });
    expect(judge('nylon', exercise, { hours: exercise.truth * 1.2 }).off).toBeCloseTo(20, 6);
    expect(judge('nylon', exercise, { hours: exercise.truth * 1.2 }).good).toBe(true);
  });
});

describe('nut angle', () => {
  it('lies on the side that it says of what is wanted, nearer where it is harder', () => {
    for (const exercise of made('nut-angle')) {
      expect(exercise.enough).toBe(exercise.degrees > exercise.wanted);
      expect(judge('nut-angle', exercise, { enough: exercise.degrees > exercise.wanted }).good).toBe(true);
      expect(judge('nut-angle', exercise, { enough: exercise.degrees < exercise.wanted }).good).toBe(false);
    }
    const away = (level: number) =>
      SEEDS.map((seed) => exerciseOf('nut-angle', seed, level)).map(({ degrees, wanted }) => Math.abs(degrees - wanted));
    expect(Math.min(...away(0))).toBeGreaterThanOrEqual(2.5);
    expect(Math.max(...away(HARDEST))).toBeLessThanOrEqual(1.2);
  });
});

describe('order of strings', () => {
  it('lets strings off a bridge as the bridge stands: a loose one never more than one', () => {
    const all = made('order').filter((each) => each.question === 'at-once');
    expect(all.length).toBeGreaterThan(4);
    for (const { instrument, blocked, choices, truth } of all) {
      const { anchor } = instrument.bridge;
      const most = choices[truth];
      if (anchor === 'hooked-tailpiece') expect(most).toBe('one-at-a-time');
      else if (anchor === 'double-locking' && !blocked) expect(most).toBe('pairs');
      else if (!floats(instrument.bridge) || blocked) expect(most).toBe('all-off');
      else expect(most).toBe('one-at-a-time');
    }
  });

  it('brings them up in the order that keeps the halves nearest to each other, plainly before all others', () => {
    const all = made('order').filter((each) => each.question === 'in-order');
    expect(all.length).toBeGreaterThan(4);
    for (const exercise of all) {
      const least = Math.min(...exercise.apart);
      expect(exercise.apart[exercise.truth]).toBe(least);
      expect(exercise.apart.filter((apart) => apart < 1.2 * least)).toHaveLength(1);
      expect(judge('order', exercise, { choice: exercise.truth }).good).toBe(true);
      expect(judge('order', exercise, { choice: (exercise.truth + 1) % 3 }).good).toBe(false);
    }
  });
});

describe('find the fault', () => {
  const all = () => [0, 3].flatMap((level) => Array.from({ length: 120 }, (_, seed) => exerciseOf('fault', seed, level)));

  it('shows one fault and no other: each there is somewhere, and each is judged by itself', () => {
    for (const exercise of all())
      for (const fault of FAULTS) expect(judge('fault', exercise, { fault }).good).toBe(fault === exercise.truth);
    const seen = new Set(all().map(({ at, truth }) => `${at} ${truth}`));
    expect(seen.size).toBe(FAULTS_AT.post.length + FAULTS_AT.pins.length + FAULTS_AT['tie-block'].length);
  });

  it('has on a post what is said of it', () => {
    for (const exercise of all()) {
      if (exercise.at !== 'post') continue;
      const { turns, tail, crosses, truth, plan, instrument, index } = exercise;
      const { turnsAbove, leavesAbove } = plan.methods;
      expect([instrument.strings[index]?.post.style, turnsAbove, leavesAbove]).toEqual(['through', 0, false]);
      expect(Math.max(2, Math.min(plan.capacityTurns, plan.wind.turns))).toBe(plan.wind.turns);
      expect(turns < 1).toBe(truth === 'few');
      expect(tail === 0).toBe(truth === 'short-tail');
      expect(crosses !== null).toBe(truth === 'crossing');
      if (crosses !== null) expect(crosses).toBeLessThan(turns);
      if (truth !== 'few') expect(turns).toBe(plan.wind.turns);
    }
  });

  it('has at a pin or a tie what is said of it: a wound string wants one tuck or two, a smooth one two or three', () => {
    for (const exercise of all()) {
      if (exercise.at === 'post') continue;
      const { at, away, tucks, truth, instrument, string } = exercise;
      expect(instrument.bridge.anchor).toBe(at);
      if (at === 'pins') expect(away > 0).toBe(truth === 'under-tip');
      else {
        const least = string.construction === 'wound' ? 1 : 2;
        expect(tucks < least).toBe(truth === 'few-tucks');
        expect(away < 0).toBe(truth === 'last-on-top');
        expect(tucks).toBeLessThanOrEqual(least + 1);
      }
    }
  });

  it('says what would come of it: an end that runs never comes up, one that creeps comes up and no farther, one that hangs falls by 0.8 mm of stretch', () => {
    for (const exercise of all()) {
      if (exercise.at === 'post') continue;
      const { truth, givesAt, drops, plan, string } = exercise;
      const { pull } = plan.load;
      if (truth === 'few-tucks') expect(givesAt).toBeLessThan(pull);
      else if (truth === 'under-tip' || truth === 'last-on-top') expect(givesAt).toBeGreaterThan(pull);
      else expect(givesAt).toBeNull();
      expect(drops !== null).toBe(truth === 'slot-away');
      if (drops === null) continue;
      // pitch goes with the root of the pull: so many cents under is 2^(cents / 600) times as little
      const after = pull - (string.stiffness * 0.0008) / plan.stretch.path;
      expect(pull / 2 ** (drops / 600)).toBeCloseTo(after, 6);
    }
  });
});

it('calls good what is off by just as much as good work may be', () => {
  const exercise = { ...exerciseOf('cents', 3, 0), truth: 0 };
  const most = GOOD_WORK.cents.value;
  expect([most, -most, most + 0.1].map((cents) => judge('cents', exercise, { cents }).good)).toEqual([true, true, false]);
});

it('draws chance from its seed alone', () => {
  const [one, other] = [chanceFrom(3), chanceFrom(3)];
  expect([one(), one()]).toEqual([other(), other()]);
});

describe('balance', () => {
  const all = () => [0, 3].flatMap((level) => SEEDS.slice(0, 4).map((seed) => exerciseOf('balance', seed, level)));
  /** String after string to its note, round and round: what a hand does that knows nothing of the others. */
  const byEar = (exercise: ExerciseOf<'balance'>, rounds: number): BridgeMove[] =>
    Array.from({ length: rounds }, () => exercise.rests.map((_, string): BridgeMove => ({ kind: 'tune', string, cents: 0 }))).flat();

  it('begins away from home, on a bridge that floats, and takes no more moves than each string and the claw, twice over', () => {
    for (const exercise of all()) {
      expect(floats(exercise.instrument.bridge)).toBe(true);
      expect(bridgeAfter(exercise, []).home).toBe(false);
      expect(exercise.best).toBeGreaterThan(0);
      expect(exercise.best).toBeLessThanOrEqual(2 * (exercise.rests.length + 1));
    }
  });

  it('tuning one string up lowers every other and tips the bridge forward; the claw in draws all of them up', () => {
    for (const exercise of all()) {
      const before = bridgeAfter(exercise, []);
      const up = bridgeAfter(exercise, [{ kind: 'tune', string: 0, cents: (before.off[0] ?? 0) + 60 }]);
      const claw = bridgeAfter(exercise, [{ kind: 'claw', turns: 0.25 }]);
      expect(up.angle).toBeGreaterThan(before.angle);
      expect(up.off[0]).toBeCloseTo((before.off[0] ?? 0) + 60, 3);
      before.off.forEach((off, index) => {
        if (index > 0) expect(up.off[index] ?? 0).toBeLessThan(off ?? 0);
        expect(claw.off[index] ?? 0).toBeGreaterThan(off ?? 0);
      });
    }
  });

  it('counts moves beyond the best, and ten more where it is left away from home; a string that there is not changes nothing', () => {
    const [exercise] = all();
    if (exercise === undefined) throw new Error('none');
    const none: BridgeMove = { kind: 'tune', string: 9, cents: 0 };
    expect(bridgeAfter(exercise, [none])).toEqual(bridgeAfter(exercise, []));
    const padded = (moves: number) => Array.from({ length: moves }, () => none);
    expect(judge('balance', exercise, { moves: padded(exercise.best) })).toEqual({ off: 10, good: false });
    expect(judge('balance', exercise, { moves: padded(exercise.best + 3) }).off).toBe(13);
  });

  it('is brought home by ear only in rounds: never in as few as by marks', () => {
    for (const exercise of all()) expect(judge('balance', exercise, { moves: byEar(exercise, 2) }).off).toBeGreaterThan(2);
  });

  it('is home where it is level and every string within what holds, and not where one of the two is wanting', () => {
    for (const exercise of all()) {
      const { bridge } = exercise;
      const level = levelClaw(bridge);
      if (!level.ok) throw new Error('no level');
      const at = (claw: Metres, cents: readonly number[]) => {
        const heard = bridge.strings.map(({ pitch }, index) => hertz(pitch * 2 ** ((cents[index] ?? 0) / 1200)));
        return bridgeAfter({ ...exercise, claw, rests: restsFrom(bridge, claw, heard).rests }, []);
      };
      const right = at(level.value, []);
      expect([right.home, right.off.every((off) => Math.abs(off ?? 9) < 0.01)]).toEqual([true, true]);
      expect(right.angle).toBeCloseTo(0, 4);
      for (const off of [HOLDS.cents + 0.2, -HOLDS.cents - 0.2]) expect(at(level.value, [0, off]).home).toBe(false);
      expect(at(level.value, [HOLDS.cents - 0.2, 0.2 - HOLDS.cents]).home).toBe(true);
      const leaning = at(metres(level.value + screwLead), []);
      expect([leaning.home, leaning.off.every((off) => Math.abs(off ?? 9) < 0.01)]).toEqual([false, true]);
      const inTune = bridge.strings.map(({ pitch }) => pitch);
      const home = { ...exercise, claw: level.value, rests: restsFrom(bridge, level.value, inTune).rests };
      expect(judge('balance', { ...home, best: 0 }, { moves: [] })).toEqual({ off: 0, good: true });
      expect(judge('balance', { ...home, best: 4 }, { moves: [] }).off).toBe(0);
    }
  });

  it('turns both screws of the claw by their lead', () => {
    const [exercise] = all();
    if (exercise === undefined) throw new Error('none');
    const { claw } = exercise;
    const told = bridgeAfter(exercise, [{ kind: 'claw', turns: 0.5 }]);
    expect(told).toEqual(bridgeAfter({ ...exercise, claw: metres(claw + 0.5 * screwLead) }, []));
  });
});
