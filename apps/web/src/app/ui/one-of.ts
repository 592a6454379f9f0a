import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatChipsModule, type MatChipSelectionChange } from '@angular/material/chips';

export interface Choice<Value> {
  value: Value;
  /** As it stands on the chip. */
  label: string;
  /** As it is read out, where the chip is too small for it. */
  says?: string;
}

/** One of a few values, all in sight: a press takes one, and there is always one taken. */
@Component({
  selector: 'peg-one-of',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatChipsModule],
  template: `
    <mat-chip-listbox hideSingleSelectionIndicator [aria-label]="about()">
      @for (choice of choices(); track choice.value) {
        <mat-chip-option
          [aria-label]="choice.says ?? choice.label"
          [selected]="choice.value === value()"
          (selectionChange)="take($event, choice.value)"
          >{{ choice.label }}</mat-chip-option
        >
      }
    </mat-chip-listbox>
  `,
})
export class OneOf<Value> {
  readonly about = input.required<string>();
  readonly choices = input.required<readonly Choice<Value>[]>();
  readonly value = input.required<Value>();
  readonly picked = output<Value>();

  protected take({ isUserInput, selected, source }: MatChipSelectionChange, value: Value): void {
    if (!isUserInput) return;
    if (selected) this.picked.emit(value);
    else source.select();
  }
}
