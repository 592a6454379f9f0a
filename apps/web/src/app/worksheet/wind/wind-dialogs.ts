import { inject, Injectable } from '@angular/core';
import { MatDialog, type MatDialogConfig } from '@angular/material/dialog';
import type { WorksheetDesk } from '../desk';

const WIDE: MatDialogConfig = { maxWidth: '97vw', maxHeight: '94vh' };

/** The dialogs behind the Wind stage, each fetched when it is asked for. They work at the desk that is open. */
@Injectable({ providedIn: 'root' })
export class WindDialogs {
  private readonly dialog = inject(MatDialog);

  async strip(desk: WorksheetDesk): Promise<void> {
    const { CutStripDialog } = await import('../cut/cut-strip-dialog');
    this.dialog.open(CutStripDialog, { ...WIDE, data: desk, width: '900px' });
  }

  async ways(desk: WorksheetDesk): Promise<void> {
    const { WaysDialog } = await import('../ways/ways-dialog');
    this.dialog.open(WaysDialog, { ...WIDE, data: desk, width: '920px' });
  }

  async hand(desk: WorksheetDesk): Promise<void> {
    const { HandDialog } = await import('../hand/hand-dialog');
    this.dialog.open(HandDialog, { ...WIDE, data: desk, width: '860px' });
  }

  async evidence(desk: WorksheetDesk): Promise<void> {
    const { EvidenceDialog } = await import('../hand/evidence-dialog');
    this.dialog.open(EvidenceDialog, { ...WIDE, data: desk, width: '860px' });
  }
}
