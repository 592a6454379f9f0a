import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Direction } from '@gold-peg/craft/instrument';
import { toMillimetres } from '@gold-peg/craft/units';
import { degrees, Measures } from '../../preferences/measures';
import { ChoiceAnswers, type AnswerChoice } from '../choice-answers';
import { ExerciseFrame } from '../exercise-frame';
import { ExerciseWhy } from '../exercise-why';
import { PracticeRun } from '../practice-run';
import { rightOrWrong } from '../verdict';
import { layOutPost } from './winding-layout';

const CHOICES: readonly AnswerChoice<Direction>[] = [
  { value: 'anticlockwise', label: 'anticlockwise ↺' },
  { value: 'clockwise', label: 'clockwise ↻' },
];

/** Which way a post turns, seen from above. */
@Component({
  selector: 'peg-winding-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceAnswers, ExerciseFrame, ExerciseWhy],
  template: `@if (shown(); as s) {
    <peg-exercise-frame asks="Which way does this post turn to wind up?" [on]="s.on" [result]="result()">
      <svg class="picture" viewBox="0 0 790 250" role="img" [attr.aria-label]="s.says">
        <path class="wood" d="M30 40 H560 L640 70 V180 L560 210 H30 q-20 0 -20 -20 V60 q0 -20 20 -20 z" />
        <rect class="bone" x="640" y="62" width="12" height="126" />
        <rect class="board" x="652" y="70" width="138" height="110" />
        <line class="centre" x1="12" x2="790" y1="125" y2="125" />
        <text x="60" y="119">centre line</text>
        @if (s.drawn; as drawn) {
          <line class="string right" [attr.x1]="drawn.right.x" [attr.y1]="drawn.right.y" x2="646" [attr.y2]="s.slotY" />
          @if (drawn.yours; as yours) {
            <line class="string wrong" [attr.x1]="yours.x" [attr.y1]="yours.y" x2="646" [attr.y2]="s.slotY" />
          }
        }
        <line class="string" x1="646" x2="790" [attr.y1]="s.slotY" [attr.y2]="s.slotY" />
        <circle class="post" [attr.cx]="s.postX" [attr.cy]="s.postY" r="34" />
        <circle class="hole" [attr.cx]="s.postX" [attr.cy]="s.postY" r="7" />
        <text [attr.x]="s.postX" [attr.y]="s.postY + (s.postY > 125 ? 56 : -46)">string {{ s.number }}</text>
      </svg>
      <peg-choice-answers [choices]="CHOICES" [chosen]="chosen()" [right]="right()" (picked)="pick($event)" />
    </peg-exercise-frame>
    <peg-exercise-why skill="winding-side" [why]="why()" />
  }`,
  styleUrls: ['./exercise.scss', './picture.scss', './winding-exercise.scss'],
})
export class WindingExerciseView {
  private readonly run = inject(PracticeRun);
  private readonly measures = inject(Measures);
  protected readonly CHOICES = CHOICES;
  private readonly exercise = computed(() => this.run.exercise('winding-side'));
  protected readonly chosen = computed(() => this.run.answerOf('winding-side')?.direction ?? null);
  protected readonly right = computed(() => (this.run.judged() === null ? null : (this.exercise()?.plan.direction ?? null)));

  protected readonly shown = computed(() => {
    const exercise = this.exercise();
    const place = exercise?.instrument.strings[exercise.index];
    if (exercise === null || place === undefined) return null;
    const { instrument, index, string, name } = exercise;
    const laid = layOutPost(place, instrument.hand, this.right(), this.chosen());
    const hand = instrument.hand === 'left' ? ', strung for the left hand' : '';
    return {
      ...laid,
      number: index + 1,
      on: `${name}${hand} · ${this.measures.gauge(toMillimetres(string.gauge))}; seen from above, headstock to the left`,
      says: `Post of string ${index + 1}, ${laid.postY < 125 ? 'above' : 'below'} the centre line; the nut is at the right`,
    };
  });
  protected readonly result = computed(() => rightOrWrong(this.run.judged(), (good) => (good ? '' : `it turns ${this.right() ?? ''}`)));
  protected readonly why = computed(() => {
    const exercise = this.exercise();
    if (exercise === null || this.run.judged() === null)
      return 'The string leaves its post on one side: which one, and so which way, is asked.';
    const { plan } = exercise;
    const angles =
      plan.nut === null
        ? ''
        : ` It breaks sideways over the nut by ${degrees(plan.nut.lateral)}; wound the other way by ${degrees(plan.nut.otherWay)}.`;
    return `The string leaves the post on the side toward the centre line, so the post turns ${plan.direction}.${angles}`;
  });

  protected pick(direction: Direction): void {
    this.run.answer('winding-side', { direction });
  }
}
