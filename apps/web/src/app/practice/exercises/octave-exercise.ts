import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { PUSH } from '@gold-peg/craft/exercises';
import type { OctavePlace } from '@gold-peg/craft/skills';
import { chanceFrom } from '@gold-peg/craft/simulated';
import { pluck } from '@gold-peg/craft/sound';
import { nearestNote, toMillimetres, type Hertz } from '@gold-peg/craft/units';
import { Measures } from '../../preferences/measures';
import { OneOf } from '../../ui/one-of';
import { ChoiceAnswers, type AnswerChoice } from '../choice-answers';
import { ExerciseFrame } from '../exercise-frame';
import { ExerciseWhy } from '../exercise-why';
import { PlaySamples } from '../play-samples';
import { PracticeRun } from '../practice-run';
import { rightOrWrong } from '../verdict';

const CHOICES: readonly AnswerChoice<OctavePlace>[] = [
  { value: 'an-octave-under', label: 'an octave under', detail: 'turn on' },
  { value: 'under', label: 'under, by less than an octave', detail: 'turn on, slowly' },
  { value: 'at-its-note', label: 'at its note', detail: 'stop here' },
  { value: 'over', label: 'over its note', detail: 'back, at once' },
];
const WAYS = [
  { value: 'ear', label: 'by ear' },
  { value: 'touch', label: 'by touch' },
] as const;
const SECONDS = 1.6;
/** How deep the deepest is drawn. */
const DEEPEST_PX = 88;

/** Where a string is on its way up, before another turn breaks it. */
@Component({
  selector: 'peg-octave-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceAnswers, ExerciseFrame, ExerciseWhy, MatButtonModule, OneOf],
  providers: [PlaySamples],
  template: `@if (shown(); as s) {
    <peg-exercise-frame [asks]="s.asks" [on]="s.on" [result]="result()">
      <peg-one-of ways about="How it is done" [choices]="WAYS" [value]="way()" (picked)="way.set($event)" />
      @if (way() === 'ear') {
        <div class="readings">
          <button matButton="outlined" type="button" (click)="hear(s.note)">hear the note it should have</button>
          <button matButton="outlined" type="button" (click)="hear(s.sounds)">pluck the string</button>
          <span class="soft">no sound here? take it by touch</span>
        </div>
      } @else {
        <svg class="picture" viewBox="0 0 790 152" role="img" [attr.aria-label]="s.touch">
          <text x="395" y="16">a push of {{ PUSH }} N in the middle: gives {{ s.gives.toFixed(2) }} mm</text>
          <text x="395" y="36" class="should">at its note it would give {{ s.should.toFixed(2) }} mm</text>
          <path class="wanted" [attr.d]="'M40 56 L395 ' + (56 + s.should * s.pxPerMm) + ' L750 56'" />
          <path class="string" [attr.d]="'M40 56 L395 ' + (56 + s.gives * s.pxPerMm) + ' L750 56'" stroke-width="3" />
        </svg>
        <p class="soft">Felt, not heard: it is not the same as by ear. A string pulls four times as much an octave up.</p>
      }
      <peg-choice-answers [choices]="CHOICES" [chosen]="chosen()" [right]="right()" (picked)="pick($event)" />
    </peg-exercise-frame>
    <peg-exercise-why skill="octave" [why]="why()" />
  }`,
  styleUrls: ['./exercise.scss', './picture.scss', './octave-exercise.scss'],
})
export class OctaveExerciseView {
  private readonly run = inject(PracticeRun);
  private readonly player = inject(PlaySamples);
  private readonly measures = inject(Measures);
  protected readonly CHOICES = CHOICES;
  protected readonly WAYS = WAYS;
  protected readonly PUSH = PUSH;
  protected readonly way = signal<'ear' | 'touch'>('ear');

  protected readonly shown = computed(() => {
    const e = this.run.exercise('octave');
    if (e === null) return null;
    const [gives, should] = [1000 * e.gives, 1000 * e.shouldGive];
    const note = nearestNote(e.note);
    return {
      ...{ note: e.note, sounds: e.sounds, gives, should, pxPerMm: DEEPEST_PX / Math.max(gives, should) },
      asks: `String ${e.index + 1} is to come to ${note}. Where is it now?`,
      on: `${e.name} · ${this.measures.gauge(toMillimetres(e.string.gauge))} ${e.string.construction}, new and on its way up`,
      touch: `A push of ${PUSH} N in the middle gives ${gives.toFixed(2)} mm; at its note it would give ${should.toFixed(2)} mm`,
    };
  });
  protected readonly chosen = computed(() => this.run.answerOf('octave')?.place ?? null);
  protected readonly right = computed(() => (this.run.judged() === null ? null : (this.run.exercise('octave')?.truth ?? null)));
  protected readonly result = computed(() => rightOrWrong(this.run.judged(), () => this.stands()));
  private readonly stands = computed(() => {
    const e = this.run.exercise('octave');
    const semitones = e === null ? 0 : 12 * Math.log2(e.sounds / e.note);
    const size = Math.abs(semitones).toFixed(1);
    return Number(size) === 0 ? 'it stands at its note' : `it is ${size} semitones ${semitones < 0 ? 'under' : 'over'}`;
  });
  protected readonly why = computed(() => {
    const e = this.run.exercise('octave');
    if (e === null || this.run.judged() === null)
      return 'The ear hears the note and not its octave: a string that is brought up an octave too far breaks on the way.';
    const most = nearestNote(e.breaksAt);
    const pull = this.measures.pull(e.pull);
    return `It sounds ${e.sounds.toFixed(0)} Hz of ${e.note.toFixed(0)} Hz and pulls ${pull.value} ${pull.unit}. It breaks at about ${most}, ${(12 * Math.log2(e.breaksAt / e.note)).toFixed(0)} semitones over its note.`;
  });

  protected pick(place: OctavePlace): void {
    this.run.answer('octave', { place });
  }

  protected hear(first: Hertz): void {
    const sampleRate = this.player.rate;
    void this.player.play(
      new Float32Array(pluck({ first, inharmonicity: 1e-4, at: 0.18, ring: 4, seconds: SECONDS, sampleRate }, chanceFrom(1))),
    );
  }
}
