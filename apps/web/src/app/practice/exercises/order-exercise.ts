import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FORCED_REASONS, schoolsInForce, stringOrder, STRIPPING_REASONS } from '@gold-peg/craft/bench-run';
import type { StringOrder, Stripping } from '@gold-peg/craft/methods';
import { Measures } from '../../preferences/measures';
import { ChoiceAnswers } from '../choice-answers';
import { ExerciseFrame } from '../exercise-frame';
import { ExerciseWhy } from '../exercise-why';
import { PracticeRun } from '../practice-run';
import { rightOrWrong } from '../verdict';

const AT_ONCE: Readonly<Record<Stripping, string>> = {
  'one-at-a-time': 'one, and the next once it is up',
  pairs: 'two that share a clamp',
  'all-off': 'all of them',
};

/** What may be off a bridge at once, and in which order strings come up. */
@Component({
  selector: 'peg-order-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceAnswers, ExerciseFrame, ExerciseWhy],
  template: `@if (shown(); as s) {
    <peg-exercise-frame [asks]="s.asks" [on]="s.on" [result]="result()">
      <peg-choice-answers [choices]="s.choices" [chosen]="chosen()" [right]="right()" (picked)="run.answer('order', { choice: $event })" />
    </peg-exercise-frame>
    <peg-exercise-why skill="order" [why]="why()" />
  }`,
  styleUrl: './exercise.scss',
})
export class OrderExerciseView {
  protected readonly run = inject(PracticeRun);
  private readonly measures = inject(Measures);
  private readonly exercise = computed(() => this.run.exercise('order'));
  protected readonly chosen = computed(() => this.run.answerOf('order')?.choice ?? null);
  protected readonly right = computed(() => (this.run.judged() === null ? null : (this.exercise()?.truth ?? null)));
  protected readonly result = computed(() => rightOrWrong(this.run.judged(), () => ''));

  protected readonly shown = computed(() => {
    const e = this.exercise();
    if (e === null) return null;
    const count = e.instrument.strings.length;
    if (e.question === 'at-once') {
      return {
        asks: 'How many strings may be off this bridge at once?',
        on: `${e.name} · ${count} strings${e.blocked ? ', its bridge blocked level' : ''}`,
        choices: e.choices.map((stripping, value) => ({ value, label: AT_ONCE[stripping] })),
      };
    }
    return {
      asks: 'All strings are slack. In which order do they come up so that the bridge is pulled most evenly?',
      on: `${e.name} · ${count} strings, a tone under first, then to their notes`,
      choices: e.choices.map((order, value) => ({ value, label: sayOrder(order, count) })),
    };
  });
  protected readonly why = computed(() => {
    const e = this.exercise();
    if (e === null || this.run.judged() === null) {
      return 'What holds the bridge decides: pins and screws hold by themselves, a loose bridge stands by the strings alone, a floating one by strings and springs.';
    }
    if (e.question === 'at-once') {
      const { forced } = schoolsInForce(e.instrument, {}, e.blocked).stripping;
      return forced === null ? `All may be off: good for ${STRIPPING_REASONS['all-off']}.` : `It is so that ${FORCED_REASONS[forced]}.`;
    }
    const each = e.choices.map((order, at) => {
      const { value, unit } = this.measures.pull(e.apart[at] ?? (0 as never));
      return `${sayOrder(order, e.instrument.strings.length)}: ${value} ${unit}`;
    });
    return `At the worst step the halves of the bridge differ by so much: ${each.join('; ')}.`;
  });
}

/** '6 5 4 1 2 3': strings in the order in which they come up. */
const sayOrder = (order: StringOrder, count: number): string =>
  stringOrder(order, count)
    .map((index) => index + 1)
    .join(' ');
