import { inject, Injectable, signal } from '@angular/core';
import type { StoredEvent } from '@gold-peg/contract/bench-log';
import { worksheetSchema, type WorksheetFile } from '@gold-peg/contract/jobs';
import { BenchDatabase } from '../../bench-log/bench-database';
import { BenchLog } from '../../bench-log/bench-log';
import { Api } from '../../server/api';
import { sayProblem, ServerProblem } from '../../server/server-problem';

/** Reads the worksheet of a job: from the server, and from this device where the server is away. */
@Injectable()
export class WorksheetFiles {
  private readonly api = inject(Api);
  private readonly database = inject(BenchDatabase);
  private readonly log = inject(BenchLog);

  readonly file = signal<WorksheetFile | null>(null);
  readonly trouble = signal<string | null>(null);

  async open(jobId: string): Promise<void> {
    if (this.file()?.job.id !== jobId) this.file.set(null);
    this.trouble.set(null);
    try {
      await this.keep(await this.api.call('worksheet', { params: { id: jobId } }));
    } catch (error) {
      const kept = error instanceof ServerProblem && error.away ? await this.database.files.get(jobId) : undefined;
      // what was kept before a field was known reads as it was meant
      if (kept !== undefined) this.file.set(worksheetSchema.parse(kept.file));
      else if (this.file() === null) this.trouble.set(sayProblem(error));
    }
  }

  /** Reads on in the log from where the file ends: what others did meanwhile. */
  async readOn(): Promise<void> {
    const file = this.file();
    if (file === null) return;
    const after = Math.max(0, ...file.events.map(({ seq }) => seq));
    try {
      const { events } = await this.api.call('jobEvents', { params: { id: file.job.id }, query: { after } });
      await this.add(file.job.id, events);
    } catch {
      // the feed opens again when the server is back, and then this is asked again
    }
  }

  /** Into the file as it is now: another answer may have come in between. */
  private async add(jobId: string, events: readonly StoredEvent[]): Promise<void> {
    const file = this.file();
    if (file?.job.id !== jobId) return;
    const known = new Set(file.events.map(({ seq }) => seq));
    await this.keep({ ...file, events: [...file.events, ...events.filter(({ seq }) => !known.has(seq))] });
  }

  private async keep(file: WorksheetFile): Promise<void> {
    this.file.set(file);
    await this.database.files.put({ jobId: file.job.id, file });
    await this.log.forget(file.job.id, new Set(file.events.map(({ event }) => event.id)));
  }
}
