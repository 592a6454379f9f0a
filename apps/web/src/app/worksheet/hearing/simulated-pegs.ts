import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { tuningWays } from '@gold-peg/craft/methods';
import { WorksheetDesk } from '../desk';
import { SimulatedInstrument } from './simulated-instrument';

/** A hand turns a button as finely as this, or by so many cents where that is finer; never by more than counts as in tune. */
const FINE = { turns: 4 / 360, cents: 2.5 };
const COARSE = 30 / 360;
/** The same of a fine tuner: fifteen degrees are a cent or two. */
const FINE_TUNER = { fine: 15 / 360, coarse: 1 / 4 };

/** The peg, the pick and the hand of the instrument that is simulated, on the string in hand. */
@Component({
  selector: 'peg-simulated-pegs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  host: { '(document:keydown)': 'press($event)' },
  template: `
    @if (instrument.isOff(desk.lane())) {
      <span class="soft">String {{ desk.lane() + 1 }} is off: nothing to turn yet.</span>
    } @else {
      @if (instrument.isBroken(desk.lane())) {
        <span class="gone">String {{ desk.lane() + 1 }} broke: say so with <b>X</b>, and begin again with another.</span>
      }
      @if (instrument.nutIsShut()) {
        <span class="soft">The nut is clamped: its fine tuner turns.</span>
      }
      @for (each of turns(); track each.label) {
        <button
          matButton
          type="button"
          class="quiet"
          [attr.aria-label]="(instrument.nutIsShut() ? 'Turn the fine tuner ' : 'Turn the button ') + each.label"
          (click)="turn(each.turns)"
        >
          {{ each.label }}
        </button>
      }
      <b class="keys">↑ ↓</b>
      <button matButton type="button" class="quiet" (click)="instrument.pluck(desk.lane())">pluck <b>A</b></button>
      <button matButton type="button" class="quiet" (click)="instrument.stretch(desk.lane())">stretch <b>D</b></button>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0 8px;
      font-size: 15px;
      white-space: nowrap;
    }
    .keys {
      color: var(--ink-soft);
    }
    .gone {
      color: var(--oxide);
    }
    .soft,
    .gone {
      flex-basis: 100%;
      white-space: normal;
    }
  `,
})
export class SimulatedPegs {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly instrument = inject(SimulatedInstrument);
  private readonly fine = computed(() => {
    if (this.instrument.nutIsShut()) return FINE_TUNER.fine;
    const plan = this.desk.planInHand();
    const { tolerance } = tuningWays(this.desk.choices());
    return plan?.kind === 'post' ? Math.min(FINE.turns, Math.min(FINE.cents, tolerance) / plan.centsPerButtonTurn) : FINE.turns;
  });
  /** Turns of the button at one press. */
  protected readonly turns = computed(() => {
    const [fine, degrees] = [this.fine(), `${Number((360 * this.fine()).toPrecision(1))}°`];
    return [
      { turns: -fine, label: `−${degrees}` },
      { turns: fine, label: `+${degrees}` },
      ...(this.instrument.nutIsShut() ? [] : [{ turns: COARSE, label: '+30°' }]),
      { turns: 1, label: '+1 turn' },
    ];
  });

  private readonly coarse = computed(() => (this.instrument.nutIsShut() ? FINE_TUNER.coarse : COARSE));

  protected turn(turns: number): void {
    this.instrument.turn(this.desk.lane(), turns);
  }

  /** Up and down turn the button finely, coarsely with Shift; the letters pluck and stretch. */
  protected press(event: KeyboardEvent): void {
    const [target, key] = [event.target as HTMLElement | null, event.key.toLowerCase()];
    if (
      event.ctrlKey ||
      event.altKey ||
      event.metaKey ||
      event.defaultPrevented ||
      target?.closest?.('input, textarea, mat-select, [role=listbox]') != null
    )
      return;
    if (key === 'arrowup') this.turn(event.shiftKey ? this.coarse() : this.fine());
    else if (key === 'arrowdown') this.turn(event.shiftKey ? -this.coarse() : -this.fine());
    else if (key === 'a' && !event.repeat) this.instrument.pluck(this.desk.lane());
    else if (key === 'd' && !event.repeat) this.instrument.stretch(this.desk.lane());
    else return;
    event.preventDefault();
  }
}
