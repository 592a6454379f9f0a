import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';
import { KEYS } from './keys';

@Component({
  selector: 'peg-key-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `<h2 mat-dialog-title>Keys at the worksheet</h2>
    <mat-dialog-content>
      <dl>
        @for (key of keys; track key.keys) {
          <dt>
            <kbd>{{ key.keys }}</kbd>
          </dt>
          <dd>{{ key.does }}</dd>
        }
      </dl>
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button matButton type="button" class="quiet" mat-dialog-close>Close</button></mat-dialog-actions>`,
  styles: `
    dl {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: var(--space-3) var(--space-4);
      align-items: center;
      color: var(--ink);
    }
    dd {
      margin: 0;
    }
  `,
})
export class KeyCard {
  protected readonly keys = KEYS;
}
