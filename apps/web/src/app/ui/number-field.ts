import { Directive, effect, ElementRef, inject, input, output } from '@angular/core';

/**
 * A number that is typed, null where there is none yet. While somebody types nothing else writes there: '.' and '-' are no numbers yet, and who begins with them
 * means to go on.
 */
@Directive({ selector: 'input[pegNumber]', host: { type: 'number', '(input)': 'typed()', '(blur)': 'left()' } })
export class NumberField {
  readonly pegNumber = input.required<number | null>();
  readonly pegNumberChange = output<number | null>();
  private readonly field = inject<ElementRef<HTMLInputElement>>(ElementRef).nativeElement;
  private typing = false;

  constructor() {
    effect(() => {
      const value = this.pegNumber();
      if (!this.typing) this.show(value);
    });
  }

  protected typed(): void {
    this.typing = document.activeElement === this.field;
    const value = this.field.valueAsNumber;
    this.pegNumberChange.emit(Number.isNaN(value) ? null : value);
  }

  protected left(): void {
    this.typing = false;
    this.show(this.pegNumber());
  }

  private show(value: number | null): void {
    this.field.value = value === null || Number.isNaN(value) ? '' : String(value);
  }
}
