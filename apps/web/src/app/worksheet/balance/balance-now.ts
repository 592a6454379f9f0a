import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { BenchActions } from '../actions';
import { WorksheetDesk } from '../desk';
import { BridgeDesk, BridgeWork, RECKONS } from '../bridge';
import { list, sayAct, sayScrews, sayToMiddle, signed } from '../../bridge';

/** The next action at a bridge that moves, and the way back. */
@Component({
  selector: 'peg-balance-now',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `<h2>Now</h2>
    @if (desk.closed()) {
      <p>{{ desk.sheet().handedOver === null ? ONLY_LOOKING : 'This job was handed over.' }}</p>
    } @else {
      <p>{{ says() }}</p>
      @if (act(); as label) {
        @if (listens()) {
          <button matButton type="button" class="quiet" (click)="actions.markDone()">{{ label }} <b>Space</b></button>
        } @else {
          <button matButton="filled" type="button" class="act" (click)="actions.markDone()">
            <span>{{ label }}</span> <kbd>Space</kbd>
          </button>
        }
      }
      @if (open() > 0 && work.step()?.kind !== 'done') {
        <button matButton type="button" class="quiet" (click)="actions.markInOneGo()">it is balanced as it is <b>Shift Space</b></button>
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
    .act {
      width: 100%;
    }
    .back {
      display: flex;
      justify-content: space-between;
    }
  `,
})
export class BalanceNow {
  protected readonly ONLY_LOOKING = 'You are looking: steps are ticked by who works at the bench.';
  protected readonly desk = inject(WorksheetDesk);
  protected readonly actions = inject(BenchActions);
  protected readonly work = inject(BridgeWork);
  private readonly bridge = inject(BridgeDesk);

  protected readonly open = computed(() => this.desk.inOneGo().length);
  protected readonly act = computed(() => {
    const step = this.work.step();
    if (step === null) return null;
    if (step.kind === 'done') return this.open() === 0 ? 'On along the rule' : `All ${this.open()} balanced`;
    return sayAct(step, this.work.screws());
  });
  /** What is next is done at the strings and heard, not pressed here. */
  protected readonly listens = computed(() => this.work.step()?.kind === 'read');
  /** How the pads lay when they came off, clamp by clamp. */
  private readonly pads = computed(() => {
    const noted = new Map(this.desk.padsBefore());
    for (const { payload } of this.desk.sheet().pads) noted.set(payload.clamp, payload.lies);
    const lies = [...noted].sort(([a], [b]) => a - b).map(([clamp, way]) => `${clamp} ${way}`);
    return lies.length === 0 ? 'each pad as it lay' : `pads ${lies.join(', ')} the strings`;
  });
  protected readonly says = computed(() => {
    const step = this.work.step();
    const number = this.desk.lane() + 1;
    switch (step?.kind) {
      case undefined:
        return 'Nothing is known of this bridge yet.';
      case 'claw':
        return `Screwdriver: ${sayScrews(this.work.screws() ?? { bass: 0, treble: 0 })}, both by turns, a half at a time.`;
      case 'read': {
        const strings = this.bridge.order().filter((string) => step.strings.includes(string));
        return `Pluck string ${list(strings.map((string) => string + 1))}, each as it stands.`;
      }
      case 'reckon':
        return RECKONS;
      case 'set': {
        const left = step.rest.length;
        const after =
          left === 0 ? `it is the last of this pass${step.leaves.travel > 0 ? ', then the claw' : ''}` : `${left} to go after it`;
        return `String ${step.step.string + 1} to ${signed(step.step.target)} ¢; ${after}.`;
      }
      case 'lower':
        return `String ${step.string + 1} down by about a tone, then hear two others or more.`;
      case 'block':
        return `The mark of string ${step.step.string + 1} is past what it bears: set nothing, block the bridge.`;
      case 'mid':
        return `Hex key: ${sayToMiddle(this.desk.laidOut.only())}.`;
      case 'clamp':
        return `Hex key: shut the clamps at the nut, ${this.pads()}. Firm and no more: overtightened they cut a string or crack the block.`;
      case 'unclamp':
        return `The fine tuner of string ${step.string + 1} ends ${Math.abs(step.turns).toFixed(1)} turns short of its mark: open the clamps at the nut and begin from the pegs.`;
      case 'done':
        return this.open() === 0 ? 'All strings are balanced.' : `All are in tune where they are. String ${number} in hand.`;
    }
  });
}
