import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { KEPT } from '@gold-peg/contract/copies';
import { ownerRemoval, type Owner } from '@gold-peg/contract/register';
import { readForm, sayRefusal } from '../form';
import { Api } from '../server/api';
import { Session } from '../session/session';
import { WayBack } from '../ui/way-back';

/** What an owner may ask for: all that is kept of them as a file, and to be taken out of the register. */
@Component({
  selector: 'peg-owner-leaves',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, ReactiveFormsModule],
  template: `
    @if (mayRead()) {
      <a [href]="file()" download>all that is kept of them, as a file</a>
    }
    @if (mayRemove()) {
      @if (asked()) {
        <form [formGroup]="form" (ngSubmit)="remove()" novalidate>
          <p>
            Name and contact go, also from what they were told. Their instruments and all that was done to them stay, without a name. It
            cannot be taken back; copies of the house made before hold it for up to {{ KEPT.months }} months.
          </p>
          <label
            >Type {{ owner().name }} to go on
            <mat-form-field
              ><input matInput formControlName="name" autocomplete="off" /><mat-error
                >It {{ form.controls.name.getError('says') }}</mat-error
              ></mat-form-field
            >
          </label>
          @if (fault(); as says) {
            <p class="fault" role="alert">{{ says }}</p>
          }
          <button matButton type="submit" class="quiet fault">remove them from the register</button>
          <button matButton type="button" class="quiet" (click)="asked.set(false)">leave them</button>
        </form>
      } @else {
        <button matButton type="button" class="quiet" (click)="asked.set(true)">remove from the register …</button>
      }
    }
  `,
  styles: `
    a {
      display: block;
      color: inherit;
      line-height: 44px;
    }
    label {
      display: grid;
    }
    .fault {
      color: var(--oxide);
    }
  `,
})
export class OwnerLeaves {
  private readonly api = inject(Api);
  private readonly wayBack = inject(WayBack);
  private readonly person = inject(Session).person;
  readonly owner = input.required<Owner>();
  readonly gone = output();
  protected readonly KEPT = KEPT;
  protected readonly asked = signal(false);
  protected readonly fault = signal('');
  protected readonly form = inject(NonNullableFormBuilder).group({ name: '' });
  protected readonly mayRead = computed(() => this.person()?.role !== 'technician');
  protected readonly mayRemove = computed(() => this.person()?.role === 'owner');
  protected readonly file = computed(() => `/api/owners/${this.owner().id}/data`);

  protected async remove(): Promise<void> {
    this.fault.set('');
    const typed = readForm(this.form, ownerRemoval.omit({ version: true }));
    if (typed === null) return;
    const { id, version } = this.owner();
    try {
      const { instruments, messages, namedAt } = await this.api.call('removeOwner', { params: { id }, body: { version, ...typed } });
      const still =
        namedAt.length === 0
          ? ''
          : ` Somebody wrote the name into texts of passport ${namedAt.map((each) => String(each).padStart(4, '0')).join(', ')}.`;
      this.wayBack.tell(`Removed, from ${instruments} instruments and ${messages} messages.${still}`);
      this.gone.emit();
    } catch (error) {
      this.fault.set(sayRefusal(this.form, error));
    }
  }
}
