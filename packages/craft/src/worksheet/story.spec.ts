import { describe, expect, it } from 'vitest';
import { foldWorksheet, tellStory, type BenchEvent } from './index.js';
import { STRING_EVENTS, type StringStage } from '../stages/index.js';

let clock = 0;
const head = (personId = 'corin') => {
  clock++;
  return {
    id: `0190-${String(clock).padStart(8, '0')}`,
    version: 1 as const,
    jobId: 'job',
    instrumentId: 'instrument',
    personId,
    deviceId: 'd',
    at: new Date(clock * 60_000).toISOString(),
  };
};
const step = (stage: StringStage, string: number, person?: string): BenchEvent =>
  stage === 'wind'
    ? { ...head(person), kind: 'wound', string, payload: { turns: 2.5, slackMm: 50, cutBeyondPostMm: 60, nutDeg: 9 } }
    : { ...head(person), kind: STRING_EVENTS[stage], string, payload: {} };
const says = (...log: BenchEvent[]) => tellStory(foldWorksheet(6, log)).map((line) => line.says);

describe('the story of a job', () => {
  it('tells one step of many strings together, and many steps of one string', () => {
    expect(says(step('ready', 6), step('ready', 5), step('ready', 4))).toEqual(['laid out strings 6, 5 and 4']);
    expect(says(step('strip', 6), step('look-over', 6), step('anchor', 6), step('wind', 6))).toEqual([
      'took off, looked over, anchored and wound string 6 (2.5 turns)',
    ]);
    expect(says(step('wind', 6), step('wind', 5))).toEqual(['wound strings 6 and 5 (2.5, 2.5 turns)']);
  });

  it('begins anew with another person, another string and step, or anything said in between', () => {
    expect(says(step('strip', 6), step('strip', 5, 'wenna'))).toEqual(['took off string 6', 'took off string 5']);
    expect(says(step('strip', 6), step('anchor', 5))).toEqual(['took off string 6', 'anchored string 5']);
    expect(says(step('strip', 6), { ...head(), kind: 'noted', payload: { text: 'groove at fret 3' } }, step('strip', 5))).toEqual([
      'took off string 6',
      'noted: groove at fret 3',
      'took off string 5',
    ]);
  });

  it('says when it began and ended and who did it, and leaves out what was taken back', () => {
    const [first, wrong, second] = [step('settle', 6), step('settle', 1), step('settle', 5)];
    const lines = tellStory(foldWorksheet(6, [first, wrong, second, { ...head(), kind: 'undone', payload: { eventId: wrong.id } }]));
    expect(lines).toEqual([{ at: first.at, until: second.at, personId: 'corin', says: 'settled strings 6 and 5' }]);
  });

  it('has words for everything else that happens', () => {
    expect(
      says(
        { ...head(), kind: 'set-chosen', payload: { name: '.010–.046', family: 'electric', strings: [] } },
        { ...head(), kind: 'bridge-blocked', payload: { blocked: true } },
        step('wind', 2),
        { ...head(), kind: 'scrapped', string: 2, payload: { why: 'cut-too-short' } },
        { ...head(), kind: 'measured', payload: { what: 'action-bass', valueMm: 2.1 } },
        { ...head(), kind: 'measured', payload: { what: 'slot-width', valueMm: 0.5, string: 3, by: 'feeler-gauge' } },
        { ...head(), kind: 'found', payload: { what: 'groove', severity: 'soon', string: 2, fret: 3, wood: null, text: 'deep' } },
        { ...head(), kind: 'pads-noted', payload: { clamp: 1, lies: 'across' } },
        { ...head(), kind: 'tool-laid', payload: { tool: 'winder', there: true, sizeMm: null } },
        { ...head(), kind: 'tool-laid', payload: { tool: 'block', there: true, sizeMm: 11 } },
        { ...head(), kind: 'tool-laid', payload: { tool: 'cloth', there: false, sizeMm: null } },
        { ...head(), kind: 'reference-read', payload: { a4Hz: 442 } },
        { ...head(), kind: 'gauge-read', string: 4, payload: { readMm: 0.66, plannedMm: 0.65, by: 'caliper' } },
        { ...head(), kind: 'heard', string: 4, payload: { cents: -46.1, sure: 0.97, by: 'microphone' } },
        { ...head(), kind: 'heard', string: 4, payload: { cents: 0, sure: null, by: 'typed' } },
        { ...head(), kind: 'heard', string: 1, payload: { cents: -46.1, sure: 0.97, by: 'microphone' } },
        { ...head(), kind: 'pitch-read', string: 4, payload: { cents: -21, after: 'stretch', retuned: true, by: 'typed' } },
        { ...head(), kind: 'pitch-read', string: 4, payload: { cents: 3, after: 'rest', retuned: false, by: 'typed' } },
        { ...head(), kind: 'pitch-read', string: 4, payload: { cents: 0, after: 'rest', retuned: false, by: 'typed' } },
        { ...head(), kind: 'seated-again', string: 4, payload: {} },
        { ...head(), kind: 'paused', payload: {} },
        { ...head(), kind: 'resumed', payload: {} },
        { ...head(), kind: 'handed-over', payload: { remark: 'eased slot 3' } },
      ),
    ).toEqual([
      'chose .010–.046',
      'blocked the bridge level',
      'wound string 2 (2.5 turns)',
      'lost string 2: cut too short',
      'measured action at 12, bass: 2.1 mm',
      'measured nut slot of string 3: 0.5 mm by straightedge and feeler gauge',
      'found: groove at fret 3 under string 2, to be seen to soon (deep)',
      'noted that the pad of clamp 1 lies across the strings',
      'laid ready: winder and block to hold the bridge level (11 mm)',
      'took off the list: soft cloth',
      'read the tuner’s reference: 442 Hz',
      'measured string 4: 0.66 mm for 0.65 mm',
      'read string 4 on its way up: at its note',
      'heard string 1 on its way up: 46.1 cents under its note',
      'read string 4: 21 cents flat after stretching, tuned again',
      'read string 4: 3 cents sharp after a rest',
      'read string 4: in tune after a rest',
      'slackened string 4, seated it again and brought it up',
      'stopped the clock',
      'let the clock run on',
      'handed it over: eased slot 3',
    ]);
  });

  it('has words for a bridge that moves', () => {
    const springs = {
      count: 3,
      rateNPerMm: { low: 1, likely: 1.2, high: 1.4 },
      initialN: { low: 3, likely: 8, high: 20 },
      trials: 2,
    };
    expect(
      says(
        { ...head(), kind: 'bridge-blocked', payload: { blocked: false } },
        { ...head(), kind: 'heard-on-bridge', string: 3, payload: { cents: 5, sure: 1, by: 'microphone' } },
        { ...head(), kind: 'set-on-bridge', string: 3, payload: { cents: -30, aimCents: -31, sure: 1, by: 'microphone' } },
        { ...head(), kind: 'claw-turned', payload: { bassTurns: 0.5, trebleTurns: 0.5 } },
        { ...head(), kind: 'claw-turned', payload: { bassTurns: -1, trebleTurns: -1 } },
        { ...head(), kind: 'claw-turned', payload: { bassTurns: 1, trebleTurns: -0.25 } },
        { ...head(), kind: 'claw-turned', payload: { bassTurns: 0, trebleTurns: 0.25 } },
        { ...head(), kind: 'springs-hooked', payload: { count: 1 } },
        { ...head(), kind: 'springs-hooked', payload: { count: 4 } },
        { ...head(), kind: 'fine-tuners-at-mid', payload: {} },
        { ...head(), kind: 'nut-clamped', payload: { shut: true } },
        { ...head(), kind: 'nut-clamped', payload: { shut: false } },
        { ...head(), kind: 'arm-moved', payload: { way: 'down' } },
        { ...head(), kind: 'arm-moved', payload: { way: 'up' } },
        { ...head(), kind: 'springs-learned', payload: springs },
      ),
    ).toEqual([
      'took the block out',
      'heard string 3 on the bridge: 5 cents over its note',
      'set string 3 30 cents under its note, for the others to bring it home',
      'turned the claw: 0.5 turns in each screw',
      'turned the claw: 1 turn out each screw',
      'turned the claw: bass screw 1 turn in, treble screw 0.25 turns out',
      'turned the claw: bass screw 0 turns in, treble screw 0.25 turns in',
      'hooked in 1 spring',
      'hooked in 4 springs',
      'set the fine tuners to the middle of their travel',
      'shut the clamps at the nut',
      'opened the clamps at the nut',
      'dived a few times',
      'pulled the arm up a few times',
      'learned its springs: 1.20 N/mm each',
    ]);
  });

  it('has words for what happens seldom', () => {
    const finding = { what: 'rattle', string: null, fret: null, wood: null, text: '' } as const;
    expect(
      says(
        { ...head(), kind: 'set-hung', payload: {} },
        step('wind', 2),
        {
          ...head(),
          kind: 'turns-counted',
          string: 2,
          payload: { turns: 2.75, slackMm: 59, stretchMm: 4, postDiameterMm: 6, stringDiameterMm: 0.3, nutToPostMm: 90 },
        },
        { ...head(), kind: 'found', payload: { ...finding, severity: 'watch' } },
        { ...head(), kind: 'found', payload: { ...finding, severity: 'now' } },
        { ...head(), kind: 'from-newer', payload: { kind: 'string-oiled-twice', event: {} } },
        { ...head(), kind: 'handed-over', payload: { remark: '' } },
      ),
    ).toEqual([
      'hung the strings up under their pull',
      'wound string 2 (2.5 turns)',
      'counted 2.75 turns on string 2',
      'found: rattles, to be watched',
      'found: rattles, before it leaves',
      'did what a newer version of this page knows: string oiled twice',
      'handed it over',
    ]);
  });

  it('counts no turns where a clamp holds the string', () => {
    const clamped: BenchEvent = {
      ...head(),
      kind: 'wound',
      string: 4,
      payload: { turns: 0, slackMm: 0, cutBeyondPostMm: 5, nutDeg: null },
    };
    expect(says(clamped, step('wind', 3))).toEqual(['wound strings 4 and 3 (2.5 turns)']);
    expect(says(clamped)).toEqual(['wound string 4']);
  });

  it('tells tools of one hand together, and readings of one string in one hand: the last of them', () => {
    const laid = (tool: 'winder' | 'cloth', person?: string): BenchEvent => ({
      ...head(person),
      kind: 'tool-laid',
      payload: { tool, there: true, sizeMm: null },
    });
    const heard = (string: number, cents: number, person?: string): BenchEvent => ({
      ...head(person),
      kind: 'heard',
      string,
      payload: { cents, sure: 1, by: 'microphone' },
    });
    expect(says(laid('winder'), laid('cloth', 'wenna'))).toEqual(['laid ready: winder', 'laid ready: soft cloth']);
    expect(says(step('strip', 2), laid('winder'), heard(2, -40))).toEqual([
      'took off string 2',
      'laid ready: winder',
      'heard string 2 on its way up: 40 cents under its note',
    ]);
    expect(says(heard(2, -90), heard(2, -40), heard(2, 3, 'wenna'))).toEqual([
      'heard string 2 on its way up: 40 cents under its note',
      'heard string 2 on its way up: 3 cents over its note',
    ]);
  });
});
