import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Frame } from './frame/frame';
import { Theme } from './preferences/theme';
import { Session } from './session/session';
import { NewPassphrase } from './session/new-passphrase';
import { SignIn } from './session/sign-in';
import { HeldKeys } from './ui/held-keys';

@Component({
  selector: 'peg-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Frame, NewPassphrase, SignIn],
  template: `@if (byLink) {
      @defer (on immediate) {
        <peg-new-passphrase />
      }
    } @else {
      @switch (session.state()) {
        @case ('asking') {
          <p class="asking" role="status">Opening the workshop …</p>
        }
        @case ('signed-out') {
          @defer (on immediate) {
            <peg-sign-in />
          }
        }
        @case ('signed-in') {
          <peg-frame />
        }
      }
    }`,
  styles: `
    .asking {
      padding: var(--space-5);
      color: var(--ink-soft);
    }
  `,
})
export class App {
  protected readonly session = inject(Session);
  /** Whoever has a link for a new passphrase needs no session for it. */
  protected readonly byLink = location.pathname === '/new-passphrase';

  constructor() {
    inject(Theme);
    inject(HeldKeys);
    void this.session.ask();
  }
}
