import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { LastWorksheet } from '../worksheet/desk/last-worksheet';
import { YouMenu } from './you-menu';

/** The places stand between the frets of a fingerboard; a pearl dot marks the current one. */
@Component({
  selector: 'peg-fingerboard',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RouterLinkActive, YouMenu],
  templateUrl: './fingerboard.html',
  styleUrl: './fingerboard.scss',
})
export class Fingerboard {
  private readonly last = inject(LastWorksheet);

  protected worksheetLink(): string[] {
    const jobId = this.last.jobId();
    return jobId === null ? ['/worksheet'] : ['/worksheet', jobId];
  }
}
