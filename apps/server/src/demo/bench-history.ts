import { v7 as uuidV7 } from 'uuid';
import { toInstrument, type Geometry } from '@gold-peg/contract/register';
import { windString, type WindPlan } from '@gold-peg/craft/procedure';
import { setsFor, stringProperties, type StringSet } from '@gold-peg/craft/strings';
import { toMillimetres } from '@gold-peg/craft/units';
import { countedAgainst, logString, STRING_EVENTS, woundAsPlanned, type BenchEvent, type StringStage } from '@gold-peg/craft/worksheet';

/** Who did it, on what, and when it began; each event is a minute after the one before. */
export interface Bench {
  jobId: string;
  instrumentId: string;
  geometry: Geometry;
  personId: string;
  deviceId: string;
  startedAt: Date;
}

const MINUTE_MS = 60_000;

/** Writes events as a device would have: ids and times of their own moment. */
export function benchWriter(bench: Bench) {
  const events: BenchEvent[] = [];
  const head = () => {
    const at = new Date(bench.startedAt.getTime() + events.length * MINUTE_MS);
    const { jobId, instrumentId, personId, deviceId } = bench;
    return { id: uuidV7({ msecs: at.getTime() }), version: 1 as const, jobId, instrumentId, personId, deviceId, at: at.toISOString() };
  };
  return {
    events,
    choose(set: StringSet) {
      events.push({
        ...head(),
        kind: 'set-chosen',
        payload: { name: set.name, family: set.family, setId: set.id, strings: set.strings.map(logString) },
      });
    },
    tick(stage: Exclude<StringStage, 'wind'>, string: number) {
      events.push({ ...head(), kind: STRING_EVENTS[stage], string, payload: {} });
    },
    wind(set: StringSet, string: number) {
      events.push({ ...head(), kind: 'wound', string, payload: woundAsPlanned(planOn(bench.geometry, set, string)) });
    },
    count(set: StringSet, string: number, share: number) {
      const plan = planOn(bench.geometry, set, string);
      if (plan.kind !== 'post') return;
      const turns = Math.round(plan.wind.turns * share * 4) / 4; // as people count them
      const noted = toMillimetres(plan.geometry.postDiameter);
      events.push({ ...head(), kind: 'turns-counted', string, payload: countedAgainst(plan, turns, toMillimetres(plan.slack), noted) });
    },
    handOver(remark: string) {
      events.push({ ...head(), kind: 'handed-over', payload: { remark } });
    },
  };
}

/** The computed plan for this string: the demo's technician works as told. */
function planOn(geometry: Geometry, set: StringSet, string: number): WindPlan {
  const instrument = toInstrument(geometry);
  const spec = set.strings[string - 1];
  if (spec === undefined) throw new RangeError(`the set has no string ${string}`);
  const properties = stringProperties(spec);
  const plan = properties.ok ? windString({ instrument, index: string - 1, string: properties.value }) : null;
  if (plan === null) throw new RangeError(`string ${string} cannot be wound`);
  return plan;
}

/** The built-in set whose name begins like this. @throws RangeError where none does. */
export function setNamed(start: string, { family, strings }: Geometry): StringSet {
  const found = setsFor(family, strings.length).find(({ name }) => name.startsWith(start));
  if (found === undefined) throw new RangeError(`no set ${start} for ${family}`);
  return found;
}
