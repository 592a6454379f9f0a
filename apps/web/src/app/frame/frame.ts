import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { RetuneAlarm } from '../retunes';
import { Fingerboard } from './fingerboard';
import { WaitingSign } from './waiting-sign';

/** The frame of every place: the fingerboard, the place itself, and a quiet sign of what waits to be sent. */
@Component({
  selector: 'peg-frame',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterOutlet, Fingerboard, RetuneAlarm, WaitingSign],
  template: `
    <peg-fingerboard />
    <main id="place">
      <router-outlet />
    </main>
    @defer (on idle) {
      <peg-waiting-sign />
      <peg-retune-alarm />
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 76px minmax(0, 1fr);
      min-height: 100vh;
    }
    main {
      min-width: 0;
      display: flex;
      flex-direction: column;
      min-height: 100vh;
    }
  `,
})
export class Frame {}
