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
      @if (p.tail; as tail) {
        <line
          class="string"
          [attr.x1]="tail.x1"
          [attr.y1]="tail.y1"
          [attr.x2]="tail.x2"
          [attr.y2]="tail.y2"
          [attr.stroke-width]="p.thick"
        />
      }
      @for (turn of p.turns; track turn.y1) {
        <line
          class="string"
          [attr.x1]="turn.x1"
          [attr.y1]="turn.y1"
          [attr.x2]="turn.x2"
          [attr.y2]="turn.y2"
          [attr.stroke-width]="p.thick"
        />
      }
      @if (p.crossing; as turn) {
        <line
          class="string"
          [attr.x1]="turn.x1"
          [attr.y1]="turn.y1"
          [attr.x2]="turn.x2"
          [attr.y2]="turn.y2"
          [attr.stroke-width]="p.thick"
        />
      }
      <line
        class="string"
        [attr.x1]="p.leaves.x1"
        [attr.y1]="p.leaves.y1"
        [attr.x2]="p.leaves.x2"
        [attr.y2]="p.leaves.y2"
        [attr.stroke-width]="p.thick"
      />
      <text x="760" y="160">to the nut</text>
    </svg>
  }`,
  styleUrls: ['./picture.scss', './fault-exercise.scss'],
})
export class PostFault {
  readonly of = input.required<FaultAtPost>();
  protected readonly wound = computed(() => this.of().string.construction === 'wound');
  protected readonly picture = computed(() => layOutFault(this.of()));
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
