import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { SCRAP_REASONS, type ScrapReason } from '@gold-peg/craft/stages';
import { Shelf } from '../../shelf/shelf';

export interface ScrapData {
  number: number;
  gauge: string;
  /** Its row of the strings table, where it has one. */
  stringId: string | null;
}

const WORDS: Readonly<Record<ScrapReason, string>> = {
  'cut-too-short': 'cut too short',
  kinked: 'kinked',
  broke: 'it broke',
  'cut-by-clamp': 'a clamp cut it',
  'wrong-string': 'it was the wrong string',
  faulty: 'it was faulty from the packet',
};

/** Why a string was lost; another is taken from the shelf, and the lane begins again with it. */
@Component({
  selector: 'peg-scrap-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `<h2 mat-dialog-title>String {{ data.number }} is lost: why?</h2>
    <mat-dialog-content>
      <p>It is laid out, anchored and wound again from another {{ data.gauge }}. Coil the old one and bin it at once.</p>
      <div class="reasons">
        @for (reason of reasons; track reason.why) {
          <button matButton="filled" type="button" class="act" [mat-dialog-close]="reason.why">{{ reason.words }}</button>
        }
      </div>
      <p [class.few]="left()?.few">{{ left()?.says }}</p>
    </mat-dialog-content>
    <mat-dialog-actions align="end"
      ><button matButton type="button" class="quiet" (click)="dialog.close()">it is not lost</button></mat-dialog-actions
    >`,
  styles: `
    .reasons {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: var(--space-2);
    }
    .few {
      color: var(--oxide);
    }
  `,
})
export class ScrapDialog {
  protected readonly data = inject<ScrapData>(MAT_DIALOG_DATA);
  protected readonly dialog = inject<MatDialogRef<ScrapDialog, ScrapReason>>(MatDialogRef);
  private readonly shelf = inject(Shelf);
  protected readonly reasons = SCRAP_REASONS.map((why) => ({ why, words: WORDS[why] }));
  protected readonly left = computed(() => {
    const { stringId, gauge } = this.data;
    if (stringId === null) return null;
    const standing = this.shelf.standing('string', stringId);
    if (standing === null) return null;
    if (standing.free > 0) return { says: `Singles of ${gauge}: ${standing.says}.`, few: standing.few };
    return { says: `▲ No single ${gauge} lies free on the shelf: a set has to be opened, or one ordered.`, few: true };
  });
}
