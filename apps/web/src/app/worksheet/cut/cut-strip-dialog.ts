import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { PAPER_KINDS, PAPERS, type Paper } from '@gold-peg/contract/paper';
import { drawCutStrip, stripRows } from '@gold-peg/contract/papers';
import type { WorksheetDesk } from '../desk';

/** Cut marks of all strings on one sheet, true to scale, to look at, keep or print. */
@Component({
  selector: 'peg-cut-strip-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `<h2 mat-dialog-title>Cut strip, true to scale</h2>
    <mat-dialog-content>
      <p>
        Lay a row along its string held just taut, 0 over the axis of the post, and cut at the bold mark. A second page has all windings in
        a table. <b>Check the line of 100 mm with a rule before you trust a print.</b>
      </p>
      <p class="papers">
        @for (paper of papers; track paper.id) {
          <button matButton type="button" class="quiet" [attr.aria-pressed]="paper.id === chosen()" (click)="chosen.set(paper.id)">
            {{ paper.name }}
          </button>
        }
      </p>
      <img [src]="picture()" alt="The sheet as it will be printed: {{ words() }}" />
      @if (tooLong(); as says) {
        <p class="fault">{{ says }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <a matButton class="quiet" [href]="picture()" download="gold-peg-cut-strip.svg">keep as SVG</a>
      @if (taken()) {
        <a matButton="filled" class="act" [href]="pdf()" target="_blank" rel="noopener">PDF to print, {{ paperName() }}</a>
      } @else {
        <span class="soft">The PDF is made once a set is taken.</span>
      }
      <button matButton type="button" class="quiet" mat-dialog-close>Close</button>
    </mat-dialog-actions>`,
  styles: `
    img {
      display: block;
      width: 100%;
      border: 1px solid var(--line);
      background: #fff;
    }
    p {
      margin: 0 0 var(--space-2);
    }
    .papers {
      display: flex;
      gap: var(--space-3);
    }
    [aria-pressed='true'] {
      font-weight: 700;
    }
    mat-dialog-actions {
      gap: var(--space-3);
      align-items: center;
    }
    .fault {
      color: var(--oxide);
    }
    .act {
      text-decoration: none;
    }
  `,
})
export class CutStripDialog {
  private readonly desk = inject<WorksheetDesk>(MAT_DIALOG_DATA);
  protected readonly papers = PAPER_KINDS.map((id) => ({ id, name: PAPERS[id].name }));
  protected readonly chosen = signal<Paper>('a4');
  protected readonly paperName = computed(() => PAPERS[this.chosen()].name);
  protected readonly taken = computed(() => this.desk.sheet().chosen !== null);

  private readonly rows = computed(() => {
    const instrument = this.desk.instrument();
    return instrument === null
      ? []
      : stripRows(
          instrument,
          this.desk.strings(),
          this.desk.plans().map((plan, index) => (this.desk.inJob()[index] === false ? null : plan)),
        );
  });
  private readonly sheet = computed(() => {
    const file = this.desk.file();
    const set = this.desk.sheet().chosen?.payload.name ?? this.desk.candidate()?.name ?? '';
    const heading = `${file?.passport.name ?? ''}: cut marks`;
    const sub = `passport ${String(file?.passport.passport ?? '').padStart(4, '0')} · ${set}`;
    return drawCutStrip({ heading, sub, rows: this.rows() }, this.chosen());
  });
  protected readonly picture = computed(() => `data:image/svg+xml,${encodeURIComponent(this.sheet().svg)}`);
  protected readonly words = computed(() =>
    this.rows()
      .map(({ number, cutMm }) => `string ${number} at ${cutMm.toFixed(0)} mm`)
      .join(', '),
  );
  protected readonly tooLong = computed(() => {
    const { tooLong } = this.sheet();
    return tooLong.length === 0 ? null : `The marks of string ${tooLong.join(', ')} lie beyond this paper: measure those with a rule.`;
  });
  protected readonly pdf = computed(
    () => `${ENDPOINTS.cutStripPdf.path.replace(':id', this.desk.file()?.job.id ?? '')}?paper=${this.chosen()}`,
  );
}
