import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { signIn } from '@gold-peg/contract/people';
import { heldTo, readForm, sayRefusal } from '../form';
import { Session } from './session';

@Component({
  selector: 'peg-sign-in',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, ReactiveFormsModule],
  templateUrl: './sign-in.html',
  styleUrl: './sign-in.scss',
})
export class SignIn {
  protected readonly session = inject(Session);
  protected readonly form = inject(NonNullableFormBuilder).group({
    name: ['', heldTo(signIn.shape.name)],
    passphrase: ['', heldTo(signIn.shape.passphrase)],
  });
  protected readonly fault = signal('');
  protected readonly busy = signal(false);

  protected useDemo(): void {
    const demo = this.session.demoSignIn();
    if (demo === null) return;
    this.form.setValue(demo);
    void this.enter();
  }

  protected async enter(): Promise<void> {
    this.fault.set('');
    const typed = readForm(this.form, signIn);
    if (typed === null || this.busy()) return;
    this.busy.set(true);
    try {
      await this.session.signIn(typed.name, typed.passphrase);
    } catch (error) {
      this.fault.set(sayRefusal(this.form, error));
    } finally {
      this.busy.set(false);
    }
  }
}
