import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, resource, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { methodChoices } from '@gold-peg/contract/methods';
import { invalidInput } from '@gold-peg/contract/problems';
import { houseSchema, type House } from '@gold-peg/contract/register';
import { BUILT_IN_TURNS, type LayeredChoices, type MethodChoices, type StringClass } from '@gold-peg/craft/methods';
import { dequal } from 'dequal';
import { degrees, Measures, say, turnsToQuarter } from '../preferences/measures';
import { Api } from '../server/api';
import { Keeper } from '../server/keeper';
import { troubleOf } from '../server/server-problem';
import { Session } from '../session/session';
import { OneOf, type Choice } from '../ui/one-of';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { CHOICE_KEYS, choiceRows, NUMBER_KEYS, numberRows, turnRows, wayIn, withWay, type WayRow } from '../ways';
import { effectsOf, side } from './effects';
import { exampleOf, EXAMPLES, tried } from './example';
import { HouseHand } from './house-hand';
import { PostPicture } from '../ui/post-picture';

/** A step of the buttons beside turns. */
const QUARTER = 0.25;
const FIRST = 'acoustic-parlour';

/** Whose ways are looked at. */
type Whose = 'house' | 'technician';

/** Ways of the house, and one's own where they differ: each may be tried, and what it does to an example stands beside it, before it is kept. */
@Component({
  selector: 'peg-house-ways',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [HouseHand, MatButtonModule, MatInputModule, MatSelectModule, OneOf, PostPicture, Trouble, UnderWay],
  templateUrl: './house-ways.html',
  styleUrl: './house-ways.scss',
})
export class HouseWays {
  private readonly api = inject(Api);
  private readonly measures = inject(Measures);
  private readonly session = inject(Session);

  protected readonly EXAMPLES = EXAMPLES;
  protected readonly read = resource({ loader: () => this.api.call('house', {}) });
  protected readonly trouble = computed(() => troubleOf(this.read));
  private readonly ofHouse = computed<MethodChoices | null>(() => (this.read.hasValue() ? this.read.value().methods : null));
  protected readonly WHOSE: readonly Choice<Whose>[] = [
    { value: 'house', label: 'of the house' },
    { value: 'technician', label: 'your own' },
  ];
  protected readonly whose = signal<Whose>('house');
  protected readonly own = computed(() => this.whose() === 'technician');
  protected readonly kept = computed<MethodChoices | null>(() =>
    this.own() && this.ofHouse() !== null ? this.session.preferences().methods : this.ofHouse(),
  );
  /** As it is kept until somebody tries another way; then as they have it. */
  protected readonly ways = linkedSignal<MethodChoices>(() => this.kept() ?? {});
  protected readonly exampleId = signal(EXAMPLES.some(({ id }) => id === FIRST) ? FIRST : (EXAMPLES[0]?.id ?? ''));
  protected readonly example = computed(() => exampleOf(this.exampleId()));
  protected readonly refused = signal<string | null>(null);
  protected readonly keeper = new Keeper<House>((current) => houseSchema.parse(current));
  protected readonly mayChange = computed(() => this.own() || this.session.person()?.role === 'owner');
  protected readonly trying = computed(() => !dequal(this.ways(), this.kept() ?? {}));

  private readonly before = computed(() => this.come(this.kept() ?? {}));
  private readonly after = computed(() => this.come(this.ways()));
  protected readonly effects = computed(() => {
    const [before, after] = [this.before(), this.after()];
    return before === null || after === null ? [] : effectsOf(before, after, this.measures);
  });
  protected readonly classes = computed(() => {
    const after = this.after();
    if (after === null) return [];
    const rows = turnRows(
      after.classes.map(({ stringClass }) => stringClass),
      this.layers(),
    );
    return after.classes.map(({ stringClass, gauges, plan, wound }, at) => ({
      stringClass,
      key: `turns ${stringClass}`,
      label: rows.find(({ key }) => key === `turns ${stringClass}`)?.label ?? stringClass,
      strings: side(after, at),
      gauges,
      wanted: this.wanted(stringClass),
      chosen: this.ways().turns?.[stringClass] !== undefined,
      changed: this.ways().turns?.[stringClass] !== this.kept()?.turns?.[stringClass],
      plan,
      slack: say(this.measures.length(plan.slack)),
      nut: plan.nut === null ? null : degrees(plan.nut.total),
      raised: plan.rule.kind === 'raised-for-angle' ? turnsToQuarter(plan.wind.turns) : null,
      wound,
    }));
  });
  protected readonly choices = computed<readonly WayRow[]>(() => choiceRows(CHOICE_KEYS, this.layers()).map((row) => this.under(row)));
  protected readonly numbers = computed<readonly WayRow[]>(() => numberRows(NUMBER_KEYS, this.layers()).map((row) => this.under(row)));

  protected readonly chosen = computed(
    () => [...this.choices(), ...this.numbers()].filter(({ layers }) => layers[this.whose()] !== null).length,
  );

  /** What is tried and was not kept is put back first. */
  protected look(whose: Whose): void {
    this.putBack();
    this.whose.set(whose);
  }

  protected step(stringClass: StringClass, by: 1 | -1): void {
    this.try(`turns ${stringClass}`, this.wanted(stringClass) + by * QUARTER);
  }

  /** What cannot be is said, and what was tried stays. */
  protected try(key: string, value: number | string | null): void {
    const ways = withWay(this.ways(), key, value);
    const read = methodChoices.safeParse(ways);
    this.refused.set(read.success ? null : invalidInput(read.error).detail);
    if (read.success) this.ways.set(tidy(ways));
  }

  protected typed(key: string, typed: string): void {
    this.try(key, typed.trim() === '' ? null : Number(typed.replace(',', '.')));
  }

  protected putBack(): void {
    this.ways.set(this.kept() ?? {});
    this.refused.set(null);
    this.keeper.forget();
  }

  protected changed(key: string): boolean {
    return wayIn(this.ways(), key) !== wayIn(this.kept() ?? {}, key);
  }

  protected async keep(): Promise<void> {
    if (this.own()) return this.session.prefer({ methods: this.ways() });
    if (!this.read.hasValue()) return;
    const [read, ways] = [this.read.value(), this.ways()];
    const kept = await this.keeper.keep({
      read,
      untouched: (now, before) => dequal(now.methods, before.methods),
      send: ({ version }) => this.api.call('changeHouse', { body: { version, methods: ways } }),
    });
    if (kept !== null) this.read.set(kept);
  }

  /** What somebody else kept meanwhile, and none of one's own. */
  protected takeTheirs(): void {
    const now = this.keeper.now();
    if (now !== null) this.read.set(now);
    this.putBack();
  }

  private wanted(stringClass: StringClass): number {
    return this.ways().turns?.[stringClass] ?? this.below().turns?.[stringClass] ?? BUILT_IN_TURNS[stringClass].turns;
  }

  private come(ways: MethodChoices) {
    const example = this.example();
    return example === null ? null : tried(example, this.layers(ways));
  }

  /** These ways in their place: one's own lie over those of the house. */
  private layers(ways = this.ways()): LayeredChoices {
    return this.own() ? { house: this.below(), technician: ways } : { house: ways };
  }

  /** What holds where one has no way of one's own. */
  private below(): MethodChoices {
    return this.own() ? (this.ofHouse() ?? {}) : {};
  }

  /** What stands where nothing is chosen: what the house has chosen, before what is usual. */
  private under(row: WayRow): WayRow {
    const below = wayIn(this.below(), row.key);
    return below === null ? row : { ...row, builtIn: row.choices?.find(({ value }) => value === below)?.words ?? below };
  }
}

/** Without groups in which nothing is left. */
function tidy(ways: MethodChoices): MethodChoices {
  return Object.fromEntries(
    Object.entries(ways).filter(([, value]) => typeof value !== 'object' || Object.keys(value as object).length > 0),
  ) as MethodChoices;
}
