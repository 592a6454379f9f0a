import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import type { Observable } from 'rxjs';
import { TuningEditor, type TunedNeck, type TuningData } from '../tuning';
import type { AnswerRow } from './answer-rows';
import { GaugeFinder, type FinderData } from './gauge-finder';

/** The two dialogs of a bench where strings are chosen: its tuning, and gauges for a wish. Undefined where they are left as it was. */
@Injectable({ providedIn: 'root' })
export class BenchDialogs {
  private readonly dialog = inject(MatDialog);

  tune(data: TuningData): Observable<TunedNeck | undefined> {
    return this.dialog.open<TuningEditor, TuningData, TunedNeck>(TuningEditor, { data, width: '860px', maxWidth: '96vw' }).afterClosed();
  }

  find(data: FinderData): Observable<AnswerRow | undefined> {
    return this.dialog
      .open<GaugeFinder, FinderData, AnswerRow>(GaugeFinder, { data, width: '1200px', maxWidth: '97vw', maxHeight: '94vh' })
      .afterClosed();
  }
}
