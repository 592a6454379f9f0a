import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { nameWinding, printGauge } from '@gold-peg/craft/strings';
import { toMillimetres } from '@gold-peg/craft/units';
import { ChoiceAnswers } from '../choice-answers';
import { ExerciseFrame } from '../exercise-frame';
import { ExerciseWhy } from '../exercise-why';
import { PracticeRun } from '../practice-run';
import { rightOrWrong } from '../verdict';

/** A loose string out of the tray, by caliper and finger nail. */
@Component({
  selector: 'peg-which-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceAnswers, ExerciseFrame, ExerciseWhy, MatButtonModule],
  template: `@if (exercise(); as e) {
    <peg-exercise-frame asks="Which of these strings is it?" [on]="on()" [result]="result()">
      <div class="readings" role="group" aria-label="Caliper">
        <b aria-live="polite">{{ mm(readings().at(-1) ?? 0) }} mm</b>
        @if (readings().length > 1) {
          <span class="soft">before that {{ earlier() }}</span>
        }
        <button matButton="outlined" type="button" [disabled]="run.judged() !== null || taken() >= e.readings.length" (click)="again()">
          close the caliper again
        </button>
        @if (zeroed()) {
          <span>on nothing it reads {{ mm(e.zero) }} mm</span>
        } @else {
          <button matButton="outlined" type="button" [disabled]="run.judged() !== null" (click)="zeroed.set(true)">
            close it on nothing
          </button>
        }
        <span>{{ e.ribbed ? 'The nail catches: it is wound.' : 'The nail slides: it is smooth.' }}</span>
      </div>
      <peg-choice-answers
        [choices]="choices()"
        [chosen]="chosen()"
        [right]="right()"
        (picked)="run.answer('which-string', { choice: $event })"
      />
    </peg-exercise-frame>
    <peg-exercise-why skill="which-string" [why]="why()" />
  }`,
  styleUrl: './exercise.scss',
})
export class WhichExerciseView {
  protected readonly run = inject(PracticeRun);
  protected readonly exercise = computed(() => this.run.exercise('which-string'));
  protected readonly taken = linkedSignal<unknown, number>({ source: this.exercise, computation: () => 1 });
  protected readonly zeroed = linkedSignal<unknown, boolean>({ source: this.exercise, computation: () => false });
  protected readonly readings = computed(() => this.exercise()?.readings.slice(0, this.taken()) ?? []);
  protected readonly earlier = computed(() =>
    this.readings()
      .slice(0, -1)
      .map((each) => this.mm(each))
      .join(', '),
  );
  protected readonly on = computed(() => {
    const [first] = this.exercise()?.choices ?? [];
    if (first === undefined) return '';
    return `Out of a tray of ${first.construction === 'wound' ? nameWinding(first) : first.construction} strings; the caliper reads to 0.01 mm`;
  });
  protected readonly choices = computed(() =>
    (this.exercise()?.choices ?? []).map((string, value) => ({
      value,
      label: `${printGauge(string.gauge)} ${string.construction}`,
      detail: `${toMillimetres(string.gauge).toFixed(2)} mm as sold`,
    })),
  );
  protected readonly chosen = computed(() => this.run.answerOf('which-string')?.choice ?? null);
  protected readonly right = computed(() => (this.run.judged() === null ? null : (this.exercise()?.truth ?? null)));
  protected readonly result = computed(() =>
    rightOrWrong(this.run.judged(), (good) =>
      good ? `after ${this.taken()} ${this.taken() === 1 ? 'reading' : 'readings'}` : 'taken for another',
    ),
  );
  protected readonly why = computed(() => {
    const e = this.exercise();
    const it = e?.choices[e.truth];
    if (e == null || it === undefined || this.run.judged() === null)
      return 'One reading is good to a hundredth or two; several are good to less. A caliper that was never closed on nothing reads wrong every time.';
    const mean = e.readings.reduce((sum, reading) => sum + reading, 0) / e.readings.length - e.zero;
    return `It is the ${printGauge(it.gauge)}, ${toMillimetres(it.gauge).toFixed(3)} mm. All ${e.readings.length} readings, less ${this.mm(e.zero)} mm for the zero, come to ${(1000 * mean).toFixed(3)} mm.`;
  });

  protected again(): void {
    this.taken.update((count) => count + 1);
  }

  protected mm(length: number): string {
    const text = Math.abs(1000 * length).toFixed(2);
    return length < 0 && Number(text) !== 0 ? `−${text}` : text;
  }
}
