import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

/** What failed, what is safe, and what to do. */
@Component({
  selector: 'peg-trouble',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `<div role="alert">
    <p>{{ says() }}</p>
    <button matButton type="button" class="quiet" (click)="again.emit()">Try again</button>
  </div>`,
  styles: `
    div {
      margin: var(--space-4) var(--space-5);
      padding: var(--space-3) var(--space-4);
      border-left: 5px solid var(--oxide);
      background: var(--oxide-paper);
    }
    p {
      margin: 0;
    }
  `,
})
export class Trouble {
  readonly says = input.required<string>();
  readonly again = output();
}
