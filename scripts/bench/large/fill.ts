import pg from 'pg';
import { foldWorksheet, setupOf, stageTimes, stockUse, type BenchEvent, type Setup } from '@gold-peg/craft/worksheet';
import { copyInto } from './copy.js';
import { historyOf, idAt, kinds, type Job, type Kind } from './histories.js';

export const SIZE = { instruments: 100_000, owners: 20_000, events: 2_000_000, open: 60, longJob: 5000 };
const JOBS_OF_AN_INSTRUMENT = 2;
const DAY_MS = 86_400_000;
const [FIRST, NOW] = [Date.parse('2024-01-08T09:00:00Z'), Date.now()];

const ADJECTIVES = ['Heron', 'Brindle', 'Longshore', 'Gannet', 'Tidewrack', 'Cutwater', 'Lantern', 'Drumlin', 'Sedge', 'Kelp'];
const WORDS = ['parlour', 'six', 'four', 'locking', 'oval', 'short neck', 'archtop', 'travel', 'slotted', 'twelve'];
const GIVEN = ['Jessamy', 'Lowen', 'Merryn', 'Corin', 'Tamsin', 'Petroc', 'Demelza', 'Jory', 'Kensa', 'Ruan'];
const FAMILY = ['Roke', 'Thrift', 'Sallow', 'Ansty', 'Vell', 'Tarrow', 'Pell', 'Quoin', 'Marl', 'Ebb'];
const pick = (list: readonly string[], nth: number) => list[nth % list.length] ?? '';

/** Instruments and owners past those of the demo: their numbers begin here. */
const FIRST_PASSPORT = 1001;
const ownerId = (nth: number) => idAt(FIRST, nth);
const instrumentId = (nth: number) => idAt(FIRST + 1, nth);
const jobId = (nth: number) => idAt(FIRST + 2, nth);

/** Fills a house that has the demo in it with a hundred thousand instruments and what was done to them. Projections are folded by craft, as the server does. */
export async function fill(databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const people = (await client.query<{ id: string }>(`SELECT id FROM person WHERE role <> 'counter'`)).rows.map(({ id }) => id);
  const all = kinds();
  const kindOf = (nth: number): Kind => all[nth % all.length] as Kind;
  await copyInto(client, 'owner', ['id', 'name', 'contact', 'version'], owners());
  const columns = ['id', 'passport', 'name', 'facts', 'archetype_id', 'owner_id', 'geometry', 'methods', 'remark', 'version'];
  await copyInto(client, 'instrument', columns, instruments(kindOf));
  await client.query(`SELECT setval(pg_get_serial_sequence('instrument', 'passport'), (SELECT max(passport) FROM instrument))`);
  for (let from = 0; from < SIZE.instruments; from += 5000) await fillHistories(client, from, kindOf, people);
  await client.query('ANALYZE');
  await client.query('CHECKPOINT'); // else the disk still writes what was filled in while appends are measured
  await client.end();
}

function* owners() {
  for (let nth = 0; nth < SIZE.owners; nth++)
    yield [ownerId(nth), `${pick(GIVEN, nth)} ${pick(FAMILY, Math.floor(nth / 10))} ${nth}`, `house ${nth % 400}, quay`, 1];
}

function* instruments(kindOf: (nth: number) => Kind) {
  for (let nth = 0; nth < SIZE.instruments; nth++) {
    const { id, geometry } = kindOf(nth);
    const name = `${pick(ADJECTIVES, nth)} ${pick(WORDS, Math.floor(nth / 10))} ${nth}`;
    yield [instrumentId(nth), FIRST_PASSPORT + nth, name, id.replaceAll('-', ' '), id, ownerId(nth % SIZE.owners), geometry, {}, '', 1];
  }
}

interface Told {
  job: Job;
  events: BenchEvent[];
  state: 'handed-over' | 'on-bench';
}

/** The jobs of five thousand instruments: two past ones each, and now and then one that lies on the bench. */
function* jobsFrom(from: number, kindOf: (nth: number) => Kind, people: readonly string[]): Generator<Told> {
  for (let nth = from; nth < Math.min(from + 5000, SIZE.instruments); nth++) {
    const isOpen = nth % Math.floor(SIZE.instruments / SIZE.open) === 0;
    for (let past = 0; past < JOBS_OF_AN_INSTRUMENT + (isOpen ? 1 : 0); past++) {
      const number = nth * 3 + past;
      const open = past === JOBS_OF_AN_INSTRUMENT;
      const startedAt = open ? NOW - 3 * 3_600_000 : FIRST + past * 400 * DAY_MS + (nth % 380) * DAY_MS + (nth % 400) * 60_000;
      const personId = people[number % people.length] ?? '';
      const job = { id: jobId(number), instrumentId: instrumentId(nth), personId, kind: kindOf(nth), startedAt, firstEvent: number * 16 };
      const events = historyOf(job, open);
      yield { job, events: open && nth === 0 ? longer(events) : events, state: open ? 'on-bench' : 'handed-over' };
    }
  }
}

/** A worksheet that was worked on, and noted on, for ever. */
function longer(events: BenchEvent[]): BenchEvent[] {
  const last = events.at(-1);
  if (last === undefined) return events;
  const notes = Array.from({ length: SIZE.longJob - events.length }, (_, nth): BenchEvent => {
    const at = Date.parse(last.at) + (nth + 1) * 1000;
    const { jobId: id, instrumentId: of, personId, deviceId } = last;
    return {
      id: idAt(at, 0x3000000 + nth),
      version: 1,
      jobId: id,
      instrumentId: of,
      personId,
      deviceId,
      at: new Date(at).toISOString(),
      kind: 'noted',
      payload: { text: `note ${nth}` },
    };
  });
  return [...events, ...notes];
}

async function fillHistories(client: pg.Client, from: number, kindOf: (nth: number) => Kind, people: readonly string[]): Promise<void> {
  const told = [...jobsFrom(from, kindOf, people)];
  const sheets = told.map(({ job, events }) => foldWorksheet(job.kind.geometry.strings.length, events));
  const each = function* <T>(rows: (index: number, told: Told) => Iterable<T>): Generator<T> {
    for (const [index, one] of told.entries()) yield* rows(index, one);
  };
  await copyInto(
    client,
    'job',
    ['id', 'instrument_id', 'reason', 'taken_in_at', 'promised_at', 'state', 'stage', 'set_name'],
    each((index, { job, state }) => [
      [
        job.id,
        job.instrumentId,
        'dull',
        new Date(job.startedAt - DAY_MS).toISOString(),
        null,
        state,
        state === 'on-bench' ? 'bring-up' : 'hand-over',
        sheets[index]?.chosen?.payload.name ?? null,
      ],
    ]),
  );
  await copyInto(
    client,
    'bench_event',
    ['id', 'job_id', 'person_id', 'kind', 'event', 'stored_at'],
    each((_index, { events }) => events.map((event) => [event.id, event.jobId, event.personId, event.kind, event, event.at])),
  );
  const setups: (Setup | null)[] = [];
  for (const [index, { job }] of told.entries()) {
    const before = told[index - 1]?.job.instrumentId === job.instrumentId ? (setups[index - 1] ?? null) : null;
    const sheet = sheets[index];
    setups.push(sheet === undefined ? null : setupOf(sheet, before));
  }
  await copyInto(
    client,
    'setup',
    ['job_id', 'instrument_id', 'fitted_at', 'setup'],
    each((index, { job }) => {
      const setup = setups[index] ?? null;
      return setup === null ? [] : [[job.id, job.instrumentId, setup.fittedAt, { jobId: job.id, fittedBy: 'Corin Vell', ...setup }]];
    }),
  );
  await copyInto(
    client,
    'current_string',
    ['instrument_id', 'string', 'job_id', 'construction', 'gauge_mm', 'wrap'],
    each((index, { job }) => {
      const isLatest = told[index + 1]?.job.instrumentId !== job.instrumentId || setups[index + 1] === null;
      const strings = isLatest ? (setups[index]?.strings ?? []) : [];
      return strings.map((string) => [job.instrumentId, string.string, job.id, string.construction, string.gaugeMm, string.wrap ?? null]);
    }),
  );
  await copyInto(
    client,
    'stock_use',
    ['id', 'job_id', 'kind', 'item_id', 'state', 'string', 'why', 'at'],
    each((index, { job }) => {
      const sheet = sheets[index];
      const uses =
        sheet === undefined
          ? []
          : stockUse(sheet, (id) => job.kind.sets.find((set) => set.id === id)?.strings.map((string) => string.id ?? '') ?? null);
      return uses.map((use, nth) => [
        idAt(job.startedAt + 7, job.firstEvent + nth),
        job.id,
        use.kind,
        use.itemId,
        use.state,
        use.string,
        use.why,
        use.at,
      ]);
    }),
  );
  await copyInto(
    client,
    'stage_time',
    ['job_id', 'person_id', 'stage', 'family', 'string_count', 'minutes', 'at'],
    each((index, { job }) => {
      const sheet = sheets[index];
      if (sheet?.handedOver == null) return [];
      const { family, strings } = job.kind.geometry;
      const times = stageTimes(sheet).filter(({ ms }) => ms > 0);
      return times.map(({ personId, stage, ms }) => [
        job.id,
        personId,
        stage,
        family,
        strings.length,
        ms / 60_000,
        sheet.handedOver?.at ?? '',
      ]);
    }),
  );
}
