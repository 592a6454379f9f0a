import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { SwUpdate } from '@angular/service-worker';
import { filter, interval } from 'rxjs';

const LOOK_MS = 10 * 60_000;

/** A newer page, when the server has one: it is offered, never put in the place of what is under way. */
@Injectable({ providedIn: 'root' })
export class NewerPage {
  private readonly updates = inject(SwUpdate);
  readonly isReady = signal(false);

  constructor() {
    if (!this.updates.isEnabled) return;
    this.updates.versionUpdates
      .pipe(
        filter(({ type }) => type === 'VERSION_READY'),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.isReady.set(true));
    interval(LOOK_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => void this.updates.checkForUpdate().catch(() => false)); // away: it is looked for again
  }

  /** Steps are in IndexedDB, and what is typed at a worksheet is kept beside them: both are there again. */
  take(): void {
    document.location.reload();
  }
}
