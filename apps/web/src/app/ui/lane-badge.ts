import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** A string's number in its ring: filled brass while in hand, felt green with a tick mark once done. */
@Component({
  selector: 'peg-lane-badge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<span [class]="state()">{{ number() }}</span>`,
  styles: `
    span {
      display: grid;
      place-items: center;
      width: 30px;
      height: 30px;
      box-sizing: border-box;
      border: 2px solid var(--ink);
      border-radius: 50%;
      font-weight: 600;
      font-size: 15px;
      line-height: 1;
    }
    .in-hand {
      border-color: var(--brass);
      background: var(--brass);
      color: var(--on-brass);
    }
    .done {
      border-color: var(--felt);
      background: var(--felt);
      color: var(--paper);
    }
  `,
})
export class LaneBadge {
  readonly number = input.required<number>();
  readonly state = input<'open' | 'in-hand' | 'done'>('open');
}
