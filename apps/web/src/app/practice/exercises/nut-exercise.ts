import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toMillimetres } from '@gold-peg/craft/units';
import { Measures, turnsToQuarter } from '../../preferences/measures';
import { ChoiceAnswers, type AnswerChoice } from '../choice-answers';
import { ExerciseFrame } from '../exercise-frame';
import { ExerciseWhy } from '../exercise-why';
import { PracticeRun } from '../practice-run';

const CHOICES: readonly AnswerChoice<boolean>[] = [
  { value: true, label: 'enough' },
  { value: false, label: 'not enough', detail: 'it would lift in its slot' },
];
const [NUT_X, NUT_Y] = [600, 60];
/** How far the string is drawn behind the nut. */
const REACH = 470;

/** Whether a string presses enough in its slot, by eye. */
@Component({
  selector: 'peg-nut-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceAnswers, ExerciseFrame, ExerciseWhy],
  template: `@if (shown(); as s) {
    <peg-exercise-frame [asks]="s.asks" [on]="s.on" [result]="result()">
      <svg class="picture" viewBox="0 0 790 230" role="img" [attr.aria-label]="s.says">
        <rect class="board" [attr.x]="NUT_X + 12" [attr.y]="NUT_Y + 3" width="190" height="14" />
        <rect class="bone" [attr.x]="NUT_X" [attr.y]="NUT_Y" width="12" height="40" />
        <line class="straight" [attr.x1]="NUT_X - 490" [attr.x2]="NUT_X" [attr.y1]="NUT_Y" [attr.y2]="NUT_Y" />
        <path class="string" [class.wound]="s.wound" [attr.d]="s.path" [attr.stroke-width]="3" />
        <rect class="post" [attr.x]="NUT_X - 500" [attr.y]="s.exit - 46" width="34" height="110" rx="4" />
        @for (turn of s.turns; track $index) {
          <line
            class="string"
            [class.wound]="s.wound"
            [attr.x1]="NUT_X - 504"
            [attr.x2]="NUT_X - 462"
            [attr.y1]="s.exit - 8 * turn"
            [attr.y2]="s.exit - 8 * turn + 4"
          />
        }
      </svg>
      <peg-choice-answers
        [choices]="CHOICES"
        [chosen]="chosen()"
        [right]="right()"
        (picked)="run.answer('nut-angle', { enough: $event })"
      />
    </peg-exercise-frame>
    <peg-exercise-why skill="nut-angle" [why]="why()" />
  }`,
  styleUrls: ['./exercise.scss', './picture.scss', './winding-exercise.scss'],
})
export class NutExerciseView {
  protected readonly run = inject(PracticeRun);
  private readonly measures = inject(Measures);
  protected readonly CHOICES = CHOICES;
  protected readonly NUT_X = NUT_X;
  protected readonly NUT_Y = NUT_Y;
  protected readonly shown = computed(() => {
    const e = this.run.exercise('nut-angle');
    if (e === null) return null;
    const exit = NUT_Y + REACH * Math.tan((e.degrees * Math.PI) / 180);
    return {
      asks: `This head wants ${e.wanted.toFixed(0)}° over the nut. Is this enough?`,
      on: `${e.name} · string ${e.index + 1}, ${this.measures.gauge(toMillimetres(e.string.gauge))} ${e.string.construction}, ${turnsToQuarter(e.turns)} turns on the post`,
      says: `A string from its post over the nut, from the side`,
      wound: e.string.construction === 'wound',
      exit,
      path: `M${NUT_X - REACH} ${exit} L${NUT_X} ${NUT_Y} H790`,
      turns: Array.from({ length: Math.floor(e.turns) }, (_, index) => index),
    };
  });
  protected readonly chosen = computed(() => this.run.answerOf('nut-angle')?.enough ?? null);
  protected readonly right = computed(() => (this.run.judged() === null ? null : (this.run.exercise('nut-angle')?.enough ?? null)));
  protected readonly result = computed(() => {
    const [judged, e] = [this.run.judged(), this.run.exercise('nut-angle')];
    return judged === null || e === null
      ? null
      : {
          value: `${e.degrees.toFixed(1)}°`,
          says: `${judged.good ? 'right' : 'wrong'}: it is ${e.enough ? 'enough' : 'not enough'}`,
          good: judged.good,
        };
  });
  protected readonly why = computed(() => {
    const e = this.run.exercise('nut-angle');
    if (e?.wound.nut == null || this.run.judged() === null)
      return 'A string that breaks over the nut by too little lifts when it is plucked hard; by too much it binds.';
    const down = this.measures.pull(e.wound.nut.downforce);
    const { turns } = e.plan.wind;
    return `It presses ${down.value} ${down.unit} into its slot. ${turnsToQuarter(e.turns)} turns give ${e.degrees.toFixed(1)}°; as planned, ${turnsToQuarter(turns)} turns.`;
  });
}
