import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { BALL_RADIUS, HEIGHT, whichOf, WIDTH, type Frame } from './scene';

/** How thick a string is drawn, mm: thicker than it is, so that the thinnest can be seen, and in the order that they have. */
const drawnThick = (gaugeMm: number): number => 0.75 + 0.55 * gaugeMm;
const DOTS_HEIGHT = 5;

/** Drawings of the work at an anchor, side by side: each a step with its sentence, the usual fault last and marked as such. */
@Component({
  selector: 'peg-anchor-frames',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './anchor-frames.html',
  styleUrl: './anchor-frames.scss',
})
export class AnchorFrames {
  readonly frames = input.required<readonly Frame[]>();
  /** The usual fault, beside what is right; null where none is shown. */
  readonly fault = input<Frame | null>(null);
  /** Pictures and heads alone, to be seen from afar. */
  readonly bare = input(false);
  readonly count = input.required<number>();
  readonly index = input.required<number>();
  readonly gaugeMm = input(0.4);
  readonly texture = input<'plain' | 'wound' | 'nylon'>('plain');
  /** Colour of the ball of this string in its packet, as a CSS colour; null where balls are not marked. */
  readonly ballColour = input<string | null>(null);

  protected readonly viewBox = `0 0 ${WIDTH} ${HEIGHT + DOTS_HEIGHT}`;
  protected readonly ballRadius = BALL_RADIUS;
  protected readonly thick = computed(() => drawnThick(this.gaugeMm()));
  protected readonly dots = computed(() => whichOf({ count: this.count(), index: this.index() }));
  protected readonly shown = computed(() => {
    const fault = this.fault();
    const steps = this.frames().map((frame, at) => ({ frame, number: (at + 1) as number | null }));
    return fault === null ? steps : [...steps, { frame: fault, number: null }];
  });
}
