import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatMenuModule } from '@angular/material/menu';
import { ownerDraft, ownerSchema, type Owner } from '@gold-peg/contract/register';
import { Api } from '../server/api';
import { Keeper } from '../server/keeper';
import { heldTo, readForm } from '../form';
import { sayProblem } from '../server/server-problem';
import { OwnerLeaves } from './owner-leaves';
import { BothVersions } from '../ui/both-versions';
import { WayBack } from '../ui/way-back';

/** Owners beside the instruments: pick one to see theirs, or change name and contact. */
@Component({
  selector: 'peg-owners-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BothVersions, MatButtonModule, MatInputModule, MatMenuModule, OwnerLeaves, ReactiveFormsModule],
  templateUrl: './owners-panel.html',
  styleUrl: './owners-panel.scss',
})
export class OwnersPanel {
  readonly owners = input.required<readonly Owner[]>();
  /** There are more than these. */
  readonly more = input(false);
  readonly wanted = output();
  readonly picked = output<string>();
  readonly changed = output();

  private readonly api = inject(Api);
  private readonly wayBack = inject(WayBack);
  /** The owner being changed, as it was read, and what is typed. */
  protected readonly editing = signal<Owner | null>(null);
  /** Who the owner in hand is as well, asked once more before both are one. */
  protected readonly twin = linkedSignal<Owner | null, Owner | null>({ source: () => this.editing(), computation: () => null });
  protected readonly form = inject(NonNullableFormBuilder).group({
    name: ['', heldTo(ownerDraft.shape.name)],
    contact: ['', heldTo(ownerDraft.shape.contact)],
  });
  private readonly typed = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  protected readonly keeper = new Keeper<Owner>((current) => ownerSchema.parse(current));
  /** What stands now where it is in the way, beside what is typed. */
  protected readonly clashes = computed(() => {
    const now = this.keeper.now();
    if (now === null) return [];
    const { name = '', contact = '' } = this.typed();
    return [
      { what: 'Name', now: now.name, typed: name },
      { what: 'How to reach them', now: now.contact, typed: contact },
    ].filter((clash) => clash.now !== clash.typed);
  });

  protected edit(owner: Owner): void {
    this.keeper.forget();
    this.editing.set(owner);
    this.form.reset({ name: owner.name, contact: owner.contact });
  }

  protected async save(): Promise<void> {
    const owner = this.editing();
    const typed = readForm(this.form, ownerDraft);
    if (owner === null || typed === null) return;
    const kept = await this.keeper.keep({
      read: owner,
      untouched: (now, read) => [read, typed].some(({ name, contact }) => now.name === name && now.contact === contact),
      send: ({ id, version }) => this.api.call('changeOwner', { params: { id }, body: { version, ...typed } }),
    });
    if (kept === null) return;
    this.editing.set(null);
    this.changed.emit();
  }

  /** Who else it may be. */
  protected others(owner: Owner): Owner[] {
    return this.owners().filter(({ id }) => id !== owner.id);
  }

  /** One of two of the same goes; the other has all instruments then. */
  protected async merge({ id, name, version }: Owner, into: Owner): Promise<void> {
    try {
      await this.api.call('mergeOwners', { params: { id }, body: { version, into: into.id } });
      this.editing.set(null);
      this.wayBack.tell(`${name} and ${into.name} are one now.`);
      this.changed.emit();
    } catch (error) {
      this.wayBack.tell(sayProblem(error));
    }
  }

  /** They are out of the register. */
  protected left(): void {
    this.editing.set(null);
    this.changed.emit();
  }

  /** What was typed gives way to what stands now. */
  protected take(): void {
    const now = this.keeper.now();
    if (now !== null) this.edit(now);
  }
}
