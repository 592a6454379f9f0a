import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { evenest, isDone, mostApart, sideLoads } from '@gold-peg/craft/bench-run';
import type { Newtons } from '@gold-peg/craft/units';
import { scaleBand, scaleLinear } from 'd3';
import { Measures, say } from '../../preferences/measures';
import { MeasuredWidth } from '../../ui/measured-width';
import { WorksheetDesk } from '../desk';
import { WindDialogs } from '../wind';
import { sayOrder } from './reading-words';

const HEIGHT = 122;
const TOP = 26;
/** Room for the numbers at the left of the bars. */
const LEFT = 64;

/** In which order strings come up, and how evenly that loads the two sides of the bridge from step to step. */
@Component({
  selector: 'peg-up-order',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MeasuredWidth],
  templateUrl: './up-order.html',
  styleUrl: './up-order.scss',
})
export class UpOrder {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly dialogs = inject(WindDialogs);
  private readonly measures = inject(Measures);
  protected readonly width = signal(400);
  protected readonly HEIGHT = HEIGHT;

  private readonly pulls = computed(() => this.desk.plans().flatMap((plan) => (plan === null ? [] : [plan.load.pull])));
  private readonly steps = computed(() =>
    (this.desk.run()?.steps ?? []).flatMap((step) =>
      step.stage === 'bring-up' && step.string !== null ? [{ stage: step.stage, string: step.string, firstPass: step.firstPass }] : [],
    ),
  );
  private readonly loads = computed(() => sideLoads(this.steps(), this.pulls()));
  private readonly most = computed(() => this.loads().reduce((most, { treble, bass }) => Math.max(most, treble, bass), 1));
  protected readonly ends = computed(() => {
    const last = this.loads().at(-1);
    return last === undefined ? null : { treble: this.sayPull(last.treble), bass: this.sayPull(last.bass) };
  });
  protected readonly middle = TOP + (HEIGHT - TOP) / 2;
  protected readonly bars = computed(() => {
    const [sheet, lane] = [this.desk.sheet(), this.desk.lane()];
    const steps = this.steps();
    const x = scaleBand(
      steps.map((_, index) => index),
      [LEFT, this.width()],
    ).padding(0.12);
    const y = scaleLinear([0, this.most()], [0, (HEIGHT - TOP) / 2]);
    const next = steps.findIndex((step) => step.string === lane && !isDone(sheet, step));
    return this.loads().map(({ string, firstPass, treble, bass }, index) => ({
      number: string + 1,
      x: x(index) ?? 0,
      width: x.bandwidth(),
      up: y(treble),
      down: y(bass),
      firstPass,
      state: index === next ? 'next' : isDone(sheet, { stage: 'bring-up', string, firstPass }) ? 'done' : 'open',
    }));
  });
  /** Where the second pass begins. */
  protected readonly second = computed(() => this.bars().find(({ firstPass }) => !firstPass)?.x ?? null);
  protected readonly says = computed(() => {
    const { order, apart } = evenest(this.pulls());
    return sayOrder({ apart: mostApart(this.loads()), best: apart, order }, (pull) => this.sayPull(pull));
  });

  private sayPull(pull: Newtons): string {
    return say(this.measures.pull(pull));
  }
}
