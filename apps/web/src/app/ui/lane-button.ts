import { Directive, input } from '@angular/core';

/** One string in a list of strings: pressed, it is in hand. What it shows of itself stands within. */
@Directive({
  selector: 'button[pegLane]',
  host: {
    type: 'button',
    'data-lane': '',
    '[class.in-hand]': 'pegLane().inHand',
    '[class.passed]': 'pegLane().done',
    '[class.apart]': 'pegLane().apart',
    '[attr.aria-pressed]': 'pegLane().inHand',
  },
})
export class LaneButton {
  readonly pegLane = input.required<{ inHand: boolean; done: boolean; apart: boolean }>();
}
