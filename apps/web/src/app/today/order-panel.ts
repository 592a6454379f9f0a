import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Day } from '@gold-peg/contract/day';
import { Api } from '../server/api';
import { NewThing } from '../server/new-thing';
import { sayProblem } from '../server/server-problem';

/** Parts that jobs wait for and nobody ordered: every hour that they are not is an hour later. */
@Component({
  selector: 'peg-order-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `<h2 id="order-heading">To order today</h2>
    <ul>
      @for (part of parts(); track part.id) {
        <li>{{ part.amount }} × {{ part.name }}</li>
      }
    </ul>
    <button matButton type="button" class="quiet" [disabled]="busy()" (click)="order()">
      order {{ parts().length === 1 ? 'it' : 'them' }}
    </button>
    @if (fault(); as says) {
      <p class="fault" role="alert">{{ says }}</p>
    }`,
  styles: `
    h2 {
      margin: 0;
      font-size: 17px;
    }
    ul {
      margin: 4px 0;
      padding: 0;
      list-style: none;
    }
    .fault {
      color: var(--oxide);
    }
  `,
  host: { role: 'region', 'aria-labelledby': 'order-heading' },
})
export class OrderPanel {
  readonly parts = input.required<Day['toOrder']>();
  readonly ordered = output();

  private readonly api = inject(Api);
  private readonly newOrder = new NewThing();
  protected readonly busy = this.newOrder.busy;
  protected readonly fault = signal<string | null>(null);

  protected async order(): Promise<void> {
    this.fault.set(null);
    const lines = this.parts().map(({ kind, id, amount }) => ({ kind, id, amount }));
    try {
      const placed = await this.newOrder.make((id) => this.api.call('placeOrder', { body: { id, lines } }));
      if (placed !== null) this.ordered.emit();
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }
}
