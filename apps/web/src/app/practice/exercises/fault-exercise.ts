import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { FaultAtAnchor, FaultAtPost, FaultExercise } from '@gold-peg/craft/exercises';
import { FAULTS_AT, type Fault } from '@gold-peg/craft/skills';
import { toMillimetres } from '@gold-peg/craft/units';
import { degrees, Measures, turnsToQuarter } from '../../preferences/measures';
import { ChoiceAnswers } from '../choice-answers';
import { ExerciseFrame } from '../exercise-frame';
import { ExerciseWhy } from '../exercise-why';
import { PracticeRun } from '../practice-run';
import { rightOrWrong } from '../verdict';
import { EndFault } from './end-fault';
import { PostFault } from './post-fault';

const WORDS: Readonly<Record<Fault, string>> = {
  crossing: 'one turn crosses another',
  few: 'too few turns to hold',
  'short-tail': 'the tail is too short',
  upward: 'wound upward',
  'under-tip': 'the ball is under the pin',
  'slot-away': 'the slot looks away from the saddle',
  'last-on-top': 'the last crossing lies on top',
  'few-tucks': 'tucked too few times to hold',
  none: 'nothing is wrong',
};
const RIGHT: Readonly<Record<FaultExercise['at'], string>> = {
  post: 'Turns lie side by side, down from the hole, and the end sticks out behind it.',
  pins: 'The ball rests against the plate beside the pin, and the slot of the pin looks at the saddle.',
  'tie-block': 'A wound string is tucked once or twice, a smooth one twice or three times, and the last crossing lies behind the edge.',
};

/** What is wrong with a string on its post, at its pin or at its tie, if anything is. */
@Component({
  selector: 'peg-fault-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceAnswers, EndFault, ExerciseFrame, ExerciseWhy, PostFault],
  template: `@if (shown(); as s) {
    <peg-exercise-frame asks="What is wrong here?" [on]="s.on" [result]="result()">
      @if (s.post; as post) {
        <peg-post-fault [of]="post" />
      } @else if (s.end) {
        <peg-end-fault [of]="s.end" />
      }
      <peg-choice-answers [choices]="s.choices" [chosen]="chosen()" [right]="right()" (picked)="run.answer('fault', { fault: $event })" />
    </peg-exercise-frame>
    <peg-exercise-why skill="fault" [why]="why()" />
  }`,
  styleUrl: './exercise.scss',
})
export class FaultExerciseView {
  protected readonly run = inject(PracticeRun);
  private readonly measures = inject(Measures);
  private readonly exercise = computed(() => this.run.exercise('fault'));
  protected readonly chosen = computed(() => this.run.answerOf('fault')?.fault ?? null);
  protected readonly right = computed(() => (this.run.judged() === null ? null : (this.exercise()?.truth ?? null)));
  protected readonly result = computed(() => rightOrWrong(this.run.judged(), () => ''));

  protected readonly shown = computed(() => {
    const e = this.exercise();
    if (e === null) return null;
    const string = `${e.name} · string ${e.index + 1}, ${this.measures.gauge(toMillimetres(e.string.gauge))} ${e.string.construction}`;
    const seen = {
      post: `post ${toMillimetres(e.plan.geometry.postDiameter).toFixed(1)} mm, from the side`,
      pins: 'its pin, cut along the string',
      'tie-block': 'its tie, from above',
    };
    const choices = FAULTS_AT[e.at].map((value) => ({ value, label: WORDS[value] }));
    return { on: `${string}, ${seen[e.at]}`, choices, post: e.at === 'post' ? e : null, end: e.at === 'post' ? null : e };
  });
  protected readonly why = computed(() => {
    const e = this.exercise();
    if (e === null) return '';
    if (this.run.judged() === null) return RIGHT[e.at];
    return e.at === 'post' ? ofPost(e) : this.ofEnd(e);
  });

  private ofEnd({ at, truth, givesAt, drops, plan }: FaultAtAnchor): string {
    const say = (pull: FaultAtAnchor['givesAt']) => {
      const { value, unit } = this.measures.pull(pull ?? plan.load.pull);
      return `${value} ${unit}`;
    };
    switch (truth) {
      case 'under-tip':
        return `The ball pushes the pin out: it comes up to its ${say(null)}, and gives way under the first stretch, at about ${say(givesAt)}. Out again, bend more above the ball.`;
      case 'slot-away':
        return `The string is squeezed between pin and hole, and its ball hangs; when it sinks home by 0.8 mm it falls by about ${(drops ?? 0).toFixed(0)} ¢. Turn the pin.`;
      case 'last-on-top':
        return `On top nothing presses it down: it comes up to its ${say(null)}, and runs under the first stretch, at about ${say(givesAt)}.`;
      case 'few-tucks':
        return `So few tucks run at about ${say(givesAt)}, and its note wants ${say(null)}: it never comes up.`;
      case 'none':
        return `${RIGHT[at]} So it holds.`;
    }
  }
}

function ofPost({ truth, turns, wound, plan }: FaultAtPost): string {
  const planned = turnsToQuarter(plan.wind.turns);
  const angle = wound.nut === null ? '' : `; so it breaks over the nut by ${degrees(wound.nut.vertical)}`;
  switch (truth) {
    case 'crossing':
      return 'A turn that crosses another slips off it under stretch: the string goes flat again and again, and looks as if it would not settle.';
    case 'few':
      return `Less than a turn (${turns.toFixed(1)}) holds no string by itself: it slips before its pull is there. Planned were ${planned}${angle}.`;
    case 'short-tail':
      return 'The end lies in the hole and is not bent behind it: it is drawn in while the string is brought up.';
    case 'upward':
      return 'Wound upward the string leaves the post higher with each turn: it breaks over the nut by less, and lifts in its slot.';
    case 'none':
      return `${planned} turns side by side, down from the hole, its end behind it: so it holds.`;
  }
}
