import { TestBed } from '@angular/core/testing';
import { afterEach, expect, it, vi } from 'vitest';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { jobId, person, worksheetFile, WorksheetBench } from '../../testing/worksheet-bench';
import { WorksheetFiles } from './worksheet-files';

let bench: WorksheetBench;
afterEach(() => bench.close());

const noted = (nth: number): BenchEvent => ({
  id: `01900000-0000-7000-8000-${String(nth).padStart(12, '0')}`,
  version: 1,
  jobId,
  instrumentId: '01900000-0000-7000-8000-00000000000b',
  personId: person.id,
  deviceId: '01900000-0000-7000-8000-00000000000d',
  at: '2026-05-26T08:00:00Z',
  kind: 'noted',
  payload: { text: `note ${nth}` },
});
const stored = (nth: number) => ({ event: noted(nth), seq: nth, storedAt: '' });

it('asks only for what this device has not, and reads the rest in parts', async () => {
  bench = await WorksheetBench.open({ events: [1, 2, 3].map(noted) }); // kept on the device, with places 1 to 3
  const asked: string[] = [];
  vi.stubGlobal('fetch', (url: string) => {
    asked.push(url);
    const file = { ...worksheetFile({}), events: [stored(4), stored(5)], more: true };
    const part = url.endsWith('after=5') ? { events: [stored(6)], more: true } : { events: [stored(7)], more: false };
    return Promise.resolve(new Response(JSON.stringify(url.includes('/events') ? part : file), { status: 200 }));
  });
  const files = TestBed.inject(WorksheetFiles);
  await files.open(jobId);
  expect(asked).toEqual([`/api/jobs/${jobId}?after=3`, `/api/jobs/${jobId}/events?after=5`, `/api/jobs/${jobId}/events?after=6`]);
  expect(files.file()?.events.map(({ seq }) => seq)).toEqual([1, 2, 3, 4, 5, 6, 7]);
});
