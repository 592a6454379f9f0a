import { describe, expect, it } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { STRING_EVENTS } from '@gold-peg/craft/stages';
import { benchEvent } from './index.js';

const head = {
  id: uuidV7(),
  version: 1,
  jobId: uuidV7(),
  instrumentId: uuidV7(),
  personId: uuidV7(),
  deviceId: uuidV7(),
  at: '2026-05-26T09:00:00Z',
};
const wound = { turns: 2.5, slackMm: 47, cutBeyondPostMm: 60, nutDeg: 8.1 };
const groove = { what: 'groove', severity: 'soon', string: 2, fret: 3, wood: null, text: '' };
const faultsOf = (event: unknown) =>
  benchEvent.safeParse(event).error?.issues.map(({ path, message }) => `${path.join('.')} ${message}`) ?? [];

describe('events of the bench log', () => {
  it('of every kind pass the door', () => {
    const ticks = Object.values(STRING_EVENTS).map((kind) => ({ ...head, kind, string: 1, payload: kind === 'wound' ? wound : {} }));
    const others = [
      {
        ...head,
        kind: 'set-chosen',
        payload: { name: '.010–.046', family: 'electric', strings: [{ construction: 'wound', gaugeMm: 1.17, wrap: 'monel' }] },
      },
      {
        ...head,
        kind: 'turns-counted',
        string: 2,
        payload: { turns: 2.75, slackMm: -4, stretchMm: 40, postDiameterMm: 6, stringDiameterMm: 0.7, nutToPostMm: 90 },
      },
      { ...head, kind: 'tensioned', string: 3, payload: {} },
      {
        ...head,
        kind: 'set-chosen',
        payload: { name: 'a single', family: 'electric', only: [1], setId: null, strings: [{ construction: 'plain', gaugeMm: 0.25 }] },
      },
      { ...head, kind: 'bridge-blocked', payload: { blocked: true } },
      { ...head, kind: 'noted', payload: { text: 'groove at fret 3' } },
      { ...head, kind: 'measured', payload: { what: 'relief', valueMm: 0.2 } },
      { ...head, kind: 'measured', payload: { what: 'slot-width', valueMm: 0.33, string: 2, by: 'feeler-gauge' } },
      { ...head, kind: 'found', payload: groove },
      { ...head, kind: 'found', payload: { ...groove, what: 'board-dry', string: null, fret: null, wood: 'ebony' } },
      { ...head, kind: 'found', payload: { ...groove, what: 'slot-binds', fret: null } },
      { ...head, kind: 'pads-noted', payload: { clamp: 2, lies: 'across' } },
      { ...head, kind: 'tool-laid', payload: { tool: 'hex-keys', there: true, sizeMm: 3 } },
      { ...head, kind: 'reference-read', payload: { a4Hz: 440 } },
      { ...head, kind: 'gauge-read', string: 3, payload: { readMm: 0.43, plannedMm: 0.432, by: 'caliper' } },
      { ...head, kind: 'heard', string: 3, payload: { cents: -46.1, sure: 0.97, by: 'microphone' } },
      { ...head, kind: 'pitch-read', string: 3, payload: { cents: -21.5, after: 'stretch', retuned: true, by: 'typed' } },
      { ...head, kind: 'heard-on-bridge', string: 5, payload: { cents: -21.4, sure: 0.99, by: 'simulated' } },
      { ...head, kind: 'set-on-bridge', string: 5, payload: { cents: 39.8, aimCents: 40.1, sure: null, by: 'typed' } },
      { ...head, kind: 'claw-turned', payload: { bassTurns: 1.25, trebleTurns: 1 } },
      { ...head, kind: 'springs-hooked', payload: { count: 4 } },
      { ...head, kind: 'set-hung', payload: {} },
      { ...head, kind: 'fine-tuners-at-mid', payload: {} },
      { ...head, kind: 'arm-moved', payload: { way: 'down' } },
      { ...head, kind: 'nut-clamped', payload: { shut: true } },
      {
        ...head,
        kind: 'springs-learned',
        payload: { count: 3, rateNPerMm: { low: 1.2, likely: 1.3, high: 1.4 }, initialN: { low: 3, likely: 8, high: 20 }, trials: 1 },
      },
      { ...head, kind: 'seated-again', string: 3, payload: {} },
      { ...head, kind: 'paused', payload: {} },
      { ...head, kind: 'resumed', payload: {} },
      { ...head, kind: 'undone', payload: { eventId: uuidV7() } },
      { ...head, kind: 'handed-over', payload: { remark: '' } },
    ];
    for (const event of [...ticks, ...others]) expect(faultsOf(event)).toEqual([]);
  });

  it('come out as they went in: nothing is added, trimmed or rounded', () => {
    const event = { ...head, kind: 'wound', string: 6, payload: { ...wound, slackMm: -3.25, nutDeg: null } } as BenchEvent;
    expect(benchEvent.parse(structuredClone(event))).toEqual(event);
  });

  it.each([
    ['an id that is no version 7 UUID', { id: '9f1c0d3e-1111-4111-8111-111111111111' }, 'id must be a version 7 UUID'],
    ['a version that is not known', { version: 2 }, 'version'],
    ['a string below 1', { string: 0 }, 'string must be 1 or more'],
    ['a string that is no number', { string: 'E' }, 'string must be a string number'],
    ['a time without its zone', { at: '2026-05-26 09:00' }, 'at must be a date and time with its zone'],
    ['slack of two metres', { payload: { ...wound, slackMm: 2000 } }, 'payload.slackMm must lie between -400 and 1200 mm'],
    ['turns that are no number', { payload: { ...wound, turns: 'many' } }, 'payload.turns must be a number'],
    ['a field too many', { colour: 'red' }, 'Unrecognized key'],
  ])('with %s are refused by name', (_what, change, says) => {
    expect(faultsOf({ ...head, kind: 'wound', string: 1, payload: wound, ...change }).join('; ')).toContain(says);
  });

  it.each([
    [
      'a groove without its fret',
      { kind: 'found', payload: { ...groove, fret: null } },
      'payload.fret must be given: it is found at one fret',
    ],
    ['a groove without its string', { kind: 'found', payload: { ...groove, string: null } }, 'payload.string must be given'],
    ['a crack under a string', { kind: 'found', payload: { ...groove, what: 'crack', fret: null } }, 'payload.string must be empty'],
    ['a fret past the last', { kind: 'found', payload: { ...groove, fret: 40 } }, 'payload.fret must be 36 or less'],
    [
      'relief of four millimetres',
      { kind: 'measured', payload: { what: 'relief', valueMm: 4 } },
      'payload.valueMm must lie between -1 and 3 mm: relief',
    ],
    ['a slot of no string', { kind: 'measured', payload: { what: 'slot-width', valueMm: 0.4 } }, 'payload.string must be given'],
    [
      'a job of strings that are not there',
      { kind: 'set-chosen', payload: { name: 'x', family: 'electric', only: [2, 1], strings: [{ construction: 'plain', gaugeMm: 0.25 }] } },
      'payload.only must name strings that are there, each once, from the high side on',
    ],
    ['relief of one string', { kind: 'measured', payload: { what: 'relief', valueMm: 0.2, string: 1 } }, 'payload.string must be left out'],
    [
      'a tool nobody has',
      { kind: 'tool-laid', payload: { tool: 'axe', there: true, sizeMm: null } },
      'payload.tool must be one of the tools',
    ],
    ['a reference of 44 Hz', { kind: 'reference-read', payload: { a4Hz: 44 } }, 'payload.a4Hz must lie between 392 and 466 Hz'],
    ['clamps neither shut nor open', { kind: 'nut-clamped', payload: {} }, 'payload.shut must be true or false'],
    ['nine springs', { kind: 'springs-hooked', payload: { count: 9 } }, 'payload.count must be 8 or less'],
    [
      'a claw that nobody turned',
      { kind: 'claw-turned', payload: { bassTurns: 0, trebleTurns: 0 } },
      'payload.bassTurns must not be zero with the other one',
    ],
    [
      'a string set two octaves up',
      { kind: 'set-on-bridge', string: 1, payload: { cents: 2400, sure: 1, by: 'microphone' } },
      'payload.cents must lie between',
    ],
    ['a key of a metre', { kind: 'tool-laid', payload: { tool: 'block', there: true, sizeMm: 1000 } }, 'payload.sizeMm must lie between'],
  ])('refuse %s', (_what, change, says) => {
    expect(faultsOf({ ...head, ...change }).join('; ')).toContain(says);
  });

  it('cannot tick a whole instrument or wind without numbers', () => {
    expect(faultsOf({ ...head, kind: 'anchored', payload: {} })).not.toEqual([]);
    expect(faultsOf({ ...head, kind: 'wound', string: 1, payload: {} })).not.toEqual([]);
  });
});
