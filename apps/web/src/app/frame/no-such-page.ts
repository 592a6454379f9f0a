import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';
import { PlaceHeader } from '../ui/place-header';

@Component({
  selector: 'peg-no-such-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, PlaceHeader],
  template: `<peg-place-header heading="Nothing hangs here" sub="This address leads to no place in the workshop." />
    <p class="way"><a class="act" routerLink="/today">To Today</a></p>`,
  styles: `
    .way {
      padding: 0 var(--space-5);
      max-width: 240px;
    }
  `,
})
export class NoSuchPage {}
