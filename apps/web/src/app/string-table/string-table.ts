import { computed, inject, Injectable, signal } from '@angular/core';
import { asSets, asTableString, fromSet, fromTableString, type StringTableFile } from '@gold-peg/contract/strings';
import { LINES, SETS, STRINGS, type StringSet } from '@gold-peg/craft/strings';
import { TUNINGS } from '@gold-peg/craft/tuning';
import { BenchDatabase } from '../bench-log/bench-database';
import { Api } from '../server/api';
import { sayProblem, ServerProblem } from '../server/server-problem';

/** What every house begins with: taken while neither the server nor this device has a table. */
const builtIn = (): StringTableFile => ({
  lines: [...LINES],
  strings: STRINGS.map((string) => ({ ...fromTableString(string), version: 1 })),
  sets: SETS.map((set) => ({ ...fromSet(set), version: 1 })),
  tunings: TUNINGS.map(({ families, notes, ...rest }) => ({ ...rest, families: [...families], notes: [...notes] })),
});

/** In the order of the built-in list, what the house added after it. */
function inOrder<T extends { id: string }>(rows: readonly T[], builtInIds: readonly string[]): T[] {
  const place = new Map(builtInIds.map((id, index) => [id, index]));
  const of = ({ id }: T) => place.get(id) ?? builtInIds.length;
  return [...rows].sort((a, b) => of(a) - of(b));
}

const ids = (rows: readonly { id: string }[]) => rows.map(({ id }) => id);
const sorted = ({ lines, strings, sets, tunings }: StringTableFile): StringTableFile => ({
  lines: inOrder(lines, ids(LINES)),
  strings: inOrder(strings, ids(STRINGS)),
  sets: inOrder(sets, ids(SETS)),
  tunings: inOrder(tunings, ids(TUNINGS)),
});

/** The strings table of the house: from the server, and from this device where the server is away. */
@Injectable({ providedIn: 'root' })
export class StringTable {
  private readonly api = inject(Api);
  private readonly database = inject(BenchDatabase);

  readonly file = signal<StringTableFile | null>(null);
  readonly trouble = signal<string | null>(null);

  readonly strings = computed(() => (this.file()?.strings ?? []).map(asTableString));
  readonly sets = computed<readonly StringSet[]>(() => asSets(this.file()?.sets ?? [], this.strings()));
  readonly tunings = computed(() => this.file()?.tunings ?? []);
  readonly lineNames = computed(() => new Map((this.file()?.lines ?? []).map(({ id, name }) => [id, name])));

  /** Reads the table anew; what is shown stays until the answer comes. */
  async load(): Promise<void> {
    this.trouble.set(null);
    try {
      const file = sorted(await this.api.call('stringTable', {}));
      this.file.set(file);
      await this.database.keptTables.put({ name: 'strings', table: file });
    } catch (error) {
      if (!(error instanceof ServerProblem && error.away)) return this.trouble.set(sayProblem(error));
      if (this.file() === null) this.file.set((await this.database.keptTables.get('strings'))?.table ?? builtIn());
    }
  }
}
