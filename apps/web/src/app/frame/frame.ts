import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, NavigationError, Router, RouterOutlet } from '@angular/router';
import { filter, map } from 'rxjs';
import { RetuneAlarm } from '../retunes';
import { Fingerboard } from './fingerboard';
import { WaitingSign } from './waiting-sign';

/** The frame of every place: the fingerboard, the place itself, and a quiet sign of what waits to be sent. */
@Component({
  selector: 'peg-frame',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Fingerboard, RetuneAlarm, RouterOutlet, WaitingSign],
  template: `
    <peg-fingerboard />
    <main id="place">
      @if (lost(); as url) {
        <p class="lost" role="alert">
          This place could not be opened: the server does not answer. Nothing you ticked is lost. <a [href]="url">Try again</a>
        </p>
      }
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
    .lost {
      margin: var(--space-4) var(--space-5);
      padding: var(--space-3) var(--space-4);
      border-left: 5px solid var(--oxide);
      background: var(--oxide-paper);
    }
  `,
})
export class Frame {
  /** The address of a place that could not be fetched; null where the last one came. It is opened by a page of its own: a browser may remember that a part of this one failed. */
  protected readonly lost = toSignal(
    inject(Router).events.pipe(
      filter((event) => event instanceof NavigationError || event instanceof NavigationEnd),
      map((event) => (event instanceof NavigationError ? event.url : null)),
    ),
    { initialValue: null },
  );
}
