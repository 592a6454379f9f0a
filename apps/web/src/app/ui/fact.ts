import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** One fact of a header: a small label over its value. */
@Component({
  selector: 'peg-fact',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<dt>{{ label() }}</dt>
    <dd><ng-content /></dd>`,
  styles: `
    :host {
      display: block;
      white-space: nowrap;
    }
    dt {
      color: var(--ink-soft);
      font-size: 14px;
    }
    dd {
      margin: 0;
      font-weight: 600;
    }
  `,
})
export class Fact {
  readonly label = input.required<string>();
}
