import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** The hand of somebody at the bench, as slack is measured with it. */
export interface Hand {
  name: string;
  /** Null where they never measured it: it is drawn as a typical one. */
  measured: boolean;
  fistMm: number;
  fingerMm: number;
}

const PX_PER_MM = 1;
const TOP_MM = 140;
const FOOT = TOP_MM * PX_PER_MM + 8;
const EACH_PX = 92;
const LEFT_PX = 46;
const TENS = Array.from({ length: 8 }, (_, index) => index * 20);

/** Fists on the bench beside a rule, a finger laid on each: so much room each hand makes under a string. */
@Component({
  selector: 'peg-hands-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + width() + ' ' + (FOOT + 30)"
      [attr.width]="width()"
      [attr.height]="FOOT + 30"
      role="img"
      [attr.aria-label]="says()"
    >
      <rect class="rule" x="2" y="8" width="30" [attr.height]="FOOT - 8" />
      @for (ten of TENS; track ten) {
        <line class="tick" x1="22" x2="32" [attr.y1]="FOOT - ten" [attr.y2]="FOOT - ten" />
        @if (ten % 40 === 0) {
          <text class="mm" x="20" [attr.y]="FOOT - ten + 4">{{ ten }}</text>
        }
      }
      <line class="bench" x1="0" [attr.x2]="width()" [attr.y1]="FOOT" [attr.y2]="FOOT" />
      @for (hand of drawn(); track hand.name) {
        <g [attr.transform]="'translate(' + hand.x + ',0)'" [class.guessed]="!hand.measured">
          <rect class="fist" x="0" [attr.y]="FOOT - hand.fist" width="44" [attr.height]="hand.fist" rx="9" />
          @for (knuckle of [1, 2, 3]; track knuckle) {
            <line
              class="knuckle"
              x1="6"
              x2="38"
              [attr.y1]="FOOT - (hand.fist * knuckle) / 4"
              [attr.y2]="FOOT - (hand.fist * knuckle) / 4 - 2"
            />
          }
          <rect class="finger" x="4" [attr.y]="FOOT - hand.fist - hand.finger" width="36" [attr.height]="hand.finger" rx="8" />
          <text class="size" x="22" [attr.y]="FOOT - hand.fist - hand.finger - 5">{{ hand.says }}</text>
          <text class="name" x="22" [attr.y]="FOOT + 20">{{ hand.name }}</text>
        </g>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      max-width: 100%;
      height: auto;
    }
    .rule {
      fill: var(--steel-rule-dark);
      stroke: var(--line-strong);
    }
    .tick {
      stroke: var(--ink-soft);
    }
    .mm {
      fill: var(--ink);
      font-size: 12px;
      text-anchor: end;
    }
    .bench {
      stroke: var(--wood-line);
      stroke-width: 3;
    }
    .fist,
    .finger {
      fill: var(--wood);
      stroke: var(--wood-line);
    }
    .guessed rect {
      fill: none;
      stroke-dasharray: 4 3;
    }
    .knuckle {
      stroke: var(--wood-line);
    }
    .size {
      fill: var(--ink);
      font-size: 14px;
      font-weight: 600;
      text-anchor: middle;
    }
    .name {
      fill: var(--ink);
      font: 600 15px var(--face-names);
      text-anchor: middle;
    }
  `,
})
export class HandsPicture {
  readonly hands = input.required<readonly Hand[]>();
  protected readonly FOOT = FOOT;
  protected readonly TENS = TENS;
  protected readonly width = computed(() => LEFT_PX + Math.max(1, this.hands().length) * EACH_PX);
  protected readonly drawn = computed(() =>
    this.hands().map(({ name, measured, fistMm, fingerMm }, index) => ({
      ...{ name, measured, fist: fistMm * PX_PER_MM, finger: fingerMm * PX_PER_MM, x: LEFT_PX + index * EACH_PX + 14 },
      says: measured ? `${Math.round(fistMm)} + ${Math.round(fingerMm)}` : 'not yet',
    })),
  );
  protected readonly says = computed(() =>
    this.hands()
      .map(({ name, measured, fistMm, fingerMm }) =>
        measured ? `${name}: fist ${Math.round(fistMm)} mm, finger ${Math.round(fingerMm)} mm` : `${name}: not measured`,
      )
      .join('; '),
  );
}
