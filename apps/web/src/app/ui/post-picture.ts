import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { PostPlan } from '@gold-peg/craft/procedure';
import { toMillimetres } from '@gold-peg/craft/units';

/** A millimetre of the post on the picture. */
const PX_PER_MM = 5;
/** A thicker post is drawn smaller, so that string can be seen leaving it. */
const WIDEST = 36;
const WIDTH = 58;
const HEIGHT = 92;
/** Where the hole is, from the foot of the picture. */
const HOLE_MM = 11;

/** A post from the side with the turns that lie on it, post and string to scale: turns above the hole, and those below it down to where the string leaves. */
@Component({
  selector: 'peg-post-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + WIDTH + ' ' + HEIGHT"
      [attr.width]="WIDTH"
      [attr.height]="HEIGHT"
      aria-hidden="true"
      [class.wound]="wound()"
    >
      @let p = picture();
      <rect class="post" [attr.x]="p.left" y="6" [attr.width]="p.width" [attr.height]="HEIGHT - 12" rx="3" />
      <circle class="hole" [attr.cx]="p.left + p.width / 2" [attr.cy]="p.hole" r="3.5" />
      @for (turn of p.turns; track $index) {
        <line
          class="turn"
          [attr.x1]="p.left - 3"
          [attr.x2]="p.left + p.width * turn.share + 3"
          [attr.y1]="turn.y"
          [attr.y2]="turn.y + p.thick * 0.6"
          [attr.stroke-width]="p.thick"
        />
      }
      <line
        class="turn"
        [attr.x1]="p.left + p.width"
        [attr.x2]="WIDTH"
        [attr.y1]="p.leaves"
        [attr.y2]="p.leaves + 3"
        [attr.stroke-width]="p.thick"
      />
    </svg>
  `,
  styles: `
    svg {
      display: block;
    }
    .post {
      fill: var(--steel-rule-dark);
      stroke: var(--line-strong);
    }
    .hole {
      fill: var(--ink);
    }
    .wound .turn {
      stroke: var(--bronze);
    }
    .turn {
      stroke: var(--steel);
      stroke-linecap: round;
    }
  `,
})
export class PostPicture {
  readonly plan = input.required<PostPlan>();
  readonly wound = input(false);
  protected readonly WIDTH = WIDTH;
  protected readonly HEIGHT = HEIGHT;

  protected readonly picture = computed(() => {
    const { geometry, wind, methods } = this.plan();
    const diameter = toMillimetres(geometry.postDiameter);
    const k = Math.min(PX_PER_MM, WIDEST / diameter);
    const width = diameter * k;
    const thick = Math.max(1.5, toMillimetres(geometry.stringDiameter) * k);
    const hole = HEIGHT - HOLE_MM * k;
    const whole = Math.max(0, wind.turns);
    const above = Math.min(methods.turnsAbove, whole);
    const below = whole - above;
    const row = (at: number, share: number) => ({ y: hole + at * (thick + 0.8), share });
    const turns = [
      ...Array.from({ length: Math.ceil(above) }, (_, index) => row(-(index + 1), 1)),
      ...Array.from({ length: Math.ceil(below) }, (_, index) => row(index + 1, Math.min(1, below - index))),
    ];
    return {
      left: 8,
      width,
      thick,
      hole,
      turns,
      leaves: methods.leavesAbove ? hole - thick : hole + Math.max(1, Math.ceil(below)) * (thick + 0.8),
    };
  });
}
