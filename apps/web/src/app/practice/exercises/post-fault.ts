import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { FaultAtPost } from '@gold-peg/craft/exercises';
import { layOutFault } from './fault-layout';

/** A string on its post from the side, as it lies. */
@Component({
  selector: 'peg-post-fault',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (picture(); as p) {
    <svg class="picture" viewBox="0 0 790 190" role="img" [attr.aria-label]="says()" [class.wound]="wound()">
      <rect class="wood" x="120" y="168" width="660" height="18" />
      <rect class="post" [attr.x]="p.left" y="14" [attr.width]="p.width" height="156" rx="4" />
      <ellipse class="hole" [attr.cx]="p.left + p.width / 2" [attr.cy]="p.holeY" rx="8" ry="8" />
      @for (piece of pieces(); track $index) {
        <line
          class="string"
          [attr.x1]="piece.x1"
          [attr.y1]="piece.y1"
          [attr.x2]="piece.x2"
          [attr.y2]="piece.y2"
          [attr.stroke-width]="p.thick"
        />
      }
      <text x="760" y="160">to the nut</text>
    </svg>
  }`,
  styleUrls: ['./picture.scss', './fault-exercise.scss'],
})
export class PostFault {
  readonly of = input.required<FaultAtPost>();
  protected readonly wound = computed(() => this.of().string.construction === 'wound');
  protected readonly picture = computed(() => layOutFault(this.of()));
  /** The string, piece by piece: what lies over others is drawn after them. */
  protected readonly pieces = computed(() => {
    const { tail, turns, crossing, leaves } = this.picture();
    return [tail, ...turns, crossing, leaves].filter((piece) => piece !== null);
  });
  protected readonly says = computed(() => {
    const [{ turns, tail, crossing }, { truth, turns: count }] = [this.picture(), this.of()];
    const drawn = [
      `${turns.length + (crossing === null ? 0 : 1)} turns ${truth === 'upward' ? 'above' : 'below'} the hole`,
      ...(crossing === null ? [] : ['one lies across another']),
      ...(count < 1 ? [`the one goes ${Math.round(100 * count)} hundredths round`] : []),
      tail === null ? 'no end sticks out of the hole' : 'an end sticks out of the hole',
    ];
    return `A post from the side: ${drawn.join(', ')}`;
  });
}
