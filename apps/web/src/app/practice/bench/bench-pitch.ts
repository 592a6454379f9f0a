import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { givesUnder, PUSH } from '@gold-peg/craft/exercises';
import { pullNow, standingNow } from '@gold-peg/craft/restring';
import { chanceFrom, soundOf } from '@gold-peg/craft/simulated';
import { pluck } from '@gold-peg/craft/sound';
import { hertz, type Hertz } from '@gold-peg/craft/units';
import { extent, line, scaleLinear } from 'd3';
import { PlaySamples } from '../play-samples';
import { SimulatedBench } from './simulated-bench';

const [WIDE, HIGH] = [230, 96];
const SECONDS = 1.4;

/** What the string in hand sounds, as it is told: by the tuner, by ear, or by how far it gives under a finger; and where it was while it was turned. */
@Component({
  selector: 'peg-bench-pitch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <h3>{{ heading() }}</h3>
    @switch (bench.tells()) {
      @case ('tuner') {
        <p class="reading">
          <b>{{ sounds() === 0 ? '–' : sounds().toFixed(1) }}</b> Hz <span class="soft">of {{ note().toFixed(1) }}</span>
        </p>
        @if (trace(); as trace) {
          <svg [attr.viewBox]="'0 0 ' + WIDE + ' ' + HIGH" role="img" [attr.aria-label]="trace.says">
            <line class="note" x1="0" [attr.x2]="WIDE" [attr.y1]="trace.note" [attr.y2]="trace.note" />
            <path [attr.d]="trace.path" />
            <circle r="5" [attr.cx]="trace.x" [attr.cy]="trace.y" />
          </svg>
        } @else {
          <p class="soft">Pitch while it is turned: none yet.</p>
        }
      }
      @case ('ear') {
        <p><button matButton="outlined" type="button" (click)="hear(note())">hear the note it should have</button></p>
        <p class="soft">Pluck it with <kbd>P</kbd> and compare. No sound here? Take it by touch.</p>
      }
      @case ('touch') {
        <p class="reading">
          <b>{{ gives().now }}</b> <span class="soft">of {{ gives().should }} mm at its note</span>
        </p>
        <p class="soft">Under a push of {{ PUSH }} N at fret 12. It is not the same as by ear.</p>
      }
    }
  `,
  styleUrl: './bench-pitch.scss',
})
export class BenchPitch {
  protected readonly bench = inject(SimulatedBench);
  private readonly player = inject(PlaySamples);
  protected readonly WIDE = WIDE;
  protected readonly HIGH = HIGH;
  protected readonly PUSH = PUSH;

  protected readonly heading = computed(() => ({ tuner: 'On the tuner', ear: 'By ear', touch: 'By touch' })[this.bench.tells()]);
  protected readonly note = computed(() => this.bench.to().note);
  protected readonly sounds = computed(() => this.bench.sounds()[this.bench.inHand()] ?? hertz(0));
  protected readonly gives = computed(() => {
    const { plan, scale } = this.bench.to();
    const pull = pullNow(this.bench.restring(), this.bench.now(), this.bench.inHand());
    const mm = (at: typeof pull) => (1000 * givesUnder(PUSH, at, scale)).toFixed(1);
    return { now: pull > 0 ? `${mm(pull)} mm` : 'slack', should: mm(plan.load.pull) };
  });
  protected readonly trace = computed(() => {
    const traced = this.bench.traced();
    const last = traced.at(-1);
    if (last === undefined || traced.length < 2) return null;
    const [from = 0, to = 1] = extent(traced, ({ turns }) => turns);
    const [low = 0, high = 1] = extent([...traced.map(({ pitch }) => pitch), this.note()]);
    const x = scaleLinear([from, Math.max(to, from + 1e-6)], [6, WIDE - 8]);
    const y = scaleLinear([low, high], [HIGH - 8, 8]);
    return {
      path:
        line<(typeof traced)[number]>(
          ({ turns }) => x(turns),
          ({ pitch }) => y(pitch),
        )(traced) ?? '',
      ...{ x: x(last.turns), y: y(last.pitch), note: y(this.note()) },
      says: `Pitch over the last ${(to - from).toFixed(1)} turns of the button, from ${low.toFixed(0)} to ${high.toFixed(0)} Hz`,
    };
  });

  /** Lets the string in hand sound, and those beside it ring along. */
  pluck(): void {
    const string = this.bench.inHand();
    this.bench.do({ do: 'pluck', string });
    const [restring, now] = [this.bench.restring(), this.bench.now()];
    const all = now.strings.map((_, index) => standingNow(restring, now, index));
    const plucked = all[string] ?? null;
    if (plucked === null) return;
    const others = all.flatMap((other, index) => (other === null || index === string ? [] : [other]));
    const sound = soundOf(plucked.of, plucked.state, this.player.rate, chanceFrom(now.acts), others);
    void this.player.play(new Float32Array(sound(SECONDS * this.player.rate)));
  }

  /** What a reference sounds like: a string of its own, and nothing beside it. */
  protected hear(first: Hertz): void {
    const reference = { first, inharmonicity: 1e-4, at: 0.18, ring: 4, seconds: SECONDS, sampleRate: this.player.rate };
    void this.player.play(new Float32Array(pluck(reference, chanceFrom(this.bench.now().acts))));
  }
}
