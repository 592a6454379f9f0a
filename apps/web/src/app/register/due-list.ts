import { ChangeDetectionStrategy, Component, computed, inject, resource, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import type { DueEntry } from '@gold-peg/contract/register';
import { scaleTime } from 'd3';
import { Api } from '../server/api';
import { troubleOf } from '../server/server-problem';
import { Fact } from '../ui/fact';
import { MeasuredWidth } from '../ui/measured-width';
import { OneOf, type Choice } from '../ui/one-of';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { sayFinding } from '../worksheet/look-over/finding-words';
import { sayWhen } from './life';
import { Subscribe } from '../calendars';
import { houseTime } from '../server/house-zone';

const DAY_MS = 86_400_000;
/** So many days before today are drawn. */
const BEHIND = 45;
type Ahead = '30' | '90' | '365';
const AHEAD: readonly Choice<Ahead>[] = [
  { value: '30', label: 'a month' },
  { value: '90', label: 'three months' },
  { value: '365', label: 'a year' },
];
const MOST = 200;
const DATE = houseTime({ day: 'numeric', month: 'short' });
const WITH_YEAR = houseTime({ day: 'numeric', month: 'short', year: '2-digit' });
const TICK = houseTime({ month: 'short' });

/** Instruments that should come back soon, the earliest first, each with the days between which its strings are likely worn, and why. */
@Component({
  selector: 'peg-due-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Fact, MatButtonModule, MeasuredWidth, OneOf, PlaceHeader, RouterLink, Trouble, UnderWay, Subscribe],
  templateUrl: './due-list.html',
  styleUrl: './due-list.scss',
})
export class DueList {
  private readonly api = inject(Api);
  protected readonly AHEAD = AHEAD;
  protected readonly ahead = signal<Ahead>('90');
  protected readonly now = signal(Date.now());
  protected readonly width = signal(360);
  private readonly until = computed(() => new Date(this.now() + Number(this.ahead()) * DAY_MS).toISOString());
  protected readonly due = resource({
    params: () => ({ until: this.until() }),
    loader: ({ params }) => this.api.call('listDue', { query: { ...params, limit: MOST } }),
  });
  protected readonly trouble = computed(() => troubleOf(this.due));
  protected readonly subscribing = signal(false);
  protected readonly calendar = computed(() => `${ENDPOINTS.dueCalendar.path}?until=${encodeURIComponent(this.until())}`);

  protected readonly x = computed(() =>
    scaleTime([this.now() - BEHIND * DAY_MS, this.now() + Number(this.ahead()) * DAY_MS], [0, this.width()]).clamp(true),
  );
  protected readonly ticks = computed(() =>
    this.x()
      .ticks(5)
      .map((tick) => ({ x: this.x()(tick), label: this.ahead() === '30' ? DATE.format(tick) : TICK.format(tick) })),
  );
  protected readonly rows = computed(() =>
    this.due.hasValue()
      ? this.due
          .value()
          .entries.map((entry) => this.rowOf(entry))
          .sort((a, b) => a.due - b.due)
      : [],
  );
  protected readonly late = computed(() => this.rows().filter(({ late }) => late).length);
  protected readonly more = computed(() => this.due.hasValue() && this.due.value().next !== null);

  private rowOf({ instrument, due, contact, string, ageDays, hours, learnedFrom, findings, toldAt }: DueEntry) {
    const [at, low, high] = [due.likely, due.low, due.high].map((each) => Date.parse(each)) as [number, number, number];
    const sets = learnedFrom === 0 ? 'no set lived to its end yet' : `from ${learnedFrom} of its own ${learnedFrom === 1 ? 'set' : 'sets'}`;
    return {
      id: instrument.id,
      number: String(instrument.passport).padStart(4, '0'),
      name: instrument.name,
      set: instrument.currentSet ?? '',
      owner: instrument.ownerName ?? 'no owner',
      contact,
      told: toldAt === null ? '' : DATE.format(new Date(toldAt)),
      due: at,
      date: new Date(at).getFullYear() === new Date(this.now()).getFullYear() ? DATE.format(at) : WITH_YEAR.format(at),
      when: sayWhen(at, this.now()),
      late: at < this.now(),
      from: this.x()(low),
      to: this.x()(high),
      at: this.x()(at),
      says: `${DATE.format(low)} to ${DATE.format(high)}, 8 in 10`,
      why: `string ${string} first, ${ageDays.toFixed(0)} days on · ${hours === null ? 'hours never asked' : `${hours.weeklyHours} h a week`}, ${sets}`,
      found: findings.map(sayFinding).join('; '),
    };
  }

  protected again(): void {
    this.now.set(Date.now());
    this.due.reload();
  }
}
