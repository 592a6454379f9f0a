import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatProgressBarModule } from '@angular/material/progress-bar';

/** What is being read; whoever waits longer than a glance sees that it goes on. */
@Component({
  selector: 'peg-under-way',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatProgressBarModule],
  template: `<p role="status">{{ says() }}</p>
    <mat-progress-bar mode="indeterminate" [attr.aria-label]="says()" />`,
  styles: `
    p {
      margin: 0;
      padding: var(--space-4) var(--space-5);
    }
    mat-progress-bar {
      animation: seen 0s 300ms backwards;
    }
    @keyframes seen {
      from {
        visibility: hidden;
      }
    }
  `,
})
export class UnderWay {
  readonly says = input.required<string>();
}
