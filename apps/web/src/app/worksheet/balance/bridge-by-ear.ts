import { inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { concatMap } from 'rxjs';
import { WorksheetDesk } from '../desk';
import { Listening } from '../hearing';
import { BridgeWork } from '../bridge';

/** Strings that are heard at Balance, taken down without a hand. */
@Injectable()
export class BridgeByEar {
  private readonly desk = inject(WorksheetDesk);
  private readonly listening = inject(Listening);
  private readonly work = inject(BridgeWork);

  constructor() {
    this.listening.readings
      .pipe(
        concatMap(({ lane, cents, sure }) => this.hear(lane, cents, sure)),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  private async hear(lane: number, cents: number, sure: number): Promise<void> {
    const source = this.listening.source();
    if (this.desk.stage() === 'balance' && source !== 'off') await this.work.hear(lane, cents, { sure, by: source });
  }
}
