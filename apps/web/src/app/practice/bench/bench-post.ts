import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { textureOf } from '../../ui/string-face';
import { degrees } from '../../preferences/measures';
import { layOutFault } from '../exercises';
import { SimulatedBench } from './simulated-bench';
import { fromMillimetres, metres } from '@gold-peg/craft/units';

const TAIL = fromMillimetres(3);

/** The string in hand at its post, from the side: turns as they lie, and what crosses. */
@Component({
  selector: 'peg-bench-post',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>String {{ bench.inHand() + 1 }} at its post</h3>
    @if (shown(); as s) {
      <svg viewBox="200 0 300 190" role="img" [attr.aria-label]="s.says" [class]="s.texture">
        <rect class="wood" x="200" y="168" width="300" height="18" />
        <rect class="post" [attr.x]="s.picture.left" y="14" [attr.width]="s.picture.width" height="156" rx="4" />
        <ellipse class="hole" [attr.cx]="s.picture.left + s.picture.width / 2" [attr.cy]="s.picture.holeY" rx="8" ry="8" />
        @for (line of s.lines; track $index) {
          <line
            class="string"
            [class.crosses]="line === s.picture.crossing"
            [attr.x1]="line.x1"
            [attr.y1]="line.y1"
            [attr.x2]="line.x2"
            [attr.y2]="line.y2"
            [attr.stroke-width]="s.picture.thick"
          />
        }
        <text x="490" y="24">{{ s.angle }}</text>
        @if (s.picture.crossing !== null) {
          <text class="crosses" x="490" y="46">crossing</text>
        }
      </svg>
    } @else {
      <p class="soft">Nothing lies on it yet.</p>
    }
  `,
  styleUrl: './bench-post.scss',
})
export class BenchPost {
  protected readonly bench = inject(SimulatedBench);

  protected readonly shown = computed(() => {
    const on = this.bench.on();
    if (on.at !== 'wound') return null;
    const { gearRatio } = this.bench.restring().instrument;
    const turns = Math.max(0.05, on.taut ? on.plan.wind.turns : on.button / gearRatio);
    const crosses = on.laid.indexOf(false);
    const picture = layOutFault({
      plan: on.plan,
      turns,
      tail: on.flush === true ? metres(0) : on.trimmed ? TAIL : fromMillimetres(5),
      crosses: crosses < 0 ? null : crosses,
      truth: 'none',
    });
    const angle = on.taut && on.plan.nut !== null ? `${degrees(on.plan.nut.vertical)} over the nut` : '';
    return {
      picture,
      lines: [picture.tail, ...picture.turns, picture.crossing, picture.leaves].filter((line) => line !== null),
      ...{ angle, texture: textureOf(this.bench.to().string.construction) },
      says: `${turns.toFixed(1)} turns${crosses < 0 ? ' side by side' : ', one across another'}${angle === '' ? '' : `, ${angle}`}`,
    };
  });
}
