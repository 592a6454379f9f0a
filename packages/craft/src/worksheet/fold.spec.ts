import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { currentStage, foldWorksheet, lastStanding, passed, setupOf, stagesOf, type BenchEvent } from './index.js';
import { STRING_EVENTS, STRING_STAGES, type StringStage } from '../stages/index.js';

const COUNT = 6;
const person = '00000000-0000-4000-8000-000000000001';

/** Ids that sort by `at`, as version 7 does. */
const id = (at: number, device = 0) => `0190${String(at).padStart(8, '0')}-${device}`;
const head = (at: number, device = 0) => ({
  id: id(at, device),
  version: 1 as const,
  jobId: 'job',
  instrumentId: 'instrument',
  personId: person,
  deviceId: String(device),
  at: new Date(at * 1000).toISOString(),
});
const tick = (at: number, stage: StringStage, string: number, device = 0): BenchEvent =>
  stage === 'wind'
    ? { ...head(at, device), kind: 'wound', string, payload: { turns: 2.5, slackMm: 50, cutBeyondPostMm: 60, nutDeg: 9 } }
    : { ...head(at, device), kind: STRING_EVENTS[stage], string, payload: {} };
const undo = (at: number, eventId: string, device = 0): BenchEvent => ({ ...head(at, device), kind: 'undone', payload: { eventId } });
const chosen = (at: number, name = 'a set'): BenchEvent => ({
  ...head(at),
  kind: 'set-chosen',
  payload: { name, family: 'electric', strings: Array.from({ length: COUNT }, () => ({ construction: 'plain' as const, gaugeMm: 0.3 })) },
});
const handedOver = (at: number, remark = ''): BenchEvent => ({ ...head(at), kind: 'handed-over', payload: { remark } });

/** Everything else that a bench takes down, from few values, so that two devices often speak of the same thing. */
const anyString = fc.integer({ min: 1, max: COUNT });
const said = (kind: BenchEvent['kind'], payload: Record<string, fc.Arbitrary<unknown>>) =>
  fc.record({ kind: fc.constant(kind), payload: fc.record(payload) });
const ofString = (kind: BenchEvent['kind'], payload: Record<string, fc.Arbitrary<unknown>>) =>
  fc.record({ kind: fc.constant(kind), string: anyString, payload: fc.record(payload) });
const one = fc.constant;
const groove = { what: one('groove'), string: fc.constantFrom(1, 2), fret: fc.constantFrom(1, 2), wood: one(null), text: one('') };
const anyWord = fc.oneof(
  said('tool-laid', { tool: fc.constantFrom('winder', 'block'), there: fc.boolean(), sizeMm: fc.constantFrom(null, 3) }),
  said('reference-read', { a4Hz: fc.constantFrom(432, 440) }),
  ofString('gauge-read', { readMm: fc.constantFrom(0.25, 0.33), plannedMm: one(0.25), by: fc.constantFrom('caliper', 'typed') }),
  said('found', { ...groove, severity: fc.constantFrom('watch', 'now') }),
  said('measured', { what: fc.constantFrom('relief', 'action-bass'), valueMm: fc.constantFrom(0.2, 2) }),
  said('pads-noted', { clamp: fc.constantFrom(1, 2), lies: fc.constantFrom('along', 'across') }),
  ofString('heard', { cents: one(-9), sure: one(null), by: one('typed') }),
  ofString('pitch-read', { cents: fc.constantFrom(-30, -4), after: one('stretch'), retuned: fc.boolean(), by: one('typed') }),
  ofString('seated-again', {}),
  said('paused', {}),
  said('resumed', {}),
  said('bridge-blocked', { blocked: fc.boolean() }),
  ofString('scrapped', { why: one('kinked') }),
);

const anyLog = fc
  .array(
    fc.record({
      stage: fc.constantFrom(...STRING_STAGES),
      string: anyString,
      device: fc.integer({ min: 0, max: 1 }),
      undoes: fc.option(fc.nat()),
      word: fc.option(anyWord),
    }),
    { maxLength: 40 },
  )
  .map((steps) => {
    const log: BenchEvent[] = [];
    steps.forEach(({ stage, string, device, undoes, word }, at) => {
      const target = undoes === null ? undefined : log[undoes % Math.max(1, log.length)];
      const happens = word === null ? tick(at, stage, string, device) : ({ ...head(at, device), ...word } as BenchEvent);
      log.push(target === undefined || target.kind === 'undone' ? happens : undo(at, target.id, device));
    });
    return log;
  });

describe('the fold', () => {
  it('begins with nothing done', () => {
    const sheet = foldWorksheet(COUNT, []);
    expect(stagesOf(sheet).flatMap((stage) => passed(sheet, stage))).not.toContain(true);
    expect(currentStage(sheet)).toBe('choose');
    expect(setupOf(sheet)).toBeNull();
  });

  it('gives one state for any order in which the events of two devices arrive', () => {
    fc.assert(
      fc.property(
        anyLog.chain((log) => fc.tuple(fc.constant(log), fc.shuffledSubarray(log, { minLength: log.length, maxLength: log.length }))),
        ([log, shuffled]) => {
          expect(foldWorksheet(COUNT, shuffled)).toEqual(foldWorksheet(COUNT, log));
        },
      ),
    );
  });

  it('takes an event that arrives twice once', () => {
    fc.assert(
      fc.property(anyLog, (log) => {
        expect(foldWorksheet(COUNT, [...log, ...log])).toEqual(foldWorksheet(COUNT, log));
      }),
    );
  });

  it('merges two devices that went their own ways for a day, whichever is heard first and however often', () => {
    const parts = fc.tuple(anyLog, fc.array(fc.integer({ min: 0, max: 2 }), { maxLength: 60 }));
    fc.assert(
      fc.property(parts, ([log, turns]) => {
        const [here, there] = [0, 1].map((device) => log.filter(({ deviceId }) => deviceId === String(device)));
        // the server hears now one device, now the other, now one of them again from the start, each in its own order
        const heard: BenchEvent[] = [];
        let [a, b] = [0, 0];
        for (const turn of turns) {
          if (turn === 0) heard.push(...(here ?? []).slice(a, ++a));
          if (turn === 1) heard.push(...(there ?? []).slice(b, ++b));
          if (turn === 2) heard.push(...(here ?? []).slice(0, a));
        }
        heard.push(...(here ?? []).slice(a), ...(there ?? []).slice(b));
        expect(foldWorksheet(COUNT, heard)).toEqual(foldWorksheet(COUNT, log));
      }),
    );
  });

  it('lets the later of two conflicting words win, on tools, gauges, findings, measures and the clock', () => {
    const word = (at: number, device: number, what: object) => ({ ...head(at, device), ...what }) as BenchEvent;
    const finding = { what: 'groove', string: 1, fret: 2, wood: null, text: '' };
    const say = (at: number, device: number) => {
      const late = at > 10;
      return [
        word(at, device, { kind: 'tool-laid', payload: { tool: 'winder', there: late, sizeMm: null } }),
        word(at + 1, device, { kind: 'gauge-read', string: 2, payload: { readMm: late ? 0.33 : 0.25, plannedMm: 0.33, by: 'typed' } }),
        word(at + 2, device, { kind: 'found', payload: { ...finding, severity: late ? 'now' : 'watch' } }),
        word(at + 3, device, { kind: 'measured', payload: { what: 'relief', valueMm: late ? 0.3 : 0.2 } }),
        word(at + 4, device, { kind: late ? 'paused' : 'resumed', payload: {} }),
        word(at + 5, device, { kind: 'pads-noted', payload: { clamp: 1, lies: late ? 'across' : 'along' } }),
      ];
    };
    const sheet = foldWorksheet(COUNT, [...say(20, 1), ...say(1, 0)]);
    expect(sheet.tools.winder?.payload.there).toBe(true);
    expect(sheet.gauges[1]?.payload.readMm).toBe(0.33);
    expect(sheet.findings.map(({ payload }) => payload.severity)).toEqual(['now']);
    expect(sheet.measurements.map(({ payload }) => payload.valueMm)).toEqual([0.3]);
    expect(sheet.pads.map(({ payload }) => payload.lies)).toEqual(['across']);
    expect(sheet.paused).toBe(true);
  });

  it('undoes exactly: the state is as if the event had never been', () => {
    fc.assert(
      fc.property(anyLog, fc.constantFrom(...STRING_STAGES), fc.integer({ min: 1, max: COUNT }), (log, stage, string) => {
        const step = tick(1000, stage, string);
        expect(foldWorksheet(COUNT, [...log, step, undo(1001, step.id)])).toEqual(foldWorksheet(COUNT, log));
      }),
    );
  });

  it('lets no event of one string change another', () => {
    fc.assert(
      fc.property(anyLog, fc.integer({ min: 1, max: COUNT }), (log, string) => {
        const own = log.filter((event) => event.kind === 'undone' || ('string' in event && event.string === string));
        const [all, alone] = [foldWorksheet(COUNT, log), foldWorksheet(COUNT, own)];
        for (const stage of STRING_STAGES) expect(all.done[stage][string - 1]?.id).toBe(alone.done[stage][string - 1]?.id);
      }),
    );
  });

  it('brings an undone choice back to the one before', () => {
    const log = [chosen(1, 'first'), chosen(2, 'second')];
    expect(foldWorksheet(COUNT, log).chosen?.payload.name).toBe('second');
    expect(foldWorksheet(COUNT, [...log, undo(3, id(2))]).chosen?.payload.name).toBe('first');
  });

  it('knows of an undo that arrives before what it undoes', () => {
    expect(foldWorksheet(COUNT, [undo(2, id(1)), tick(1, 'strip', 3)]).done.strip[2]).toBeNull();
  });

  it('ignores strings the instrument does not have', () => expect(foldWorksheet(4, [tick(1, 'strip', 6)])).toEqual(foldWorksheet(4, [])));

  it('knows whether a block holds the bridge, as it was said last', () => {
    const block = (n: number, blocked: boolean): BenchEvent => ({ ...head(n), kind: 'bridge-blocked', payload: { blocked } });
    expect(foldWorksheet(COUNT, []).blocked).toBe(false);
    expect(foldWorksheet(COUNT, [block(2, false), block(1, true)]).blocked).toBe(false);
    expect(foldWorksheet(COUNT, [block(2, false), block(1, true), undo(3, id(2))]).blocked).toBe(true);
  });

  it('keeps a count with the winding it was of, whatever arrives first', () => {
    const wound = (n: number): BenchEvent => ({
      ...head(n),
      kind: 'wound',
      string: 2,
      payload: { turns: 3, slackMm: 60, cutBeyondPostMm: 75, nutDeg: 8 },
    });
    const count = (n: number, turns: number): BenchEvent => ({
      ...head(n),
      kind: 'turns-counted',
      string: 2,
      payload: { turns, slackMm: 59, stretchMm: 4, postDiameterMm: 6, stringDiameterMm: 0.3, nutToPostMm: 90 },
    });
    const turns = (...log: BenchEvent[]) => foldWorksheet(COUNT, log).counted[1]?.payload.turns ?? null;
    expect(turns(count(2, 2.5), wound(1))).toBe(2.5);
    expect(turns(wound(1), count(2, 2.5), count(3, 2.75))).toBe(2.75);
    expect(turns(wound(1), count(2, 2.5), wound(3))).toBeNull(); // wound anew: not counted yet
    expect(turns(wound(1), count(2, 2.5), undo(3, id(1)))).toBeNull();
    expect(turns(count(1, 2.5))).toBeNull();
  });

  it('keeps the first of two hand-overs', () => {
    expect(foldWorksheet(COUNT, [handedOver(2, 'late'), handedOver(1, 'first')]).handedOver?.payload.remark).toBe('first');
  });
});

it('what is heard on the way up is kept string by string, oldest first', () => {
  const heard = (at: number, string: number, cents: number): BenchEvent => ({
    ...head(at),
    kind: 'heard',
    string,
    payload: { cents, sure: null, by: 'typed' },
  });
  const sheet = foldWorksheet(2, [heard(1, 2, -40), heard(2, 2, -9), heard(3, 1, -80)]);
  expect(sheet.heard.map((all) => all.map(({ payload }) => payload.cents))).toEqual([[-80], [-40, -9]]);
});

it('what a newer version wrote stands in the log and changes nothing else', () => {
  const newer: BenchEvent = { ...head(2), kind: 'from-newer', payload: { kind: 'string-oiled', event: {} } };
  expect(foldWorksheet(COUNT, [tick(1, 'strip', 3), newer])).toEqual({
    ...foldWorksheet(COUNT, [tick(1, 'strip', 3)]),
    standing: [tick(1, 'strip', 3), newer],
  });
});

it('every word on another place, or another clamp, stands beside those before it', () => {
  const place = { what: 'groove', severity: 'watch', wood: null, text: '' } as const;
  const sheet = foldWorksheet(COUNT, [
    { ...head(1), kind: 'found', payload: { ...place, string: 1, fret: 2 } },
    { ...head(2), kind: 'found', payload: { ...place, string: 1, fret: 3 } },
    { ...head(3), kind: 'pads-noted', payload: { clamp: 1, lies: 'along' } },
    { ...head(4), kind: 'pads-noted', payload: { clamp: 2, lies: 'across' } },
    { ...head(5), kind: 'measured', payload: { what: 'slot-width', valueMm: 0.5, string: 1 } },
    { ...head(6), kind: 'measured', payload: { what: 'slot-width', valueMm: 0.6, string: 2 } },
    { ...head(7), kind: 'measured', payload: { what: 'relief', valueMm: 0.2 } },
  ]);
  expect(sheet.findings.map(({ payload }) => payload.fret)).toEqual([2, 3]);
  expect(sheet.pads.map(({ payload }) => payload.clamp)).toEqual([1, 2]);
  expect(sheet.measurements.map(({ payload }) => payload.valueMm)).toEqual([0.5, 0.6, 0.2]);
});

it('strings count from one: there is no string nought', () => expect(foldWorksheet(4, [tick(1, 'strip', 0)]).standing).toEqual([]));

it('an empty job is of all its strings, none of them heard, read, hung or wound, of a bridge that stands', () => {
  const sheet = foldWorksheet(2, []);
  expect(sheet.inJob).toEqual([true, true]);
  expect([sheet.heard, sheet.pitches]).toEqual([[[], []], [[], []]]); // prettier-ignore
  expect([sheet.hung, sheet.wound, sheet.tensioned, sheet.counted, sheet.gauges]).toEqual(Array.from({ length: 5 }, () => [null, null]));
  const told = [sheet.scrapped, sheet.notes, sheet.measurements, sheet.findings, sheet.pads, sheet.onBridge];
  expect(told).toEqual(Array.from({ length: 6 }, () => []));
  expect(sheet.balances).toBe(false);
});

it('a bridge that stands has passed Balance, for every string', () => {
  expect(passed(foldWorksheet(2, []), 'balance')).toEqual([true, true]);
  expect(passed(foldWorksheet(2, [], true), 'balance')).toEqual([false, false]);
});

describe('going on', () => {
  it('is at Hand over once all is handed over, whichever step came last', () => {
    const all = STRING_STAGES.filter((stage) => stage !== 'balance').map((stage, index) => tick(index + 2, stage, 1));
    const sheet = foldWorksheet(1, [chosen(1), ...all, handedOver(20)]);
    expect(passed(sheet, 'hand-over')).toEqual([true]);
    expect(currentStage(sheet)).toBe('hand-over');
  });

  it('comes to a stage when every string has passed those before', () => {
    const log = [chosen(1), ...[1, 2, 3, 4, 5, 6].map((string) => tick(string + 1, 'ready', string))];
    expect(currentStage(foldWorksheet(COUNT, log))).toBe('strip');
    expect(currentStage(foldWorksheet(COUNT, log.slice(0, -1)))).toBe('ready');
  });

  it('is where the string in hand is, when strings come off one at a time', () => {
    const ready = [chosen(1), ...[1, 2, 3, 4, 5, 6].map((string) => tick(string + 1, 'ready', string))];
    const at = (...log: BenchEvent[]) => currentStage(foldWorksheet(COUNT, [...ready, ...log]));
    expect(at(tick(20, 'strip', 6))).toBe('strip');
    expect(at(tick(20, 'strip', 6), tick(21, 'look-over', 6), tick(22, 'anchor', 6))).toBe('anchor');
    expect(at(tick(20, 'strip', 6), tick(21, 'anchor', 6), undo(22, id(21)))).toBe('strip');
    expect(at(...[1, 2, 3, 4, 5, 6].map((string) => tick(20 + string, 'trim', string)))).toBe('strip'); // trimmed all, but left the rest out
    expect(at(tick(20, 'strip', 6), handedOver(21))).toBe('strip'); // handed over with strings left: the first that was left
  });

  it('takes back the latest step that stands, of the kinds asked for', () => {
    const sheet = foldWorksheet(COUNT, [tick(1, 'strip', 6), tick(2, 'wind', 6), undo(3, id(2))]);
    expect(lastStanding(sheet)).toBe(id(1));
    expect(lastStanding(sheet, ['wound'])).toBeNull();
  });
});

describe('what a job leaves in the passport', () => {
  it('is its set, how each string was wound, notes and measurements', () => {
    const log: BenchEvent[] = [
      chosen(1, '.010–.046'),
      tick(2, 'wind', 2),
      { ...head(3), kind: 'noted', payload: { text: 'groove at fret 3' } },
      { ...head(4), kind: 'measured', payload: { what: 'relief', valueMm: 0.2 } },
      { ...head(5), kind: 'found', payload: { what: 'rattle', severity: 'soon', string: null, fret: null, wood: null, text: 'low A' } },
      { ...head(6), kind: 'tool-laid', payload: { tool: 'block', there: true, sizeMm: 11.5 } },
      { ...head(7), kind: 'tool-laid', payload: { tool: 'winder', there: true, sizeMm: null } },
      handedOver(8, 'back in March'),
    ];
    const setup = setupOf(foldWorksheet(COUNT, log));
    expect(setup).toMatchObject({
      setName: '.010–.046',
      remark: 'back in March',
      notes: ['groove at fret 3'],
      measurements: [{ what: 'relief', valueMm: 0.2 }],
      findings: [{ what: 'rattle', severity: 'soon' }],
      sizes: [{ tool: 'block', sizeMm: 11.5 }],
      looked: [],
    });
    expect(setup?.strings[1]).toMatchObject({ string: 2, turns: 2.5, slackMm: 50 });
    expect(setup?.strings[0]).toMatchObject({ string: 1, turns: null });
  });

  it('says where was looked, if not everywhere', () => {
    const looked = (...strings: number[]) =>
      setupOf(foldWorksheet(COUNT, [chosen(1), ...strings.map((string, nth) => tick(2 + nth, 'look-over', string)), handedOver(20)]))
        ?.looked;
    expect([looked(5, 2), looked(1, 2, 3, 4, 5, 6)]).toEqual([[2, 5], undefined]);
  });

  it('keeps apart what was measured as it came and with new strings up, the last word on each', () => {
    const relief = (at: number, valueMm: number): BenchEvent => ({ ...head(at), kind: 'measured', payload: { what: 'relief', valueMm } });
    const up: BenchEvent = { ...head(4), kind: 'tensioned', string: 6, payload: {} };
    const setup = setupOf(foldWorksheet(COUNT, [chosen(1), relief(2, 0.1), relief(3, 0.15), up, relief(5, 0.3), handedOver(6)]));
    expect(setup?.measurements.map((each) => `${each.valueMm} ${each.asItCame ?? false}`)).toEqual(['0.15 true', '0.3 false']);
  });

  it('is nothing without a hand-over, or when it was taken back', () => {
    expect(setupOf(foldWorksheet(COUNT, [chosen(1)]))).toBeNull();
    expect(setupOf(foldWorksheet(COUNT, [chosen(1), handedOver(2), undo(3, id(2))]))).toBeNull();
  });
});

const scrapped = (at: number, string: number): BenchEvent => ({ ...head(at), kind: 'scrapped', string, payload: { why: 'cut-too-short' } });
describe('a scrapped string', () => {
  it('has to be laid out, anchored and wound again; others and what was under it stay done, and undoing brings all back', () => {
    const before = [chosen(0), tick(1, 'strip', 2), tick(2, 'ready', 2), tick(3, 'anchor', 2), tick(4, 'wind', 2), tick(5, 'wind', 3)];
    const sheet = foldWorksheet(COUNT, [...before, scrapped(6, 2)]);
    for (const stage of ['ready', 'anchor', 'wind'] as const) expect(passed(sheet, stage)[1]).toBe(false);
    expect(passed(sheet, 'strip')[1]).toBe(true);
    expect(passed(sheet, 'wind')[2]).toBe(true);
    expect(sheet.wound[1]).toBeNull();
    const undone = foldWorksheet(COUNT, [...before, scrapped(6, 2), undo(7, id(6))]);
    expect({ ...undone, standing: [] }).toEqual({ ...foldWorksheet(COUNT, before), standing: [] });
  });

  it('is remembered by the setup', () => {
    const sheet = foldWorksheet(COUNT, [chosen(0), scrapped(1, 4), handedOver(2)]);
    expect(setupOf(sheet)?.scrapped).toEqual([{ string: 4, why: 'cut-too-short' }]);
  });
});
