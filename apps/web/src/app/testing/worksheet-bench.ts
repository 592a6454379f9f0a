import { TestBed } from '@angular/core/testing';
import { vi } from 'vitest';
import type { WorksheetFile } from '@gold-peg/contract/jobs';
import { DEFAULT_PREFERENCES } from '@gold-peg/contract/people';
import { fromInstrument, type PastSetup } from '@gold-peg/contract/register';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import type { MethodChoices } from '@gold-peg/craft/methods';
import { SETS, type StringSet } from '@gold-peg/craft/strings';
import { logString, type BenchEvent } from '@gold-peg/craft/worksheet';
import type { Stage } from '@gold-peg/craft/stages';
import type { Type } from '@angular/core';
import { BenchPage } from './bench-page';
import { BenchDatabase } from '../bench-log/bench-database';
import { BenchLog } from '../bench-log/bench-log';
import { Session } from '../session/session';
import { DESK } from '../worksheet/providers';
import { WorksheetDesk } from '../worksheet/desk/worksheet-desk';

export const jobId = '01900000-0000-7000-8000-00000000000a';
const instrumentId = '01900000-0000-7000-8000-00000000000b';
export const person = {
  id: '01900000-0000-7000-8000-00000000000c',
  name: 'P',
  role: 'technician' as const,
  preferences: DEFAULT_PREFERENCES,
  version: 1,
};

/** The built-in set of that id. @throws RangeError where there is none. */
export function setOf(id: string): StringSet {
  const set = SETS.find((each) => each.id === id);
  if (set === undefined) throw new RangeError(`no set ${id}`);
  return set;
}

/** A setup that such a set left. */
export const setupWith = (set: StringSet, more: Partial<PastSetup> = {}): PastSetup => ({
  jobId,
  setName: set.name,
  fittedAt: '2026-05-01T10:00:00Z',
  fittedBy: 'P',
  remark: '',
  notes: [],
  measurements: [],
  strings: set.strings.map((string, index) => ({ ...logString(string), string: index + 1, turns: 2, slackMm: 50 })),
  ...more,
});

interface Kept {
  /** Id of an archetype. */
  kind?: string;
  current?: PastSetup | null;
  setups?: PastSetup[];
  events?: BenchEvent[];
  house?: MethodChoices;
}

/** A worksheet as a device keeps it. */
export function worksheetFile({ kind = 'electric-in-line', current = null, setups, events = [], house = {} }: Kept): WorksheetFile {
  const geometry = fromInstrument(instrumentOf(kind));
  const instrument = {
    id: instrumentId,
    passport: 104,
    name: 'A six',
    facts: kind,
    family: geometry.family,
    scaleMm: 648,
    stringCount: geometry.strings.length,
    ownerId: null,
    ownerName: null,
    currentSet: null,
    fittedAt: null,
    openJobId: jobId,
  };
  return {
    job: {
      id: jobId,
      state: 'waiting',
      stage: 'choose',
      reason: '',
      takenInAt: '2026-05-26T08:00:00Z',
      promisedAt: null,
      setName: null,
      attendedMinutes: 37,
      learnedFrom: 0,
      instrument,
    },
    passport: {
      ...instrument,
      version: 1,
      hours: null,
      archivedAt: null,
      remark: '',
      archetypeId: 'acoustic-parlour',
      geometry,
      methods: {},
      current,
      setups: setups ?? (current === null ? [] : [current]),
    },
    more: false,
    events: events.map((event, index) => ({ event, seq: index + 1, storedAt: event.at })),
    people: [{ id: person.id, name: 'P' }],
    house,
    houseVersion: 1,
    evidence: [],
    times: [],
  };
}

/** A desk away from the server, with a worksheet that the device keeps: `close` it after. */
export class WorksheetBench {
  private constructor(
    readonly desk: WorksheetDesk,
    private readonly database: BenchDatabase,
  ) {}

  static async open(kept: Kept, stage?: Stage): Promise<WorksheetBench> {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
    sessionStorage.clear();
    localStorage.removeItem('gold-peg.clock-offset'); // another spec may have had a clock that was wrong
    TestBed.configureTestingModule({ providers: DESK });
    const database = TestBed.inject(BenchDatabase);
    await Promise.all([database.events.clear(), database.files.clear(), database.keptTables.clear()]);
    await database.files.put({ jobId, file: worksheetFile(kept) });
    TestBed.inject(Session).person.set(person);
    const desk = TestBed.inject(WorksheetDesk);
    await desk.open(jobId);
    if (stage !== undefined) desk.stage.set(stage);
    TestBed.tick();
    return new WorksheetBench(desk, database);
  }

  /** What this device took down. */
  get logged(): BenchEvent[] {
    return TestBed.inject(BenchLog)
      .local()
      .map(({ event }) => event);
  }

  /** A component at this bench; each look at it waits until the device has written all down. */
  page<T>(component: Type<T>): Promise<BenchPage<T>> {
    return BenchPage.open(component, {}, () => this.rest());
  }

  private async rest(): Promise<void> {
    let before: number;
    do {
      before = this.logged.length;
      await this.database.events.count(); // comes after whatever is being written
      await new Promise((resolve) => setTimeout(resolve));
    } while (this.logged.length !== before);
  }

  /** Chooses the candidate, as Take does. */
  async choose(setId: string): Promise<void> {
    this.desk.laidOut.candidateId.set(setId);
    await this.desk.choose();
    TestBed.tick();
  }

  close(): void {
    TestBed.resetTestingModule();
    this.database.close();
    vi.unstubAllGlobals();
  }
}
