import { ChangeDetectionStrategy, Component, computed, effect, inject, linkedSignal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MOST_MOVES } from '@gold-peg/contract/practice';
import { bridgeAfter, type BridgeMove } from '@gold-peg/craft/exercises';
import { HOLDS } from '@gold-peg/craft/methods';
import { toDegrees } from '@gold-peg/craft/units';
import { LaneBadge } from '../../ui/lane-badge';
import { splitNote } from '../../ui/string-face';
import { ErrorsChart } from '../errors-chart';
import { ExerciseFrame } from '../exercise-frame';
import { PracticeRun } from '../practice-run';

/** Arrows set where a string is tuned to by so much; the claw goes by eighths of a turn. */
const CENTS_KEY = 1;
const EIGHTH = 1 / 8;
/** The bridge is drawn tipped by so many times what it is. */
const STEEPER = 6;

/** A floating bridge brought home in the fewest moves: strings set where they have to sound now to be right in the end, and the claw. */
@Component({
  selector: 'peg-balance-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ErrorsChart, ExerciseFrame, LaneBadge, MatButtonModule],
  templateUrl: './balance-exercise.html',
  styleUrls: ['./exercise.scss', './balance-exercise.scss'],
  host: { '(document:keydown)': 'press($event)' },
})
export class BalanceExerciseView {
  protected readonly run = inject(PracticeRun);
  protected readonly exercise = computed(() => this.run.exercise('balance'));
  /** What was done so far; begins anew with each exercise. */
  protected readonly moves = linkedSignal<unknown, readonly BridgeMove[]>({ source: this.exercise, computation: () => [] });
  protected readonly inHand = linkedSignal<unknown, number>({ source: this.exercise, computation: () => 0 });
  /** Where the string in hand is to sound now, ¢ from its note. */
  protected readonly aims = linkedSignal<unknown, number>({
    source: () => [this.exercise(), this.inHand(), this.moves()],
    computation: () => 0,
  });

  protected readonly stands = computed(() => {
    const exercise = this.exercise();
    return exercise === null ? null : bridgeAfter(exercise, this.moves());
  });
  protected readonly rows = computed(() => {
    const [exercise, stands] = [this.exercise(), this.stands()];
    if (exercise === null || stands === null) return [];
    return exercise.instrument.strings.map(({ note }, index) => {
      const off = stands.off[index] ?? 0;
      return {
        ...splitNote(note),
        number: index + 1,
        off: signed(off, 1),
        near: Math.abs(off) <= HOLDS.cents,
        here: index === this.inHand(),
      };
    });
  });
  protected readonly tilt = computed(() => {
    const degrees = toDegrees(this.stands()?.angle ?? (0 as never));
    return {
      drawn: -STEEPER * degrees,
      says: `${signed(degrees, 1)}°`,
      where: degrees > 0.05 ? 'tips forward' : degrees < -0.05 ? 'tips back' : 'level',
    };
  });
  protected readonly done = computed(() => this.run.judged() !== null);
  protected readonly result = computed(() => {
    const [judged, exercise, stands] = [this.run.judged(), this.exercise(), this.stands()];
    if (judged === null || exercise === null || stands === null) return null;
    const answered = this.run.answerOf('balance')?.moves.length ?? 0;
    const home = stands.home ? '' : ', and it is not home';
    return {
      value: String(answered),
      says: `${answered === 1 ? 'move' : 'moves'}; by marks it takes ${exercise.best}${home}`,
      good: judged.good,
    };
  });
  protected readonly why = computed(() =>
    this.done()
      ? 'Each string that is tuned up tips the bridge forward and lowers all others: tuned to its note one after the other they never come home. Set high by what the others will still take, each is set once. The claw first, where the bridge does not lie level with all in tune.'
      : 'A string drawn up lowers all others; the claw in draws all up. Set a string to where it has to sound now, to be right once the others are done.',
  );
  protected readonly signed = signed;

  constructor() {
    effect(() => {
      if (this.exercise() !== null && this.moves().length > 0)
        untracked(() => this.run.hold('balance', () => ({ moves: [...this.moves()] })));
    });
  }

  protected aim(by: number): void {
    this.aims.update((aims) => Math.max(-200, Math.min(200, aims + by)));
  }

  protected tune(): void {
    this.do({ kind: 'tune', string: this.inHand(), cents: this.aims() });
  }

  protected claw(turns: number): void {
    this.do({ kind: 'claw', turns });
  }

  protected back(): void {
    if (!this.done()) this.moves.update((moves) => moves.slice(0, -1));
  }

  /** A claw that is turned on is one move. */
  private do(move: BridgeMove): void {
    if (this.done()) return;
    this.moves.update((moves) => {
      const last = moves.at(-1);
      if (move.kind === 'claw' && last?.kind === 'claw') return [...moves.slice(0, -1), { ...move, turns: last.turns + move.turns }];
      return moves.length < MOST_MOVES ? [...moves, move] : moves;
    });
  }

  protected press(event: KeyboardEvent): void {
    if (this.exercise() === null || event.ctrlKey || event.metaKey || event.altKey) return;
    if ((event.target as Element | null)?.closest('input, [role=option], [role=listbox]') != null) return;
    const digit = Number(event.key);
    const keys: Readonly<Record<string, () => void>> = {
      ArrowUp: () => this.aim(CENTS_KEY),
      ArrowRight: () => this.aim(CENTS_KEY),
      ArrowDown: () => this.aim(-CENTS_KEY),
      ArrowLeft: () => this.aim(-CENTS_KEY),
      PageUp: () => this.aim(10 * CENTS_KEY),
      PageDown: () => this.aim(-10 * CENTS_KEY),
      t: () => this.tune(),
      i: () => this.claw(EIGHTH),
      o: () => this.claw(-EIGHTH),
      Backspace: () => this.back(),
    };
    const does = digit >= 1 && digit <= this.rows().length ? () => this.inHand.set(digit - 1) : keys[event.key];
    if (does === undefined) return;
    event.preventDefault();
    does();
  }
}

function signed(value: number, digits: number): string {
  const size = Math.abs(value).toFixed(digits);
  return `${Number(size) === 0 ? '' : value < 0 ? '−' : '+'}${size}`;
}
