import { Injectable } from '@angular/core';
import type { WorksheetFile } from '@gold-peg/contract/jobs';
import type { ExerciseSheet, PracticeTry, TryDraft } from '@gold-peg/contract/practice';
import type { StringTableFile } from '@gold-peg/contract/strings';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import Dexie, { type EntityTable } from 'dexie';

/** An event made on this device. `waiting` until the server has committed it; `refused` where it cannot be kept, set aside with the reason for people to see to. */
export interface LocalEvent {
  id: string;
  jobId: string;
  personId: string;
  /** Who made it, by name; left out by older pages. */
  personName?: string;
  state: 'waiting' | 'stored' | 'refused';
  says: string | null;
  event: BenchEvent;
}

/** A worksheet as the server last gave it, to work from while it is away. */
export interface KeptFile {
  jobId: string;
  file: WorksheetFile;
}

/** A table of the house as the server last gave it. */
export interface KeptTable {
  name: 'strings';
  table: StringTableFile;
}

/** An exercise that was answered; `draft`: as it is still to be sent. */
export interface LocalTry extends PracticeTry {
  personId: string;
  draft: TryDraft | null;
}

/** Exercise sheets as the server last told them to somebody. */
export interface KeptSheets {
  personId: string;
  sheets: ExerciseSheet[];
}

/** IndexedDB: every event is here before anything else happens to it. */
@Injectable({ providedIn: 'root' })
export class BenchDatabase extends Dexie {
  readonly events!: EntityTable<LocalEvent, 'id'>;
  readonly files!: EntityTable<KeptFile, 'jobId'>;
  readonly keptTables!: EntityTable<KeptTable, 'name'>;
  readonly tries!: EntityTable<LocalTry, 'id'>;
  readonly keptSheets!: EntityTable<KeptSheets, 'personId'>;

  constructor() {
    super('gold-peg');
    this.version(1).stores({ events: 'id, jobId, state', files: 'jobId' });
    this.version(2).stores({ keptTables: 'name' });
    this.version(3).stores({ tries: 'id, at' });
    this.version(4).stores({ keptSheets: 'personId' });
  }
}
