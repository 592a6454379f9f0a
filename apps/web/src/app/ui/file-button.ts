import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** Picks one file of the device. */
@Component({
  selector: 'peg-file-button',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<label>
    {{ label() }}
    <input type="file" [accept]="accept()" (change)="pick($event)" />
  </label>`,
  styles: `
    input {
      position: absolute;
      width: 1px;
      height: 1px;
      opacity: 0;
    }
    label {
      display: inline-block;
      padding: 8px 14px;
      border: 1px solid var(--line-strong);
      border-radius: 3px;
      font-weight: 600;
      cursor: pointer;
    }
    label:focus-within {
      outline: 3px solid var(--brass-line);
      outline-offset: 2px;
    }
  `,
})
export class FileButton {
  readonly label = input.required<string>();
  /** Endings and types, as the `accept` of a file input. */
  readonly accept = input.required<string>();
  readonly picked = output<File>();

  protected pick(event: Event): void {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    field.value = ''; // the same file, mended, can be picked again
    if (file !== undefined) this.picked.emit(file);
  }
}
