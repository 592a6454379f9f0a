import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Mark } from '@gold-peg/craft/strings';
import { MARK_COLOURS } from './mark-colours';

/** The mark of a packet or ball end: its colour, and the word for it. */
@Component({
  selector: 'peg-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (mark(); as colour) {
    <i [style.background]="colours[colour]"></i>{{ colour }}
  }`,
  styles: `
    :host {
      white-space: nowrap;
    }
    i {
      display: inline-block;
      width: 12px;
      height: 12px;
      margin-right: 6px;
      border: 1px solid var(--ink);
      border-radius: 50%;
      vertical-align: -1px;
    }
  `,
})
export class MarkSwatch {
  protected readonly colours = MARK_COLOURS;
  readonly mark = input.required<Mark | null>();
}
