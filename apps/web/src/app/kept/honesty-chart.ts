import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { SaidAlike } from '@gold-peg/craft/day';
import { line, scaleLinear, scaleSqrt } from 'd3';

const [WIDE, HIGH] = [460, 420];
const [LEFT, TOP, RIGHT, BOTTOM] = [52, 14, 16, 46];
const TICKS = [0, 0.2, 0.4, 0.6, 0.8, 1];

/** What was kept over what was said: on the diagonal lies who is honest. A mark for promises that were said alike, as large as there are many, with the share between which it lies. */
@Component({
  selector: 'peg-honesty-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg [attr.viewBox]="'0 0 ' + WIDE + ' ' + HIGH" role="img" [attr.aria-label]="says()">
    @for (tick of ticks; track tick.label) {
      <line class="grid" [attr.x1]="tick.x" [attr.x2]="tick.x" [attr.y1]="TOP" [attr.y2]="HIGH - BOTTOM" />
      <line class="grid" [attr.x1]="LEFT" [attr.x2]="WIDE - RIGHT" [attr.y1]="tick.y" [attr.y2]="tick.y" />
      <text [attr.x]="tick.x" [attr.y]="HIGH - BOTTOM + 18" text-anchor="middle">{{ tick.label }}</text>
      <text [attr.x]="LEFT - 8" [attr.y]="tick.y + 5" text-anchor="end">{{ tick.label }}</text>
    }
    <text [attr.x]="(LEFT + WIDE - RIGHT) / 2" [attr.y]="HIGH - 6" text-anchor="middle">said, in 100</text>
    <text [attr.transform]="'translate(14 ' + (TOP + HIGH - BOTTOM) / 2 + ') rotate(-90)'" text-anchor="middle">kept, in 100</text>
    <path class="honest" [attr.d]="honest" />
    @for (mark of marks(); track mark.x) {
      <line class="range" [attr.x1]="mark.x" [attr.x2]="mark.x" [attr.y1]="mark.low" [attr.y2]="mark.high" />
      <circle [attr.cx]="mark.x" [attr.cy]="mark.y" [attr.r]="mark.r" />
      <text class="count" [attr.x]="mark.x" [attr.y]="mark.y + 5" text-anchor="middle">{{ mark.promises }}</text>
    }
  </svg>`,
  styles: `
    svg {
      width: 100%;
      max-width: 560px;
      display: block;
    }
    text {
      fill: var(--ink-soft);
      font-size: 14px;
      font-variant-numeric: tabular-nums;
    }
    .count {
      fill: var(--on-brass);
      font-weight: 600;
    }
    .grid {
      stroke: var(--line);
    }
    path {
      fill: none;
    }
    .honest {
      stroke: var(--ink-soft);
      stroke-dasharray: 5 5;
    }
    .range {
      stroke: var(--brass);
      stroke-width: 3;
    }
    circle {
      fill: var(--brass);
    }
  `,
})
export class HonestyChart {
  readonly parts = input.required<readonly SaidAlike[]>();

  protected readonly WIDE = WIDE;
  protected readonly HIGH = HIGH;
  protected readonly LEFT = LEFT;
  protected readonly TOP = TOP;
  protected readonly RIGHT = RIGHT;
  protected readonly BOTTOM = BOTTOM;
  private readonly x = scaleLinear([0, 1], [LEFT, WIDE - RIGHT]);
  private readonly y = scaleLinear([0, 1], [HIGH - BOTTOM, TOP]);
  protected readonly ticks = TICKS.map((at) => ({ x: this.x(at), y: this.y(at), label: String(Math.round(100 * at)) }));
  protected readonly honest = line<number>(
    (said) => this.x(said),
    (said) => this.y(said),
  )([0, 1]);
  protected readonly marks = computed(() => {
    const size = scaleSqrt([0, Math.max(1, ...this.parts().map(({ promises }) => promises))], [9, 22]);
    return this.parts().map(({ said, share, low, high, promises }) => ({
      ...{ x: this.x(said), y: this.y(share), low: this.y(low), high: this.y(high), r: size(promises), promises },
    }));
  });
  protected readonly says = computed(() =>
    this.parts()
      .map(({ said, share, promises }) => `Of ${promises} said to be ${percent(said)}, ${percent(share)} were kept.`)
      .join(' '),
  );
}

const percent = (share: number): string => `${Math.round(100 * share)} in 100`;
