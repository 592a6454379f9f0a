import { describe, expect, it } from 'vitest';
import { currentStage, foldWorksheet, holdUp, passed, setupOf, stockUse, tellStory, type BenchEvent, type Setup } from './index.js';
import { STRING_EVENTS, type StringStage } from '../stages/index.js';

const SET = ['s1', 's2', 's3', 's4', 's5', 's6'];
let at = 0;
const head = () => ({
  id: `0190${String(++at).padStart(8, '0')}`,
  version: 1 as const,
  jobId: 'job',
  instrumentId: 'instrument',
  personId: 'somebody',
  deviceId: 'device',
  at: new Date(at * 60_000).toISOString(),
});
const chosen = (only?: number[], setId: string | null = null): BenchEvent => ({
  ...head(),
  kind: 'set-chosen',
  payload: {
    name: 'tens',
    family: 'electric',
    setId,
    strings: SET.map((stringId, index) => ({ construction: 'plain', gaugeMm: 0.3 + index / 10, stringId })),
    ...(only !== undefined && { only }),
  },
});
const tick = (stage: StringStage, string: number): BenchEvent =>
  stage === 'wind'
    ? { ...head(), kind: 'wound', string, payload: { turns: 2.5, slackMm: 50, cutBeyondPostMm: 60, nutDeg: 9 } }
    : { ...head(), kind: STRING_EVENTS[stage], string, payload: {} };
const tensioned = (string: number): BenchEvent => ({ ...head(), kind: 'tensioned', string, payload: {} });
const scrapped = (string: number): BenchEvent => ({ ...head(), kind: 'scrapped', string, payload: { why: 'kinked' } });
const handedOver = (): BenchEvent => ({ ...head(), kind: 'handed-over', payload: { remark: '' } });
const fold = (...log: BenchEvent[]) => foldWorksheet(6, log);

describe('a string that bears pull', () => {
  it('does so from its first pass at Bring up, and at the latest at pitch, until it is lost', () => {
    const first = tensioned(2);
    expect(fold(tick('wind', 2), first).tensioned[1]).toEqual(first);
    expect(passed(fold(first), 'bring-up')[1]).toBe(false); // it passes a second time, with all others
    const pitch = tick('bring-up', 2);
    expect(fold(first, pitch).tensioned[1]).toEqual(first);
    expect(fold(pitch).tensioned[1]).toEqual(pitch); // a log from before there were two passes
    expect(fold(first, pitch, scrapped(2)).tensioned[1]).toBeNull();
  });

  it('keeps the work at Bring up while others have not passed it', () => {
    expect(currentStage(fold(chosen(), tick('wind', 6), tensioned(6)))).toBe('bring-up');
  });
});

describe('a job of some strings', () => {
  it('asks nothing of the others', () => {
    const sheet = fold(chosen([1, 3]));
    expect(sheet.inJob).toEqual([true, false, true, false, false, false]);
    expect(passed(sheet, 'strip')).toEqual([false, true, false, true, true, true]);
    const all = (['ready', 'strip', 'look-over', 'anchor', 'wind', 'bring-up', 'settle', 'trim'] as const).map((stage) => tick(stage, 1));
    const done = fold(chosen([1]), ...all);
    expect(currentStage(done)).toBe('hand-over');
  });

  const before: Setup = {
    setName: 'nines',
    fittedAt: '2026-01-01T10:00:00Z',
    remark: '',
    notes: [],
    measurements: [],
    strings: SET.map((stringId, index) => ({
      construction: 'plain',
      gaugeMm: 0.2,
      stringId: `old-${stringId}`,
      string: index + 1,
      turns: 3,
      slackMm: 55,
      dropsCents: [20, 2],
    })),
  };

  it('leaves turns, slack, rounds, date and make of all others as they were', () => {
    const setup = setupOf(fold(chosen([1]), tick('wind', 1), handedOver()), before);
    expect(setup).toMatchObject({ setName: 'nines', only: { strings: [1], name: 'tens' } });
    expect(setup?.strings[0]).toMatchObject({ string: 1, stringId: 's1', turns: 2.5, slackMm: 50 });
    expect(setup?.strings[0]).not.toHaveProperty('fittedAt');
    const found = setup?.strings.slice(1);
    expect(found).toEqual(before.strings.slice(1).map((string) => ({ ...string, fittedAt: before.fittedAt, setName: 'nines' })));
  });

  it('lets each string keep its own age through one job of some strings after another', () => {
    const first = setupOf(fold(chosen([1]), handedOver()), before);
    const second = setupOf(fold(chosen([2]), handedOver()), first);
    expect(second?.strings.map(({ fittedAt }) => fittedAt)).toEqual([first?.fittedAt, undefined,...Array<string>(4).fill(before.fittedAt)]); // prettier-ignore
    expect(second?.strings.map(({ setName }) => setName)).toEqual(['tens', undefined, ...Array<string>(4).fill('nines')]);
  });

  it('says nothing of strings that nobody knows', () => {
    expect(setupOf(fold(chosen([2, 4]), handedOver()))?.strings.map(({ string }) => string)).toEqual([2, 4]);
  });

  it('takes singles from the shelf, or opens a set and keeps the rest of it', () => {
    const uses = (...log: BenchEvent[]) => stockUse(fold(...log), () => SET).map(({ kind, itemId, state }) => `${kind} ${itemId} ${state}`);
    expect(uses(chosen([1]))).toEqual(['string s1 reserved']);
    expect(uses(chosen([1]), tick('ready', 1))).toEqual(['string s1 used']);
    expect(uses(chosen([1], 'set'))).toEqual(['set set reserved']);
    expect(uses(chosen([1, 2], 'set'), tick('ready', 1))).toEqual(['set set used',...['s3', 's4', 's5', 's6'].map((id) => `string ${id} kept`)]); // prettier-ignore
  });

  it('is told as such', () => {
    const says = tellStory(fold(chosen([1, 3]), tick('strip', 1), tick('wind', 1), tensioned(1))).map((line) => line.says);
    expect(says).toEqual(['chose tens for strings 1 and 3 alone', 'took off, wound and brought under pull string 1 (2.5 turns)']);
  });
});

describe('what stands before a step', () => {
  it('is winding, for a string that is off and not on again', () => {
    const off = fold(tick('strip', 4));
    for (const stage of ['bring-up', 'settle', 'trim'] as const) expect(holdUp(off, stage, 3)).toBe('not-wound');
    for (const stage of ['look-over', 'anchor', 'wind'] as const) expect(holdUp(off, stage, 3)).toBeNull();
    expect(holdUp(off, 'settle', 2)).toBeNull(); // the old one is still on it
    expect(holdUp(fold(tick('strip', 4), tick('wind', 4)), 'settle', 3)).toBeNull();
  });

  it('is Ready, then Anchor, then Wind, for one that was lost', () => {
    const lost = [tick('strip', 4), tick('wind', 4), scrapped(4)];
    const stages = ['anchor', 'wind', 'bring-up', 'settle', 'trim'] as const;
    const held = (...more: BenchEvent[]) => stages.map((stage) => holdUp(fold(...lost, ...more), stage, 3));
    expect(held()).toEqual(stages.map(() => 'not-laid-out'));
    const [ready, anchor] = [tick('ready', 4), tick('anchor', 4)];
    expect(held(ready)).toEqual([null, ...Array<string>(4).fill('not-anchored')]);
    expect(held(ready, anchor)).toEqual([null, null, 'not-wound', 'not-wound', 'not-wound']);
    expect(held(ready, anchor, tick('wind', 4))).toEqual(stages.map(() => null));
  });

  it('is nothing at Ready, Strip and Look over, whatever became of it or of its neighbours', () => {
    const lost = fold(tick('strip', 4), tick('wind', 4), scrapped(4));
    for (const stage of ['ready', 'strip', 'look-over'] as const) expect(holdUp(lost, stage, 3)).toBeNull();
    expect(holdUp(lost, 'settle', 2)).toBeNull(); // string 3 was never off
  });

  it('is the job itself, for a string that is no part of it', () => expect(holdUp(fold(chosen([1])), 'ready', 1)).toBe('not-in-job'));
});

describe('what a count leaves in the passport', () => {
  it('is the slack that the counted turns come to, not the one that was planned', () => {
    const count = (lies?: { slackMm: number; nutDeg: number }): BenchEvent => ({
      ...head(),
      kind: 'turns-counted',
      string: 1,
      payload: { turns: 1.75, slackMm: 50, stretchMm: 5, postDiameterMm: 6, stringDiameterMm: 0.3, nutToPostMm: 60, ...(lies && { lies }) },
    });
    const left = (lies?: { slackMm: number; nutDeg: number }) =>
      setupOf(fold(chosen(), tick('wind', 1), count(lies), handedOver()))?.strings[0];
    expect(left({ slackMm: 33, nutDeg: 7 })).toMatchObject({ turns: 1.75, slackMm: 33 });
    expect(left()).toMatchObject({ turns: 1.75, slackMm: 50 }); // an older count says nothing of it
  });
});
