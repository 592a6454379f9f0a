import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { judgeRounds } from '@gold-peg/craft/settle';
import { cents, toMillimetres } from '@gold-peg/craft/units';
import { scaleLinear } from 'd3';
import { Measures } from '../../preferences/measures';
import { ChoiceAnswers, type AnswerChoice } from '../choice-answers';
import { ExerciseFrame } from '../exercise-frame';
import { ExerciseWhy } from '../exercise-why';
import { PracticeRun } from '../practice-run';
import { rightOrWrong } from '../verdict';

const CHOICES: readonly AnswerChoice<boolean>[] = [
  { value: false, label: 'it stretches', detail: 'go on, it settles' },
  { value: true, label: 'it slips', detail: 'look at anchor and post' },
];
/** A round that costs no more than this is good enough. */
const TOLERANCE = cents(2);

/** Whether a string settles or gives way somewhere, from three rounds. */
@Component({
  selector: 'peg-slip-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceAnswers, ExerciseFrame, ExerciseWhy],
  template: `@if (shown(); as s) {
    <peg-exercise-frame asks="Does it stretch, or does it slip?" [on]="s.on" [result]="result()">
      <svg class="picture" viewBox="0 0 790 190" role="img" [attr.aria-label]="s.says">
        @for (bar of s.bars; track bar.x) {
          <rect class="bar" [attr.x]="bar.x" [attr.y]="bar.y" width="110" [attr.height]="160 - bar.y" />
          <text class="here" [attr.x]="bar.x + 55" [attr.y]="bar.y - 8">{{ bar.lost }} ¢</text>
          <text [attr.x]="bar.x + 55" y="180">round {{ bar.round }}</text>
        }
        <line class="rule" x1="60" x2="730" y1="160" y2="160" />
      </svg>
      <peg-choice-answers
        [choices]="CHOICES"
        [chosen]="chosen()"
        [right]="right()"
        (picked)="run.answer('stretch-or-slip', { slips: $event })"
      />
    </peg-exercise-frame>
    <peg-exercise-why skill="stretch-or-slip" [why]="why()" />
  }`,
  styleUrls: ['./exercise.scss', './picture.scss', './slip-exercise.scss'],
})
export class SlipExerciseView {
  protected readonly run = inject(PracticeRun);
  private readonly measures = inject(Measures);
  protected readonly CHOICES = CHOICES;
  protected readonly shown = computed(() => {
    const e = this.run.exercise('stretch-or-slip');
    if (e === null) return null;
    const y = scaleLinear([0, Math.max(...e.drops, 1)], [160, 34]);
    return {
      on: `${e.name} · string ${e.index + 1}, ${this.measures.gauge(toMillimetres(e.string.gauge))} ${e.string.construction}; stretched by hand and tuned back, three times`,
      says: `Lost ${e.drops.map((drop) => drop.toFixed(1)).join(', then ')} cents`,
      bars: e.drops.map((drop, index) => ({ x: 130 + 200 * index, y: y(Math.max(0, drop)), lost: drop.toFixed(1), round: index + 1 })),
    };
  });
  protected readonly chosen = computed(() => this.run.answerOf('stretch-or-slip')?.slips ?? null);
  protected readonly right = computed(() => (this.run.judged() === null ? null : (this.run.exercise('stretch-or-slip')?.slips ?? null)));
  protected readonly result = computed(() => rightOrWrong(this.run.judged(), () => (this.right() === true ? 'it slips' : 'it stretches')));
  protected readonly why = computed(() => {
    const e = this.run.exercise('stretch-or-slip');
    if (e === null || this.run.judged() === null)
      return 'A string that stretches loses less from round to round; one that gives way at anchor or post loses much the same every time.';
    const { slipProbability } = judgeRounds({ drops: e.drops, tolerance: TOLERANCE });
    const odds = `From these three rounds Settle would say ${Math.round(100 * slipProbability)} in 100 for a slip.`;
    return e.slips
      ? `Its hold gives way under the hand, so it loses much the same again each time. ${odds}`
      : `Each round costs a share of the one before: it settles. ${odds}`;
  });
}
