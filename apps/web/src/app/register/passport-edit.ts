import { ChangeDetectionStrategy, Component, inject, input, linkedSignal, output, resource, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatSelectModule } from '@angular/material/select';
import type { Passport } from '@gold-peg/contract/register';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';

/** Name, owner and remark of an instrument. */
@Component({
  selector: 'peg-passport-edit',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MatSelectModule],
  template: `
    <form (ngSubmit)="save()">
      <label for="edit-name">Name</label>
      <input id="edit-name" class="field" name="name" maxlength="200" [ngModel]="name()" (ngModelChange)="name.set($event)" />
      <label id="edit-owner-label" for="edit-owner">Owner</label>
      <mat-select
        id="edit-owner"
        class="field"
        name="owner"
        aria-labelledby="edit-owner-label"
        [ngModel]="ownerId()"
        (ngModelChange)="ownerId.set($event)"
      >
        <mat-option [value]="null">no owner</mat-option>
        @for (owner of owners.hasValue() ? owners.value() : []; track owner.id) {
          <mat-option [value]="owner.id">{{ owner.name }}</mat-option>
        }
      </mat-select>
      <label for="edit-remark">Remark</label>
      <textarea
        id="edit-remark"
        class="field"
        name="remark"
        rows="3"
        maxlength="2000"
        [ngModel]="remark()"
        (ngModelChange)="remark.set($event)"
      ></textarea>
      @if (fault(); as says) {
        <p class="fault" role="alert">{{ says }}</p>
      }
      <button type="submit" class="quiet">keep</button>
      <button type="button" class="quiet" (click)="left.emit()">leave as it was</button>
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 4px;
    }
    label {
      margin-top: 6px;
      font-weight: 600;
    }
    .fault {
      margin: 0;
      color: var(--oxide);
    }
  `,
})
export class PassportEdit {
  readonly passport = input.required<Passport>();
  readonly changed = output();
  readonly left = output();

  private readonly api = inject(Api);
  protected readonly owners = resource({ loader: () => this.api.call('listOwners', {}) });
  protected readonly name = linkedSignal(() => this.passport().name);
  protected readonly ownerId = linkedSignal(() => this.passport().ownerId);
  protected readonly remark = linkedSignal(() => this.passport().remark);
  protected readonly fault = signal<string | null>(null);

  /** A stale write is refused and says what is there now; what was typed stays in the form. */
  protected async save(): Promise<void> {
    const { id, version } = this.passport();
    try {
      await this.api.call('changeInstrument', {
        params: { id },
        body: { version, name: this.name().trim(), ownerId: this.ownerId(), remark: this.remark().trim() },
      });
      this.changed.emit();
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }
}
