import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { instrumentChange, passportSchema, type Passport } from '@gold-peg/contract/register';
import * as z from 'zod';
import { heldTo, readForm } from '../form';
import { Api } from '../server/api';
import { Keeper } from '../server/keeper';
import { OwnerField } from './owner-field';
import { OwnerSearch } from './owner-search';
import { BothVersions } from '../ui/both-versions';

/** What is typed: an owner by name. */
const TYPED = z.object({ ...instrumentChange.pick({ name: true, remark: true }).shape, ownerName: z.string() });

/** Name, owner and remark of an instrument. */
@Component({
  selector: 'peg-passport-edit',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BothVersions, MatButtonModule, MatInputModule, OwnerField, ReactiveFormsModule],
  providers: [OwnerSearch],
  template: `
    <form [formGroup]="form" (ngSubmit)="save()">
      <label for="edit-name">Name</label>
      <mat-form-field>
        <input matInput id="edit-name" formControlName="name" />
        <mat-error>Name {{ form.controls.name.getError('says') }}</mat-error>
      </mat-form-field>
      <peg-owner-field [name]="form.controls.ownerName" />
      <label for="edit-remark">Remark</label>
      <mat-form-field>
        <textarea matInput id="edit-remark" rows="3" formControlName="remark"></textarea>
        <mat-error>Remark {{ form.controls.remark.getError('says') }}</mat-error>
      </mat-form-field>
      @if (keeper.fault(); as says) {
        <p class="fault" role="alert">{{ says }}</p>
      }
      <button matButton type="submit" class="quiet" [disabled]="keeper.busy()">keep</button>
      <button matButton type="button" class="quiet" (click)="left.emit()">leave as it was</button>
    </form>
    @if (clashes().length > 0) {
      <peg-both-versions [clashes]="clashes()" (kept)="save()" (taken)="take()" />
    }
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
  private readonly owners = inject(OwnerSearch);
  protected readonly keeper = new Keeper<Passport>((current) => passportSchema.parse(current));
  private readonly read = linkedSignal(() => this.passport());
  protected readonly form = inject(NonNullableFormBuilder).group({
    name: ['', heldTo(instrumentChange.shape.name)],
    ownerName: '',
    remark: ['', heldTo(instrumentChange.shape.remark)],
  });
  private readonly typed = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  /** What stands now where it is in the way, beside what is typed. */
  protected readonly clashes = computed(() => {
    const [now, { name = '', ownerName = '', remark = '' }] = [this.keeper.inTheWayOf(this.read()), this.typed()];
    if (now === null) return [];
    return [
      { what: 'Name', now: now.name, typed: name },
      { what: 'Owner', now: now.ownerName ?? 'no owner', typed: ownerName || 'no owner' },
      { what: 'Remark', now: now.remark, typed: remark },
    ].filter((clash) => clash.now !== clash.typed);
  });

  constructor() {
    effect(() => {
      const { name, ownerName, remark } = this.read();
      this.form.reset({ name, ownerName: ownerName ?? '', remark });
    });
  }

  protected async save(): Promise<void> {
    const change = readForm(this.form, TYPED);
    if (change === null) return;
    const ownerId = await this.ownerId(change.ownerName.trim());
    if (ownerId === undefined) return this.form.controls.ownerName.setErrors({ says: 'must be in the register: nobody is called so' });
    const typed = { name: change.name, ownerId, remark: change.remark.trim() };
    const kept = await this.keeper.keep({
      read: this.read(),
      untouched: (now, read) =>
        [read, typed].some(({ name, ownerId: of, remark }) => now.name === name && now.ownerId === of && now.remark === remark),
      send: ({ id, version }) => this.api.call('changeInstrument', { params: { id }, body: { version, ...typed } }),
    });
    if (kept !== null) this.changed.emit();
  }

  /** Of the owner that is typed; null where the field is empty, undefined where nobody is called so. */
  private async ownerId(typed: string): Promise<string | null | undefined> {
    const { ownerId, ownerName } = this.read();
    if (typed === '') return null;
    return typed === ownerName ? ownerId : (await this.owners.named(typed).catch(() => undefined))?.id;
  }

  /** What was typed gives way to what stands now. */
  protected take(): void {
    const now = this.keeper.inTheWayOf(this.read());
    if (now !== null) this.read.set(now);
    this.keeper.forget();
  }
}
