import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Instrument } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import { degrees, Measures, say, turnsToQuarter } from '../../preferences/measures';
import type { Lane } from '../desk/lane';
import { layOutPostSide } from './post-side-layout';
import { layOutRollerSide } from './roller-side-layout';

/** The post in hand from the side, to scale, with its stack of turns and the angle over the nut. */
@Component({
  selector: 'peg-post-side',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './post-side.html',
  styleUrl: './post-side.scss',
})
export class PostSide {
  readonly instrument = input.required<Instrument>();
  readonly lane = input.required<Lane>();
  readonly plan = input.required<WindPlan>();

  private readonly measures = inject(Measures);
  protected readonly room = { width: 352, height: 206 };
  protected readonly picture = computed(() => layOutPostSide(this.instrument(), this.lane(), this.plan(), this.room));
  protected readonly roller = computed(() => layOutRollerSide(this.instrument(), this.lane(), this.plan(), this.room));
  protected readonly angle = computed(() => {
    const { nut } = this.plan();
    return nut === null ? '' : degrees(nut.vertical);
  });
  protected readonly wanted = computed(() => {
    const { nut } = this.plan();
    if (nut === null) return '';
    return nut.lifts ? 'lifts out of its slot' : `wanted ${((nut.wanted * 180) / Math.PI).toFixed(0)}° or more`;
  });
  protected readonly low = computed(() => {
    const { nut } = this.plan();
    return nut !== null && nut.vertical < nut.wanted - 1e-9;
  });
  protected readonly stack = computed(
    () => `${turnsToQuarter(this.plan().wind.turns)} turns, stack ${say(this.measures.length(this.plan().stackHeight, 1))}`,
  );
  protected readonly label = computed(() => `String ${this.lane().number} at its post: ${this.stack()}, ${this.angle()} over the nut`);
}
