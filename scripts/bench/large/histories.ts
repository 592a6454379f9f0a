import { fromInstrument, type Geometry } from '@gold-peg/contract/register';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { setsFor, type StringSet } from '@gold-peg/craft/strings';
import { logString, type BenchEvent } from '@gold-peg/craft/worksheet';

/** Kinds that hang in the register, with the sets that go on them. */
const KINDS = ['electric-in-line', 'acoustic-parlour', 'bass-in-line', 'mandolin', 'electric-double-locking', 'banjo-five-string'];

export interface Kind {
  id: string;
  geometry: Geometry;
  sets: StringSet[];
}
export const kinds = (): Kind[] =>
  KINDS.map((id) => {
    const geometry = fromInstrument(instrumentOf(id));
    return { id, geometry, sets: setsFor(geometry.family, geometry.strings.length) };
  });

const hex = (value: number, digits: number) => value.toString(16).padStart(digits, '0');

/** A version 7 id of that moment; `nth` parts those of one moment. */
export function idAt(ms: number, nth: number): string {
  const time = hex(ms, 12);
  return `${time.slice(0, 8)}-${time.slice(8)}-7${hex(nth & 0xfff, 3)}-8${hex((nth >>> 12) & 0xfff, 3)}-${hex(nth, 12)}`;
}

export interface Job {
  id: string;
  instrumentId: string;
  personId: string;
  kind: Kind;
  startedAt: number;
  /** Numbers its events, so that no two are alike. */
  firstEvent: number;
}

const MINUTE_MS = 60_000;
const DEVICE = idAt(1_600_000_000_000, 1);
const REMARKS = ['action as before', 'a quarter turn of relief', 'saddle slots dressed', '', 'claw half a turn in'];

/** Ten events of a job, or a few less on fewer strings: chosen, wound string by string, measured, handed over. */
export function historyOf({ id, instrumentId, personId, kind, startedAt, firstEvent }: Job, open = false): BenchEvent[] {
  const set = kind.sets[firstEvent % kind.sets.length];
  if (set === undefined) throw new Error(`no set for ${kind.id}`);
  const events: BenchEvent[] = [];
  const head = () => {
    const at = startedAt + events.length * 4 * MINUTE_MS;
    const nth = firstEvent + events.length;
    return { id: idAt(at, nth), version: 1 as const, jobId: id, instrumentId, personId, deviceId: DEVICE, at: new Date(at).toISOString() };
  };
  const payload = { name: set.name, family: set.family, setId: set.id, strings: set.strings.map(logString) };
  events.push({ ...head(), kind: 'set-chosen', payload });
  const strings = Math.min(6, kind.geometry.strings.length);
  for (let string = strings; string >= 1; string--) {
    const wound = { turns: 2 + (string % 3) / 2, slackMm: 50 + string, cutBeyondPostMm: 52, nutDeg: 6.5 };
    events.push({ ...head(), kind: 'wound', string, payload: wound });
  }
  const relief = { what: 'relief' as const, valueMm: 0.15 + (firstEvent % 9) / 50, by: 'feeler-gauge' as const };
  events.push({ ...head(), kind: 'measured', payload: relief });
  events.push({ ...head(), kind: 'noted', payload: { text: `fret ${firstEvent % 12} a little high` } });
  if (!open) events.push({ ...head(), kind: 'handed-over', payload: { remark: REMARKS[firstEvent % REMARKS.length] ?? '' } });
  return events;
}
