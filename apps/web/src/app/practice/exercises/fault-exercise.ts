import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Fault } from '@gold-peg/craft/skills';
import { toMillimetres } from '@gold-peg/craft/units';
import { degrees, Measures, turnsToQuarter } from '../../preferences/measures';
import { ChoiceAnswers, type AnswerChoice } from '../choice-answers';
import { ExerciseFrame } from '../exercise-frame';
import { ExerciseWhy } from '../exercise-why';
import { PracticeRun } from '../practice-run';
import { rightOrWrong } from '../verdict';
import { layOutFault } from './fault-layout';

const CHOICES: readonly AnswerChoice<Fault>[] = [
  { value: 'crossing', label: 'one turn crosses another' },
  { value: 'few', label: 'too few turns to hold' },
  { value: 'short-tail', label: 'the tail is too short' },
  { value: 'upward', label: 'wound upward' },
  { value: 'none', label: 'nothing is wrong' },
];

/** What is wrong with a string on its post, if anything is. */
@Component({
  selector: 'peg-fault-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceAnswers, ExerciseFrame, ExerciseWhy],
  template: `@if (shown(); as s) {
    <peg-exercise-frame asks="What is wrong here?" [on]="s.on" [result]="result()">
      <svg class="picture" viewBox="0 0 790 190" role="img" [attr.aria-label]="s.says" [class.wound]="s.wound">
        <rect class="wood" x="120" y="168" width="660" height="18" />
        <rect class="post" [attr.x]="s.picture.left" y="14" [attr.width]="s.picture.width" height="156" rx="4" />
        <ellipse class="hole" [attr.cx]="s.picture.left + s.picture.width / 2" [attr.cy]="s.picture.holeY" rx="8" ry="8" />
        @if (s.picture.tail; as tail) {
          <line
            class="string"
            [attr.x1]="tail.x1"
            [attr.y1]="tail.y1"
            [attr.x2]="tail.x2"
            [attr.y2]="tail.y2"
            [attr.stroke-width]="s.picture.thick"
          />
        }
        @for (turn of s.picture.turns; track turn.y1) {
          <line
            class="string"
            [attr.x1]="turn.x1"
            [attr.y1]="turn.y1"
            [attr.x2]="turn.x2"
            [attr.y2]="turn.y2"
            [attr.stroke-width]="s.picture.thick"
          />
        }
        @if (s.picture.crossing; as turn) {
          <line
            class="string"
            [attr.x1]="turn.x1"
            [attr.y1]="turn.y1"
            [attr.x2]="turn.x2"
            [attr.y2]="turn.y2"
            [attr.stroke-width]="s.picture.thick"
          />
        }
        <line
          class="string"
          [attr.x1]="s.picture.leaves.x1"
          [attr.y1]="s.picture.leaves.y1"
          [attr.x2]="s.picture.leaves.x2"
          [attr.y2]="s.picture.leaves.y2"
          [attr.stroke-width]="s.picture.thick"
        />
        <text x="760" y="160">to the nut</text>
      </svg>
      <peg-choice-answers [choices]="CHOICES" [chosen]="chosen()" [right]="right()" (picked)="run.answer('fault', { fault: $event })" />
    </peg-exercise-frame>
    <peg-exercise-why skill="fault" [why]="why()" />
  }`,
  styleUrls: ['./exercise.scss', './picture.scss', './fault-exercise.scss'],
})
export class FaultExerciseView {
  protected readonly run = inject(PracticeRun);
  private readonly measures = inject(Measures);
  protected readonly CHOICES = CHOICES;
  private readonly exercise = computed(() => this.run.exercise('fault'));
  protected readonly chosen = computed(() => this.run.answerOf('fault')?.fault ?? null);
  protected readonly right = computed(() => (this.run.judged() === null ? null : (this.exercise()?.truth ?? null)));
  protected readonly result = computed(() => rightOrWrong(this.run.judged(), () => ''));

  protected readonly shown = computed(() => {
    const e = this.exercise();
    if (e === null) return null;
    const { picture, ...rest } = { picture: layOutFault(e), wound: e.string.construction === 'wound' };
    const drawn = [
      `${picture.turns.length + (picture.crossing === null ? 0 : 1)} turns ${e.truth === 'upward' ? 'above' : 'below'} the hole`,
      ...(picture.crossing === null ? [] : ['one lies across another']),
      ...(e.turns < 1 ? [`the one goes ${Math.round(100 * e.turns)} hundredths round`] : []),
      picture.tail === null ? 'no end sticks out of the hole' : 'an end sticks out of the hole',
    ];
    return {
      ...rest,
      picture,
      on: `${e.name} · string ${e.index + 1}, ${this.measures.gauge(toMillimetres(e.string.gauge))} ${e.string.construction}, post ${toMillimetres(e.plan.geometry.postDiameter).toFixed(1)} mm, from the side`,
      says: `A post from the side: ${drawn.join(', ')}`,
    };
  });
  protected readonly why = computed(() => {
    const e = this.exercise();
    if (e === null || this.run.judged() === null) return 'Turns lie side by side, down from the hole, and the end sticks out behind it.';
    return this.reason(e.truth, e.turns, e.wound.nut === null ? '' : degrees(e.wound.nut.vertical), turnsToQuarter(e.plan.wind.turns));
  });

  private reason(fault: Fault, turns: number, angle: string, planned: string): string {
    switch (fault) {
      case 'crossing':
        return 'A turn that crosses another slips off it under stretch: the string goes flat again and again, and looks as if it would not settle.';
      case 'few':
        return `Less than a turn (${turns.toFixed(1)}) holds no string by itself: it slips before its pull is there. Planned were ${planned}${angle === '' ? '' : `; so it breaks over the nut by ${angle}`}.`;
      case 'short-tail':
        return 'The end lies in the hole and is not bent behind it: it is drawn in while the string is brought up.';
      case 'upward':
        return 'Wound upward the string leaves the post higher with each turn: it breaks over the nut by less, and lifts in its slot.';
      case 'none':
        return `${planned} turns side by side, down from the hole, its end behind it: so it holds.`;
    }
  }
}
