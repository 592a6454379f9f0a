import * as z from 'zod';
import type { BenchEvent } from '@gold-peg/craft/worksheet';

/** The version of events that is written here. A shape that changes so that older ones cannot be read as they are gets the next, and a step that raises them. */
export const EVENT_VERSION = 1;

/** What every event has, whatever its version: enough to keep it, to sort it, and to say that it is there. */
const anyEvent = z.looseObject({
  id: z.string(),
  version: z.int().min(1),
  jobId: z.string(),
  instrumentId: z.string(),
  personId: z.string(),
  deviceId: z.string(),
  at: z.string(),
  kind: z.string(),
});
export type AnyEvent = z.infer<typeof anyEvent>;

/** Raises an event of version n, at place n − 1, to the next. */
export type RaisingSteps = readonly ((event: AnyEvent) => AnyEvent)[];
const STEPS: RaisingSteps = [];

/**
 * An event as it stands in a log or in what a device kept. What was taken down once was checked then: its ranges are not asked for again, so that a rule made since
 * takes nothing out of the log. One of a kind or version that is not known here is kept whole, as from a newer version. Null for what is no event.
 */
export function readEvent(raw: unknown, known: ReadonlySet<string>, steps: RaisingSteps = STEPS): BenchEvent | null {
  const read = anyEvent.safeParse(raw);
  if (!read.success) return null;
  if (read.data.kind === 'from-newer') return readEvent((read.data['payload'] as { event?: unknown } | undefined)?.event, known, steps);
  const newest = steps.length + 1;
  if (read.data.version > newest) return fromNewer(read.data);
  let event: AnyEvent = read.data;
  for (const raise of steps.slice(event.version - 1)) event = raise(event);
  return known.has(event.kind) ? ({ ...event, version: EVENT_VERSION } as unknown as BenchEvent) : fromNewer(read.data);
}

function fromNewer(event: AnyEvent): BenchEvent {
  const { id, jobId, instrumentId, personId, deviceId, at, kind } = event;
  return { id, version: EVENT_VERSION, jobId, instrumentId, personId, deviceId, at, kind: 'from-newer', payload: { kind, event } };
}
