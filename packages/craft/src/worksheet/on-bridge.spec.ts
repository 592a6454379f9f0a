import { describe, expect, it } from 'vitest';
import { currentStage, foldWorksheet, setupOf, stagesOf, type BenchEvent } from './index.js';
import { STRING_EVENTS, STRING_STAGES, type StringStage } from '../stages/index.js';

const COUNT = 6;
const head = (at: number) => ({
  id: `0190${String(at).padStart(8, '0')}`,
  version: 1 as const,
  jobId: 'job',
  instrumentId: 'instrument',
  personId: 'person',
  deviceId: 'device',
  at: new Date(at * 1000).toISOString(),
});
const tick = (at: number, stage: StringStage, string: number): BenchEvent =>
  stage === 'wind'
    ? { ...head(at), kind: 'wound', string, payload: { turns: 2.5, slackMm: 50, cutBeyondPostMm: 60, nutDeg: 9 } }
    : { ...head(at), kind: STRING_EVENTS[stage], string, payload: {} };
const chosen = (at: number): BenchEvent => ({
  ...head(at),
  kind: 'set-chosen',
  payload: {
    name: 'a set',
    family: 'electric',
    strings: Array.from({ length: COUNT }, () => ({ construction: 'plain' as const, gaugeMm: 0.3 })),
  },
});

describe('a bridge that moves', () => {
  const upToBringUp = STRING_STAGES.slice(0, STRING_STAGES.indexOf('balance'));
  const log = upToBringUp.flatMap((stage, at) => Array.from({ length: COUNT }, (_, index) => tick(1 + 10 * at + index, stage, index + 1)));
  const chosenFirst = [chosen(0), ...log];
  const bridge = (at: number, kind: string, payload: object, string?: number) =>
    ({ ...head(at), kind, payload, ...(string !== undefined && { string }) }) as BenchEvent;

  it('is balanced between Bring up and Settle; a fixed one has no such stage', () => {
    expect(currentStage(foldWorksheet(COUNT, chosenFirst, true))).toBe('balance');
    expect(currentStage(foldWorksheet(COUNT, chosenFirst))).toBe('settle');
    expect(stagesOf(foldWorksheet(COUNT, []))).not.toContain('balance');
  });

  it('keeps what happened to it in its order, and forgets how strings stood once one is lost', () => {
    const happened = [
      bridge(101, 'claw-turned', { bassTurns: 1, trebleTurns: 1 }),
      bridge(102, 'heard-on-bridge', { cents: -4, sure: 1, by: 'typed' }, 2),
      bridge(103, 'set-on-bridge', { cents: 12, aimCents: 12.5, sure: 1, by: 'typed' }, 3),
      bridge(104, 'measured', { what: 'bridge-level', valueMm: 3.2 }),
      bridge(105, 'measured', { what: 'relief', valueMm: 0.2 }),
    ];
    const sheet = foldWorksheet(COUNT, [...happened].reverse(), true);
    expect(sheet.onBridge.map(({ kind }) => kind)).toEqual(['claw-turned', 'heard-on-bridge', 'set-on-bridge', 'measured']);
    const lost = foldWorksheet(COUNT, [...happened, bridge(106, 'scrapped', { why: 'broke' }, 3)], true);
    expect(lost.onBridge.map(({ kind }) => kind)).toEqual(['claw-turned', 'measured']);
  });

  it('leaves in the passport what its springs were found to be, until others are hooked in', () => {
    const springs = { count: 3, rateNPerMm: { low: 1, likely: 1.2, high: 1.4 }, initialN: { low: 3, likely: 8, high: 20 }, trials: 2 };
    const over = bridge(300, 'handed-over', { remark: '' });
    const first = setupOf(foldWorksheet(COUNT, [...chosenFirst, bridge(200, 'springs-learned', springs), over], true));
    expect(first?.springs).toEqual(springs);
    expect(setupOf(foldWorksheet(COUNT, [...chosenFirst, over], true), first)?.springs).toEqual(springs);
    const hooked = foldWorksheet(COUNT, [...chosenFirst, bridge(200, 'springs-hooked', { count: 4 }), over], true);
    expect(setupOf(hooked, first)?.springs).toEqual({ ...springs, count: 4 });
  });
});
