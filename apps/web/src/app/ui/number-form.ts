import { ChangeDetectionStrategy, Component, ElementRef, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { NumberField } from './number-field';

/** One number with its label, the button that keeps it, and why it cannot be kept. Enter at the bench takes the field; once it is kept, the keys are those of the bench again. */
@Component({
  selector: 'peg-number-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, NumberField],
  template: `<form (submit)="submit($event)">
      <ng-content />
      <label [for]="field()">{{ label() }}</label>
      <mat-form-field class="field dense"
        ><input
          matInput
          data-edit
          [id]="field()"
          [step]="step()"
          [disabled]="disabled()"
          [pegNumber]="value()"
          (pegNumberChange)="valueChange.emit($event)"
      /></mat-form-field>
      @if (hint(); as says) {
        <span class="soft">{{ says }}</span>
      }
      <button matButton type="submit" class="quiet" [disabled]="disabled()">{{ does() }}</button>
    </form>
    @if (fault(); as says) {
      <p class="fault" role="alert">{{ says }}</p>
    }`,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px var(--space-2);
    }
    label {
      color: var(--ink-soft);
    }
    .field {
      width: 88px;
    }
    p {
      margin: 2px 0;
      line-height: 1.3;
    }
    .fault {
      color: var(--oxide);
    }
  `,
})
export class NumberForm {
  /** Id of the field, one in a page. */
  readonly field = input.required<string>();
  readonly label = input.required<string>();
  /** What the button says. */
  readonly does = input.required<string>();
  readonly value = input.required<number | null>();
  readonly step = input<number | 'any'>('any');
  readonly disabled = input(false);
  readonly hint = input<string | null>(null);
  readonly fault = input<string | null>(null);
  /** Keeps what stands in the field, and says whether it could. */
  readonly keep = input.required<() => Promise<boolean>>();
  readonly valueChange = output<number | null>();
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected async submit(submitted: Event): Promise<void> {
    submitted.preventDefault();
    if (await this.keep()()) this.element.querySelector<HTMLElement>('input[data-edit]')?.blur();
  }
}
