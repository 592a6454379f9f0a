import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { BenchLog } from '../bench-log/bench-log';
import { Api } from '../server/api';

/** Says quietly how many steps wait on this device, and loudly only what the server refused. */
@Component({
  selector: 'peg-waiting-sign',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div role="status">
      @if (away() || waiting() > 0) {
        <span class="sign" data-testid="waiting">
          @if (waiting() > 0) {
            <b>{{ waiting() }}</b> {{ waiting() === 1 ? 'step waits' : 'steps wait' }} on this device
          }
          @if (away()) {
            {{ waiting() > 0 ? '· ' : '' }}the server is away, work goes on
          }
        </span>
      }
      @if (refused().length > 0) {
        <span class="sign refused">
          {{ refused().length }} refused: {{ refused()[0]?.says }}
          <button type="button" class="quiet" (click)="log.dismissRefused()">put away</button>
        </span>
      }
    </div>
  `,
  styles: `
    div {
      position: fixed;
      right: var(--space-3);
      bottom: var(--space-2);
      display: grid;
      gap: var(--space-1);
      justify-items: end;
      z-index: 10;
    }
    .sign {
      padding: var(--space-1) var(--space-3);
      border: 1px solid var(--line-strong);
      border-left: 5px solid var(--watch);
      background: var(--paper);
      color: var(--ink);
      font-size: 15px;
    }
    .refused {
      border-left-color: var(--oxide);
    }
  `,
})
export class WaitingSign {
  protected readonly log = inject(BenchLog);
  protected readonly away = inject(Api).away;
  protected readonly waiting = computed(() => this.log.waiting().length);
  protected readonly refused = this.log.refused;
}
