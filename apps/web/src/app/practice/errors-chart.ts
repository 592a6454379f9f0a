import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { GOOD_WORK, LEARNING } from '@gold-peg/craft/constants';
import { standingOf } from '@gold-peg/craft/exercises';
import { measureOf, type Skill } from '@gold-peg/craft/skills';
import { scaleLinear } from 'd3';
import { PracticeLog } from './practice-log';
import { sayStanding, SKILL_WORDS } from './skill-words';

const [WIDE, HIGH] = [430, 150];
const [LEFT, RIGHT, TOP, BOTTOM] = [48, 14, 12, 12];

/** The last twenty answers of a skill: how far each was off, with the band in which most lie; or which were right. */
@Component({
  selector: 'peg-errors-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>
      Your last twenty <small>{{ unit() }}</small>
    </h3>
    @if (marks().length === 0) {
      <p class="soft">None yet: each answer is a mark here.</p>
    } @else {
      <svg [attr.viewBox]="'0 0 ' + WIDE + ' ' + HIGH" role="img" [attr.aria-label]="says()">
        <rect class="good" [attr.x]="LEFT" [attr.y]="good().top" [attr.width]="WIDE - LEFT - RIGHT" [attr.height]="good().height" />
        @if (band(); as band) {
          <line class="mean" [attr.x1]="LEFT" [attr.x2]="WIDE - RIGHT" [attr.y1]="band.mean" [attr.y2]="band.mean" />
          <rect class="band" [attr.x]="LEFT" [attr.y]="band.top" [attr.width]="WIDE - LEFT - RIGHT" [attr.height]="band.height" />
        }
        @for (tick of ticks(); track tick.label) {
          <text [attr.x]="LEFT - 8" [attr.y]="tick.y + 5">{{ tick.label }}</text>
          <line
            class="tick"
            [attr.x1]="LEFT - 4"
            [attr.x2]="tick.label === '0' ? WIDE - RIGHT : LEFT"
            [attr.y1]="tick.y"
            [attr.y2]="tick.y"
          />
        }
        @for (mark of marks(); track mark.x) {
          <circle
            [attr.cx]="mark.x"
            [attr.cy]="mark.y"
            [attr.r]="mark.last ? 7 : 4.5"
            [class.last]="mark.last"
            [class.wrong]="!mark.good"
          />
        }
      </svg>
      <p class="sum">{{ sum() }}</p>
    }
  `,
  styleUrl: './errors-chart.scss',
})
export class ErrorsChart {
  readonly skill = input.required<Skill>();
  private readonly log = inject(PracticeLog);

  protected readonly WIDE = WIDE;
  protected readonly HIGH = HIGH;
  protected readonly LEFT = LEFT;
  protected readonly RIGHT = RIGHT;
  private readonly isSize = computed(() => measureOf(this.skill()) === 'size');
  private readonly tries = computed(() =>
    this.log
      .tries()
      .filter(({ skill }) => skill === this.skill())
      .slice(-LEARNING.tries.value),
  );
  private readonly standing = computed(() => standingOf(this.skill(), this.log.tries()));
  /** Of sizes in their unit, about nought; of choices right at nought, wrong at one. */
  private readonly y = computed(() => {
    const most = this.isSize() ? Math.max(2.5 * GOOD_WORK[this.skill()].value, ...this.tries().map(({ off }) => Math.abs(off))) : 1;
    return this.isSize() ? scaleLinear([-most, most], [HIGH - BOTTOM, TOP]) : scaleLinear([1, 0], [HIGH - BOTTOM - 20, TOP + 20]);
  });
  protected readonly unit = computed(() => {
    const { unit } = SKILL_WORDS[this.skill()];
    return unit === '' ? '' : `off by, ${unit}`;
  });
  protected readonly ticks = computed(() => {
    const y = this.y();
    if (!this.isSize()) return [0, 1].map((wrong) => ({ y: y(wrong), label: wrong === 0 ? 'right' : 'wrong' }));
    return y.ticks(4).map((at) => ({ y: y(at), label: at === 0 ? '0' : `${at > 0 ? '+' : '−'}${Math.abs(at)}` }));
  });
  protected readonly good = computed(() => {
    const half = this.isSize() ? GOOD_WORK[this.skill()].value : 0;
    const top = this.y()(half);
    return { top, height: Math.max(0, this.y()(-half) - top) };
  });
  protected readonly band = computed(() => {
    const { bias, spread } = this.standing();
    if (bias === null || spread === null) return null;
    const [top, foot] = [this.y()(bias + spread), this.y()(bias - spread)];
    return { mean: this.y()(bias), top, height: Math.max(0, foot - top) };
  });
  protected readonly marks = computed(() => {
    const tries = this.tries();
    const x = scaleLinear([0, LEARNING.tries.value - 1], [LEFT + 12, WIDE - RIGHT - 12]);
    return tries.map(({ off, good }, index) => ({ x: x(index), y: this.y()(off), good, last: index === tries.length - 1 }));
  });
  protected readonly sum = computed(() => {
    const { bias, tries } = this.standing();
    const said = sayStanding(this.standing());
    if (this.isSize() && bias === null) return `${tries} so far: after ${LEARNING.least.value} there is something to say.`;
    if (!this.isSize()) return `${said.charAt(0).toUpperCase()}${said.slice(1)}.`;
    return said.startsWith('±') ? `Right on the whole, ${said}.` : `You ${SKILL_WORDS[this.skill()].verb} ${said}.`;
  });
  protected readonly says = computed(
    () => `${SKILL_WORDS[this.skill()].name}, the last ${this.tries().length}: ${sayStanding(this.standing())}`,
  );
}
