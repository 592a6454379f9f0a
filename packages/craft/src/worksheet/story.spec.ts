import { describe, expect, it } from 'vitest';
import { STRING_EVENTS, type StringStage } from '../stages/index.js';
import { logOf, type Happening } from '../testing/index.js';
import { foldWorksheet, tellStory } from './index.js';

const step = (stage: StringStage, string: number, personId = 'person'): Happening =>
  stage === 'wind'
    ? { kind: 'wound', string, personId, payload: { turns: 2.5, slackMm: 50, cutBeyondPostMm: 60, nutDeg: 9 } }
    : { kind: STRING_EVENTS[stage], string, personId, payload: {} };
const says = (...what: Happening[]) => tellStory(foldWorksheet(6, logOf(...what))).map((line) => line.says);

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
    expect(says(step('strip', 6), { kind: 'noted', payload: { text: 'groove at fret 3' } }, step('strip', 5))).toEqual([
      'took off string 6',
      'noted: groove at fret 3',
      'took off string 5',
    ]);
  });

  it('says when it began and ended and who did it, and leaves out what was taken back', () => {
    const undone: Happening = { kind: 'undone', payload: { eventId: '0190-001' } };
    const lines = tellStory(foldWorksheet(6, logOf(step('settle', 6), step('settle', 1), step('settle', 5), undone)));
    const [at, until] = ['2026-09-01T10:00:00.000Z', '2026-09-01T10:30:00.000Z'];
    expect(lines).toEqual([{ at, until, personId: 'person', says: 'settled strings 6 and 5' }]);
  });

  it('has words for everything else that happens', () => {
    expect(
      says(
        { kind: 'set-chosen', payload: { name: '.010–.046', family: 'electric', strings: [] } },
        { kind: 'bridge-blocked', payload: { blocked: true } },
        step('wind', 2),
        { kind: 'scrapped', string: 2, payload: { why: 'cut-too-short' } },
        { kind: 'measured', payload: { what: 'action-bass', valueMm: 2.1 } },
        { kind: 'measured', payload: { what: 'slot-width', valueMm: 0.5, string: 3, by: 'feeler-gauge' } },
        { kind: 'found', payload: { what: 'groove', severity: 'soon', string: 2, fret: 3, wood: null, text: 'deep' } },
        { kind: 'pads-noted', payload: { clamp: 1, lies: 'across' } },
        { kind: 'tool-laid', payload: { tool: 'winder', there: true, sizeMm: null } },
        { kind: 'tool-laid', payload: { tool: 'block', there: true, sizeMm: 11 } },
        { kind: 'tool-laid', payload: { tool: 'cloth', there: false, sizeMm: null } },
        { kind: 'reference-read', payload: { a4Hz: 442 } },
        { kind: 'gauge-read', string: 4, payload: { readMm: 0.66, plannedMm: 0.65, by: 'caliper' } },
        { kind: 'heard', string: 4, payload: { cents: -46.1, sure: 0.97, by: 'microphone' } },
        { kind: 'heard', string: 4, payload: { cents: 0, sure: null, by: 'typed' } },
        { kind: 'heard', string: 1, payload: { cents: -46.1, sure: 0.97, by: 'microphone' } },
        { kind: 'pitch-read', string: 4, payload: { cents: -21, after: 'stretch', retuned: true, by: 'typed' } },
        { kind: 'pitch-read', string: 4, payload: { cents: 3, after: 'rest', retuned: false, by: 'typed' } },
        { kind: 'pitch-read', string: 4, payload: { cents: 0, after: 'rest', retuned: false, by: 'typed' } },
        { kind: 'seated-again', string: 4, payload: {} },
        { kind: 'paused', payload: {} },
        { kind: 'resumed', payload: {} },
        { kind: 'handed-over', payload: { remark: 'eased slot 3' } },
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
    const springs = { count: 3, rateNPerMm: { low: 1, likely: 1.2, high: 1.4 }, initialN: { low: 3, likely: 8, high: 20 }, trials: 2 };
    expect(
      says(
        { kind: 'bridge-blocked', payload: { blocked: false } },
        { kind: 'heard-on-bridge', string: 3, payload: { cents: 5, sure: 1, by: 'microphone' } },
        { kind: 'set-on-bridge', string: 3, payload: { cents: -30, aimCents: -31, sure: 1, by: 'microphone' } },
        { kind: 'claw-turned', payload: { bassTurns: 0.5, trebleTurns: 0.5 } },
        { kind: 'claw-turned', payload: { bassTurns: -1, trebleTurns: -1 } },
        { kind: 'claw-turned', payload: { bassTurns: 1, trebleTurns: -0.25 } },
        { kind: 'claw-turned', payload: { bassTurns: 0, trebleTurns: 0.25 } },
        { kind: 'springs-hooked', payload: { count: 1 } },
        { kind: 'springs-hooked', payload: { count: 4 } },
        { kind: 'fine-tuners-at-mid', payload: {} },
        { kind: 'nut-clamped', payload: { shut: true } },
        { kind: 'nut-clamped', payload: { shut: false } },
        { kind: 'arm-moved', payload: { way: 'down' } },
        { kind: 'arm-moved', payload: { way: 'up' } },
        { kind: 'springs-learned', payload: springs },
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
        { kind: 'set-hung', payload: {} },
        step('wind', 2),
        {
          kind: 'turns-counted',
          string: 2,
          payload: { turns: 2.75, slackMm: 59, stretchMm: 4, postDiameterMm: 6, stringDiameterMm: 0.3, nutToPostMm: 90 },
        },
        { kind: 'found', payload: { ...finding, severity: 'watch' } },
        { kind: 'found', payload: { ...finding, severity: 'now' } },
        { kind: 'from-newer', payload: { kind: 'string-oiled-twice', event: {} } },
        { kind: 'handed-over', payload: { remark: '' } },
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
    const clamped: Happening = { kind: 'wound', string: 4, payload: { turns: 0, slackMm: 0, cutBeyondPostMm: 5, nutDeg: null } };
    expect(says(clamped, step('wind', 3))).toEqual(['wound strings 4 and 3 (2.5 turns)']);
    expect(says(clamped)).toEqual(['wound string 4']);
  });

  it('tells tools of one hand together, and readings of one string in one hand: the last of them', () => {
    const laid = (tool: 'winder' | 'cloth', personId = 'person'): Happening => ({
      kind: 'tool-laid',
      personId,
      payload: { tool, there: true, sizeMm: null },
    });
    const heard = (string: number, cents: number, personId = 'person'): Happening => ({
      kind: 'heard',
      string,
      personId,
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
