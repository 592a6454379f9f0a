import { inject, Injectable, signal } from '@angular/core';
import type { ExerciseSheet } from '@gold-peg/contract/practice';
import { BenchDatabase } from '../../bench-log/bench-database';
import { Api } from '../../server/api';
import { sayProblem, ServerProblem } from '../../server/server-problem';
import { Session } from '../../session/session';

/** Exercise sheets that somebody was given, and gave; as the server last told them while it is away. */
@Injectable()
export class SheetList {
  private readonly api = inject(Api);
  private readonly database = inject(BenchDatabase);
  private readonly session = inject(Session);

  /** Null until they were looked for. */
  readonly sheets = signal<readonly ExerciseSheet[] | null>(null);
  readonly trouble = signal<string | null>(null);

  constructor() {
    void this.read();
  }

  async read(): Promise<void> {
    const personId = this.session.person()?.id;
    if (personId === undefined) return;
    try {
      const sheets = await this.api.call('listSheets', {});
      this.sheets.set(sheets);
      this.trouble.set(null);
      await this.database.keptSheets.put({ personId, sheets });
    } catch (error) {
      const kept = await this.database.keptSheets.get(personId);
      this.sheets.set(kept?.sheets ?? []);
      const away = error instanceof ServerProblem && error.away;
      this.trouble.set(away && kept !== undefined ? null : sayProblem(error));
    }
  }
}
