import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

const SHOWN = 8;
const HEIGHT = 22;

/** What the latest rounds of a string cost, as bars no wider than a word; the numbers stand beside them. */
@Component({
  selector: 'peg-drop-bars',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg [attr.width]="8 * bars().length" [attr.height]="height" aria-hidden="true">
    @for (bar of bars(); track $index) {
      <rect [attr.x]="8 * $index" [attr.y]="height - bar" width="6" [attr.height]="bar" />
    }
  </svg>`,
  styles: `
    svg {
      display: block;
    }
    rect {
      fill: currentColor;
    }
  `,
})
export class DropBars {
  readonly drops = input.required<readonly number[]>();
  protected readonly height = HEIGHT;
  /** Heights, px; a round that cost nothing leaves a hairline. */
  protected readonly bars = computed(() => {
    const shown = this.drops().slice(-SHOWN);
    const most = Math.max(10, ...shown);
    return shown.map((drop) => Math.max(1, (HEIGHT * drop) / most));
  });
}
