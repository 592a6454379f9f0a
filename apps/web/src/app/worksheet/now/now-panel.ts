import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { DRIFT } from '@gold-peg/craft/constants';
import type { PostStyle } from '@gold-peg/craft/instrument';
import { isSoft } from '@gold-peg/craft/methods';
import { passed } from '@gold-peg/craft/worksheet';
import { isStringStage } from '@gold-peg/craft/stages';
import { Measures } from '../../preferences/measures';
import { BenchActions, sayHeldUp } from '../actions';
import { StageClock, WorksheetDesk } from '../desk';

const NOTHING_TO_CUT: readonly PostStyle[] = ['slotted', 'clamp'];

/** The next action: the step of the string in hand, the same for all that are worked together, and the way back. */
@Component({
  selector: 'peg-now-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, RouterLink],
  template: `<h2>Now</h2>
    <ng-content />
    @if (desk.closed()) {
      <p>{{ desk.sheet().handedOver === null ? ONLY_LOOKING : 'This job was handed over.' }}</p>
    } @else if (left() === 0) {
      <p>All strings are {{ done() }}.</p>
      <button matButton="filled" type="button" class="act" (click)="actions.markDone()">
        <span>On along the rule</span> <kbd>Space</kbd>
      </button>
    } @else {
      <p>String {{ lane()?.number }}, {{ what() }}. {{ toGo() }} to go.</p>
      @if (held(); as why) {
        <p class="held">{{ why.says }}</p>
      } @else if (tooFresh(); as says) {
        <p class="held">{{ says }}</p>
      } @else if (desk.stepInHand()?.record; as record) {
        <p class="soft"><b>Write down:</b> {{ record }}</p>
      }
      @if (tooFresh() === null) {
        <button matButton="filled" type="button" class="act" (click)="actions.markDone()">
          <span>{{ says() }}</span> <kbd>Space</kbd>
        </button>
      } @else {
        <a matButton="filled" class="act" routerLink="/today">Leave it, back to Today</a>
        <button matButton type="button" class="quiet" (click)="actions.markDone()">{{ says() }} <b>Space</b></button>
      }
      @if (desk.inOneGo().length > 1) {
        <button matButton type="button" class="quiet" (click)="actions.markInOneGo()">
          all {{ desk.inOneGo().length }} {{ done() }} <b>Shift Space</b>
        </button>
      }
    }
    <div class="back">
      <button matButton type="button" class="quiet" [disabled]="!actions.mayWork()" (click)="actions.takeBack()">take back</button>
      <button matButton type="button" class="quiet" [disabled]="desk.closed()" (click)="actions.scrap()">lost … <b>X</b></button>
    </div>`,
  styles: `
    :host {
      display: block;
    }
    p {
      margin: 4px 0;
      line-height: 1.3;
    }
    .held {
      color: var(--oxide);
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
  protected readonly ONLY_LOOKING = 'You are looking: steps are ticked by who works at the bench.';
  protected readonly desk = inject(WorksheetDesk);
  protected readonly actions = inject(BenchActions);
  private readonly measures = inject(Measures);
  private readonly clock = inject(StageClock);
  protected readonly lane = computed(() => this.desk.lanes()[this.desk.lane()] ?? null);
  protected readonly what = computed(() => {
    const lane = this.lane();
    return lane?.string == null ? 'not chosen yet' : `${this.measures.gauge(lane.gauge * 1000)} ${lane.string.construction}`;
  });
  protected readonly done = computed(() => this.desk.stepInHand()?.done ?? 'done');
  protected readonly held = computed(() => {
    const why = this.desk.heldUp();
    return why === null ? null : sayHeldUp(why, this.desk.lane() + 1);
  });
  /** A soft string that was not under pull for a night yet, where its tail would be cut. */
  protected readonly tooFresh = computed(() => {
    const [lane, start] = [this.lane(), this.desk.sheet().tensioned[this.desk.lane()]?.at];
    if (this.desk.stage() !== 'trim' || lane?.string == null || !isSoft(lane.string) || start === undefined) return null;
    if (NOTHING_TO_CUT.includes(lane.place.post.style)) return null;
    const hours = (this.clock.now() - Date.parse(start)) / 3_600_000;
    if (hours >= DRIFT.night.value) return null;
    return `Under pull for ${hours < 1 ? 'less than an hour' : `${Math.floor(hours)} h`}: leave its tail for a night.`;
  });
  /** What Space does now. */
  protected readonly says = computed(() => {
    const held = this.held();
    if (held !== null) return held.act;
    const next = this.desk.nextOpen();
    return this.desk.inHandIsDone() && next !== null ? `On to string ${next + 1}` : `String ${this.desk.lane() + 1} ${this.done()}`;
  });
  /** In the first of two passes those that do not bear pull yet. */
  protected readonly toGo = computed(() => (this.desk.stepInHand()?.firstPass === true ? this.desk.toGo() : this.left()));
  protected readonly left = computed(() => {
    const stage = this.desk.stage();
    return isStringStage(stage) ? passed(this.desk.sheet(), stage).filter((done) => !done).length : 0;
  });
}
