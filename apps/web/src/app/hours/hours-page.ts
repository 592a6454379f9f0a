import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, resource, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { houseHours } from '@gold-peg/contract/day';
import { PERCENTILES, type Percentile } from '@gold-peg/craft/day';
import { FAMILIES, type Family } from '@gold-peg/craft/string-kinds';
import { map, startWith } from 'rxjs';
import { duration } from '../day';
import { issueFields } from '@gold-peg/contract/problems';
import { Api } from '../server/api';
import { sayProblem, troubleOf } from '../server/server-problem';
import { Session } from '../session/session';
import { Fact } from '../ui/fact';
import { OneOf, type Choice } from '../ui/one-of';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { DayChips } from './day-chips';
import { hoursForm, readHours } from './hours-form';
import { minutesOf } from './stretches';
import { WeekFields } from './week-fields';

/** As many zones are offered at a time. */
const MOST_ZONES = 12;

/** When the house is open, who is at the bench when and takes on what, and how it plans. */
@Component({
  selector: 'peg-hours-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    DayChips,
    Fact,
    MatAutocompleteModule,
    MatButtonModule,
    MatCheckboxModule,
    MatInputModule,
    MatSelectModule,
    OneOf,
    PlaceHeader,
    ReactiveFormsModule,
    Trouble,
    UnderWay,
    WeekFields,
  ],
  templateUrl: './hours-page.html',
  styleUrl: './hours-page.scss',
})
export class HoursPage {
  private readonly api = inject(Api);
  private readonly person = inject(Session).person;

  protected readonly FAMILIES = FAMILIES;
  protected readonly PERCENTILES: readonly Choice<Percentile>[] = PERCENTILES.map((value) => ({
    value,
    label: String(value),
    says: `${value} in 100`,
  }));
  protected readonly read = resource({ loader: () => this.api.call('day', {}) });
  protected readonly trouble = computed(() => troubleOf(this.read));
  private readonly day = computed(() => (this.read.hasValue() ? this.read.value() : null));
  /** Begun anew when the house says other hours; what is typed stands until then. */
  private readonly begun = linkedSignal(() => {
    const day = this.day();
    if (day === null) return null;
    const ids = day.people.map(({ id }) => id);
    return { form: hoursForm(day.hours, ids), before: day.hours };
  });
  protected readonly form = computed(() => this.begun()?.form ?? null);
  protected readonly names = computed(() => this.day()?.people.map(({ name }) => name) ?? []);
  protected readonly mayChange = computed(() => this.person()?.role === 'owner');
  protected readonly fault = signal<string | null>(null);
  protected readonly busy = signal(false);
  protected readonly kept = signal(false);
  protected readonly sub = computed(() => `${this.names().length} at the bench; promises and Today are planned within these hours`);

  private readonly typed = rxResource({
    params: () => this.begun() ?? undefined,
    stream: ({ params: { form, before } }) =>
      form.valueChanges.pipe(
        startWith(null),
        map(() => readHours(form, before)),
      ),
  });
  protected readonly total = computed(() => {
    if (!this.typed.hasValue()) return null;
    const { week, counterShare } = this.typed.value();
    if (!Number.isFinite(counterShare)) return null;
    return { open: duration(minutesOf(week)), planned: duration(minutesOf(week) * (1 - counterShare)) };
  });
  protected readonly zonesLike = computed(() => {
    const typed = this.typed.hasValue() ? this.typed.value().zone.toLowerCase() : '';
    return Intl.supportedValuesOf('timeZone')
      .filter((zone) => zone.toLowerCase().includes(typed))
      .slice(0, MOST_ZONES);
  });

  protected sayKinds = (kinds: readonly Family[]): string => (kinds.length === FAMILIES.length ? 'every kind' : kinds.join(', '));

  protected async keep(): Promise<void> {
    const [form, day] = [this.form(), this.day()];
    if (form === null || day === null) return;
    this.fault.set(null);
    this.kept.set(false);
    form.markAllAsTouched();
    if (form.invalid) return this.fault.set('Some hours cannot be: they say why.');
    const hours = houseHours.safeParse(readHours(form, day.hours));
    if (!hours.success)
      return this.fault.set(
        issueFields(hours.error)
          .map(({ path, says }) => `${sayField(path)} ${says}`)
          .join('; '),
      );
    this.busy.set(true);
    try {
      this.read.set(await this.api.call('changeHours', { body: { version: day.version, hours: hours.data } }));
      this.kept.set(true);
    } catch (error) {
      this.fault.set(sayProblem(error));
    } finally {
      this.busy.set(false);
    }
  }
}

const FIELDS: Readonly<Record<string, string>> = {
  counterShare: 'What is kept free for the counter',
  looksAgainHours: 'Steel is looked at once more',
  people: 'Who is at the bench',
  closed: 'Closed',
  week: 'The week',
  zone: 'Time zone',
};
const sayField = ([field]: readonly PropertyKey[]): string => FIELDS[String(field)] ?? String(field);
