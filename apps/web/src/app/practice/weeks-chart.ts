import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { GOOD_WORK } from '@gold-peg/craft/constants';
import { measureOf, type Skill } from '@gold-peg/craft/skills';
import { deviation, mean, scaleLinear } from 'd3';
import { PracticeLog } from './practice-log';

const [WIDE, HIGH] = [430, 150];
const [LEFT, RIGHT, TOP, BOTTOM] = [48, 14, 12, 26];
const WEEKS = 8;
const WEEK_MS = 7 * 86_400_000;

/** Bias and spread of a skill, week by week; of a choice the share that was wrong. */
@Component({
  selector: 'peg-weeks-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>
      Week by week <small>{{ isSize() ? 'mean, and how far it strays' : 'share that was wrong' }}</small>
    </h3>
    @if (weeks().length === 0) {
      <p class="soft">None in these eight weeks.</p>
    } @else {
      <svg [attr.viewBox]="'0 0 ' + WIDE + ' ' + HIGH" role="img" [attr.aria-label]="says()">
        <rect class="good" [attr.x]="LEFT" [attr.y]="good().top" [attr.width]="WIDE - LEFT - RIGHT" [attr.height]="good().height" />
        @for (tick of ticks(); track tick.label) {
          <text [attr.x]="LEFT - 8" [attr.y]="tick.y + 5">{{ tick.label }}</text>
        }
        @for (week of weeks(); track week.ago) {
          <line class="tick" [attr.x1]="x(week.ago)" [attr.x2]="x(week.ago)" [attr.y1]="y()(week.low)" [attr.y2]="y()(week.high)" />
          <circle r="6" [attr.cx]="x(week.ago)" [attr.cy]="y()(week.mean)" [class.last]="week.ago === 0" />
          <text class="week" [attr.x]="x(week.ago)" [attr.y]="HIGH - 6">{{ week.ago === 0 ? 'now' : '−' + week.ago }}</text>
        }
      </svg>
    }
  `,
  styleUrl: './errors-chart.scss',
  styles: `
    .week {
      text-anchor: middle;
    }
  `,
})
export class WeeksChart {
  readonly skill = input.required<Skill>();
  /** What time it is, ms. */
  readonly now = input.required<number>();
  private readonly log = inject(PracticeLog);

  protected readonly WIDE = WIDE;
  protected readonly HIGH = HIGH;
  protected readonly LEFT = LEFT;
  protected readonly RIGHT = RIGHT;
  protected readonly isSize = computed(() => measureOf(this.skill()) === 'size');
  private readonly scale = scaleLinear([WEEKS - 1, 0], [LEFT + 20, WIDE - RIGHT - 20]);
  protected x = (ago: number) => this.scale(ago);

  protected readonly weeks = computed(() => {
    const own = this.log.tries().filter(({ skill }) => skill === this.skill());
    return Array.from({ length: WEEKS }, (_, ago) => {
      const within = own.filter(({ at }) => Math.floor((this.now() - at) / WEEK_MS) === ago).map(({ off }) => off);
      const middle = mean(within);
      if (middle === undefined) return [];
      const strays = this.isSize() ? (deviation(within) ?? 0) : 0;
      return [{ ago, mean: middle, low: middle - strays, high: middle + strays, tries: within.length }];
    }).flat();
  });
  private readonly most = computed(() =>
    this.isSize()
      ? Math.max(2 * GOOD_WORK[this.skill()].value, ...this.weeks().flatMap(({ low, high }) => [Math.abs(low), Math.abs(high)]))
      : 1,
  );
  protected readonly y = computed(() => scaleLinear(this.isSize() ? [-this.most(), this.most()] : [0, 1], [HIGH - BOTTOM, TOP]));
  protected readonly ticks = computed(() => {
    const y = this.y();
    return (this.isSize() ? y.ticks(4) : [0, 0.5, 1]).map((at) => ({
      y: y(at),
      label: this.isSize() ? (at === 0 ? '0' : `${at > 0 ? '+' : '−'}${Math.abs(at)}`) : `${100 * at} %`,
    }));
  });
  protected readonly good = computed(() => {
    const within = GOOD_WORK[this.skill()].value;
    const [top, foot] = [this.y()(within), this.y()(this.isSize() ? -within : 0)];
    return { top, height: foot - top };
  });
  protected readonly says = computed(() => `${this.weeks().length} of the last ${WEEKS} weeks have answers`);
}
