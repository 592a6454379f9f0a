import { describe, expect, it } from 'vitest';
import { foldWorksheet, tellStory, type BenchEvent } from '@gold-peg/craft/worksheet';
import { benchEvent, EVENT_KINDS, readEvent, storedEvent } from './index.js';

const head = (nth: number, version = 1) => ({
  id: `01900000-0000-7000-8000-${String(nth).padStart(12, '0')}`,
  version,
  jobId: '01900000-0000-7000-8000-00000000000a',
  instrumentId: '01900000-0000-7000-8000-00000000000b',
  personId: '01900000-0000-7000-8000-00000000000c',
  deviceId: '01900000-0000-7000-8000-00000000000d',
  at: `2026-05-26T08:${String(nth).padStart(2, '0')}:00Z`,
});

/** A job as it was taken down when the log began: strings without marks and tables, measures without what they were taken with, no first pull. */
const FIRST_LOG = [
  {
    ...head(1),
    kind: 'set-chosen',
    payload: { name: '.010–.046', family: 'electric', strings: Array(6).fill({ construction: 'plain', gaugeMm: 0.254 }) },
  },
  { ...head(2), kind: 'measured', payload: { what: 'relief', valueMm: 0.25 } },
  { ...head(3), string: 6, kind: 'string-off', payload: {} },
  { ...head(4), string: 6, kind: 'anchored', payload: {} },
  { ...head(5), string: 6, kind: 'wound', payload: { turns: 2.5, slackMm: 60, cutBeyondPostMm: 62, nutDeg: null } },
  { ...head(6), string: 6, kind: 'brought-up', payload: {} },
  { ...head(7), kind: 'noted', payload: { text: 'buzzes' } },
  { ...head(8), kind: 'undone', payload: { eventId: head(7).id } },
  { ...head(9), kind: 'handed-over', payload: { remark: 'as before' } },
];
const read = (raw: unknown): BenchEvent => storedEvent.parse({ event: raw, seq: 1, storedAt: '' }).event;

describe('a log that grows old', () => {
  it('is read whole, from the first version on', () => {
    const sheet = foldWorksheet(6, FIRST_LOG.map(read));
    expect(sheet.chosen?.payload.name).toBe('.010–.046');
    expect(sheet.done['bring-up'][5]?.id).toBe(head(6).id);
    expect(sheet.measurements[0]?.payload).toEqual({ what: 'relief', valueMm: 0.25 });
    expect(sheet.notes).toEqual([]);
    expect(sheet.handedOver?.payload.remark).toBe('as before');
    expect(tellStory(sheet).map(({ says }) => says)).toContain('measured relief: 0.25 mm');
  });

  it('keeps what a range of today would refuse: only what enters is held to it', () => {
    const thick = { ...head(2), kind: 'measured', payload: { what: 'relief', valueMm: 9 } };
    expect(benchEvent.safeParse(thick).success).toBe(false);
    expect(read(thick)).toEqual(thick);
  });

  it('raises old events step by step to the newest version, and touches no newer one', () => {
    const steps = [
      (event: { kind: string }) => ({ ...event, kind: event.kind === 'pulled' ? 'string-off' : event.kind }),
      (event: object) => ({ ...event, payload: {} }),
    ] as never;
    const raised = (version: number, kind: string) =>
      readEvent({ ...head(1, version), string: 1, kind, payload: { old: 1 } }, EVENT_KINDS, steps);
    expect(raised(1, 'pulled')).toMatchObject({ kind: 'string-off', payload: {} });
    expect(raised(2, 'string-off')).toMatchObject({ kind: 'string-off', payload: {} });
    expect(raised(2, 'pulled')).toMatchObject({ kind: 'from-newer' }); // no kind of version 2 was called so
    expect(raised(3, 'string-off')).toMatchObject({ kind: 'string-off', payload: { old: 1 } });
    expect(raised(4, 'string-off')).toMatchObject({ kind: 'from-newer', payload: { kind: 'string-off' } });
  });

  it('keeps and tells what only a newer version knows, and reads it once it is newer itself', () => {
    const newer = { ...head(3, 2), kind: 'string-polished', payload: { cloth: 'silk' } };
    const kept = read(newer);
    expect(kept).toMatchObject({ id: newer.id, kind: 'from-newer', payload: { kind: 'string-polished', event: newer } });
    const sheet = foldWorksheet(6, [...FIRST_LOG.slice(0, 2), kept].map(read));
    expect(sheet.standing).toHaveLength(3);
    expect(tellStory(sheet).at(-1)?.says).toContain('string polished');
    const later = readEvent(JSON.parse(JSON.stringify(kept)), new Set([...EVENT_KINDS, 'string-polished']), [(event) => event]);
    expect(later).toMatchObject({ kind: 'string-polished', payload: { cloth: 'silk' } });
  });

  it('takes in nothing from a newer version, and reads nothing that is no event', () => {
    expect(benchEvent.safeParse({ ...head(1), kind: 'from-newer', payload: { kind: 'x', event: {} } }).success).toBe(false);
    expect(benchEvent.safeParse({ ...head(1, 2), string: 1, kind: 'string-off', payload: {} }).success).toBe(false);
    for (const raw of [null, {}, { ...head(1) }, [head(1)]]) expect(readEvent(raw, EVENT_KINDS)).toBeNull();
  });
});
