import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { isStringStage } from '@gold-peg/craft/worksheet';
import { Measures } from '../../preferences/measures';
import { BenchActions } from '../desk/bench-actions';
import { WorksheetDesk } from '../desk/worksheet-desk';

/** The next action: the step of the string in hand, the same for all that are worked together, and the way back. */
@Component({
  selector: 'peg-now-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h2>Now</h2>
    <ng-content />
    @if (desk.closed()) {
      <p>This job was handed over.</p>
    } @else if (left() === 0) {
      <p>All strings are {{ done() }}.</p>
      <button type="button" class="act" (click)="actions.step(1)"><span>On along the rule</span> <kbd>→</kbd></button>
    } @else {
      <p>String {{ lane()?.number }}, {{ what() }}. {{ left() }} to go.</p>
      @if (desk.stepInHand()?.record; as record) {
        <p class="soft"><b>Write down:</b> {{ record }}</p>
      }
      <button type="button" class="act" [disabled]="isDone()" (click)="actions.markDone()">
        <span>String {{ lane()?.number }} {{ done() }}</span> <kbd>Space</kbd>
      </button>
      @if (desk.inOneGo().length > 1) {
        <button type="button" class="quiet" (click)="actions.markInOneGo()">
          all {{ desk.inOneGo().length }} {{ done() }} <b>Shift Space</b>
        </button>
      }
    }
    <div class="back">
      <button type="button" class="quiet" (click)="actions.takeBack()">take back</button>
      <button type="button" class="quiet" [disabled]="desk.closed()" (click)="actions.scrap()">lost … <b>X</b></button>
    </div>`,
  styles: `
    :host {
      display: block;
    }
    p {
      margin: 4px 0 8px;
    }
    .act {
      width: 100%;
    }
    .back {
      display: flex;
      justify-content: space-between;
    }
  `,
})
export class NowPanel {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly actions = inject(BenchActions);
  private readonly measures = inject(Measures);
  protected readonly lane = computed(() => this.desk.lanes()[this.desk.lane()] ?? null);
  protected readonly what = computed(() => {
    const lane = this.lane();
    return lane?.string == null ? 'not chosen yet' : `${this.measures.gauge(lane.gauge * 1000)} ${lane.string.construction}`;
  });
  protected readonly done = computed(() => this.desk.stepInHand()?.done ?? 'done');
  private readonly here = computed(() => {
    const stage = this.desk.stage();
    return isStringStage(stage) ? this.desk.sheet().done[stage] : [];
  });
  protected readonly isDone = computed(() => (this.here()[this.desk.lane()] ?? null) !== null);
  protected readonly left = computed(() => this.here().filter((event) => event === null).length);
}
