import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { newtons } from '@gold-peg/craft/units';
import { Measures, say } from '../../preferences/measures';
import type { BridgeDesk } from '../bridge';
import { schoolRows } from './school-words';

/** Ways to bring this bridge home side by side: what each takes, its steps on this instrument, and what can go wrong. */
@Component({
  selector: 'peg-schools-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule, MatProgressBarModule],
  template: `<h2 mat-dialog-title>Ways to bring this bridge home</h2>
    <mat-dialog-content tabindex="0" role="region" aria-label="Ways home, side by side">
      <p class="soft">
        Each was tried on this bridge in the head, with springs as soft and as stiff as they may be, from where it stands now.
      </p>
      @if (rows(); as all) {
        <table>
          <thead>
            <tr>
              <th scope="col">way</th>
              <th scope="col">pegs turned</th>
              <th scope="col">claw turned</th>
              <th scope="col">time</th>
              <th scope="col">on this instrument</th>
              <th scope="col">what can go wrong</th>
            </tr>
          </thead>
          <tbody>
            @for (row of all; track row.id) {
              <tr>
                <th scope="row">{{ row.name }}</th>
                <td>{{ row.pegs ?? 'cannot' }}</td>
                <td>{{ row.claw }}</td>
                <td>{{ row.minutes }}</td>
                <td class="words">{{ row.steps }}</td>
                <td class="words soft">{{ row.risk }}</td>
              </tr>
            }
          </tbody>
        </table>
      } @else {
        <mat-progress-bar mode="indeterminate" aria-label="Each way is being tried" />
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button matButton type="button" class="quiet" mat-dialog-close>Close</button></mat-dialog-actions>`,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      font-size: 16px;
      line-height: 1.3;
    }
    td,
    th {
      padding: 6px 14px 6px 0;
      border-bottom: 1px solid var(--line);
      text-align: left;
      vertical-align: top;
      white-space: nowrap;
    }
    thead th {
      color: var(--ink-soft);
      font-weight: 400;
    }
    .words {
      white-space: normal;
    }
  `,
})
export class SchoolsDialog {
  private readonly bridge = inject<BridgeDesk>(MAT_DIALOG_DATA);
  private readonly measures = inject(Measures);
  protected readonly rows = computed(() => {
    const schools = this.bridge.schools()?.schools ?? null;
    if (schools === null) return null;
    const order = this.bridge.order().map((string) => string + 1);
    return schoolRows(schools, { order, newtons: (pull) => say(this.measures.pull(newtons(pull))) });
  });

  constructor() {
    this.bridge.comparing.set(true);
    inject(DestroyRef).onDestroy(() => this.bridge.comparing.set(false));
  }
}
