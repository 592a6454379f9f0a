import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { passphraseByLink } from '@gold-peg/contract/people';
import { heldTo, readForm, sayRefusal } from '../form';
import { Api } from '../server/api';

/** Where a link for a new passphrase leads: what follows the # never went to any server's log. */
@Component({
  selector: 'peg-new-passphrase',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, ReactiveFormsModule],
  template: `
    <main>
      <h1>A new passphrase</h1>
      @if (done()) {
        <p role="status">It is kept. Whoever was signed in with the old one no longer is.</p>
        <a href="/today">sign in with it</a>
      } @else {
        <p>Three or four words are easy to keep in mind, and hard to guess.</p>
        <form [formGroup]="form" (ngSubmit)="keep()" novalidate>
          <label
            >New passphrase
            <mat-form-field
              ><input matInput type="password" autocomplete="new-password" formControlName="new" /><mat-error
                >It {{ form.controls.new.getError('says') }}</mat-error
              ></mat-form-field
            >
          </label>
          @if (fault(); as says) {
            <p class="fault" role="alert">{{ says }}</p>
          }
          <button matButton="filled" class="act" type="submit">Keep it</button>
        </form>
      }
    </main>
  `,
  styles: `
    main {
      width: 360px;
      max-width: 90vw;
      margin: 12vh auto;
    }
    form,
    label {
      display: grid;
      gap: var(--space-2);
    }
    .fault {
      color: var(--oxide);
    }
  `,
})
export class NewPassphrase {
  private readonly api = inject(Api);
  protected readonly done = signal(false);
  protected readonly fault = signal('');
  protected readonly form = inject(NonNullableFormBuilder).group({ new: ['', heldTo(passphraseByLink.shape.new)] });
  private readonly token = location.hash.slice(1);

  protected async keep(): Promise<void> {
    this.fault.set('');
    const typed = readForm(this.form, passphraseByLink.omit({ token: true }));
    if (typed === null) return;
    try {
      await this.api.call('passphraseByLink', { body: { token: this.token, ...typed } });
      this.done.set(true);
      history.replaceState(null, '', location.pathname); // used up: nobody needs to see it again
    } catch (error) {
      this.fault.set(sayRefusal(this.form, error));
    }
  }
}
