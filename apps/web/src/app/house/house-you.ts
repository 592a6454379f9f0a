import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { type FormGroupDirective, NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { codeChange, passphraseChange } from '@gold-peg/contract/people';
import { heldTo, readForm, sayRefusal } from '../form';
import { Api } from '../server/api';

/** One's own passphrase, and one's own code for devices of the bench. */
@Component({
  selector: 'peg-house-you',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, ReactiveFormsModule],
  template: `
    <h2>You</h2>
    <form [formGroup]="passphrase" (ngSubmit)="changePassphrase(first)" #first="ngForm" novalidate>
      <label
        >Present passphrase
        <mat-form-field
          ><input matInput type="password" autocomplete="current-password" formControlName="old" /><mat-error
            >It {{ passphrase.controls.old.getError('says') }}</mat-error
          ></mat-form-field
        >
      </label>
      <label
        >New passphrase
        <mat-form-field
          ><input matInput type="password" autocomplete="new-password" formControlName="new" /><mat-error
            >It {{ passphrase.controls.new.getError('says') }}</mat-error
          ></mat-form-field
        >
      </label>
      <button matButton type="submit" class="quiet">change it; other devices are signed out</button>
    </form>
    <h3>Code for the bench</h3>
    <form [formGroup]="code" (ngSubmit)="changeCode(second)" #second="ngForm" novalidate>
      <label
        >Passphrase
        <mat-form-field
          ><input matInput type="password" autocomplete="current-password" formControlName="passphrase" /><mat-error
            >It {{ code.controls.passphrase.getError('says') }}</mat-error
          ></mat-form-field
        >
      </label>
      <label
        >Four to eight digits; empty gives the code up
        <mat-form-field
          ><input matInput type="password" inputmode="numeric" autocomplete="off" formControlName="code" /><mat-error
            >It {{ code.controls.code.getError('says') }}</mat-error
          ></mat-form-field
        >
      </label>
      <button matButton type="submit" class="quiet">keep this code</button>
    </form>
    @if (said(); as says) {
      <p role="status">{{ says }}</p>
    }
    @if (fault(); as says) {
      <p class="fault" role="alert">{{ says }}</p>
    }
  `,
  styleUrl: './house-panel.scss',
})
export class HouseYou {
  private readonly api = inject(Api);
  private readonly forms = inject(NonNullableFormBuilder);
  protected readonly fault = signal<string | null>(null);
  protected readonly said = signal<string | null>(null);
  protected readonly passphrase = this.forms.group({
    old: ['', heldTo(passphraseChange.shape.old)],
    new: ['', heldTo(passphraseChange.shape.new)],
  });
  protected readonly code = this.forms.group({ passphrase: [''], code: [''] });

  protected async changePassphrase(of: FormGroupDirective): Promise<void> {
    const body = this.begin(readForm(this.passphrase, passphraseChange));
    if (body === null) return;
    try {
      await this.api.call('changePassphrase', { body });
      of.resetForm();
      this.said.set('Your passphrase is another now.');
    } catch (error) {
      this.fault.set(sayRefusal(this.passphrase, error));
    }
  }

  protected async changeCode(of: FormGroupDirective): Promise<void> {
    const typed = this.code.getRawValue();
    const read = codeChange.safeParse({ ...typed, code: typed.code === '' ? null : typed.code });
    const body = this.begin(read.success ? read.data : readForm(this.code, codeChange));
    if (body === null) return;
    try {
      await this.api.call('changeCode', { body });
      of.resetForm();
      this.said.set(body.code === null ? 'You have no code any more.' : 'Kept: on a device of the bench your code is enough.');
    } catch (error) {
      this.fault.set(sayRefusal(this.code, error));
    }
  }

  private begin<T>(body: T): T {
    this.fault.set(null);
    this.said.set(null);
    return body;
  }
}
