import { ChangeDetectionStrategy, Component } from '@angular/core';
import { FilesView } from '../files';
import { PlaceHeader } from '../ui/place-header';

/** Owners and instruments as files, out and in. */
@Component({
  selector: 'peg-register-files',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FilesView, PlaceHeader],
  template: `<peg-place-header
      heading="Register, in and out"
      sub="Owners as a table or as cards for a telephone; instruments as what they are made of. The whole house goes out by gold-peg backup."
    />
    <peg-files-view [kinds]="FILED" />`,
})
export class RegisterFiles {
  protected readonly FILED = ['owners', 'instruments'] as const;
}
