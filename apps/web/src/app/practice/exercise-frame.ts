import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Verdict } from './verdict';

/** What is asked, on what; beside it the number that came of it, once it was answered. */
@Component({
  selector: 'peg-exercise-frame',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <header>
      <div>
        <h2>{{ asks() }}</h2>
        <p class="soft">{{ on() }}</p>
        <ng-content select="[ways]" />
      </div>
      @if (result(); as result) {
        <p class="result" role="status" [class.good]="result.good">
          <b>{{ result.value }}</b><span>{{ result.says }}</span>
        </p>
      }
    </header>
    <ng-content />
  `,
  styles: `
    :host {
      display: block;
      padding: var(--space-3) var(--space-4);
    }
    header {
      display: flex;
      justify-content: space-between;
      gap: var(--space-4);
      min-height: 96px;
    }
    h2 {
      font-size: 20px;
    }
    header p {
      margin: 2px 0 var(--space-2);
      font-size: 15px;
    }
    .result {
      display: flex;
      align-items: start;
      gap: var(--space-3);
      max-width: 320px;
      color: var(--brass);
    }
    .result b {
      font: 600 52px/1 var(--face);
      white-space: nowrap;
    }
    .result span {
      min-width: 110px;
      color: var(--ink);
      line-height: 1.35;
    }
    .good {
      color: var(--felt);
    }
  `,
})
export class ExerciseFrame {
  readonly asks = input.required<string>();
  readonly on = input('');
  readonly result = input<Verdict | null>(null);
}
