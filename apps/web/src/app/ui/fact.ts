import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** One fact of a header: a small label over its value. */
@Component({
  selector: 'peg-fact',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<small>{{ label() }}</small> <b><ng-content /></b>`,
  styles: `
    :host {
      display: block;
      white-space: nowrap;
    }
    small {
      display: block;
      color: var(--ink-soft);
      font-size: 14px;
    }
    b {
      font-weight: 600;
    }
  `,
})
export class Fact {
  readonly label = input.required<string>();
}
