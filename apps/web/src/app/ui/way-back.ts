import { inject, Injectable } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';

/** Long enough to read and to think better of it, ms. */
const SHOWN_MS = 8000;

/** Says for a while what was done, over the name of the place, and offers to take it back where that can be. */
@Injectable({ providedIn: 'root' })
export class WayBack {
  private readonly bar = inject(MatSnackBar);

  tell(done: string, takeBack?: () => Promise<unknown>): void {
    const position = { verticalPosition: 'top', horizontalPosition: 'start', duration: SHOWN_MS } as const;
    const shown = this.bar.open(done, takeBack === undefined ? undefined : 'take back', position);
    if (takeBack !== undefined) shown.onAction().subscribe(() => void takeBack());
  }

  /** What was told is over. */
  forget(): void {
    this.bar.dismiss();
  }
}
