import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { BALL_RADIUS, HEIGHT, whichOf, WIDTH, type Part } from './scene';

export type Texture = 'plain' | 'wound' | 'nylon';

/** How thick a string is drawn, mm: thicker than it is, so that the thinnest can be seen, and in the order that they have. */
const drawnThick = (gaugeMm: number): number => 0.75 + 0.55 * gaugeMm;
const DOTS_HEIGHT = 5;

/** An anchor, drawn with a string at it. */
@Component({
  selector: 'peg-anchor-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './anchor-picture.html',
  styleUrl: './anchor-picture.scss',
})
export class AnchorPicture {
  readonly parts = input.required<readonly Part[]>();
  /** What it shows, for whoever does not see it. */
  readonly says = input.required<string>();
  readonly count = input.required<number>();
  readonly index = input.required<number>();
  readonly gaugeMm = input(0.4);
  readonly texture = input<Texture>('plain');
  /** Colour of the ball of this string in its packet, as a CSS colour; null where balls are not marked. */
  readonly ballColour = input<string | null>(null);

  protected readonly viewBox = `0 0 ${WIDTH} ${HEIGHT + DOTS_HEIGHT}`;
  protected readonly ballRadius = BALL_RADIUS;
  protected readonly thick = computed(() => drawnThick(this.gaugeMm()));
  protected readonly dots = computed(() => whichOf({ count: this.count(), index: this.index() }));
}
