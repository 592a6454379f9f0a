import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { FLOATING } from '@gold-peg/craft/constants';
import { measured } from '@gold-peg/contract/bench-log';
import { faultOf } from '../../form';
import { scaleLinear } from 'd3';
import { MeasuredWidth } from '../../ui/measured-width';
import { NumberForm } from '../../ui/number-form';
import { Drafts, WorksheetDesk } from '../desk';
import { BridgeDesk } from '../bridge';
import { sayNarrows } from '../../bridge';

/** N/mm that the scale of the springs shows. */
const RATES = [0.5, 2.75] as const;

/** What the numbers of a bridge rest on: its springs, as they were learned, and how level it stands. */
@Component({
  selector: 'peg-springs-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MeasuredWidth, NumberForm],
  template: `
    <div class="rate">
      <span
        ><b>{{ rate() }}</b> N/mm each<br /><small>{{ basis() }}</small></span
      >
      <div (pegWidth)="width.set($event)">
        <svg [attr.width]="width()" height="46" [attr.viewBox]="'0 0 ' + width() + ' 46'" aria-hidden="true">
          <rect class="usual" [attr.x]="x()(usual.low)" y="10" [attr.width]="x()(usual.high) - x()(usual.low)" height="12" />
          @if (band(); as at) {
            <rect class="known" [attr.x]="x()(at.low)" y="10" [attr.width]="x()(at.high) - x()(at.low)" height="12" />
            <path [attr.d]="'M' + x()(at.likely) + ' 6v20'" />
          }
          @for (tick of TICKS; track tick) {
            <path class="tick" [attr.d]="'M' + x()(tick) + ' 22v5'" />
            <text [attr.x]="x()(tick)" y="40">{{ tick }}</text>
          }
        </svg>
      </div>
    </div>
    <p>
      @if ((bridge.springs()?.strange ?? 0) > 0) {
        What was heard last fits no springs: was another string turned meanwhile? Hear all again.
      }
      {{ narrows() }}
      <button matButton type="button" class="quiet" [disabled]="desk.closed() || bridge.learning()" (click)="bridge.learning.set(true)">
        {{ bridge.learning() ? 'lower the lowest string' : 'try them …' }}
      </button>
    </p>
    @if (bridge.levelIsNoted()) {
      <peg-number-form
        field="level"
        [label]="end() === 'bridge-level' ? 'back edge over the body, mm' : 'and at its treble end, mm'"
        does="note it"
        [disabled]="desk.closed()"
        [value]="height.value().mm"
        [fault]="height.value().fault"
        [keep]="keepHeight"
        (valueChange)="height.type({ mm: $event, fault: null })"
      />
    } @else {
      <p class="soft">How high it stood level was not noted before the strings came off: its tilt cannot be taken from a height.</p>
    }
  `,
  styles: `
    .rate {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 0 var(--space-3);
      align-items: start;
    }
    b {
      font-size: 20px;
    }
    small,
    p {
      font-size: 15px;
      line-height: 1.3;
    }
    small {
      color: var(--ink-soft);
    }
    p {
      margin: 2px 0;
    }
    .usual {
      fill: var(--paper-deep);
      stroke: var(--line-strong);
    }
    .known {
      fill: var(--felt);
    }
    path {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .tick {
      stroke: var(--line-strong);
      stroke-width: 1;
    }
    text {
      fill: var(--ink-soft);
      font-size: 13px;
      text-anchor: middle;
    }
  `,
})
export class SpringsPanel {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly bridge = inject(BridgeDesk);
  protected readonly TICKS = [0.5, 1, 1.5, 2, 2.5];
  protected readonly usual = FLOATING.springRate;
  protected readonly width = signal(200);
  protected readonly x = computed(() => scaleLinear(RATES, [8, this.width() - 8]).clamp(true));
  protected readonly band = computed(() => {
    const rate = this.bridge.springs()?.rate;
    return rate === undefined ? null : { low: rate.low / 1000, likely: rate.likely / 1000, high: rate.high / 1000 };
  });
  protected readonly rate = computed(() => (this.band()?.likely ?? this.usual.value).toFixed(2));
  protected readonly basis = computed(() => {
    const [band, springs, before] = [this.band(), this.bridge.springs(), this.bridge.before()];
    if (band === null || springs === null) return 'reckoning …';
    const trials = springs.count + (before?.trials ?? 0);
    const range = `${band.low.toFixed(2)} to ${band.high.toFixed(2)}`;
    return trials === 0 ? `usual springs, ${range}` : `learned, ${range} (${trials} ${trials === 1 ? 'trial' : 'trials'})`;
  });
  protected readonly narrows = computed(() => sayNarrows(this.bridge.foreseen()?.foreseen.narrows ?? null));
  protected readonly height = inject(Drafts).draft<{ mm: number | null; fault: string | null }>(
    () => 'back edge',
    () => ({ mm: null, fault: null }),
  );

  /** Which end of the back edge is measured next: the treble end once the bass end was. */
  protected readonly end = computed(() => {
    const last = this.desk.sheet().onBridge.at(-1);
    return last?.kind === 'measured' && last.payload.what === 'bridge-level' ? ('bridge-level-treble' as const) : ('bridge-level' as const);
  });

  protected readonly keepHeight = async (): Promise<boolean> => {
    const { mm } = this.height.value();
    const payload = { what: this.end(), valueMm: mm ?? Number.NaN };
    const read = measured.safeParse(payload);
    const asked = 'Type the height of the back edge over the body, mm.';
    const fault = mm === null ? asked : read.success ? null : `Height, ${mm} mm, ${faultOf(read.error)}.`;
    if (fault !== null) {
      this.height.type({ mm, fault });
      return false;
    }
    const forget = this.height.forgetter();
    await this.desk.happens({ kind: 'measured', payload });
    forget();
    return true;
  };
}
