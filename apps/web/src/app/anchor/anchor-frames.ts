import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { AnchorPicture, type Texture } from './anchor-picture';
import type { Frame } from './scene';

/** Drawings of the work at an anchor, side by side: each a step with its sentence, the usual fault last and marked as such. */
@Component({
  selector: 'peg-anchor-frames',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnchorPicture],
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
  readonly texture = input<Texture>('plain');
  /** Colour of the ball of this string in its packet, as a CSS colour; null where balls are not marked. */
  readonly ballColour = input<string | null>(null);

  protected readonly shown = computed(() => {
    const fault = this.fault();
    const steps = this.frames().map((frame, at) => ({ frame, number: (at + 1) as number | null }));
    return fault === null ? steps : [...steps, { frame: fault, number: null }];
  });
}
