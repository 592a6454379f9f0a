import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { WorksheetDesk } from '../desk';
import { BridgeDesk, BridgeWork } from '../bridge';
import { sayReturn } from './return-words';

/** Whether all comes back after the arm: what is asked, and what was heard says. */
@Component({
  selector: 'peg-return-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `<p>
    {{ says() }}
    <button matButton type="button" class="quiet" [disabled]="!mayMove()" (click)="work.moveArm('down')">dived five times</button>
    <button matButton type="button" class="quiet" [disabled]="!mayMove()" (click)="work.moveArm('up')">pulled up five times</button>
  </p>`,
  styles: `
    p {
      margin: 0;
      font-size: 15px;
      line-height: 1.25;
    }
  `,
})
export class ReturnPanel {
  private readonly desk = inject(WorksheetDesk);
  private readonly bridge = inject(BridgeDesk);
  protected readonly work = inject(BridgeWork);

  /** All were heard as they stand: what comes next is told from that. */
  protected readonly mayMove = computed(() => {
    const now = this.bridge.asTaken();
    return !this.desk.closed() && now !== null && now.fresh.every((fresh, index) => fresh || now.rests[index] === null);
  });
  protected readonly says = computed(() => {
    const returned = this.bridge.returned();
    if (returned !== null) return sayReturn(returned.judged, returned.read);
    return this.mayMove() ? 'Does all come back? Arm to its stop, hear all:' : 'Once all are heard:';
  });
}
