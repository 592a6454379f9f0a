import { ChangeDetectionStrategy, Component, computed, effect, inject, linkedSignal, untracked } from '@angular/core';
import { MatSliderModule } from '@angular/material/slider';
import { forecastDrift } from '@gold-peg/craft/settle';
import { arrowStep } from '../arrow-step';
import { ExerciseFrame } from '../exercise-frame';
import { ExerciseWhy } from '../exercise-why';
import { PracticeRun } from '../practice-run';
import { sayOff } from './slack-words';

const [FROM, TO] = [1, 96];
const BEGINS = 12;

/** From which hour a nylon string can be promised. */
@Component({
  selector: 'peg-nylon-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ExerciseFrame, ExerciseWhy, MatSliderModule],
  template: `@if (exercise(); as e) {
    <peg-exercise-frame
      asks="From which hour after stringing does it hold?"
      [on]="'A nylon treble; it holds once it loses no more than ' + e.hold.cents + ' ¢ in ' + e.hold.hours + ' h after tuning'"
      [result]="result()"
    >
      <div class="readings">
        @for (reading of e.readings; track reading.hours) {
          <span
            >after {{ sayHours(reading.hours) }} <b>−{{ reading.cents }} ¢</b></span
          >
        }
        <span class="soft">tuned again each time</span>
      </div>
      <div class="slide">
        <mat-slider [min]="FROM" [max]="TO" step="1" [disabled]="run.judged() !== null">
          <input matSliderThumb aria-label="Hours after stringing" [value]="value()" (valueChange)="value.set($event)" />
        </mat-slider>
        <output>{{ value() }} h</output>
      </div>
    </peg-exercise-frame>
    <peg-exercise-why skill="nylon" [why]="why()" />
  }`,
  styleUrl: './exercise.scss',
  host: { '(document:keydown)': 'press($event)' },
})
export class NylonExerciseView {
  protected readonly run = inject(PracticeRun);
  protected readonly FROM = FROM;
  protected readonly TO = TO;
  protected readonly exercise = computed(() => this.run.exercise('nylon'));
  protected readonly value = linkedSignal<unknown, number>({ source: this.exercise, computation: () => BEGINS });
  protected readonly result = computed(() => {
    const [judged, e, answer] = [this.run.judged(), this.exercise(), this.run.answerOf('nylon')];
    if (judged === null || e === null || answer === null) return null;
    return {
      value: `${e.truth.toFixed(0)} h`,
      says: `you said ${answer.hours} h: ${sayOff(judged.off, 'too early', 'too late')}`,
      good: judged.good,
    };
  });
  protected readonly why = computed(() => {
    const e = this.exercise();
    if (e === null || this.run.judged() === null)
      return 'What it loses goes with the logarithm of time: as much from one hour to two as from ten to twenty.';
    const readings = e.readings.map(({ hours, cents }) => ({ hours, cents: -cents as typeof cents, retuned: true }));
    const { low, likely, high } = forecastDrift({ readings, limit: e.hold.cents, hold: e.hold }).holdsFrom;
    return `From these readings the planner would promise it for ${likely.toFixed(0)} h after stringing, between ${low.toFixed(0)} and ${high.toFixed(0)}.`;
  });

  constructor() {
    effect(() => {
      if (this.exercise() !== null) untracked(() => this.run.hold('nylon', () => ({ hours: this.value() })));
    });
  }

  protected press(event: KeyboardEvent): void {
    const step = this.run.judged() === null ? arrowStep(event) : null;
    if (step !== null) this.value.update((value) => Math.min(TO, Math.max(FROM, value + step)));
  }

  protected sayHours(hours: number): string {
    return hours < 1 ? `${Math.round(60 * hours)} min` : `${hours} h`;
  }
}
