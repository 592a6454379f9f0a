import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Measures, say } from '../../preferences/measures';
import { AnchorFrames } from '../../anchor';
import { Caution } from '../../ui/caution';
import { BenchActions, bigNumbers } from '../actions';
import { WorksheetDesk } from '../desk';
import { sayOverfull } from '../wind-words';
import { scenesInHand } from '../pictured';
import { STAGE_NAMES } from '../stage-rule';

/** The step in hand in large type, to be read from two metres; the same keys go on working under it. */
@Component({
  selector: 'peg-bench-mode',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnchorFrames, Caution, MatButtonModule],
  template: `<section aria-label="Bench mode">
    <header>
      <span>{{ stage() }}</span>
      <button matButton type="button" class="quiet" (click)="actions.large.set(false)">back to the worksheet <b>B</b></button>
    </header>
    @if (lane(); as string) {
      <div class="string">
        <b>{{ string.number }}</b>
        <span
          >{{ string.letter }}<sub>{{ string.octave }}</sub></span
        >
        <span class="gauge">{{ gauge() }}</span>
        @if (desk.inHandIsDone()) {
          <span class="done">✓ {{ step()?.done }}</span>
        }
      </div>
    }
    @if (numbers().length > 0) {
      <dl>
        @for (number of numbers(); track number.label) {
          <div>
            <dt>{{ number.label }}</dt>
            <dd>{{ number.value }}</dd>
          </div>
        }
      </dl>
    } @else if (frames(); as frames) {
      <peg-anchor-frames
        [bare]="true"
        [frames]="frames"
        [count]="desk.lanes().length"
        [index]="desk.lane()"
        [gaugeMm]="(lane()?.gauge ?? 0) * 1000"
        [texture]="lane()?.texture ?? 'plain'"
      />
    } @else {
      <p>{{ step()?.does }}</p>
    }
    @if (overfull(); as says) {
      <p class="overfull" role="alert">{{ says }}</p>
    }
    <div class="acts">
      <button
        matButton="filled"
        type="button"
        class="act"
        [disabled]="desk.inHandIsDone() || desk.heldUp() !== null || overfull() !== null || desk.closed()"
        (click)="actions.markDone()"
      >
        <span>String {{ lane()?.number }} {{ step()?.done }}</span> <kbd>Space</kbd>
      </button>
      <button matButton type="button" class="quiet" (click)="actions.speak()">say it aloud <b>S</b></button>
    </div>
    <peg-caution>{{ desk.cautions() }}</peg-caution>
  </section>`,
  styleUrl: './bench-mode.scss',
})
export class BenchMode {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly actions = inject(BenchActions);
  private readonly measures = inject(Measures);
  /** Why the mark that is tried cannot be wound; null where it can, and at other stages. */
  protected readonly overfull = computed(() => {
    const plan = this.desk.planInHand();
    if (plan === null || this.desk.stage() !== 'wind' || !this.desk.winding.overfills(this.desk.lane())) return null;
    return sayOverfull(plan, (length) => say(this.measures.length(length, 1)));
  });
  protected readonly lane = computed(() => this.desk.lanes()[this.desk.lane()] ?? null);
  protected readonly stage = computed(() => STAGE_NAMES[this.desk.stage()]);
  protected readonly step = this.desk.stepInHand;
  protected readonly gauge = computed(() => {
    const lane = this.lane();
    return lane?.string == null ? '' : `${this.measures.gauge(lane.gauge * 1000)} ${lane.string.construction}`;
  });
  protected readonly numbers = computed(() => {
    const [lane, plan] = [this.lane(), this.desk.planInHand()];
    return this.desk.stage() !== 'wind' || lane === null || plan === null
      ? []
      : bigNumbers(lane, plan, this.measures, this.desk.leaves().value);
  });
  /** At Strip and Anchor the drawings say more than words. */
  protected readonly frames = computed(() => {
    const stage = this.desk.stage();
    const scenes = stage === 'strip' || stage === 'anchor' ? scenesInHand(this.desk) : null;
    return scenes === null ? null : stage === 'strip' ? scenes.off : scenes.fit;
  });
}
