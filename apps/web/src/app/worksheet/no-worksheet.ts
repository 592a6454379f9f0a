import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { PlaceHeader } from '../ui/place-header';

@Component({
  selector: 'peg-no-worksheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, PlaceHeader, RouterLink],
  template: `<peg-place-header heading="Worksheet" sub="Nothing is on this bench yet." />
    <p class="way"><a matButton="filled" class="act" routerLink="/today">See what is waiting</a></p>`,
  styles: `
    .way {
      padding: var(--space-3) var(--space-5);
      max-width: 280px;
    }
  `,
})
export class NoWorksheet {}
