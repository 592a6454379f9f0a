import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Frame } from './frame/frame';
import { Theme } from './preferences/theme';
import { Session } from './session/session';
import { SignIn } from './session/sign-in';
import { HeldKeys } from './ui/held-keys';

@Component({
  selector: 'peg-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Frame, SignIn],
  template: `@switch (session.state()) {
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

  constructor() {
    inject(Theme);
    inject(HeldKeys);
    void this.session.ask();
  }
}
