import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { passportSchema, type Passport } from '@gold-peg/contract/register';
import { Api } from '../server/api';
import { Keeper } from '../server/keeper';
import { OwnerSearch } from './owner-search';
import { BothVersions } from '../ui/both-versions';

/** Name, owner and remark of an instrument. */
@Component({
  selector: 'peg-passport-edit',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BothVersions, FormsModule, MatAutocompleteModule],
  providers: [OwnerSearch],
  template: `
    <form (ngSubmit)="save()">
      <label for="edit-name">Name</label>
      <input id="edit-name" class="field" name="name" maxlength="200" [ngModel]="name()" (ngModelChange)="name.set($event)" />
      <label for="edit-owner">Owner</label>
      <input
        id="edit-owner"
        class="field"
        name="owner"
        maxlength="80"
        placeholder="no owner"
        [matAutocomplete]="list"
        [ngModel]="ownerName()"
        (ngModelChange)="typeOwner($event)"
      />
      <mat-autocomplete #list="matAutocomplete">
        @for (owner of owners.found(); track owner.id) {
          <mat-option [value]="owner.name">{{ owner.name }}</mat-option>
        }
      </mat-autocomplete>
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
      @if (keeper.fault(); as says) {
        <p class="fault" role="alert">{{ says }}</p>
      }
      <button type="submit" class="quiet" [disabled]="keeper.busy()">keep</button>
      <button type="button" class="quiet" (click)="left.emit()">leave as it was</button>
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
  protected readonly owners = inject(OwnerSearch);
  protected readonly keeper = new Keeper<Passport>((current) => passportSchema.parse(current));
  private readonly read = linkedSignal(() => this.passport());
  protected readonly name = linkedSignal(() => this.read().name);
  protected readonly ownerName = linkedSignal(() => this.read().ownerName ?? '');
  protected readonly remark = linkedSignal(() => this.read().remark);
  /** What stands now where it is in the way, beside what is typed. */
  protected readonly clashes = computed(() => {
    const now = this.keeper.inTheWayOf(this.read());
    if (now === null) return [];
    return [
      { what: 'Name', now: now.name, typed: this.name() },
      { what: 'Owner', now: now.ownerName ?? 'no owner', typed: this.ownerName() || 'no owner' },
      { what: 'Remark', now: now.remark, typed: this.remark() },
    ].filter((clash) => clash.now !== clash.typed);
  });

  protected typeOwner(name: string): void {
    this.ownerName.set(name);
    this.owners.type(name);
  }

  protected async save(): Promise<void> {
    const ownerId = await this.ownerId();
    if (ownerId === undefined) return this.keeper.fault.set(`Owner must be in the register: nobody is called ${this.ownerName().trim()}.`);
    const typed = { name: this.name().trim(), ownerId, remark: this.remark().trim() };
    const kept = await this.keeper.keep({
      read: this.read(),
      untouched: (now, read) =>
        [read, typed].some(({ name, ownerId: of, remark }) => now.name === name && now.ownerId === of && now.remark === remark),
      send: ({ id, version }) => this.api.call('changeInstrument', { params: { id }, body: { version, ...typed } }),
    });
    if (kept !== null) this.changed.emit();
  }

  /** Of the owner that is typed; null where the field is empty, undefined where nobody is called so. */
  private async ownerId(): Promise<string | null | undefined> {
    const { ownerId, ownerName } = this.read();
    const name = this.ownerName().trim();
    if (name === '') return null;
    return name === ownerName ? ownerId : (await this.owners.named(name).catch(() => undefined))?.id;
  }

  /** What was typed gives way to what stands now. */
  protected take(): void {
    const now = this.keeper.inTheWayOf(this.read());
    if (now !== null) this.read.set(now);
    this.keeper.forget();
  }
}
