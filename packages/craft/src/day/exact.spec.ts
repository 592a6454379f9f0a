import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestByTrying, faultsOf, piece, somebody, someJob, someRack } from '../testing/index.js';
import { benchOf } from './bench.js';
import { Calendar } from './calendar.js';
import { searchAll } from './exact.js';
import { planDay, rackFault } from './index.js';
import type { InForce, Rack } from './model.js';
import { putIn } from './orders.js';

const always = { seed: 1, iterations: 4000, goesOn: () => true };
const [job, who, rack] = [someJob, somebody, someRack];
const anyPiece = fc.record({ minutes: fc.integer({ min: 1, max: 9 }), after: fc.constantFrom(0, 0, 3, 8), same: fc.boolean() });
const anyJob = fc.record({
  ready: fc.integer({ min: 0, max: 6 }),
  due: fc.integer({ min: 4, max: 30 }),
  weight: fc.integer({ min: 1, max: 3 }),
  kind: fc.constantFrom('steel', 'nylon'),
  operations: fc.array(anyPiece, { minLength: 1, maxLength: 2 }),
});
const anyRack: fc.Arbitrary<Rack> = fc
  .record({ jobs: fc.array(anyJob, { minLength: 1, maxLength: 3 }), gap: fc.integer({ min: 6, max: 14 }), two: fc.boolean() })
  .map(({ jobs, gap, two }) =>
    rack(
      jobs.map((each, nth) => ({
        ...each,
        id: `j${nth}`,
        hold: null,
        operations: each.operations.map((operation, at) => ({ ...operation, id: `o${at}` })),
      })),
      {
        people: [
          who('a', [
            [0, gap],
            [gap + 3, 30],
          ]),
          ...(two ? [who('b', [[4, 20]], ['steel'])] : []),
        ],
      },
    ),
  );

/** What the search finds from nothing, and in how many steps. */
function found(asked: Rack, inForce: readonly InForce[] = [], begin: (of: Calendar) => void = () => undefined) {
  const bench = benchOf(asked, inForce);
  const begun = new Calendar(bench);
  begin(begun);
  let steps = 0;
  return { ...searchAll(bench, begun, () => ++steps > 0), steps: () => steps };
}

describe('the search of all ways', () => {
  it('finds the best there is from nothing at all, by trying everything', { timeout: 60_000 }, () => {
    fc.assert(
      fc.property(anyRack, (asked) => {
        const { objective, finished } = found(asked);
        expect([finished, objective]).toEqual([true, bestByTrying(asked)]);
      }),
      { numRuns: 200 },
    );
  });

  /**
   * Nobody is in another's way. x: 10 to 30 and, ten minutes later, 40 to 55, by 30 at weight two. p: from 15 on, when b has done with z, and its look is pinned at 100. d is over, six too late; nobody can do g, nothing is left of the day
   * for r, and q goes on at 65, half an hour after what is done of it, with a.
   */
  const jobs = [
    job('x', 30, [piece('s', 20), piece('t', 15, 10)], { weight: 2 }),
    job('p', 110, [piece('s', 10), piece('t', 20)]),
    job('z', 300, [piece('s', 99)]),
    job('d', 3, [piece('s', 9)], { weight: 4 }),
    job('g', 100, [piece('s', 10)], { weight: 3, kind: 'gut' }),
    job('r', 195, [piece('s', 10)], { ready: 195, weight: 5 }),
    job('q', 60, [piece('s', 9), piece('t', 10, 56)]),
  ];
  const at = (of: string, operation: string, person: string, start: number) => ({ job: of, operation, person, start });
  const people = ['a', 'b'].map((id) => who(id, [[0, 200]]));
  const done = [{ job: 'd', operation: 's', person: 'a', end: 9 }, { job: 'q', operation: 's', person: 'a', end: 9 }]; // prettier-ignore
  const full = rack(jobs, { now: 10, people, done, started: [{...at('z', 's', 'b', 0), minutesLeft: 5 }], pinned: [at('p', 't', 'b', 100)] }); // prettier-ignore
  const lay = [at('z', 's', 'b', 60), at('p', 't', 'b', 130)];
  const objective = {
    late: 2 + 1 + 4 + 3 + 5 + 1,
    tardiness: 2 * 25 + 10 + 4 * 6 + 3 * (200 + 10 - 100) + 5 * (200 + 10 - 195) + 15,
    moved: 1, // z lies elsewhere than it lay
    flow: 15 + 30 + 55 + 25 + 120 + 75,
  };

  it('holds what is pinned, under way, over, and what can be in no plan, by hand', () => {
    const { spots, ...told } = found(full, lay);
    expect([told.finished, told.objective]).toEqual([true, objective]);
    const starts = spots.map((own) => own?.map(({ person, start }) => `${people[person]?.id} ${start}`).join(', ') ?? null);
    expect(starts).toEqual(['a 10, a 40', 'b 15, b 100', '', '', null, null, 'a 65']);
  });

  it('leaves all that cannot be better by the chains of its jobs: of the best at once', () => {
    const { steps, ...told } = found(full, lay, (begun) => putIn(begun, [0, 1, 2, 3, 4, 5, 6]));
    expect(steps()).toBe(1);
    expect(told.objective).toEqual(objective);
  });

  it('leaves what stands behind another that has placed the same', () => {
    // four of ten minutes, all too late: in each order as much in the end. Of each set of them one order is gone on with: 1 + 4 · 2³ steps at most, where all orders are 1 + 4 + 12 + 24 + 24
    const { steps } = found(rack([0, 1, 2, 3].map((nth) => job(`j${nth}`, 0, [piece('s', 10)]))));
    expect(steps()).toBeLessThanOrEqual(33);
  });

  it('leaves out a job whose pin is reached too late, with the pin where it is', () => {
    const stuck = rack([job('p', 30, [piece('s', 60), piece('t', 10)])], { pinned: [at('p', 't', 'a', 50)] });
    const { steps, ...told } = found(stuck, [at('p', 't', 'a', 90)]);
    expect(told).toMatchObject({ spots: [null], objective: { late: 1, moved: 1, flow: 60 } });
    expect(steps()).toBe(1);
  });
});

describe('a plan of a small rack', () => {
  it('is the best there is, by trying everything, and holds every rule', { timeout: 60_000 }, () => {
    fc.assert(
      fc.property(anyRack, (asked) => {
        const plan = planDay(asked, always);
        expect(rackFault(asked)).toBeNull();
        expect(faultsOf(asked, plan)).toEqual([]);
        expect(plan.proved).toBe(true);
        expect(plan.objective).toEqual(bestByTrying(asked));
      }),
      { numRuns: 150 },
    );
  });

  it('moves as little of a plan in force as keeps all else, by trying everything', { timeout: 60_000 }, () => {
    // the same racks, all times by ten: half an hour is something then
    const byTen = (asked: Rack): Rack => ({
      ...asked,
      people: asked.people.map((each) => ({ ...each, windows: each.windows.map(([a, b]) => [10 * a, 10 * b] as const) })),
      jobs: asked.jobs.map((each) => ({
        ...each,
        ready: 10 * each.ready,
        due: 10 * each.due,
        operations: each.operations.map((own) => ({ ...own, minutes: 10 * own.minutes, after: 10 * own.after })),
      })),
    });
    const places = fc.array(fc.record({ start: fc.integer({ min: 0, max: 250 }), second: fc.boolean() }), { minLength: 6, maxLength: 6 });
    fc.assert(
      fc.property(anyRack, places, (small, lay) => {
        const asked = byTen({ ...small, jobs: small.jobs.slice(0, 2) });
        const second = asked.people.length > 1 ? 'b' : 'a';
        const inForce = asked.jobs
          .flatMap((each) => each.operations.map(({ id }) => ({ job: each.id, operation: id })))
          .map((each, nth) => ({ ...each, person: lay[nth]?.second === true ? second : 'a', start: lay[nth]?.start ?? 0 }));
        const plan = planDay(asked, always, inForce);
        expect(faultsOf(asked, plan)).toEqual([]);
        expect(plan.proved).toBe(true);
        expect(plan.objective).toEqual(bestByTrying(asked, inForce));
      }),
      { numRuns: 100 },
    );
  });
});
