import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { sayClock, StageClock, WorksheetDesk } from '../desk';
import { STAGE_NAMES } from '../stage-rule';

/** The clock of the stage that is open, with its button to stop it. */
@Component({
  selector: 'peg-clock-fact',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `<span class="facts">
      <small>{{ label() }}</small> <b>{{ spent() }}{{ clock.paused() ? ' stopped' : '' }}</b>
    </span>
    <button
      matButton
      type="button"
      class="quiet"
      [disabled]="desk.closed() || desk.startedAt() === null"
      [attr.aria-pressed]="clock.paused()"
      (click)="clock.toggle()"
    >
      {{ clock.paused() ? 'go on' : 'stop clock' }} <b>P</b>
    </button>`,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 8px;
      white-space: nowrap;
    }
    small {
      display: block;
      color: var(--ink-soft);
      font-size: 14px;
    }
    .facts b {
      font-weight: 600;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class ClockFact {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly clock = inject(StageClock);
  protected readonly spent = computed(() => sayClock(this.clock.spent()));
  protected readonly label = computed(() => {
    const expected = this.clock.expected();
    const name = STAGE_NAMES[this.desk.stage()];
    if (expected === null) return name;
    const [low, high] = [Math.max(1, Math.round(expected.low)), Math.max(1, Math.round(expected.high))];
    return `${name}, ${low === high ? `about ${low}` : `${low} to ${high}`} min`;
  });
}
