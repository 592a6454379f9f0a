import { describe, expect, it } from 'vitest';
import { USUAL_HOURS, type Day } from '@gold-peg/contract/day';
import { pinFault, type Rack } from '@gold-peg/craft/day';
import { sayFirst, sayPin } from './say-pin.js';

/** Minutes from Tuesday's midnight in London, an hour after that of UTC in summer. */
const TEN = 600;
const work = (id: string, same = false, after = 0) => ({ id, minutes: 60, after, same });
const job = (id: string, passport: number, operations = [work('restring')]) => ({
  ...{ id, passport, kind: 'guitar', operations },
  ...{ ready: 0, due: 5000, weight: 1 },
});
const windows: [number, number][] = [[540, 735], [780, 1050]]; // prettier-ignore
const rack = {
  now: TEN,
  people: [
    { id: 'c', name: 'Corin Vell', can: ['guitar'], windows },
    { id: 'w', name: 'Wenna Tarrow', can: ['mandolin'], windows },
  ],
  jobs: [job('a', 109), job('b', 98, [work('restring', true), work('tune-1', true, 30)]), job('d', 131)],
  done: [],
  started: [],
  pinned: [{ job: 'a', operation: 'restring', person: 'c', start: 840 }],
};
const day = { ...rack, origin: '2026-05-25T23:00:00.000Z', hours: USUAL_HOURS } as unknown as Day;

/** What is said where a piece of work is put at a minute of that day. */
function said(pin: { job: string; operation?: string; person?: string; start: number }, more: Partial<Rack> = {}): string | null {
  const at = { operation: 'restring', person: 'c', ...pin };
  const here = { ...rack, ...more } as unknown as Rack;
  const fault = pinFault(here, at);
  return fault === null ? null : sayPin(fault, { ...day, ...more } as Day, at);
}

describe('why a pin cannot lie where it was put', () => {
  it('names the hours of its person, and the day on which they are not there', () => {
    const told = said({ job: 'd', start: 700 });
    expect(told).toBe('Corin Vell is there Tuesday 9:00 to 12:15 and 13:00 to 17:30: 60 min from 11:40 do not fit');
    expect(said({ job: 'd', start: 1440 + TEN })).toBe('Corin Vell is not there on Wednesday');
    expect(said({ job: 'd', start: TEN - 15 })).toBe('9:45 has gone by');
  });

  it('names what lies there, and until when; itself is not in its own way', () => {
    expect(said({ job: 'd', start: 899 })).toBe('Corin Vell has 0109 in hand from 14:00 to 15:00');
    expect(said({ job: 'd', start: 900 })).toBeNull();
    expect(said({ job: 'd', start: 780 })).toBeNull();
    expect(said({ job: 'a', start: 850 })).toBeNull();
    const started = [{ job: 'd', operation: 'restring', person: 'c', start: 580, minutesLeft: 40 }];
    expect(said({ job: 'b', start: 630 }, { started })).toBe('Corin Vell has 0131 in hand from 9:40 to 10:40');
  });

  it('names who has it in hand, what comes before, and whose kind of work it is not', () => {
    const people = [...rack.people, { id: 'x', name: 'Nell Quay-Harrow', can: ['guitar'], windows }];
    const pinned = [{ job: 'b', operation: 'restring', person: 'x', start: 840 }];
    const both = { people, pinned } as unknown as Partial<Rack>;
    expect(said({ job: 'b', operation: 'tune-1', start: 960 }, both)).toBe('this instrument stays in one hand, that of Nell Quay-Harrow');
    expect(said({ job: 'b', operation: 'tune-1', person: 'x', start: 929 }, both)).toBe('what comes before it takes until 15:30');
    expect(said({ job: 'b', operation: 'tune-1', person: 'x', start: 930 }, both)).toBeNull();
    expect(said({ job: 'a', person: 'w', start: 840 })).toBe('Wenna Tarrow does not take on instruments of that kind');
  });

  it('lets a pinned piece go to another hand, and looks at what is pinned after it', () => {
    const people = [...rack.people, { id: 'x', name: 'Nell Quay-Harrow', can: ['guitar'], windows }];
    const first = (...pinned: object[]) => sayFirst({ ...day, people, pinned } as unknown as Day);
    const work = (person: string, start: number) => ({ job: 'b', operation: 'restring', person, start });
    const visit = (person: string, start: number) => ({ job: 'b', operation: 'tune-1', person, start });
    expect(first(work('x', 840))).toBeNull();
    expect(first(work('x', 840), visit('x', 930))).toBeNull();
    // an hour of work from 14:15, and half an hour to wait
    expect(first(work('x', 855), visit('x', 930))).toBe('0098 is pinned at Tue 15:30 as well, and what comes before it takes until 15:45');
    expect(first(work('c', 840), visit('x', 930))).toBe('this instrument stays in one hand, that of Nell Quay-Harrow');
  });
});
