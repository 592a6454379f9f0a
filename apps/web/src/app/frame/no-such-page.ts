import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { PlaceHeader } from '../ui/place-header';

@Component({
  selector: 'peg-no-such-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, PlaceHeader, RouterLink],
  template: `<peg-place-header heading="Nothing hangs here" sub="This address leads to no place in the workshop." />
    <p class="way"><a matButton="filled" class="act" routerLink="/today">To Today</a></p>`,
  styles: `
    .way {
      padding: 0 var(--space-5);
      max-width: 240px;
    }
  `,
})
export class NoSuchPage {}
