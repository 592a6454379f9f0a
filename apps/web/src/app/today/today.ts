import { ChangeDetectionStrategy, Component, computed, inject, resource } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { interval, map, startWith, throttleTime } from 'rxjs';
import { BenchDatabase } from '../bench-log/bench-database';
import { Api } from '../server/api';
import { Connection } from '../server/connection';
import { LiveFeed } from '../feed/live-feed';
import { troubleOf } from '../server/server-problem';
import { Caution } from '../ui/caution';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { jobRow } from './job-row';
import { promiseTicks } from './promise-rule';

const MINUTE_MS = 60_000;
/** Several steps at once are read together. */
const NEWS_MS = 400;

/** What is on the bench and what hangs in the rack, in the order in which it has to be started. */
@Component({
  selector: 'peg-today',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Caution, Fact, PlaceHeader, RouterLink, Trouble, UnderWay],
  templateUrl: './today.html',
  styleUrl: './today.scss',
})
export class Today {
  private readonly api = inject(Api);
  private readonly database = inject(BenchDatabase);
  protected readonly now = toSignal(
    interval(MINUTE_MS).pipe(
      startWith(0),
      map(() => Date.now()),
    ),
    { initialValue: Date.now() },
  );

  protected readonly jobs = resource({ loader: () => this.api.call('listJobs', {}) });
  protected readonly away = inject(Connection).away;
  private readonly files = resource({ loader: () => this.database.files.toArray() });
  /** Worksheets to go on with while the server is away. */
  protected readonly kept = computed(() =>
    (this.files.hasValue() ? this.files.value() : [])
      .filter(({ file }) => file.job.state !== 'handed-over')
      .map(({ jobId, file }) => ({ jobId, passport: String(file.passport.passport).padStart(4, '0'), name: file.passport.name })),
  );
  protected readonly trouble = computed(() => troubleOf(this.jobs));
  private readonly rows = computed(() => (this.jobs.hasValue() ? this.jobs.value().map((job) => jobRow(job, this.now())) : []));
  protected readonly onBench = computed(() => this.rows().filter(({ job }) => job.state === 'on-bench'));
  protected readonly waiting = computed(() => this.rows().filter(({ job }) => job.state === 'waiting'));
  protected readonly late = computed(() => this.rows().filter(({ state, job }) => state === 'late' && job.state === 'waiting'));
  protected readonly sub = computed(() =>
    this.jobs.hasValue()
      ? `${this.onBench().length} on the bench · ${this.waiting().length} in the rack`
      : 'The rack has not been read yet.',
  );
  protected readonly heading = computed(() =>
    new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' }).format(this.now()),
  );
  protected readonly attended = computed(() => {
    const minutes = this.rows().reduce((sum, { takes }) => sum + Number.parseInt(takes, 10), 0);
    return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
  });
  protected readonly next = computed(() => this.waiting()[0] ?? null);
  protected readonly rule = computed(() => promiseTicks(this.rows(), this.now()));

  constructor() {
    // reading again keeps the list that is shown until the new one is there
    inject(LiveFeed)
      .news.pipe(throttleTime(NEWS_MS, undefined, { leading: true, trailing: true }), takeUntilDestroyed())
      .subscribe(() => this.jobs.reload());
  }
}
