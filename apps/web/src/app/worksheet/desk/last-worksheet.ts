import { Injectable, signal } from '@angular/core';

const LAST = 'gold-peg.worksheet';

/** The worksheet that was open last on this device: the place Worksheet leads back to it. */
@Injectable({ providedIn: 'root' })
export class LastWorksheet {
  private readonly id = signal(localStorage.getItem(LAST));
  readonly jobId = this.id.asReadonly();

  remember(jobId: string): void {
    localStorage.setItem(LAST, jobId);
    this.id.set(jobId);
  }
}
