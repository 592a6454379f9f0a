import { ChangeDetectionStrategy, Component, computed, effect, inject, linkedSignal, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatSliderModule } from '@angular/material/slider';
import { TRIED_CENTS } from '@gold-peg/craft/exercises';
import { chanceFrom } from '@gold-peg/craft/simulated';
import { pluck } from '@gold-peg/craft/sound';
import { nearestNote, type Hertz } from '@gold-peg/craft/units';
import { line } from 'd3';
import { OneOf } from '../../ui/one-of';
import { arrowStep } from '../arrow-step';
import { ExerciseFrame } from '../exercise-frame';
import { ExerciseWhy } from '../exercise-why';
import { PlaySamples } from '../play-samples';
import { PracticeRun } from '../practice-run';
import { sayOff } from './slack-words';

const WAYS = [
  { value: 'ear', label: 'by ear' },
  { value: 'beats', label: 'by beats, without sound' },
] as const;
const SECONDS = 2.5;
/** The trace of beats: so long, and so wide. */
const [TRACE_S, TRACE_PX, TRACE_HIGH] = [1, 760, 26];
const POINTS = 500;
/** As far as the slider goes, and what a key moves it by. */
const [MOST, STEP] = [60, 0.5];

/** How many cents a string is off its note. */
@Component({
  selector: 'peg-cents-exercise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ExerciseFrame, ExerciseWhy, MatButtonModule, MatSliderModule, OneOf],
  providers: [PlaySamples],
  template: `@if (shown(); as s) {
    <peg-exercise-frame [asks]="s.asks" on="Below the middle flat, above it sharp" [result]="result()">
      <peg-one-of ways about="How it is done" [choices]="WAYS" [value]="way()" (picked)="way.set($event)" />
      @if (way() === 'ear') {
        <div class="readings">
          <button matButton="outlined" type="button" (click)="hear([s.note])">hear the note</button>
          <button matButton="outlined" type="button" (click)="hear([s.sounds])">pluck the string</button>
          <button matButton="outlined" type="button" (click)="hear([s.note, s.sounds])">both together</button>
          <span class="soft">no sound here? take it by its beats</span>
        </div>
      } @else {
        <svg class="picture" viewBox="0 0 790 170" role="img" [attr.aria-label]="s.says">
          <text x="12" y="16" class="start">
            a second of both together, partial {{ s.partial }} of {{ s.noteName }}, at {{ (s.note * s.partial).toFixed(0) }} Hz
          </text>
          <path class="beats" transform="translate(12 46)" [attr.d]="s.now" />
          <text x="12" y="98" class="start">the same with the button turned up by {{ TRIED_CENTS }} ¢</text>
          <path class="beats" transform="translate(12 128)" [attr.d]="s.after" />
        </svg>
        <p class="soft">
          Counted, not heard: it is not the same as by ear. One cent is {{ s.hertzPerCent.toFixed(2) }} beats a second here.
        </p>
      }
      <div class="slide">
        <mat-slider [min]="-MOST" [max]="MOST" [step]="STEP" [disabled]="run.judged() !== null">
          <input matSliderThumb aria-label="Cents off its note" [value]="value()" (valueChange)="value.set($event)" />
        </mat-slider>
        <output>{{ signed(value()) }} ¢</output>
      </div>
    </peg-exercise-frame>
    <peg-exercise-why skill="cents" [why]="why()" />
  }`,
  styleUrls: ['./exercise.scss', './picture.scss', './cents-exercise.scss'],
  host: { '(document:keydown)': 'press($event)' },
})
export class CentsExerciseView {
  protected readonly run = inject(PracticeRun);
  private readonly player = inject(PlaySamples);
  protected readonly MOST = MOST;
  protected readonly STEP = STEP;
  protected readonly WAYS = WAYS;
  protected readonly TRIED_CENTS = TRIED_CENTS;
  protected readonly way = signal<'ear' | 'beats'>('ear');
  private readonly exercise = computed(() => this.run.exercise('cents'));
  protected readonly value = linkedSignal<unknown, number>({ source: this.exercise, computation: () => 0 });

  protected readonly shown = computed(() => {
    const e = this.exercise();
    if (e === null) return null;
    const noteName = nearestNote(e.note);
    return {
      ...{ note: e.note, sounds: e.sounds, partial: e.partial, noteName },
      asks: `A string is to sound ${noteName}. How far off is it?`,
      now: traceOf(e.beats),
      after: traceOf(e.beatsAfter),
      hertzPerCent: (e.note * e.partial * Math.LN2) / 1200,
      says: `${e.beats.toFixed(1)} beats a second; ${e.beatsAfter.toFixed(1)} with the button turned up`,
    };
  });
  protected readonly result = computed(() => {
    const [judged, e] = [this.run.judged(), this.exercise()];
    if (judged === null || e === null) return null;
    return {
      value: `${signed(e.truth)} ¢`,
      says: `you said ${signed(e.truth + judged.off)} ¢: ${sayOff(judged.off, 'too flat', 'too sharp', '¢')}`,
      good: judged.good,
    };
  });
  protected readonly why = computed(() => {
    const e = this.exercise();
    if (e === null || this.run.judged() === null)
      return 'Two strings beat as often in a second as their frequencies differ, partial by partial. Turned up, beats of a flat string grow slower, those of a sharp one faster.';
    return `${e.beats.toFixed(1)} beats a second on partial ${e.partial}: ${(e.beats / e.partial).toFixed(2)} Hz off ${e.note.toFixed(1)} Hz. Turned up they came to ${e.beatsAfter.toFixed(1)}: ${e.beatsAfter > e.beats ? 'it was sharp' : 'it was flat'}.`;
  });

  constructor() {
    effect(() => {
      if (this.exercise() !== null) untracked(() => this.run.hold('cents', () => ({ cents: this.value() })));
    });
  }

  protected press(event: KeyboardEvent): void {
    const step = this.run.judged() === null ? arrowStep(event) : null;
    if (step !== null) this.value.update((value) => Math.min(MOST, Math.max(-MOST, value + STEP * step)));
  }

  protected readonly signed = signed;

  protected hear(tones: readonly Hertz[]): void {
    const sampleRate = this.player.rate;
    const all = tones.map((first) => pluck({ first, inharmonicity: 0, at: 0.18, ring: 6, seconds: SECONDS, sampleRate }, chanceFrom(1)));
    const [one, other] = all;
    if (one === undefined) return;
    void this.player.play(Float32Array.from(one, (sample, at) => 0.5 * (sample + (other?.[at] ?? sample))));
  }
}

const signed = (cents: number): string => `${cents > 0 ? '+' : cents < 0 ? '−' : ''}${Math.abs(cents).toFixed(1)}`;

/** How loud two tones are together: |cos π b t|, above and below its axis. */
function traceOf(beats: number): string {
  const envelope = Array.from({ length: POINTS + 1 }, (_, at) => Math.abs(Math.cos((Math.PI * beats * TRACE_S * at) / POINTS)));
  const at = (sign: 1 | -1) => envelope.map((loud, index): [number, number] => [(TRACE_PX * index) / POINTS, sign * loud * TRACE_HIGH]);
  return `${line()([...at(-1), ...at(1).reverse()]) ?? ''}Z`;
}
