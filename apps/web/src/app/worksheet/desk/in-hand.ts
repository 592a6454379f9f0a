import { Injectable, signal } from '@angular/core';
import type { Stage } from '@gold-peg/craft/stages';

/** What somebody has in hand at a worksheet. */
@Injectable()
export class InHand {
  /** The lane, zero-based. */
  readonly lane = signal(0);
  readonly stage = signal<Stage>('choose');
}
