import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { usualSprings } from '../balance/index.js';
import { slotFit } from '../nut/index.js';
import { SETS, setsFor, STRINGS, stringProperties, type StringProperties, type TableString } from '../strings/index.js';
import { strungKind, strungOf } from '../tuning/index.js';
import { metres, newtons } from '../units/index.js';
import type { Option } from './candidates.js';
import { bridgeStrung, compareOn, seatString, solveGauges, type GaugeAnswer, type GaugeQuestion, type Wish } from './index.js';
import { NOTHING_YET, scoreOf, targetPull, type Scored, type Sums } from './score.js';
import { Best, searchBest } from './search.js';

const read = (string: TableString): StringProperties => {
  const outcome = stringProperties(string);
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
};

describe('the pull that is wished for a seat', () => {
  it('is that of the wish: all alike, by seat, or its share of the whole', () => {
    const shares: Wish = { kind: 'total', total: newtons(400), shares: [1, 3] };
    expect([0, 1].map((seat) => targetPull(shares, seat, 2))).toEqual([100, 300]);
    expect(targetPull({ kind: 'total', total: newtons(400), shares: null }, 1, 2)).toBe(200);
    expect(targetPull({ kind: 'equal-pull', pull: newtons(70) }, 1, 2)).toBe(70);
    const pulls: Wish = { kind: 'pulls', pulls: [newtons(60)] };
    expect([targetPull(pulls, 0, 2), targetPull(pulls, 1, 2)]).toEqual([60, null]);
    expect(targetPull({ kind: 'feel', bends: [] }, 0, 2)).toBeNull();
  });
});

describe('what choices cost', () => {
  const option = (pull: number) => ({ load: { pull }, bend: null }) as unknown as Option;
  const pulls = (...list: number[]) => list.map(option);
  const square = (value: number) => value * value;

  it('of a total: what each misses of its share, and all together as much again as all strings', () => {
    const wish: Wish = { kind: 'total', total: newtons(100), shares: null };
    const score = scoreOf(wish, [1, 2], [pulls(60, 50), pulls(80, 70)]);
    expect(score.seats.map((list) => list.map(({ pull }) => pull))).toEqual([[50, 60], [70, 80]]); // prettier-ignore
    const least = 2 * square(Math.log(70 / 50)); // 50 is its share; the second seat counts twice
    expect(score.floor(NOTHING_YET, 0)).toBeCloseTo(least, 12);
    expect(score.bound(NOTHING_YET, 0)).toBeCloseTo(least + 3 * square(Math.log(120 / 100)), 12); // 120 at the least
    const [first, second] = [score.seats[0]?.[1], score.seats[1]?.[1]];
    if (first === undefined || second === undefined) throw new Error('no option');
    const sums = score.add(score.add(NOTHING_YET, 0, first), 1, second);
    const own = square(Math.log(60 / 50)) + 2 * square(Math.log(80 / 50));
    expect(score.bound(sums, 2)).toBeCloseTo(own + 3 * square(Math.log(140 / 100)), 12);
    const [most, between] = [160, 130].map((total) => scoreOf({ ...wish, total: newtons(total) }, [1, 1], [pulls(60, 50), pulls(80, 70)]));
    expect((most?.bound(NOTHING_YET, 0) ?? 0) - (most?.floor(NOTHING_YET, 0) ?? 0)).toBeCloseTo(2 * square(Math.log(140 / 160)), 12);
    expect((between?.bound(NOTHING_YET, 0) ?? 0) - (between?.floor(NOTHING_YET, 0) ?? 1)).toBe(0); // it can still be met
  });

  it('of pulls alike at a level that is given: each by itself, the nearest first, a seat without weight nothing', () => {
    const score = scoreOf({ kind: 'equal-pull', pull: newtons(70) }, [2, 0], [pulls(90, 60, 75), pulls(40, 90)]);
    expect(score.seats[0]?.map(({ pull }) => pull)).toEqual([75, 60, 90]);
    expect(score.seats[0]?.map(({ own }) => own)).toEqual([75, 60, 90].map((pull) => expect.closeTo(2 * square(Math.log(pull / 70)), 12)));
    expect(score.seats[1]?.map(({ own }) => own)).toEqual([0, 0]);
    expect(score.centre).toBeNull();
  });

  it('of pulls alike at any level: sorted by level, nothing by themselves, from the mean of those chosen outward', () => {
    const score = scoreOf({ kind: 'equal-pull', pull: null }, [1, 3], [pulls(90, 60, 75), pulls(50)]);
    expect(score.seats[0]?.map(({ pull, own }) => [pull, own])).toEqual([[60, 0], [75, 0], [90, 0]]); // prettier-ignore
    expect(score.centre?.(NOTHING_YET)).toBe(0);
    expect(score.bound(NOTHING_YET, 0)).toBe(0);
    const [one, two] = [score.seats[0]?.[0], score.seats[1]?.[0]];
    if (one === undefined || two === undefined) throw new Error('no option');
    const both = score.add(score.add(NOTHING_YET, 0, one), 1, two);
    expect(score.centre?.(both)).toBeCloseTo((Math.log(60) + 3 * Math.log(50)) / 4, 12);
  });
});

describe('the walk through a seat', () => {
  /** Levels in the order in which they are looked at from `centre` on. */
  function walked(levels: readonly number[], centre: number | null): number[] {
    const seen: number[] = [];
    const seats = [levels.map((level, option): Scored => ({ option, own: 0, level, pull: 1 }))];
    const add = (sums: Sums, _seat: number, { level }: Scored) => {
      seen.push(level);
      return sums;
    };
    const score = { seats, order: [0], isFree: () => false, add, bound: () => 0, floor: () => 0, centre: centre === null ? null : () => centre }; // prettier-ignore
    searchBest(
      {
        score,
        base: null,
        singlesOf: () => 0,
        goesWith: () => undefined,
        left: () => Number.POSITIVE_INFINITY,
        sameStock: (_, option) => String(option),
      },
      new Best(9),
    );
    return seen;
  }

  it('goes from the nearest outward to both sides, and to the end of the other where one side ends', () => {
    expect(walked([1, 4, 6.5, 9.5], 5)).toEqual([4, 6.5, 1, 9.5]);
    expect(walked([1, 4, 6.5, 9.5], 20)).toEqual([9.5, 6.5, 4, 1]);
    expect(walked([1, 4, 6.5, 9.5], 0)).toEqual([1, 4, 6.5, 9.5]);
    expect(walked([1, 4, 6, 9], 5)).toEqual([4, 6, 1, 9]); // as far: the lower one first
    expect(walked([1, 4, 6], 4)).toEqual([4, 6, 1]);
    expect(walked([4, 1, 6], null)).toEqual([4, 1, 6]); // as they are sorted
  });
});

const ask = (more: Partial<GaugeQuestion> & Pick<GaugeQuestion, 'wish'>): GaugeQuestion => {
  const strung = more.strung ?? strungKind('electric-in-line');
  return {
    ...{ strung, table: STRINGS, sets: SETS, weights: strung.seats.map(() => 1), wound: strung.seats.map(() => null) },
    ...{ stock: null, mostSingles: null, mixed: true, answers: 3 },
    ...more,
  };
};
function solve(question: GaugeQuestion): GaugeAnswer[] {
  const outcome = solveGauges(question);
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
}
const kindOf = (question: GaugeQuestion) => {
  const outcome = solveGauges(question);
  return outcome.ok ? 'found' : outcome.problem.kind;
};
const EVEN: Wish = { kind: 'equal-pull', pull: newtons(75) };
const isWound = ({ construction }: TableString) => construction === 'wound';

describe('strings of one line', () => {
  const costs = (answers: readonly GaugeAnswer[]) => answers.map(({ cost }) => Number(cost.toPrecision(9)));

  it('are the best of every line of smooth and every line of wound ones, told once, the best first', () => {
    const table = STRINGS.filter(({ family }) => family === 'electric');
    const lines = (wound: boolean) => [...new Set(table.filter((string) => isWound(string) === wound).map(({ lineId }) => lineId))];
    const apart = lines(false).flatMap((smooth) =>
      lines(true).flatMap((wound) =>
        solve(ask({ wish: EVEN, answers: 6, table: table.filter((string) => string.lineId === (isWound(string) ? wound : smooth)) })),
      ),
    );
    const make = ({ strings }: GaugeAnswer) =>
      strings.map(({ construction, gauge, wrap, finish = 'round', coreShape, linearDensity }) =>
        [construction, gauge, wrap, finish, coreShape, linearDensity].join(),
      ).join(); // prettier-ignore
    const best = [...new Map(apart.sort((a, b) => b.cost - a.cost).map((answer) => [make(answer), answer])).values()].reverse();
    const shares: number[] = [];
    const told = solveGauges(ask({ wish: EVEN, answers: 6, table, mixed: false }), (share) => shares.push(share));
    expect(lines(true).length).toBeGreaterThan(2);
    expect(costs(told.ok ? told.value : [])).toEqual(costs(best.slice(0, 6)));
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(Math.max(...shares)).toBeGreaterThan(0.75);
    expect(Math.max(...shares)).toBeLessThanOrEqual(1);
  });

  it('are the best line of a table that has only smooth ones, and none is mixed with another', () => {
    const strung = strungKind('electric-in-line');
    const three = { ...strung, seats: strung.seats.slice(0, 3) };
    const smooth = STRINGS.filter((string) => string.family === 'electric' && !isWound(string));
    // every second gauge is of another line
    const table = smooth.map((string, index) => ({ ...string, lineId: index % 2 === 0 ? 'even' : 'odd' }));
    const wish: Wish = { kind: 'equal-pull', pull: newtons(71) };
    const q = { strung: three, weights: [1, 1, 1], wound: [null, null, null], sets: [], wish, answers: 1 };
    const [even, odd] = ['even', 'odd'].map((line) => solve(ask({ ...q, table: table.filter(({ lineId }) => lineId === line) })));
    const [kept] = solve(ask({ ...q, table, mixed: false }));
    expect(kept?.cost).toBe(Math.min(even?.[0]?.cost ?? 9, odd?.[0]?.cost ?? 9));
    expect(new Set(kept?.strings.map(({ lineId }) => lineId)).size).toBe(1);
  });

  it('are refused for the seat where no line has one', () => {
    const high = strungKind('electric-in-line');
    const strung = { ...high, seats: high.seats.map((seat) => ({ ...seat, pitch: (seat.pitch * 8) as never })) };
    expect(kindOf(ask({ strung, wish: EVEN, mixed: false }))).toBe('no-string');
    expect(kindOf(ask({ strung, wish: EVEN, mixed: false, table: [] }))).toBe('no-string');
  });
});

describe('what an answer misses', () => {
  const pullsOf = ({ strings }: GaugeAnswer) =>
    strungKind('electric-in-line').seats.map((seat, index) => seatString(read(strings[index] as TableString), seat));
  const near = (values: readonly (number | null)[]) =>
    values.map((value) => (value === null ? null : (expect.closeTo(value, 6) as number)));

  it('is its pull against what was wished, string by string, and the root of the mean square of all', () => {
    const pulls = [60, 65, 70, 75, 70, 65].map(newtons);
    const [best] = solve(ask({ wish: { kind: 'pulls', pulls }, weights: [1, 1, 0, 1, 2, 1] }));
    if (best === undefined) throw new Error('no answer');
    const seats = pullsOf(best);
    expect(best.missPercent).toEqual(near(seats.map(({ load }, seat) => (seat === 2 ? null : 100 * (load.pull / (pulls[seat] ?? 1) - 1)))));
    const miss = (seat: number) => Math.log((seats[seat]?.load.pull ?? 1) / (pulls[seat] ?? 1)) ** 2;
    const square = [1, 1, 0, 1, 2, 1].reduce((sum, weight, seat) => sum + weight * miss(seat), 0);
    expect(best.missesPercent).toBeCloseTo(100 * Math.sqrt(square / 6), 9);
  });

  it('is against the weighted mean of all where they only have to be alike', () => {
    const weights = [1, 2, 1, 1, 3, 1];
    const [best] = solve(ask({ wish: { kind: 'equal-pull', pull: null }, weights }));
    if (best === undefined) throw new Error('no answer');
    const logs = pullsOf(best).map(({ load }) => Math.log(load.pull));
    const mean = logs.reduce((sum, log, seat) => sum + (weights[seat] ?? 0) * log, 0) / 9;
    expect(best.missPercent).toEqual(near(logs.map((log) => 100 * (Math.exp(log - mean) - 1))));
  });

  it('is the force of a bend where the feel is wished, and nothing where no feel is', () => {
    const strung = strungKind('electric-split');
    const set = setsFor('electric', 6)[0];
    const bends = strung.seats.map((seat, index) => (index === 4 ? null : seatString(read(set?.strings[index] as TableString), seat).bend));
    const [best] = solve(ask({ wish: { kind: 'feel', bends } }));
    if (best === undefined) throw new Error('no answer');
    const forces = pullsOf(best).map(({ bend }, seat) => {
      const wanted = bends[seat] ?? null;
      return wanted === null || bend === null ? null : 100 * (bend.force / wanted.force - 1);
    });
    expect(forces[4]).toBeNull();
    expect(best.missPercent).toEqual(near(forces));
  });

  it('is nothing where no string counts', () => {
    const [free] = solve(ask({ wish: EVEN, weights: [0, 0, 0, 0, 0, 0], answers: 1 }));
    expect(free).toMatchObject({ cost: 0, missesPercent: 0, missPercent: [null, null, null, null, null, null] });
  });
});

describe('strings that are left free', () => {
  const make = ({ strings }: GaugeAnswer, seats: readonly number[]) => seats.map((seat) => strings[seat]?.id).join();

  it('make no other choice of what counts: answers differ in strings that do', () => {
    const answers = solve(ask({ wish: EVEN, weights: [1, 1, 1, 1, 0, 0], answers: 5 }));
    expect(answers).toHaveLength(5);
    expect(new Set(answers.map((answer) => make(answer, [0, 1, 2, 3]))).size).toBe(5);
    for (const { strings } of answers) expect(strings).toHaveLength(6);
  });

  it('are those of the set that the others are of', () => {
    const set = setsFor('electric', 6)[4]; // its first three are those of the set before it
    const strung = strungKind('electric-in-line');
    const pulls = set?.strings.map((string, index) => seatString(read(string), strung.seats[index] as never).load.pull) ?? [];
    const weights = [1, 1, 1, 0, 0, 1];
    const [best] = solve(ask({ wish: { kind: 'pulls', pulls: [...pulls.slice(0, 3), newtons(1), newtons(1),...pulls.slice(5)] }, weights })); // prettier-ignore
    expect(best?.strings.map(({ id }) => id)).toEqual(set?.strings.map(({ id }) => id));
    expect(best).toMatchObject({ singles: 0, set: { id: set?.id } });
  });

  it('bear their share of a total all the same', () => {
    const weights = [1, 1, 1, 1, 1, 0];
    const [best] = solve(ask({ wish: { kind: 'total', total: newtons(420), shares: null }, weights, answers: 1 }));
    const strung = strungKind('electric-in-line');
    const pulls = best?.strings.map((string, index) => seatString(read(string), strung.seats[index] as never).load.pull) ?? [];
    expect(pulls.reduce((sum, pull) => sum + pull, 0) / 420).toBeCloseTo(1, 1);
  });

  it('take from the shelf what the others leave', () => {
    const [set] = SETS.filter(({ family }) => family === 'mandolin');
    const strung = strungKind('mandolin');
    const [own] = set?.strings ?? [];
    const string = STRINGS.find(({ family, construction, gauge }) => family === 'mandolin' && construction === 'plain' && gauge < (own?.gauge ?? 0)); // prettier-ignore
    if (string === undefined || set === undefined) throw new Error('no lighter one');
    const pull = seatString(read(string), strung.seats[1] as never).load.pull;
    const stock = { sets: new Map<string, number>(), strings: new Map(set.strings.map(({ id }) => [id, 2])).set(string.id, 1) };
    const wish: Wish = { kind: 'pulls', pulls: strung.seats.map(() => pull) };
    const [best] = solve(ask({ strung, wish, stock, weights: [0, 1, 0, 0, 0, 0, 0, 0], answers: 1 }));
    expect(best?.strings[1]?.id).toBe(string.id);
    expect(best?.strings).toHaveLength(8);
    expect(best?.cost).toBeCloseTo(0, 12);
  });
});

describe('sets to begin from', () => {
  const shelf = (sets: readonly string[], strings: readonly string[] = []) => ({
    sets: new Map(sets.map((id) => [id, 1])),
    strings: new Map(strings.map((id) => [id, 1])),
  });
  const [six] = setsFor('electric', 6);
  const others = SETS.filter(({ family, strings }) => family === 'acoustic' || (family === 'electric' && strings.length !== 6));

  it('are of its family and as many strings, and there has to be one where one is asked for', () => {
    expect(others.length).toBeGreaterThan(3);
    expect(kindOf(ask({ wish: EVEN, mostSingles: 0, sets: others }))).toBe('no-set');
    expect(kindOf(ask({ wish: EVEN, mostSingles: 0, sets: [] }))).toBe('no-set');
    expect(solve(ask({ wish: EVEN, mostSingles: 0, sets: [...others, ...(six === undefined ? [] : [six])] }))[0]?.set).toBe(six);
  });

  it('lie on the shelf, or nothing can be made of it', () => {
    expect(kindOf(ask({ wish: EVEN, stock: shelf([]), mostSingles: 0 }))).toBe('nothing-in-stock');
    expect(kindOf(ask({ wish: EVEN, stock: shelf([]) }))).toBe('nothing-in-stock');
    const [first] = solve(ask({ wish: EVEN, stock: shelf([six?.id ?? '']), answers: 9 }));
    expect(first).toMatchObject({ set: six, singles: 0 });
    const none = { ...shelf([]), sets: new Map([[six?.id ?? '', 0]]) };
    expect(kindOf(ask({ wish: EVEN, stock: none }))).toBe('nothing-in-stock');
  });

  it('give up a string to a better one of the shelf, which is there once', () => {
    const two = SETS.find(({ family }) => family === 'mandolin');
    const strung = strungKind('mandolin');
    const own = two?.strings.map((string, index) => seatString(read(string), strung.seats[index] as never).load.pull) ?? [];
    // the first pair is wished lighter by the square of a gauge, and one such string lies there
    const string = STRINGS.find(({ family, construction, gauge }) => family === 'mandolin' && construction === 'plain' && gauge < (two?.strings[0]?.gauge ?? 0)); // prettier-ignore
    if (string === undefined || two === undefined) throw new Error('no lighter one');
    const lighter = [0, 1].map((seat) => seatString(read(string), strung.seats[seat] as never).load.pull);
    const pulls = own.map((pull, seat) => lighter[seat] ?? pull);
    const question = ask({ strung, wish: { kind: 'pulls', pulls }, stock: shelf([two.id], [string.id]), answers: 1 });
    const [best] = solve(question);
    expect(best).toMatchObject({ set: two, singles: 1 });
    expect(best?.strings.filter(({ id }) => id === string.id)).toHaveLength(1);
    const pair = { ...question, stock: { ...shelf([two.id]), strings: new Map([[string.id, 2]]) } };
    expect(solve(pair)[0]).toMatchObject({ set: two, singles: 2 });
  });
});

describe('a set beside the one before', () => {
  const [light, heavy] = setsFor('electric', 6).map(({ strings }) => strings.map(read));
  const on = (id: string, strings = heavy ?? []) => ({ strung: strungOf(instrumentOf(id)), strings });

  it('is seated string by string: in its slot where that was measured, beside what was there', () => {
    const { strung } = on('electric-in-line');
    const slots = strung.seats.map((seat, index) => ({ ...seat, slotWidth: index === 0 ? null : metres(0.0005 + index / 5000) }));
    const told = compareOn({ strung: { ...strung, seats: slots }, strings: heavy ?? [] }, { strung, strings: light ?? [] });
    expect(told.strings.map(({ fit }) => fit)).toEqual(
      slots.map(({ slotWidth }, index) => (slotWidth === null ? null : slotFit(slotWidth, heavy?.[index]?.gauge ?? metres(0)))),
    );
    expect(told.strings.map(({ before }) => before?.string)).toEqual(light);
    expect(told.strings.map(({ after }) => after.string)).toEqual(heavy);
    const spare = told.strings.map(({ after }) => after.load.semitonesToSafe);
    expect(told.tightest).toBe(spare.indexOf(Math.min(...spare)));
    expect(told.bandPercent).toBe(Math.max(...(heavy ?? []).map(({ bandPercent }) => bandPercent)));
    expect(told.total).toBeCloseTo(told.strings.reduce((sum, { after }) => sum + after.load.pull, 0), 9); // prettier-ignore
  });

  it('tips a bridge that floats, and says so only where both are known', () => {
    const told = compareOn(on('electric-in-line-locking'), on('electric-in-line-locking', light));
    const percent = told.change?.total.percent ?? 0;
    expect(told.tilt).toBe(percent > 1 ? 'toward-neck' : percent < -1 ? 'into-body' : 'as-before');
    expect(told.balance).not.toBeNull();
    expect(compareOn(on('electric-in-line-locking'), null)).toMatchObject({ balance: null, tilt: 'unknown' });
    expect(compareOn(on('electric-split'), on('electric-split', light)).balance).toBeNull();
    expect(() => compareOn(on('electric-split', heavy?.slice(1)), null)).toThrow('5 strings for 6 seats');
  });

  it('has behind nut and saddle what is not spoken of its path', () => {
    const { strung } = on('electric-in-line-locking');
    const bridge = bridgeStrung(on('electric-in-line-locking'), usualSprings);
    const result = bridge?.strings.map(({ extra }) => extra);
    expect(result).toEqual(strung.seats.map(({ path, speakingLength }) => expect.closeTo(path - speakingLength, 12) as number));
  });

  it('does not bend where a semitone would break it', () => {
    const [seat] = on('electric-in-line').strung.seats;
    if (seat === undefined || heavy?.[0] === undefined) throw new Error('no seat');
    const { load, bend } = seatString(heavy[0], seat);
    expect(bend).not.toBeNull();
    const high = { ...seat, pitch: (load.breakingPitch * 0.99) as never };
    expect(seatString(heavy[0], high).bend).toBeNull();
  });
});
