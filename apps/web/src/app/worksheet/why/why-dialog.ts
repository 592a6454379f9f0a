import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import type { WhyLine } from './why-line';

export interface WhyData {
  title: string;
  lines: readonly WhyLine[];
}

@Component({
  selector: 'peg-why-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `<h2 mat-dialog-title>Why: {{ data.title }}</h2>
    <mat-dialog-content>
      <dl>
        @for (line of data.lines; track line.what) {
          <dt>{{ line.what }}</dt>
          <dd>
            <b>{{ line.value }}</b><br />{{ line.rule }}<br /><span class="soft">{{ line.from }}</span>
          </dd>
        }
      </dl>
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button matButton type="button" class="quiet" mat-dialog-close>Close</button></mat-dialog-actions>`,
  styles: `
    dl {
      display: grid;
      grid-template-columns: 120px 1fr;
      gap: var(--space-3);
      margin: 0;
      color: var(--ink);
      line-height: 1.4;
    }
    dd {
      margin: 0;
    }
    b {
      font-size: 18px;
    }
  `,
})
export class WhyDialog {
  protected readonly data = inject<WhyData>(MAT_DIALOG_DATA);
}
