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
    const kept = await this.kept(jobId);
    try {
      // what this device has of the log already is not asked for again
      const file = await this.api.call('worksheet', { params: { id: jobId }, query: { after: lastOf(kept?.events) } });
      const whole = { ...file, events: joined(kept?.events ?? [], file.events) };
      await this.keep(file.more ? { ...whole, events: await this.toEnd(jobId, whole.events) } : whole);
    } catch (error) {
      if (error instanceof ServerProblem && error.away && kept !== null) this.file.set(kept);
      else if (this.file() === null) this.trouble.set(sayProblem(error));
    }
  }

  /** Reads on in the log from where the file ends: what others did meanwhile. */
  async readOn(): Promise<void> {
    const file = this.file();
    if (file === null) return;
    try {
      await this.add(file.job.id, await this.toEnd(file.job.id, file.events));
    } catch {
      // the feed opens again when the server is back, and then this is asked again
    }
  }

  /** The events with all that come after them, read in parts. */
  private async toEnd(jobId: string, events: readonly StoredEvent[]): Promise<StoredEvent[]> {
    const part = await this.api.call('jobEvents', { params: { id: jobId }, query: { after: lastOf(events) } });
    const all = joined(events, part.events);
    return part.more ? this.toEnd(jobId, all) : all;
  }

  /** What this device kept of a job; what was kept before a field was known reads as it was meant. */
  private async kept(jobId: string): Promise<WorksheetFile | null> {
    const kept = await this.database.files.get(jobId);
    const read = worksheetSchema.safeParse(kept?.file);
    return read.success ? read.data : null;
  }

  /** Into the file as it is now: another answer may have come in between. */
  private async add(jobId: string, events: readonly StoredEvent[]): Promise<void> {
    const file = this.file();
    if (file?.job.id !== jobId) return;
    await this.keep({ ...file, events: joined(file.events, events) });
  }

  private async keep(file: WorksheetFile): Promise<void> {
    this.file.set(file);
    await this.database.files.put({ jobId: file.job.id, file });
    await this.log.forget(file.job.id, new Set(file.events.map(({ event }) => event.id)));
  }
}

const lastOf = (events: readonly StoredEvent[] = []): number => events.at(-1)?.seq ?? 0;

/** Each event once, in the order of the log. */
function joined(before: readonly StoredEvent[], more: readonly StoredEvent[]): StoredEvent[] {
  const last = lastOf(before);
  return [...before, ...more.filter(({ seq }) => seq > last)];
}
