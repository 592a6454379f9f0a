import { describe, expect, it } from 'vitest';
import { piece, somebody, someJob, someRack } from '../testing/index.js';
import { replanDay, replanQuietly, type InForce, type Rack } from './index.js';

const time = { seed: 3, iterations: 300, goesOn: () => true };
const at = (job: string, operation: string, start: number, person = 'a'): InForce => ({ job, operation, person, start });

/** Why the first of these moved, and for what: all lies where it is pinned. */
function why(lay: InForce, pinned: readonly InForce[], jobs: Rack['jobs'], more: Partial<Rack> = {}) {
  const [moved] = replanDay(someRack([...jobs], { ...more, pinned: [...pinned] }), [lay], time).moved;
  return moved === undefined ? 'stays' : moved.by === null ? moved.why : `${moved.why} by ${moved.by.job} ${moved.by.operation}`;
}

describe('why it lies elsewhere', () => {
  const one = [someJob('a', 400, [piece('x', 20)])];
  const other = someJob('b', 400, [piece('x', 40)]);

  it('its hours are gone, where those of its person do not hold it to the minute', () => {
    const people = [somebody('a', [[0, 100], [200, 300]]), somebody('b', [[150, 300]])]; // prettier-ignore
    const said = (lay: InForce, now = 0) => why(lay, [at('a', 'x', 220)], one, { people, now });
    expect([said(at('a', 'x', 80)), said(at('a', 'x', 81)), said(at('a', 'x', 90, 'b'))]).toEqual(['better', 'no-hours', 'no-hours']);
    expect(said(at('a', 'x', 280))).toBe('earlier');
    // hours that are over are behind it, not gone
    expect(said(at('a', 'x', 20), 30)).toBe('behind');
    const both = [at('a', 'x', 220), at('b', 'x', 60)];
    expect(why(at('a', 'x', 85), both, [...one, other], { people })).toBe('no-hours'); // though b lies there as well
  });

  it('it is behind, where it is not ready, its part is not there, or what comes before it ends too late', () => {
    const ready = (lay: number, job: Partial<Rack['jobs'][0]>) =>
      why(at('a', 'x', lay), [at('a', 'x', 150)], [{ ...one[0], ...job } as Rack['jobs'][0]]);
    expect([ready(49, { ready: 50 }), ready(50, { ready: 50 })]).toEqual(['behind', 'better']);
    expect([ready(79, { ready: 20, hold: 80 }), ready(80, { ready: 20, hold: 80 })]).toEqual(['behind', 'better']);
    expect(ready(60, { ready: 70, hold: 20 })).toBe('behind');
    const three = someJob('a', 400, [piece('x', 20), { ...piece('y', 10), after: 15 }, piece('z', 10)]);
    const alike = someJob('c', 400, [piece('x', 10)]);
    // x until 40, y from 55 on; another x and a z lie later
    const lies = [at('a', 'x', 20), at('a', 'y', 120), at('a', 'z', 150), at('c', 'x', 190)];
    const y = (lay: number) => why(at('a', 'y', lay), lies, [three, alike]);
    expect([y(54), y(55), y(60)]).toEqual(['behind', 'better', 'better']);
  });

  it('something lies there now, with the same person and over it by a minute at least', () => {
    const taken = (lay: number, person = 'a') =>
      why(at('a', 'x', lay, person), [at('a', 'x', 190), at('b', 'x', 40)], [...one, other], {
        people: [somebody('a', [[0, 240]]), somebody('b', [[0, 240]])],
      });
    expect([20, 21, 79, 80].map((lay) => taken(lay))).toEqual(['better', 'taken by b x', 'taken by b x', 'better']);
    expect(taken(50, 'b')).toBe('better');
  });

  it('says nothing of what was in no plan', () => expect(why(at('b', 'x', 10), [at('a', 'x', 190)], one)).toBe('stays'));
});

describe('what moves people who work by the plan', () => {
  const jobs = (due: { x: number; y: number }, minutes = 50) => [
    someJob('x', due.x, [piece('restring', 40)]),
    someJob('y', due.y, [piece('restring', minutes)]),
  ];
  const lay = (minutes = 50) => [at('y', 'restring', 0), at('x', 'restring', minutes)];
  const first = (rack: Rack, inForce: readonly InForce[]) => replanQuietly(rack, inForce, time);

  it('is a tenth of the lateness, and half an hour at least', () => {
    // x and y are late by 890 and 850 + minutes where y lies first, by 840 and 840 + minutes where x does
    const late = (minutes: number) => someRack(jobs({ x: -800, y: -800 }, minutes), { people: [somebody('a', [[0, 900]])] });
    const told = first(late(100), lay(100));
    // 940 + 900 against 840 + 940: sixty less of 1,840 is no tenth
    expect([told.operations[0]?.job, told.moved, told.proved]).toEqual(['y', [], false]);
    // 10 and 10: 100 + 40 after it, sixty less of 220 is more than a quarter
    expect(first(someRack(jobs({ x: 10, y: 10 }, 100)), lay(100)).operations[0]?.job).toBe('x');
  });

  it('is a promise more that is kept, however little that is less late', () => {
    // x is kept where it comes first, y is late either way: 42 + 35 minutes, or 75
    const told = first(someRack(jobs({ x: 43, y: 10 }, 45)), lay(45));
    expect([told.operations[0]?.job, told.objective.late]).toEqual(['x', 1]);
    expect(told.moved.map(({ job }) => job).sort()).toEqual(['x', 'y']);
  });
});
