import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatRadioModule } from '@angular/material/radio';
import { MatSelectModule } from '@angular/material/select';
import { MatTooltipModule } from '@angular/material/tooltip';
import { archetype } from '@gold-peg/craft/archetypes';
import { debounceTime, EMPTY, Subject, switchMap, takeUntil, tap } from 'rxjs';
import { Measures } from '../preferences/measures';
import { NECK_CHOICES } from '../ui/neck-choices';
import { Shelf } from '../shelf/shelf';
import { answerRow, sayNoAnswer, type AnswerRow } from './answer-rows';
import { GaugeSolver, type SolverNews } from './gauge-solver';
import { firstWish, questionOf, type Bench, type WishForm } from './wish-form';
import { OneOf } from '../ui/one-of';
import { NumberField } from '../ui/number-field';

export interface FinderData {
  title: string;
  bench: Bench;
}

/** Typing settles before the solver is asked again. */
const TYPING_MS = 120;
/** Pulls that strings bear, N. */
const PULL_RANGE = { least: 5, most: 400 };
const WEIGHTS = [
  { value: 0, label: 'free', says: 'left free' },
  { value: 1, label: '1×', says: 'once' },
  { value: 2, label: '2×', says: 'twice' },
  { value: 3, label: '3×', says: 'thrice' },
];
const KINDS = (['either', 'smooth', 'wound'] as const).map((value) => ({ value, label: value }));
type Kind = (typeof KINDS)[number]['value'];

/** Asks for what the strings should do, and shows the best few choices with what each misses. */
@Component({
  selector: 'peg-gauge-finder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButtonModule,
    MatCheckboxModule,
    MatDialogModule,
    MatInputModule,
    MatProgressBarModule,
    MatRadioModule,
    MatSelectModule,
    MatTooltipModule,
    NumberField,
    OneOf,
  ],
  templateUrl: './gauge-finder.html',
  styleUrl: './gauge-finder.scss',
})
export class GaugeFinder {
  protected readonly data = inject<FinderData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<GaugeFinder, AnswerRow>>(MatDialogRef);
  private readonly solver = inject(GaugeSolver);
  private readonly measures = inject(Measures);
  private readonly shelf = inject(Shelf);
  private readonly stopped = new Subject<void>();

  protected readonly KINDS = KINDS;
  protected readonly WEIGHTS = WEIGHTS;
  /** A select shows no choice for null. */
  protected readonly OLD = 'old';
  protected readonly ANY = 'any';
  protected readonly necks = NECK_CHOICES.filter(({ strings }) => strings === this.data.bench.strung.seats.length);
  protected readonly form = signal<WishForm>(firstWish(this.data.bench));
  /** The form that the answers shown were asked with: they are not taken for another. */
  private readonly answered = signal<WishForm | null>(null);
  protected readonly stale = computed(() => this.answered() !== this.form());
  protected readonly running = signal(false);
  protected readonly progress = signal(0);
  protected readonly answers = signal<readonly AnswerRow[]>([]);
  protected readonly noAnswer = signal<string | null>(null);
  protected readonly took = signal('');
  private began = 0;

  protected readonly unit = computed(() => this.measures.units().pull);
  protected readonly pull = computed(() => this.shown(this.form().pullN));
  protected readonly total = computed(() => this.shown(this.form().totalN));
  protected readonly feelSets = computed(() => {
    const sketch = archetype(this.form().feelNeck ?? '')?.sketch;
    return this.data.bench.sets.filter(({ family, strings }) => family === sketch?.family && strings.length === sketch.notes.length);
  });
  /** What is wrong with a number that was typed. */
  protected readonly fault = computed(() => {
    const { kind, pullN, totalN } = this.form();
    const count = this.data.bench.strung.seats.length;
    if (kind === 'equal-pull' && pullN !== null && !within(pullN, 1)) return this.sayRange('The pull of each string', 1);
    if (kind === 'total' && !within(totalN, count)) return this.sayRange('The total', count);
    if (kind === 'feel' && this.form().feelNeck !== null && this.form().feelSet === null) return 'Pick the set that they should feel like.';
    return null;
  });

  constructor() {
    toObservable(this.form)
      .pipe(
        debounceTime(TYPING_MS),
        switchMap((form) => {
          const asked = this.fault() === null ? questionOf(form, this.data.bench) : null;
          this.running.set(asked !== null);
          this.progress.set(0);
          this.began = performance.now();
          if (asked === null) return EMPTY;
          return this.solver.solve(asked).pipe(
            takeUntil(this.stopped),
            tap((news) => this.hear(news, form)),
          );
        }),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  private hear(news: SolverNews, form: WishForm): void {
    if (news.kind === 'progress') return this.progress.set(news.share);
    this.running.set(false);
    this.answered.set(form);
    if (news.kind === 'failed')
      return this.noAnswer.set('The solver stopped unexpectedly. Nothing is lost: change something, and it begins anew.');
    const { outcome } = news;
    this.took.set(`solved in ${Math.round(performance.now() - this.began)} ms over ${this.data.bench.strings.length} strings`);
    this.noAnswer.set(outcome.ok ? null : sayNoAnswer(outcome.problem, this.data.bench.strung.seats));
    this.answers.set(outcome.ok ? outcome.value.map((answer) => answerRow(answer, this.shelf.proposal(answer.set, answer.strings))) : []);
  }

  protected cancel(): void {
    this.stopped.next();
    this.running.set(false);
    this.took.set('cancelled: change something, and it begins anew');
  }

  protected change(part: Partial<WishForm>): void {
    this.form.update((form) => ({ ...form, ...part }));
  }

  protected changeNeck(neck: string): void {
    this.change({ feelNeck: neck === this.OLD ? null : neck });
    this.change({ feelSet: this.feelSets()[0]?.id ?? null });
  }

  protected changePull(value: number | null): void {
    this.change({ pullN: value === null ? null : this.newtonsOf(value) });
  }

  protected changeTotal(value: number | null): void {
    this.change({ totalN: value === null ? Number.NaN : this.newtonsOf(value) });
  }

  protected mayBe(index: number, picked: Kind): void {
    this.change({ kinds: this.form().kinds.map((kind, at) => (at === index ? picked : kind)) });
  }

  protected counts(index: number, picked: number): void {
    this.change({ weights: this.form().weights.map((weight, at) => (at === index ? picked : weight)) });
  }

  protected take(row: AnswerRow): void {
    this.dialog.close(row);
  }

  private shown(pull: number | null): number | null {
    return pull === null || Number.isNaN(pull) ? null : Number(this.measures.pullNumber(pull as never).toFixed(1));
  }

  /** From the unit of the person at the bench. */
  private newtonsOf(value: number): number {
    return value / this.measures.pullNumber(1 as never);
  }

  private sayRange(what: string, count: number): string {
    const [least, most] = [PULL_RANGE.least, PULL_RANGE.most].map((each) => this.measures.pull((each * count) as never));
    return `${what} must lie between ${least?.value ?? ''} and ${most?.value ?? ''} ${most?.unit ?? ''}: strings of these instruments pull no less and no more.`;
  }
}

const within = (value: number, count: number) => value >= PULL_RANGE.least * count && value <= PULL_RANGE.most * count;
