import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';
import { PlaceHeader } from '../ui/place-header';

@Component({
  selector: 'peg-no-worksheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, PlaceHeader],
  template: `<peg-place-header heading="Worksheet" sub="Nothing is on this bench yet." />
    <p class="way"><a class="act" routerLink="/today">See what is waiting</a></p>`,
  styles: `
    .way {
      padding: var(--space-3) var(--space-5);
      max-width: 280px;
    }
  `,
})
export class NoWorksheet {}
