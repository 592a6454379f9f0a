import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidV7 } from 'uuid';
import { fromInstrument } from '@gold-peg/contract/register';
import { isVibrato } from '@gold-peg/craft/instrument';
import { archetype, instrumentOf } from '@gold-peg/craft/archetypes';
import type { MeasureKind } from '@gold-peg/craft/findings';
import { chanceFrom } from '@gold-peg/craft/simulated';
import type { ToolKind } from '@gold-peg/craft/tools';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { appendToLog } from '../bench-log/index.js';
import { insertPerson } from '../people/index.js';
import { putOnShelf, simulatedSupplier } from '../stock/index.js';
import { InstrumentRow, JobRow, OwnerRow, PersonRow, StringEntryRow, StringLineRow, StringSetRow, SupplyOrderRow } from '../store/index.js';
import { setColumnsOf, stringColumnsOf } from '../strings/index.js';
import { benchWriter, setNamed, type Bench } from './bench-history.js';
import { LINES_OF_THE_DEMO, SETS_OF_THE_DEMO, STRINGS_OF_THE_DEMO } from './lines.js';
import { DEMO_PEOPLE } from './people.js';
import { atHome } from './harbour.js';
import { promisedBefore, whileOpen } from './promised.js';
import { CHOSEN, ON_THE_BENCH, OWNERS, RACK, type RackEntry } from './rack.js';
import { ORDERS_TOOK_H, SHELF_OF_THE_DEMO } from './shelf.js';

const HOUR_MS = 3_600_000;
const HOURS_SINCE_COUNT = 1.5;
const DAYS_BETWEEN_ORDERS = 17;
/** Players were asked when their instruments were entered in the passport books. */
const DAYS_SINCE_ASKED = 300;
/** Before that nobody took down what was promised. */
const PROMISED_DAYS = 170;
/** The demo's technician takes his time. */
const PACE_OF_THE_DEMO = 1.12;

interface Loading {
  tx: EntityManager;
  now: Date;
  personId: string;
  deviceId: string;
  events: BenchEvent[];
}

/** What hangs in the rack; or the whole harbour, with all that hangs at home and comes back when it is due. */
export type DemoScale = 'rack' | 'harbour';

/** Loads the demo into an empty house. Returns false, and does nothing, where people are known already. */
export async function loadDemo(store: DataSource, now: Date, scale: DemoScale = 'rack'): Promise<boolean> {
  if (await store.getRepository(PersonRow).exists()) return false;
  const events = await store.transaction(async (tx) => {
    await loadStrings(tx, now);
    const people = DEMO_PEOPLE.map((person) => ({ id: uuidV7(), ...person }));
    for (const person of people) await insertPerson(tx, person);
    const owners = await tx.save(
      OwnerRow,
      OWNERS.map((owner) => ({ id: uuidV7(), ...owner, version: 1 })),
    );
    const technician = people.find(({ role }) => role === 'technician');
    const loading: Loading = { tx, now, personId: technician?.id ?? '', deviceId: uuidV7(), events: [] };
    const entries = scale === 'rack' ? RACK : [...RACK, ...atHome(now)];
    for (const entry of entries) await hang(loading, entry, owners.find(({ name }) => name === entry.owner)?.id ?? null);
    await tx.query("SELECT setval(pg_get_serial_sequence('instrument', 'passport'), (SELECT max(passport) FROM instrument))");
    return loading.events;
  });
  await appendToLog(store, events, null);
  return true;
}

/** The lines of the demo with their marks, and the shelf as it was counted this morning. */
async function loadStrings(tx: EntityManager, now: Date): Promise<void> {
  await tx.insert(StringLineRow, [...LINES_OF_THE_DEMO]);
  await tx.insert(
    StringEntryRow,
    STRINGS_OF_THE_DEMO.map((string) => ({ ...stringColumnsOf(string), version: 1 })),
  );
  await tx.insert(
    StringSetRow,
    SETS_OF_THE_DEMO.map((set) => ({ ...setColumnsOf(set), version: 1 })),
  );
  const counted = new Date(now.getTime() - HOURS_SINCE_COUNT * HOUR_MS);
  for (const row of SHELF_OF_THE_DEMO) await putOnShelf(tx, row, counted);
  await tx.insert(
    SupplyOrderRow,
    ORDERS_TOOK_H.map((hours, nth) => {
      const placedAt = new Date(now.getTime() - (nth + 1) * DAYS_BETWEEN_ORDERS * 24 * HOUR_MS);
      const deliveredAt = new Date(placedAt.getTime() + hours * HOUR_MS);
      const { kind, id } = SHELF_OF_THE_DEMO[nth] ?? { kind: 'set' as const, id: '' };
      const reference = `sim-${String(nth).padStart(12, '0')}-1`;
      return {
        id: uuidV7(),
        supplier: simulatedSupplier.name,
        reference,
        placedAt,
        promisedAt: deliveredAt,
        deliveredAt,
        lines: [{ kind, id, amount: 4 }],
      };
    }),
  );
}

async function hang(loading: Loading, entry: RackEntry, ownerId: string | null): Promise<void> {
  const { tx, now } = loading;
  const instrument = await tx.save(InstrumentRow, {
    id: uuidV7(),
    name: entry.name,
    facts: archetype(entry.archetypeId)?.facts ?? '',
    archetypeId: entry.archetypeId,
    ownerId,
    geometry: { ...fromInstrument(instrumentOf(entry.archetypeId)), hand: entry.hand ?? 'right' },
    methods: entry.methods ?? {},
    remark: entry.remark,
    weeklyHours: entry.weeklyHours ?? null,
    hoursAskedAt: entry.weeklyHours === undefined ? null : new Date(now.getTime() - DAYS_SINCE_ASKED * 24 * HOUR_MS),
    version: 1,
  });
  await tx.update(InstrumentRow, { id: instrument.id }, { passport: entry.passport }); // an insert leaves a generated column to its sequence
  for (const { daysAgo, set, remark, counted, found, measured, left, only, pads, sizes } of entry.past) {
    const startedAt = new Date(now.getTime() - daysAgo * 24 * HOUR_MS);
    const promises = daysAgo <= PROMISED_DAYS;
    const bench = await openJob(loading, instrument, {
      reason: only === undefined ? 'Restring' : `String ${only.join(', ')} broke`,
      takenInAt: new Date(startedAt.getTime() - (promises ? 80 : 20) * HOUR_MS),
      promisedAt: null,
      startedAt,
      pace: PACE_OF_THE_DEMO * (1 + 0.06 * Math.sin(daysAgo)),
      state: 'handed-over', // as the log, which comes after, will say
    });
    const writer = benchWriter(bench);
    const chosen = setNamed(set, instrument.geometry);
    const numbers = only ?? instrument.geometry.strings.map((_, index) => index + 1);
    const each = (work: (string: number) => void) => numbers.forEach(work);
    writer.choose(chosen, only);
    Object.entries(sizes ?? {}).forEach(([tool, sizeMm]) => writer.lay(tool as ToolKind, sizeMm));
    pads?.forEach((lies, index) => writer.pads(index + 1, lies));
    for (const stage of ['ready', 'strip', 'look-over', 'anchor'] as const) each((string) => writer.tick(stage, string));
    found?.forEach((finding) => writer.find(finding));
    Object.entries(measured ?? {}).forEach(([what, valueMm]) => writer.measure(what as MeasureKind, valueMm));
    each((string) => writer.wind(chosen, string));
    each((string) => writer.tick('bring-up', string));
    if (isVibrato(instrument.geometry.bridge)) each((string) => writer.tick('balance', string));
    each((string) => writer.settle(string));
    Object.entries(left ?? {}).forEach(([what, valueMm]) => writer.measure(what as MeasureKind, valueMm));
    each((string) => writer.tick('trim', string));
    if (counted !== undefined) each((string) => writer.count(chosen, string, counted));
    writer.handOver(remark);
    loading.events.push(...writer.events);
    const ready = writer.events.at(-2)?.at;
    if (promises && ready !== undefined) {
      const promise = promisedBefore(new Date(ready), chanceFrom(entry.passport * 1000 + daysAgo));
      await tx.update(JobRow, { id: bench.jobId }, promise);
    }
  }
  if (entry.job === undefined) return;
  const { reason, takenInHoursAgo, promisedInHours } = entry.job;
  const begun = ON_THE_BENCH.find(({ passport }) => passport === entry.passport);
  const bench = await openJob(loading, instrument, {
    reason,
    takenInAt: new Date(now.getTime() - takenInHoursAgo * HOUR_MS),
    promisedAt: promisedInHours === null ? null : whileOpen(new Date(now.getTime() + promisedInHours * HOUR_MS)),
    startedAt: new Date(now.getTime() - (begun?.beganHoursAgo ?? 0) * HOUR_MS),
    pace: PACE_OF_THE_DEMO,
    state: 'waiting',
  });
  if (begun !== undefined) loading.events.push(...halfDone(bench, begun));
  const chosen = CHOSEN.find(({ passport }) => passport === entry.passport);
  if (chosen !== undefined) {
    const writer = benchWriter(bench);
    writer.choose(setNamed(chosen.set, instrument.geometry));
    loading.events.push(...writer.events);
  }
}

function halfDone(bench: Bench, { set: named, wound, up }: (typeof ON_THE_BENCH)[number]): BenchEvent[] {
  const writer = benchWriter(bench);
  const set = setNamed(named, bench.geometry);
  writer.choose(set);
  for (const stage of ['ready', 'strip', 'look-over', 'anchor'] as const)
    bench.geometry.strings.forEach((_, index) => writer.tick(stage, bench.geometry.strings.length - index));
  for (const string of wound) writer.wind(set, string);
  if (up) for (const string of wound) writer.tick('bring-up', string);
  return writer.events;
}

async function openJob(
  { tx, personId, deviceId }: Loading,
  instrument: InstrumentRow,
  { startedAt, pace, ...job }: Pick<JobRow, 'reason' | 'takenInAt' | 'promisedAt' | 'state'> & Pick<Bench, 'startedAt' | 'pace'>,
): Promise<Bench> {
  const { id } = await tx.save(JobRow, {
    id: uuidV7(),
    instrumentId: instrument.id,
    ...job,
    stage: 'choose',
    setName: null,
  });
  return { jobId: id, instrumentId: instrument.id, geometry: instrument.geometry, personId, deviceId, startedAt, pace };
}
