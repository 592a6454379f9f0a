import type { BenchEvent, EventOf } from '../worksheet/index.js';

/** What happens, without who, where and when. */
export type Happening = {
  [K in BenchEvent['kind']]: Pick<EventOf<K>, 'kind' | 'payload'> & { string?: number; personId?: string; at?: string };
}[BenchEvent['kind']];

/** Events a quarter of an hour apart, from ten o'clock on the first of September 2026; ids 0190-000 and on. */
export const logOf = (...what: Happening[]): BenchEvent[] =>
  what.map(
    (each, index) =>
      ({
        id: `0190-${String(index).padStart(3, '0')}`,
        version: 1,
        jobId: 'job',
        instrumentId: 'instrument',
        personId: 'person',
        deviceId: 'device',
        at: new Date(Date.UTC(2026, 8, 1, 10, 15 * index)).toISOString(),
        ...each,
      }) as BenchEvent,
  );
