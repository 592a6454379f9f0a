import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Instrument } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import type { Lane } from '../desk/lane';
import { layOutHeadstock } from './headstock-layout';

/** The headstock to scale, its strings fanned out to their lanes. */
@Component({
  selector: 'peg-headstock',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './headstock.html',
  styleUrl: './headstock.scss',
})
export class Headstock {
  readonly instrument = input.required<Instrument>();
  readonly lanes = input.required<readonly Lane[]>();
  readonly plans = input.required<readonly (WindPlan | null)[]>();
  readonly planInHand = input.required<WindPlan | null>();
  readonly inHand = input.required<number>();
  readonly done = input.required<readonly boolean[]>();
  readonly width = input.required<number>();
  readonly height = input.required<number>();
  readonly laneCentres = input.required<readonly number[]>();
  readonly picked = output<number>();

  protected readonly picture = computed(() =>
    layOutHeadstock({
      instrument: this.instrument(),
      lanes: this.lanes(),
      plans: this.plans(),
      planInHand: this.planInHand(),
      inHand: this.inHand(),
      done: this.done(),
      width: this.width(),
      height: this.height(),
      laneCentres: this.laneCentres(),
    }),
  );
  protected readonly viewBox = computed(() => `0 0 ${this.width()} ${this.height()}`);
  protected readonly label = computed(
    () => `Headstock to scale, ${this.picture().pxPerMm.toFixed(2)} px to the millimetre. String ${this.inHand() + 1} is in hand.`,
  );
}
