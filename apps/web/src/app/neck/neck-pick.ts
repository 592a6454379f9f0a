import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { InstrumentSummary } from '@gold-peg/contract/register';
import type { NECK_CHOICES } from '../ui/neck-choices';
import { RegisterPick } from './register-pick';

/** An instrument to try something on: any of its kind, or one of the register. */
@Component({
  selector: 'peg-neck-pick',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatInputModule, MatSelectModule, RegisterPick],
  template: `<span class="pick wide">
      <label id="neck-label" for="neck-label-pick">On</label>
      <mat-form-field class="field"
        ><mat-select id="neck-label-pick" aria-labelledby="neck-label" [value]="value()" (selectionChange)="picked.emit($event.value)">
          <mat-optgroup label="any of its kind">
            @for (kind of kinds(); track kind.id) {
              <mat-option [value]="kind.id">{{ kind.name }}, {{ kind.scaleMm }} mm</mat-option>
            }
          </mat-optgroup>
          <mat-optgroup label="an instrument of the register">
            @if (taken(); as instrument) {
              <mat-option [value]="instrument.id">{{ instrument.name }}</mat-option>
            }
          </mat-optgroup>
        </mat-select></mat-form-field
      >
    </span>
    <peg-register-pick class="pick" label="or of the register" (picked)="take($event)" />`,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class NeckPick {
  readonly kinds = input.required<typeof NECK_CHOICES>();
  /** Id of the kind or of the instrument. */
  readonly value = input.required<string>();
  readonly picked = output<string>();

  protected readonly taken = signal<InstrumentSummary | null>(null);

  protected take(found: InstrumentSummary): void {
    this.taken.set(found);
    this.picked.emit(found.id);
  }
}
