import { ChangeDetectionStrategy, Component, computed, inject, signal, resource } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatDatepickerModule } from '@angular/material/datepicker';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import { EVENT_KINDS, logQuery, type LogLine, type LogQuery } from '@gold-peg/contract/bench-log';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import type { DateTime } from 'luxon';
import { debounceTime, filter } from 'rxjs';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import * as z from 'zod';
import { heldTo, SAYS } from '../form';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';
import { LUXON_DATES } from '../ui/luxon-dates';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { TYPING_MS } from './owner-search';
import { houseTime } from '../server/house-zone';

const PAGE = 100;
const WHEN = houseTime({ day: 'numeric', month: 'short', year: '2-digit', hour: '2-digit', minute: '2-digit' });
const KINDS = [...EVENT_KINDS].sort();
const named = (kind: string): string => kind.replaceAll('-', ' ');

/** The whole log, by instrument, kind and day; and the same as a file. */
@Component({
  selector: 'peg-log-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButtonModule,
    MatDatepickerModule,
    MatInputModule,
    MatSelectModule,
    PlaceHeader,
    ReactiveFormsModule,
    RouterLink,
    Trouble,
    UnderWay,
  ],
  providers: [LUXON_DATES],
  templateUrl: './log-page.html',
  styleUrl: './log-page.scss',
})
export class LogPage {
  private readonly api = inject(Api);
  protected readonly KINDS = KINDS;
  protected readonly named = named;
  protected readonly form = new FormGroup({
    passport: new FormControl('', { nonNullable: true, validators: heldTo(asTyped(logQuery.shape.passport)) }),
    kind: new FormControl('', { nonNullable: true }),
    person: new FormControl('', { nonNullable: true }),
    from: new FormControl<DateTime | null>(null),
    to: new FormControl<DateTime | null>(null),
  });
  private readonly asked = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  private readonly names = resource({ loader: () => this.api.call('listNames', {}) });
  protected readonly people = computed(() => (this.names.hasValue() ? this.names.value() : []));
  protected readonly lines = signal<readonly LogLine[] | null>(null);
  protected readonly next = signal<number | null>(null);
  protected readonly trouble = signal<string | null>(null);

  /** What keeps the log from being read, in a sentence. */
  protected readonly fault = computed(() => {
    const { from, to } = this.asked();
    const { passport, ...days } = this.form.controls;
    if (passport.invalid) return `Passport ${passport.getError(SAYS)}.`;
    for (const name of ['from', 'to'] as const) {
      if (days[name].invalid) return `The day ${name === 'from' ? 'from' : 'up to'} which it is read must be such as 28/11/2026.`;
    }
    return from && to && to < from ? 'The last day must not lie before the first.' : null;
  });

  /** Days as they begin and end in the house. */
  private readonly filter = computed<LogQuery>(() => {
    const { passport = '', kind = '', person = '', from, to } = this.asked();
    return {
      ...(passport.trim() !== '' && { passport: Number(passport) }),
      ...(kind !== '' && { kind }),
      ...(person !== '' && { person }),
      ...(from && { from: from.startOf('day').toJSDate().toISOString() }),
      ...(to && { to: to.plus({ days: 1 }).startOf('day').toJSDate().toISOString() }),
    };
  });
  private readonly query = computed(() => new URLSearchParams(Object.entries(this.filter()).map(([name, value]) => [name, String(value)])));
  protected readonly csv = computed(() => `${ENDPOINTS.logCsv.path}?${this.query()}`);
  protected readonly json = computed(() => `${ENDPOINTS.logJson.path}?${this.query()}`);
  protected readonly rows = computed(() =>
    (this.lines() ?? []).map((line) => ({
      ...line,
      when: WHEN.format(new Date(line.storedAt)),
      number: String(line.passport).padStart(4, '0'),
      what: `${named(line.kind)}${line.string === null ? '' : `, string ${line.string}`}`,
      says: sayPayload(line.payload),
    })),
  );

  constructor() {
    toObservable(this.filter)
      .pipe(
        debounceTime(TYPING_MS),
        filter(() => this.fault() === null),
        takeUntilDestroyed(),
      )
      .subscribe(() => void this.read());
  }

  protected async read(before?: number): Promise<void> {
    const filter = this.filter();
    this.trouble.set(null);
    try {
      const page = await this.api.call('readLog', { query: { ...filter, limit: PAGE, ...(before === undefined ? {} : { before }) } });
      // somebody asked for others meanwhile
      if (filter !== this.filter()) return;
      this.lines.set(before === undefined ? page.lines : [...(this.lines() ?? []), ...page.lines]);
      this.next.set(page.next);
    } catch (error) {
      this.trouble.set(sayProblem(error));
    }
  }
}

/** What is typed into a field, where nothing typed asks for none. */
function asTyped(schema: z.ZodType): z.ZodType {
  return z.preprocess((typed) => (String(typed).trim() === '' ? undefined : typed), schema);
}

/** The plain values of what was taken down. */
function sayPayload(payload: LogLine['payload']): string {
  return Object.entries(payload)
    .flatMap(([name, value]) => (typeof value === 'object' || value === '' ? [] : [`${name} ${String(value)}`]))
    .join(', ');
}
