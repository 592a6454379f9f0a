import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Instrument } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import type { Lane } from '../lane/lane';
import { Drag, type Dragged } from '../ui/drag';
import { frameOf } from './frame';
import { layOutHeadstock } from './headstock-layout';
import type { HeadstockRequest } from './headstock-picture';

/** Where a post was dragged to, mm on the face. */
export interface MovedPost {
  index: number;
  alongMm: number;
  sidewaysMm: number;
}

/** The headstock to scale, its strings fanned out to their lanes. */
@Component({
  selector: 'peg-headstock',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drag],
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
  /** Posts on which nothing lies. */
  readonly bare = input<readonly boolean[]>([]);
  readonly width = input.required<number>();
  readonly height = input.required<number>();
  readonly laneCentres = input.required<readonly number[]>();
  readonly turned = input(false);
  /** Posts and trees can be dragged; the scale is taken from `framedBy` meanwhile. */
  readonly editable = input(false);
  readonly framedBy = input<Instrument>();
  readonly picked = output<number>();
  readonly postMoved = output<MovedPost>();
  readonly treeMoved = output<{ index: number; alongMm: number }>();
  readonly dropped = output();

  private readonly request = computed<HeadstockRequest>(() => {
    const framedBy = this.framedBy();
    return framedBy === undefined ? this.shown() : { ...this.shown(), framedBy };
  });
  private readonly shown = computed<HeadstockRequest>(() => ({
    instrument: this.instrument(),
    lanes: this.lanes(),
    plans: this.plans(),
    planInHand: this.planInHand(),
    inHand: this.inHand(),
    done: this.done(),
    bare: this.bare(),
    width: this.width(),
    height: this.height(),
    laneCentres: this.laneCentres(),
    turned: this.turned(),
  }));
  protected readonly picture = computed(() => layOutHeadstock(this.request()));
  protected readonly viewBox = computed(() => `0 0 ${this.width()} ${this.height()}`);
  protected readonly cutAnchor = computed(() => (this.turned() ? 'start' : 'end'));
  protected movePost(index: number, { x, y }: Dragged): void {
    const [alongMm, sidewaysMm] = frameOf(this.request()).toFace(x, y);
    this.postMoved.emit({ index, alongMm, sidewaysMm });
  }

  protected moveTree(index: number, { x, y }: Dragged): void {
    this.treeMoved.emit({ index, alongMm: frameOf(this.request()).toFace(x, y)[0] });
  }

  protected readonly label = computed(
    () => `Headstock to scale, ${this.picture().pxPerMm.toFixed(2)} px to the millimetre. String ${this.inHand() + 1} is in hand.`,
  );
}
