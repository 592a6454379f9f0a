import { computed, inject, Injectable } from '@angular/core';
import { isVibrato } from '@gold-peg/craft/instrument';
import { emptyWorksheet, foldWorksheet } from '@gold-peg/craft/worksheet';
import { BenchLog, type Happening } from '../../bench-log/bench-log';
import { Session } from '../../session/session';
import { WorksheetFiles } from './worksheet-files';

/** The log of the job that is open, and its fold. */
@Injectable()
export class JobLog {
  private readonly log = inject(BenchLog);
  private readonly session = inject(Session);
  private readonly files = inject(WorksheetFiles);

  readonly file = this.files.file;
  readonly sheet = computed(() => {
    const file = this.file();
    const count = file?.passport.geometry.strings.length ?? 0;
    if (file === null) return emptyWorksheet(count);
    const balances = isVibrato(file.passport.geometry.bridge);
    const own = this.log.local().filter(({ jobId, state }) => jobId === file.job.id && state !== 'refused');
    return foldWorksheet(count, [...file.events.map(({ event }) => event), ...own.map(({ event }) => event)], balances);
  });
  readonly startedAt = computed(() => this.sheet().standing[0]?.at ?? null);
  /** Nothing more is taken down: the job was handed over, or who looks does not work at the bench. */
  readonly closed = computed(() => this.sheet().handedOver !== null || !this.session.mayWork());

  /** Takes down what happened on this job. */
  async happens(happening: Happening): Promise<void> {
    const file = this.file();
    if (file !== null && this.session.mayWork()) await this.log.append({ id: file.job.id, instrumentId: file.passport.id }, happening);
  }
}
