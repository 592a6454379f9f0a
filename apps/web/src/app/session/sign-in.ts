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
  template: `
    <main>
      <svg viewBox="0 0 40 50" width="72" height="90" aria-hidden="true">
        <ellipse cx="20" cy="14" rx="14" ry="11" />
        <path d="M14 23h12l-1.6 6h-8.8z" />
        <rect x="17" y="30" width="6" height="17" rx="1" />
      </svg>
      <h1>Gold Peg</h1>
      <p class="soft">Strings by the numbers, packet to passport.</p>
      <form [formGroup]="form" (ngSubmit)="enter()" novalidate>
        <label for="name">Name</label>
        <mat-form-field>
          <input matInput id="name" autocomplete="username" formControlName="name" />
          <mat-error>Name {{ form.controls.name.getError('says') }}</mat-error>
        </mat-form-field>
        <label for="passphrase">Passphrase</label>
        <mat-form-field>
          <input matInput id="passphrase" type="password" autocomplete="current-password" formControlName="passphrase" />
          <mat-error>Passphrase {{ form.controls.passphrase.getError('says') }}</mat-error>
        </mat-form-field>
        @if (fault(); as says) {
          <p class="fault" role="alert">{{ says }}</p>
        }
        <button matButton="filled" class="act" type="submit" [disabled]="busy()">Open the workshop</button>
        @if (session.demoSignIn(); as demo) {
          <button matButton class="quiet" type="button" (click)="useDemo()">Demo: enter as {{ demo.name }}</button>
        }
      </form>
    </main>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 76px 1fr;
      min-height: 100vh;
      background: linear-gradient(90deg, var(--fingerboard) 73px, var(--fret) 73px 76px, var(--paper) 76px);
    }

    main {
      grid-column: 2;
      width: 340px;
      margin: 9vh auto;
    }

    svg {
      fill: var(--brass-line);
    }

    h1 {
      margin-top: var(--space-3);
      font-size: 40px;
    }

    form {
      display: grid;
      gap: var(--space-1);
      margin-top: var(--space-5);
    }

    label {
      margin-top: var(--space-2);
      font-weight: 600;
    }

    .act {
      margin-top: var(--space-4);
    }

    .fault {
      margin: var(--space-2) 0 0;
      color: var(--oxide);
    }
  `,
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
