import { ChangeDetectionStrategy, Component, effect, ElementRef, inject, input, output } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { heldBy } from '../form';

/** One number with its label, the button that keeps it, and why it cannot be kept. Enter at the bench takes the field; once it is kept, the keys are those of the bench again. */
@Component({
  selector: 'peg-number-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, ReactiveFormsModule],
  template: `<form [formGroup]="form" (ngSubmit)="submit()">
    <ng-content />
    <label [for]="field()">{{ label() }}</label>
    <mat-form-field class="field dense says-beneath"
      ><input
        #number
        matInput
        type="number"
        data-edit
        formControlName="number"
        [id]="field()"
        [step]="step()"
        (input)="typing = number.matches(':focus')"
        (blur)="left()"
      /><mat-error role="alert">{{ fault() }}</mat-error></mat-form-field
    >
    @if (hint(); as says) {
      <span class="soft">{{ says }}</span>
    }
    <button matButton type="submit" class="quiet" [disabled]="disabled()">{{ does() }}</button>
  </form>`,
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
      --field: 88px;
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
  protected readonly form = new FormGroup({
    number: new FormControl<number | null>(
      null,
      heldBy(() => this.fault()),
    ),
  });
  /** While somebody types nothing else writes there: '.' and '-' are no numbers yet, and who begins with them means to go on. */
  protected typing = false;
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    const { number } = this.form.controls;
    number.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => this.valueChange.emit(value));
    effect(() => this.show(this.value()));
    effect(() => (this.disabled() ? number.disable({ emitEvent: false }) : number.enable({ emitEvent: false })));
    effect(() => {
      if (this.fault() !== null) number.markAsTouched();
      number.updateValueAndValidity({ emitEvent: false });
    });
  }

  protected async submit(): Promise<void> {
    if (await this.keep()()) this.element.querySelector<HTMLElement>('input[data-edit]')?.blur();
  }

  protected left(): void {
    this.typing = false;
    this.show(this.value());
  }

  private show(value: number | null): void {
    if (!this.typing) this.form.controls.number.setValue(value, { emitEvent: false });
  }
}
