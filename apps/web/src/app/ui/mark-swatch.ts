import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Mark } from '@gold-peg/craft/strings';

/** The mark of a packet or ball end: its colour, and the word for it. */
@Component({
  selector: 'peg-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (mark(); as colour) {
    <i [class]="colour"></i>{{ colour }}
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
    .chalk {
      background: #f4f1e8;
    }
    .straw {
      background: #e3c766;
    }
    .rust {
      background: #a8502c;
    }
    .plum {
      background: #6d3b63;
    }
    .moss {
      background: #5f7a3a;
    }
    .teal {
      background: #2b7f83;
    }
    .slate {
      background: #66737f;
    }
    .coal {
      background: #24211f;
    }
  `,
})
export class MarkSwatch {
  readonly mark = input.required<Mark | null>();
}
