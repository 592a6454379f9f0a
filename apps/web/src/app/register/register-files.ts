import { ChangeDetectionStrategy, Component } from '@angular/core';
import { FilesView } from '../files';
import { PlaceHeader } from '../ui/place-header';

/** Owners as files, out and in. */
@Component({
  selector: 'peg-register-files',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FilesView, PlaceHeader],
  template: `<peg-place-header heading="Register, in and out" sub="Owners as a table for a spreadsheet, or as cards for a telephone." />
    <peg-files-view [kinds]="FILED" />`,
})
export class RegisterFiles {
  protected readonly FILED = ['owners'] as const;
}
