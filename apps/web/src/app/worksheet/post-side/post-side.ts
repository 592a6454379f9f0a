import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Instrument } from '@gold-peg/craft/instrument';
import type { Nut, WindPlan } from '@gold-peg/craft/procedure';
import { degrees, Measures, say, turnsToQuarter } from '../../preferences/measures';
import type { Lane } from '../../lane/lane';
import { layOutClamp } from './clamp-layout';
import { layOutPostSide } from './post-side-layout';
import { layOutRollerSide } from './roller-side-layout';
import { layOutSidePeg } from './side-peg-layout';

/** The post, roller, peg or clamp in hand from the side, to scale, with its stack of turns and the angle over the nut. */
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
  /** Whether somebody measured this headstock: what is only typical does not warn. */
  readonly measured = input.required<boolean>();

  private readonly measures = inject(Measures);
  protected readonly room = { width: 352, height: 206 };
  protected readonly picture = computed(() => layOutPostSide(this.instrument(), this.lane(), this.plan(), this.room));
  protected readonly roller = computed(() => layOutRollerSide(this.instrument(), this.lane(), this.plan(), this.room));
  protected readonly sidePeg = computed(() => {
    const plan = this.plan();
    return plan.kind === 'post' ? layOutSidePeg(this.instrument(), this.lane(), plan, this.room) : null;
  });
  protected readonly clamp = computed(() => {
    const plan = this.plan();
    return plan.kind === 'clamp' ? layOutClamp(this.instrument(), this.lane(), plan, this.room) : null;
  });
  private readonly nut = computed<Nut | null>(() => {
    const plan = this.plan();
    return plan.kind === 'post' ? plan.nut : null;
  });
  protected readonly angle = computed(() => {
    const nut = this.nut();
    return nut === null ? '' : degrees(nut.vertical);
  });
  protected readonly wanted = computed(() => {
    const nut = this.nut();
    if (nut === null) return '';
    return nut.lifts ? 'lifts out of its slot' : `wanted ${((nut.wanted * 180) / Math.PI).toFixed(0)}° or more`;
  });
  protected readonly low = computed(() => {
    const nut = this.nut();
    return nut !== null && this.measured() && nut.vertical < nut.lowBelow - 1e-9;
  });
  protected readonly stack = computed(() => {
    const plan = this.plan();
    if (plan.kind === 'clamp')
      return `screw: ${say(this.measures.length(plan.screw.used, 1))} of ${say(this.measures.length(plan.screw.travel))} at pitch`;
    return `${turnsToQuarter(Math.max(0, plan.wind.turns))} turns, stack ${say(this.measures.length(plan.stackHeight, 1))}`;
  });
  protected readonly label = computed(() => {
    const held = this.plan().kind === 'clamp' ? 'in its clamp' : 'at its post';
    return `String ${this.lane().number} ${held}: ${[this.stack(), this.angle() === '' ? '' : `${this.angle()} over the nut`].filter((words) => words !== '').join(', ')}`;
  });
}
