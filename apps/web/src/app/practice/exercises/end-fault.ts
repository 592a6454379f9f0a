import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { FaultAtAnchor } from '@gold-peg/craft/exercises';
import { toMillimetres } from '@gold-peg/craft/units';
import { AnchorPicture, pinned, tied, type Texture } from '../../anchor';

/** The end of a string at its pin or its tie, as it lies. */
@Component({
  selector: 'peg-end-fault',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnchorPicture],
  template: `<peg-anchor-picture
    [parts]="parts()"
    [says]="says()"
    [count]="of().instrument.strings.length"
    [index]="of().index"
    [gaugeMm]="gaugeMm()"
    [texture]="texture()"
  />`,
})
export class EndFault {
  readonly of = input.required<FaultAtAnchor>();
  protected readonly gaugeMm = computed(() => toMillimetres(this.of().string.gauge));
  protected readonly texture = computed((): Texture => {
    const { construction, thins } = this.of().string;
    return construction === 'wound' ? 'wound' : thins ? 'nylon' : 'plain';
  });
  private readonly lies = computed(() => {
    const { truth } = this.of();
    return truth === 'under-tip' || truth === 'slot-away' ? truth : 'home';
  });
  protected readonly parts = computed(() => {
    const { at, away, tucks } = this.of();
    return at === 'pins' ? pinned(this.lies(), toMillimetres(away)) : tied(tucks, toMillimetres(away));
  });
  /** What is to be seen, without what to think of it. */
  protected readonly says = computed(() => {
    const { at, away, tucks } = this.of();
    const mm = Math.abs(toMillimetres(away)).toFixed(1);
    if (at === 'tie-block')
      return `A tie from above: its tail goes under the loop ${tucks} times, the last of it ${mm} mm ${away < 0 ? 'in front of' : 'behind'} the edge`;
    const ball = this.lies() === 'under-tip' ? 'under the tip of the pin' : 'against the plate, beside the pin';
    return `A pin, cut along the string: the ball ${ball}, the pin ${mm} mm out, its slot ${this.lies() === 'slot-away' ? 'away from' : 'toward'} the saddle`;
  });
}
