import { describe, expect, it } from 'vitest';
import { piece, somebody, someJob, someRack } from '../testing/index.js';
import { benchOf, type Bench } from './bench.js';
import { Calendar } from './calendar.js';
import type { InForce, Job, Person } from './model.js';

const at = (job: string, operation: string, start: number, person = 'a'): InForce => ({ job, operation, person, start });

describe('a calendar', () => {
  const jobs = [
    someJob('x', 50, [piece('restring', 40), piece('tune', 10, 20)], { weight: 2 }),
    someJob('y', 300, [piece('restring', 30)]),
    someJob('p', 100, [piece('first', 10), piece('second', 20)]),
    someJob('z', 300, [piece('restring', 30)]),
  ];
  const [x, y, p, z] = [0, 1, 2, 3];
  const people = ['a', 'b'].map((id) => somebody(id, [[0, 200]]));
  const started = [{ ...at('z', 'restring', 0, 'b'), minutesLeft: 15 }];
  const made = () => new Calendar(benchOf(someRack(jobs, { now: 5, people, started, pinned: [at('p', 'second', 150)] }), [at('z', 'restring', 60, 'b')])); // prettier-ignore
  const put = (calendar: Calendar, ...put: number[]) => {
    for (const job of put) calendar.take(job, calendar.bestFor(job) ?? { spots: [], late: 9, tardiness: 9, moved: 9, flow: 9 });
    return calendar;
  };
  // all left out: x would be 200 late at weight two, p 130; z ends at 20, the pin at 170; z lay elsewhere
  const nothing = { late: 5, tardiness: 2 * 200 + 130, moved: 1, flow: 20 + 170 };

  it('is worth what lies in it and what is left out, by hand', () => {
    expect(made().objective()).toEqual(nothing);
    // x from 5 to 45, its look from 65 to 75, by 50; p from 45 to 55, and 70 late with its pin
    expect(put(made(), x).objective()).toEqual({ late: 5, tardiness: 130 + 2 * 25, moved: 1, flow: 190 + 45 + 75 });
    expect(put(made(), x, p).objective()).toEqual({ late: 5, tardiness: 2 * 25 + 70, moved: 1, flow: 20 + 45 + 75 + 55 + 170 });
    expect(put(made(), y, z).objective()).toEqual({ ...nothing, late: 3, flow: 190 + 35 });
  });

  it('gives back all that it took, and a pin never', () => {
    const calendar = put(made(), x, p);
    calendar.giveBack(p);
    expect([65, 135, 145].map((from) => calendar.earliest(0, from, 10))).toEqual([75, 135, 170]);
    calendar.giveBack(x);
    expect([calendar.objective(), calendar.earliest(0, 0, 60), calendar.endOf(x)]).toEqual([nothing, 5, Infinity]);
  });

  it('says where a job lies and when it ends, and a copy goes on by itself', () => {
    const calendar = put(made(), x, z);
    const other = put(calendar.copy(), y);
    expect([x, y, z].map((job) => calendar.endOf(job))).toEqual([75, Infinity, 20]);
    expect([calendar.spotsOf(y), calendar.lyingOf(y), calendar.lyingOf(x)?.late]).toEqual([null, null, 2]);
    expect(other.spotsOf(y)).toEqual([{ free: 0, person: 1, start: 20, end: 50 }]); // b is free before a
    expect(other.objective()).toEqual({ ...calendar.objective(), late: 3, flow: calendar.objective().flow + 50 });
  });
});

describe('the best place of a job', () => {
  const two = (a: Person['windows'], b: Person['windows'], can = ['steel']) => [somebody('a', a), somebody('b', b, can)];
  const all: Person['windows'] = [[0, 200]];
  /** Each piece with who has it, from when. */
  function best(operations: Job['operations'], people: Person[], inForce: InForce[] = []): string | undefined {
    const bench: Bench = benchOf(someRack([someJob('j', 500, operations)], { people }), inForce);
    const told = new Calendar(bench).bestFor(0)?.spots.map(({ person, start }) => `${people[person]?.id} ${start}`);
    return told?.join(', ');
  }
  const once = [piece('s', 10)];

  it('is with whoever ends it first, and where both end alike with whoever begins first', () => {
    expect([best(once, two(all, [[50, 90]])), best(once, two([[50, 90]], all))]).toEqual(['a 0', 'b 0']);
    const twice = [piece('s', 10), piece('t', 10)];
    const [early, late]: Person['windows'][] = [[[0, 10], [100, 120]], [[20, 30], [100, 120]]]; // prettier-ignore
    expect([best(twice, two(early ?? [], late ?? [])), best(twice, two(late ?? [], early ?? []))]).toEqual(['a 0, a 100', 'b 0, b 100']);
    expect(best([piece('s', 300)], two(all, all))).toBeUndefined();
    // pinned to somebody who can do it no more: as the search of all ways has it, in no plan
    const pinned = benchOf(someRack([someJob('j', 500, once, { kind: 'wire' })], { people: two(all, all), pinned: [at('j', 's', 20)] }));
    expect(new Calendar(pinned).bestFor(0)).toBeNull();
  });

  it('keeps in one hand what belongs in one, and leaves the rest to whoever is free', () => {
    const people = two([[0, 30], [100, 200]], [[40, 90]]); // prettier-ignore
    expect(best([piece('s', 30), piece('look', 5, 0, false), piece('t', 30)], people)).toBe('a 0, b 40, a 100');
  });

  it('is where it lay, as early as moves nobody, with whom it lay', () => {
    const pieces = [piece('s', 10), piece('look', 5, 0, false)];
    const lay = (look: number, who = 'b') => [at('j', 's', 60), at('j', 'look', look, who)];
    expect(best(pieces, two(all, all), lay(90))).toBe('a 30, b 60');
    const [ends, late]: Person['windows'][] = [[[120, 200]], [[121, 200]]];
    expect([best(pieces, two(all, ends ?? []), lay(90)), best(pieces, two(all, late ?? []), lay(90))]).toEqual(['a 30, b 120', 'a 30, a 40']); // prettier-ignore
    expect(best(pieces, two(all, all, ['gut']), lay(90))).toBe('a 30, a 40'); // b cannot do it
    expect(best(pieces, two(all, all), lay(90).slice(1))).toBe('a 0, b 60'); // the first lay nowhere
    expect(best([piece('s', 10), piece('look', 5)], two(all, all), lay(90))).toBe('a 30, a 40'); // in one hand, b has to give way
  });
});
