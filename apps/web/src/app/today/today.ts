import { ChangeDetectionStrategy, Component, computed, inject, resource, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { CalendarKind } from '@gold-peg/contract/calendars';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { RouterLink } from '@angular/router';
import { DateTime } from 'luxon';
import { BenchDatabase } from '../bench-log/bench-database';
import { Subscribe } from '../calendars';
import { DayDesk, DayRail, dayTime, duration, inHundred, momentOf, passportOf } from '../day';
import { Connection } from '../server/connection';
import { Session } from '../session/session';
import { Caution } from '../ui/caution';
import { Fact } from '../ui/fact';
import { OneOf, type Choice } from '../ui/one-of';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { dangersOf, jobRows, type JobRow } from './job-rows';
import { OwnerPanel, type Later } from './owner-panel';
import { NowPanel } from './now-panel';
import { OrderPanel } from './order-panel';
import { WhoIsHere } from './who-is-here';
import { houseZone } from '../server/house-zone';

const DAYS = [
  { value: 2, label: 'two days' },
  { value: 6, label: 'the week' },
] as const;

type DayCalendar = Exclude<CalendarKind, 'due'>;
const CALENDARS: readonly Choice<DayCalendar>[] = [
  { value: 'day', label: 'the bench day' },
  { value: 'visits', label: 'strings to tune again' },
  { value: 'hand-overs', label: 'hand-overs' },
];
const TELLS: Readonly<Record<DayCalendar, string>> = {
  day: 'the bench day, as it is planned',
  visits: 'when strings are to be tuned again, with an alarm',
  'hand-overs': 'when instruments are handed over',
};

/** The bench day as it is planned: the rail of hours, what to do now, what is in danger, and the rack. */
@Component({
  selector: 'peg-today',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Caution,
    DayRail,
    Fact,
    MatButtonModule,
    NowPanel,
    OneOf,
    OrderPanel,
    OwnerPanel,
    PlaceHeader,
    RouterLink,
    Subscribe,
    Trouble,
    UnderWay,
    WhoIsHere,
  ],
  providers: [DayDesk],
  templateUrl: './today.html',
  styleUrl: './today.scss',
})
export class Today {
  protected readonly DAYS = DAYS;
  protected readonly CALENDARS = CALENDARS;
  protected readonly SHEET = ENDPOINTS.daySheetPdf.path;
  protected readonly ICS = `${ENDPOINTS.dayCalendar.path}?of=`;
  protected readonly inHundred = inHundred;
  protected readonly subscribing = signal(false);
  protected readonly asksWho = signal(false);
  protected readonly calendar = signal<DayCalendar>('day');
  protected readonly tells = computed(() => TELLS[this.calendar()]);
  /** A job of which its owner is told something. */
  protected readonly writing = signal<{ row: JobRow; later: Later | null } | null>(null);
  protected readonly desk = inject(DayDesk);
  private readonly database = inject(BenchDatabase);
  protected readonly me = inject(Session).person;
  protected readonly away = inject(Connection).away;
  protected readonly days = signal<number>(2);
  private readonly files = resource({ loader: () => this.database.files.toArray() });
  /** Worksheets to go on with while the server is away. */
  protected readonly kept = computed(() =>
    (this.files.hasValue() ? this.files.value() : [])
      .filter(({ file }) => file.job.state !== 'handed-over')
      .map(({ jobId, file }) => ({ jobId, passport: String(file.passport.passport).padStart(4, '0'), name: file.passport.name })),
  );
  protected readonly promises = computed(() => this.desk.planned()?.promises ?? []);
  protected readonly rows = computed(() => {
    const day = this.desk.day();
    return day === null ? [] : jobRows(day, this.desk.plan(), this.promises());
  });
  protected readonly dangers = computed(() => {
    const day = this.desk.day();
    return day === null ? [] : dangersOf(day, this.rows());
  });
  /** What moved when the plan last did, by the clock of the house. */
  protected readonly movedSays = computed(() => {
    const [day, moved] = [this.desk.day(), this.desk.moved()];
    if (day === null || moved === null) return null;
    return { at: DateTime.fromJSDate(moved.at, { zone: day.hours.zone }).toFormat('H:mm'), says: moved.lines.join(' ') };
  });
  protected readonly heading = computed(() => {
    const day = this.desk.day();
    return (
      day === null ? DateTime.now().setZone(houseZone()) : DateTime.fromJSDate(momentOf(day, day.now), { zone: day.hours.zone })
    ).toFormat('cccc d LLLL');
  });
  protected readonly sub = computed(() => {
    const jobs = this.desk.day()?.jobs;
    if (jobs === undefined) return 'The rack has not been read yet.';
    const onBench = jobs.filter(({ state }) => state === 'on-bench').length;
    return `${onBench} on the bench, ${jobs.length - onBench} in the rack`;
  });
  /** Bench minutes that are planned before the house closes today. */
  protected readonly today = computed(() => {
    const [day, plan] = [this.desk.day(), this.desk.plan()];
    if (day === null || plan === null) return null;
    const at = (minute: number) => DateTime.fromJSDate(momentOf(day, minute), { zone: day.hours.zone }).toISODate();
    return duration(plan.operations.filter(({ start }) => at(start) === at(day.now)).reduce((sum, { start, end }) => sum + end - start, 0));
  });
  protected readonly keeping = computed(() => {
    const promised = this.rows().filter(({ promised }) => promised !== null);
    return promised.length === 0 || this.desk.plan() === null
      ? null
      : `${promised.filter(({ state }) => state !== 'late').length} of ${promised.length}`;
  });
  protected readonly visit = computed(() => {
    const [day, next] = [this.desk.day(), this.desk.planned()?.next];
    const visit = next?.visit ?? null;
    if (day === null || visit === null) return null;
    const job = day.jobs.find(({ id }) => id === visit.job);
    return job === undefined ? null : { passport: passportOf(job), at: dayTime(day, visit.start), in: duration(visit.start - day.now) };
  });

  protected write(row: JobRow, later: Later | null): void {
    this.writing.set({ row, later });
  }

  protected written(): void {
    this.writing.set(null);
    this.desk.read.reload();
  }
}
