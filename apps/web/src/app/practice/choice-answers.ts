import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

export interface AnswerChoice<Value> {
  value: Value;
  label: string;
  detail?: string;
}

/** A few answers, each under its digit; once one was given the right one is marked, and the one that was not. */
@Component({
  selector: 'peg-choice-answers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    @for (choice of choices(); track choice.value; let index = $index) {
      <button
        matButton="outlined"
        type="button"
        [class.right]="right() === choice.value"
        [class.wrong]="chosen() === choice.value && right() !== null && right() !== choice.value"
        [disabled]="right() !== null"
        [disabledInteractive]="true"
        (click)="pick(choice.value)"
      >
        <kbd>{{ index + 1 }}</kbd>
        <span
          >{{ choice.label }}
          @if (choice.detail; as detail) {
            <small>{{ detail }}</small>
          }
        </span>
        @if (right() === choice.value) {
          <b>right</b>
        } @else if (chosen() === choice.value && right() !== null) {
          <b>yours</b>
        }
      </button>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
      gap: var(--space-3);
    }
    button {
      justify-content: start;
      height: auto;
      min-height: 50px;
      padding: var(--space-2) var(--space-3);
      text-align: start;
    }
    kbd {
      margin-right: var(--space-3);
      padding: 0 8px;
    }
    small {
      display: block;
      color: var(--ink-soft);
      font-size: 14px;
      font-weight: 400;
    }
    b {
      margin-left: var(--space-3);
    }
    .right {
      border-color: var(--felt);
      color: var(--felt);
    }
    .wrong {
      border-color: var(--oxide);
      color: var(--oxide);
    }
  `,
  host: { '(document:keydown)': 'press($event)' },
})
export class ChoiceAnswers<Value> {
  readonly choices = input.required<readonly AnswerChoice<Value>[]>();
  readonly chosen = input<Value | null>(null);
  /** Known once one was given. */
  readonly right = input<Value | null>(null);
  readonly picked = output<Value>();

  protected pick(value: Value): void {
    if (this.right() === null) this.picked.emit(value);
  }

  protected press(event: KeyboardEvent): void {
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
    if ((event.target as Element | null)?.closest('input, textarea, [role=listbox], [role=combobox]') != null) return;
    const choice = this.choices()[Number(event.key) - 1];
    if (choice !== undefined) this.pick(choice.value);
  }
}
