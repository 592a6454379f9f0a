import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { toInstrument } from '@gold-peg/contract/register';
import { compareOn } from '@gold-peg/craft/gauges';
import { archetype } from '@gold-peg/craft/archetypes';
import { nameSet, setsFor, type StringSet } from '@gold-peg/craft/strings';
import { nameStrung, rescale, retuneSeats, strungKind, strungOf, tuningsFor, type Strung, type Tuned } from '@gold-peg/craft/tuning';
import { toMillimetres, type Newtons } from '@gold-peg/craft/units';
import { CompareLanes, consequencesOf, signed } from '../../compare';
import { NeckPick } from '../../neck';
import { Measures, say } from '../../preferences/measures';
import { Api } from '../../server/api';
import { sayProblem } from '../../server/server-problem';
import { Shelf } from '../../shelf/shelf';
import { BenchDialogs, stringingOf } from '../../solver';
import { NECK_CHOICES } from '../../ui/neck-choices';
import { StringTable } from '../../string-table/string-table';
import type { TuningData } from '../../tuning';
import { Trouble } from '../../ui/trouble';
import { acrossChart, CHART_BOX, pitchChart } from './pull-charts';

const FIRST_NECK = 'electric-in-line';

/** The gauge workbench: any two sets on any neck, what follows, and the solver beside them. */
@Component({
  selector: 'peg-workbench',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CompareLanes, MatButtonModule, MatExpansionModule, MatFormFieldModule, MatSelectModule, NeckPick, Trouble],
  templateUrl: './workbench.html',
  styleUrl: './workbench.scss',
})
export class Workbench {
  private readonly api = inject(Api);
  private readonly dialogs = inject(BenchDialogs);
  private readonly measures = inject(Measures);
  private readonly shelf = inject(Shelf);
  private readonly table = inject(StringTable);

  protected readonly NONE = 'none';
  protected readonly necks = NECK_CHOICES;
  protected readonly box = CHART_BOX;

  protected readonly neckId = signal(FIRST_NECK);
  private readonly bare = signal<Strung>(strungKind(FIRST_NECK));
  private readonly tuned = signal<Tuned | null>(null);
  protected readonly firstId = signal<string | null>('electric-nickel-9-11-16-24w-32w-42w');
  protected readonly secondId = signal<string | null>('electric-nickel-10-13-17-26w-36w-46w');
  protected readonly thirdId = signal<string | null>(null);
  private readonly found = signal<StringSet | null>(null);
  protected readonly lane = signal(0);
  protected readonly trouble = signal<string | null>(null);

  protected readonly strung = computed(() => {
    const tuned = this.tuned();
    return tuned === null ? this.bare() : retuneSeats(this.bare(), tuned);
  });
  protected readonly choices = computed(() => {
    const { family, seats } = this.bare();
    const found = this.found();
    return [...(found === null ? [] : [found]), ...setsFor(family, seats.length, this.table.sets())];
  });
  protected readonly first = computed(() => this.choices().find(({ id }) => id === this.firstId()) ?? null);
  protected readonly second = computed(() => this.choices().find(({ id }) => id === this.secondId()) ?? this.choices()[0] ?? null);
  private readonly third = computed(() => this.choices().find(({ id }) => id === this.thirdId()) ?? null);

  protected readonly comparison = computed(() => {
    const after = this.stringing(this.second());
    return after === null ? null : compareOn(after, this.stringing(this.first()));
  });
  protected readonly tuning = computed(() => {
    const strung = this.strung();
    const { seats, a4 } = strung;
    const scales = [
      ...new Set([seats[0], seats.at(-1)].map((seat) => (seat === undefined ? '' : toMillimetres(seat.speakingLength).toFixed(0)))),
    ];
    return `${nameStrung(strung)}, ${scales.join('–')} mm, A = ${a4} Hz`;
  });
  protected readonly unit = computed(() => this.measures.units().pull);
  protected readonly totals = computed(() => {
    const comparison = this.comparison();
    if (comparison === null) return null;
    const { change, total } = comparison;
    return {
      before: change === null ? null : say(this.measures.pull(change.total.before)),
      after: say(this.measures.pull(total)),
      change: change === null ? '' : signed(change.total.percent, 1, ' %'),
    };
  });
  protected readonly follows = computed(() => {
    const comparison = this.comparison();
    return comparison === null
      ? []
      : consequencesOf(this.strung(), comparison, (length, digits) => say(this.measures.length(length, digits)));
  });
  protected readonly standing = computed(() => {
    const set = this.second();
    return set === null ? null : this.shelf.proposal(set === this.found() ? null : set, set.strings);
  });
  protected readonly across = computed(() => {
    const sets = [this.first(), this.second(), this.third()].flatMap((set) => {
      const stringing = this.stringing(set);
      if (set === null || stringing === null) return [];
      return { name: set.name, pulls: compareOn(stringing, null).strings.map(({ after }) => after.load.pull) };
    });
    return sets.length === 0 ? null : acrossChart(sets, this.number);
  });
  protected readonly acrossWords = computed(() =>
    (this.across()?.lines ?? []).map(({ name, points }) => `${name}: ${points.map(({ value }) => value).join(', ')}`).join('; '),
  );
  protected readonly pitch = computed(() => {
    const row = this.comparison()?.strings[this.lane()];
    return row === undefined ? null : pitchChart(row, this.strung().a4, this.number, this.unit());
  });

  private readonly number = (pull: Newtons) => this.measures.pullNumber(pull);

  private stringing(set: StringSet | null) {
    return set === null ? null : stringingOf(this.strung(), set.strings);
  }

  protected lineOf({ lineId }: StringSet): string {
    return this.table.lineNames().get(lineId ?? '') ?? '';
  }

  protected async pickNeck(id: string): Promise<void> {
    this.neckId.set(id);
    this.trouble.set(null);
    const [first, second] = [this.firstId(), this.secondId()];
    try {
      const passport = archetype(id) !== undefined ? null : await this.api.call('passport', { params: { id } });
      if (this.neckId() !== id) return; // another was picked meanwhile
      this.tuned.set(null);
      this.found.set(null);
      this.lane.set(0);
      this.bare.set(passport === null ? strungKind(id) : strungOf(toInstrument(passport.geometry)));
      const choices = this.choices();
      const on = choices.find(({ name }) => name === passport?.current?.setName) ?? choices[0];
      // a set that was chosen meanwhile stays
      if (this.firstId() === first) this.firstId.set(on?.id ?? null);
      if (this.secondId() === second) this.secondId.set((choices.find((set) => set !== on) ?? on)?.id ?? null);
    } catch (error) {
      if (this.neckId() === id) this.trouble.set(sayProblem(error));
    }
  }

  protected tune(): void {
    const strung = this.strung();
    const data: TuningData = {
      title: 'this neck',
      strung,
      tuned: this.tuned() ?? { a4: strung.a4, notes: strung.seats.map(({ note }) => ({ note, frequency: null })) },
      strings: this.stringing(this.second())?.strings ?? null,
      tunings: tuningsFor(strung.family, strung.seats.length, this.table.tunings()),
      scales: true,
    };
    this.dialogs.tune(data).subscribe((neck) => {
      if (neck === undefined) return;
      this.tuned.set(neck.tuned);
      this.bare.set(rescale(this.bare(), neck.scales));
    });
  }

  protected find(): void {
    const strung = this.strung();
    const old = this.stringing(this.first());
    const bench = { strung, old, strings: this.table.strings(), sets: this.table.sets(), shelf: this.shelf.free() };
    this.dialogs.find({ title: 'this neck', bench }).subscribe((row) => {
      if (row === undefined) return;
      const { set, singles, strings } = row.answer;
      if (set !== null && singles === 0) return this.secondId.set(set.id);
      this.found.set({ id: 'found', lineId: null, name: nameSet(strings), family: strung.family, strings });
      this.secondId.set('found');
    });
  }
}
