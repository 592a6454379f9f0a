import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { sayProblem } from '../server/server-problem';
import { Session } from './session';

@Component({
  selector: 'peg-sign-in',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule],
  templateUrl: './sign-in.html',
  styleUrl: './sign-in.scss',
})
export class SignIn {
  protected readonly session = inject(Session);
  protected readonly name = signal('');
  protected readonly passphrase = signal('');
  protected readonly fault = signal<string | null>(null);
  protected readonly busy = signal(false);

  protected useDemo(): void {
    const demo = this.session.demoSignIn();
    if (demo === null) return;
    this.name.set(demo.name);
    this.passphrase.set(demo.passphrase);
    void this.enter();
  }

  protected async enter(): Promise<void> {
    if (this.name().trim() === '' || this.passphrase() === '') {
      this.fault.set('Both your name and your passphrase are needed.');
      return;
    }
    this.busy.set(true);
    try {
      await this.session.signIn(this.name().trim(), this.passphrase());
    } catch (error) {
      this.fault.set(sayProblem(error));
    } finally {
      this.busy.set(false);
    }
  }
}
