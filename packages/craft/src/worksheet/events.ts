import type { Construction, Family } from '../strings/index.js';
import type { Wrap } from '../constants/index.js';
import type { StringEventKind } from './stages.js';

/** A string as the log keeps it: plain JSON, the unit in the name. */
export interface LoggedString {
  construction: Construction;
  gaugeMm: number;
  wrap?: Wrap | undefined;
}

/** What was wound on one post. `slackMm` may be negative: nylon that needed none. */
export interface WoundPayload {
  turns: number;
  slackMm: number;
  cutBeyondPostMm: number;
  nutDeg: number | null;
}

interface Head {
  /** UUID v7 made by the device: it orders the log by when things happened, and makes sending twice harmless. */
  id: string;
  version: 1;
  jobId: string;
  instrumentId: string;
  personId: string;
  deviceId: string;
  /** The device's clock, ISO 8601. */
  at: string;
}

interface StringHead extends Head {
  /** String number, 1 at the high side. */
  string: number;
}

type Tick<K extends StringEventKind> = K extends 'wound' ? never : StringHead & { kind: K; payload: Record<string, never> };

/** What happens at the bench, past tense, never edited. */
export type BenchEvent =
  | (Head & { kind: 'set-chosen'; payload: { name: string; family: Family; strings: LoggedString[] } })
  | Tick<StringEventKind>
  | (StringHead & { kind: 'wound'; payload: WoundPayload })
  | (Head & { kind: 'noted'; payload: { text: string } })
  | (Head & { kind: 'measured'; payload: { what: 'relief' | 'action-treble' | 'action-bass'; valueMm: number } })
  | (Head & { kind: 'undone'; payload: { eventId: string } })
  | (Head & { kind: 'handed-over'; payload: { remark: string } });

export type BenchEventKind = BenchEvent['kind'];
export type EventOf<K extends BenchEventKind> = Extract<BenchEvent, { kind: K }>;
