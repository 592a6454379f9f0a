import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Skill } from '@gold-peg/craft/skills';
import { ErrorsChart } from './errors-chart';

/** Under an exercise: why, and the last twenty. */
@Component({
  selector: 'peg-exercise-why',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ErrorsChart],
  template: `<div class="below">
    <section aria-label="Why">
      <h3>Why</h3>
      <p>{{ why() }}</p>
    </section>
    <section aria-label="Your last twenty"><peg-errors-chart [skill]="skill()" /></section>
  </div>`,
  styleUrl: './exercises/exercise.scss',
})
export class ExerciseWhy {
  readonly skill = input.required<Skill>();
  readonly why = input.required<string>();
}
