import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { scaleLinear } from 'd3';
import { signed } from '../bridge';
import { Drag, type Dragged } from '../ui/drag';
import { MeasuredWidth } from '../ui/measured-width';

export interface TriedRow {
  index: number;
  note: string;
  gauge: string;
  /** Cents from its note; null for a string that is off. */
  off: number | null;
  /** Cents to either side that its scale shows. */
  span: number;
}

/** One press of an arrow turns a string by so many cents, and by more with Shift. */
const NUDGE = { fine: 5, coarse: 50 };

/** Where each string of a tried bridge stands; each can be drawn elsewhere, and the others follow. */
@Component({
  selector: 'peg-tried-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drag, MeasuredWidth],
  template: `<ul>
    @for (row of rows(); track row.index) {
      <li>
        <b>{{ row.index + 1 }}</b>
        <span class="note">{{ row.note }}</span>
        <span>{{ row.gauge }}</span>
        <span class="scale" (pegWidth)="width.set($event)">
          <svg [attr.width]="width()" height="40" [attr.viewBox]="'0 0 ' + width() + ' 40'">
            <path class="base" [attr.d]="'M0 30H' + width()" />
            <path class="aim" [attr.d]="'M' + x()(0) + ' 8V34'" />
            @if (row.off !== null) {
              <g
                role="slider"
                tabindex="0"
                [attr.aria-label]="'String ' + (row.index + 1) + ', cents from its note'"
                [attr.aria-valuenow]="row.off.toFixed(0)"
                [attr.aria-valuemin]="-row.span"
                [attr.aria-valuemax]="row.span"
                [attr.aria-valuetext]="signed(row.off) + ' cents'"
                [pegDrag]="true"
                (pegDragged)="drag(row, $event)"
                (keydown)="nudge(row, $event)"
              >
                <rect class="touch" [attr.x]="x()(row.off) - 22" y="0" width="44" height="40" />
                <path class="mark" [attr.d]="'M' + x()(row.off) + ' 28l-8 -16h16z'" />
              </g>
            }
          </svg>
        </span>
        <b class="cents">{{ row.off === null ? 'off' : hangs(row.off) ? 'slack' : signed(row.off) + ' ¢' }}</b>
      </li>
    }
  </ul>`,
  styles: `
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 20px 48px 52px minmax(0, 1fr) 92px;
      align-items: center;
      gap: 8px;
      min-height: 44px;
      border-bottom: 1px solid var(--line);
    }
    .note {
      font-size: 18px;
      font-weight: 600;
    }
    .cents {
      text-align: right;
      font-size: 18px;
      font-variant-numeric: tabular-nums;
    }
    svg {
      display: block;
      overflow: visible;
    }
    .base {
      stroke: var(--line-strong);
    }
    .aim {
      stroke: var(--felt);
      stroke-width: 2.5;
    }
    .touch {
      fill: transparent;
      cursor: ew-resize;
    }
    .mark {
      fill: var(--brass);
      pointer-events: none;
    }
  `,
})
export class TriedLanes {
  readonly rows = input.required<readonly TriedRow[]>();
  readonly pitchTried = output<{ index: number; cents: number }>();
  /** Moved by a key, up above zero. */
  readonly pitchNudged = output<{ index: number; by: number }>();
  protected readonly signed = signed;
  protected readonly width = signal(300);
  protected readonly x = computed(() => {
    const span = this.rows()[0]?.span ?? 120;
    return scaleLinear([-span, span], [8, this.width() - 8]).clamp(true);
  });
  protected readonly hangs = (off: number): boolean => !Number.isFinite(off);

  protected drag({ index }: TriedRow, { x }: Dragged): void {
    this.pitchTried.emit({ index, cents: this.x().invert(x) });
  }

  protected nudge({ index, off }: TriedRow, event: KeyboardEvent): void {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by === undefined || off === null || this.hangs(off)) return;
    event.preventDefault();
    this.pitchNudged.emit({ index, by: by * (event.shiftKey ? NUDGE.coarse : NUDGE.fine) });
  }
}
