import { inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { hertz } from '@gold-peg/craft/units';
import { concatMap } from 'rxjs';
import { WorksheetDesk } from '../desk';
import { Listening } from '../hearing';
import { BridgeDesk, BridgeWork } from '../bridge';
import { isRingingOn, type Heard } from './ringing-on';

/** Strings that are heard at Balance, taken down without a hand. */
@Injectable()
export class BridgeByEar {
  private readonly desk = inject(WorksheetDesk);
  private readonly listening = inject(Listening);
  private readonly work = inject(BridgeWork);
  private readonly bridge = inject(BridgeDesk);
  private before: Heard | null = null;

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
    const pitch = this.bridge.asTaken()?.bridge.strings[lane]?.pitch;
    if (this.desk.stage() !== 'balance' || source === 'off' || pitch === undefined) return;
    const heard = { lane, sounds: hertz(pitch * 2 ** (cents / 1200)), at: Date.now() };
    if (isRingingOn(this.before, heard)) return;
    this.before = heard;
    await this.work.hear(lane, cents, { sure, by: source });
  }
}
