import { v7 as uuidV7 } from 'uuid';
import { toInstrument, type Geometry } from '@gold-peg/contract/register';
import { stageMinutes } from '@gold-peg/craft/day';
import { measureOf, type Finding, type MeasureKind, type PadLies } from '@gold-peg/craft/findings';
import type { ToolKind } from '@gold-peg/craft/tools';
import { windString, type WindPlan } from '@gold-peg/craft/procedure';
import { setsFor, stringProperties, type StringSet } from '@gold-peg/craft/strings';
import { toMillimetres } from '@gold-peg/craft/units';
import { countedAgainst, logString, woundAsPlanned, type BenchEvent } from '@gold-peg/craft/worksheet';
import { STRING_EVENTS, type Stage, type StringStage } from '@gold-peg/craft/stages';

/** Who did it, on what, when it began, and how quick they are: minutes as a share of what is expected. */
export interface Bench {
  jobId: string;
  instrumentId: string;
  geometry: Geometry;
  personId: string;
  deviceId: string;
  startedAt: Date;
  pace: number;
}

const MINUTE_MS = 60_000;

/** Writes events as a device would have: ids and times of their own moment. */
export function benchWriter(bench: Bench) {
  const events: BenchEvent[] = [];
  const { family, strings } = bench.geometry;
  let minutes = 0;
  /** Of an event at the end of its share of a stage; `parts`: events among which a string's share is divided. */
  const head = (stage: Stage = 'choose', parts = 1) => {
    const share = stageMinutes(family, strings.length, stage) / strings.length / parts;
    minutes += share === 0 ? 1 : share * bench.pace;
    const at = new Date(bench.startedAt.getTime() + minutes * MINUTE_MS);
    const { jobId, instrumentId, personId, deviceId } = bench;
    return { id: uuidV7({ msecs: at.getTime() }), version: 1 as const, jobId, instrumentId, personId, deviceId, at: at.toISOString() };
  };
  return {
    events,
    choose(set: StringSet, only?: readonly number[]) {
      events.push({
        ...head(),
        kind: 'set-chosen',
        payload: {
          name: set.name,
          family: set.family,
          setId: set.id,
          strings: set.strings.map(logString),
          ...(only !== undefined && { only: [...only] }),
        },
      });
    },
    tick(stage: Exclude<StringStage, 'wind'>, string: number) {
      events.push({ ...head(stage), kind: STRING_EVENTS[stage], string, payload: {} });
    },
    /** In rounds that each cost about a third of the one before, until little is lost. */
    settle(string: number) {
      const drops = [1, 0.35, 0.12, 0.04].map((left) => Math.round(2 * left * (24 + 6 * ((string * 7) % 5))) / 2); // read to half a cent
      const parts = drops.length + 1;
      for (const drop of drops)
        events.push({
          ...head('settle', parts),
          kind: 'pitch-read',
          string,
          payload: { cents: -drop, after: 'stretch', retuned: true, by: 'typed' },
        });
      events.push({ ...head('settle', parts), kind: 'settled', string, payload: {} });
    },
    wind(set: StringSet, string: number) {
      events.push({ ...head('wind'), kind: 'wound', string, payload: woundAsPlanned(planOn(bench.geometry, set, string)) });
    },
    count(set: StringSet, string: number, share: number) {
      const plan = planOn(bench.geometry, set, string);
      if (plan.kind !== 'post') return;
      const turns = Math.round(plan.wind.turns * share * 4) / 4; // as people count them
      const noted = toMillimetres(plan.geometry.postDiameter);
      events.push({ ...head(), kind: 'turns-counted', string, payload: countedAgainst(plan, turns, toMillimetres(plan.slack), noted) });
    },
    find(finding: Partial<Finding> & Pick<Finding, 'what'>, text = '') {
      const payload = { severity: 'watch' as const, string: null, fret: null, wood: null, ...finding, text };
      events.push({ ...head(), kind: 'found', payload });
    },
    measure(what: MeasureKind, valueMm: number) {
      events.push({ ...head(), kind: 'measured', payload: { what, valueMm, by: measureOf(what).tool } });
    },
    lay(tool: ToolKind, sizeMm: number) {
      events.push({ ...head(), kind: 'tool-laid', payload: { tool, there: true, sizeMm } });
    },
    pads(clamp: number, lies: PadLies) {
      events.push({ ...head(), kind: 'pads-noted', payload: { clamp, lies } });
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
