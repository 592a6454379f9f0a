import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { Router } from '@angular/router';
import { fromInstrument, instrumentDraft } from '@gold-peg/contract/register';
import * as z from 'zod';
import { ARCHETYPES, archetype, instrumentOf } from '@gold-peg/craft/archetypes';
import type { Hand } from '@gold-peg/craft/instrument';
import { heldTo, readForm, sayRefusal } from '../form';
import { Api } from '../server/api';
import { NewThing } from '../server/new-thing';
import { fromMillimetres } from '@gold-peg/craft/units';
import { Measures, say } from '../preferences/measures';
import { PlaceHeader } from '../ui/place-header';
import { Headstock } from '../headstock';
import { OwnerField } from './owner-field';
import { OwnerSearch } from './owner-search';
import { geometryFacts } from './geometry-facts';
import { pictureOf } from './kind-picture';

/** Height of the headstock picture. */
const PICTURE_PX = 300;
/** What is typed: the id comes when it is asked for, and an owner is named. */
const typedDraft = z.object({ ...instrumentDraft.omit({ id: true, ownerId: true }).shape, ownerName: z.string().trim() });

/** A new instrument from an archetype: typical geometry to start from until it has been measured. */
@Component({
  selector: 'peg-new-instrument',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Headstock, MatButtonModule, MatInputModule, MatSelectModule, OwnerField, PlaceHeader, ReactiveFormsModule],
  providers: [OwnerSearch],
  templateUrl: './new-instrument.html',
  styleUrl: './new-instrument.scss',
})
export class NewInstrument {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly measures = inject(Measures);

  protected readonly kinds = ARCHETYPES;
  protected readonly form = inject(NonNullableFormBuilder).group({
    name: ['', heldTo(typedDraft.shape.name)],
    archetypeId: ARCHETYPES[0]?.id ?? '',
    ownerName: '',
    hand: 'right' as Hand,
    scaleMm: [null as number | null, heldTo(typedDraft.shape.scaleMm)],
    remark: ['', heldTo(typedDraft.shape.remark)],
  });
  private readonly typed = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  private readonly archetypeId = computed(() => this.typed().archetypeId ?? '');
  private readonly ownerName = computed(() => (this.typed().ownerName ?? '').trim());
  protected readonly fault = signal('');
  private readonly newInstrument = new NewThing();
  private readonly newOwner = new NewThing();
  protected readonly busy = this.newInstrument.busy;

  private readonly owners = inject(OwnerSearch);
  private readonly sameOwner = computed(() =>
    this.owners.found().find(({ name }) => name.toLowerCase() === this.ownerName().toLowerCase()),
  );
  protected readonly aboutOwner = computed(() =>
    this.ownerName() !== '' && this.sameOwner() === undefined ? 'new in the register' : 'may be left empty',
  );
  protected readonly kind = computed(() => {
    const found = archetype(this.archetypeId());
    if (found === undefined) return null;
    const { scaleMm, notes } = found.sketch;
    return {
      facts: found.facts,
      scale: typeof scaleMm === 'number' ? scaleMm : Math.max(...scaleMm),
      notes: [...notes].reverse().join(' '),
    };
  });

  protected readonly picture = computed(() =>
    archetype(this.archetypeId()) === undefined
      ? null
      : pictureOf({ ...instrumentOf(this.archetypeId()), hand: this.typed().hand ?? 'right' }, PICTURE_PX),
  );
  protected readonly geometry = computed(() => {
    const instrument = this.picture()?.instrument;
    return instrument === undefined
      ? []
      : geometryFacts(fromInstrument(instrument), (mm, digits) => say(this.measures.length(fromMillimetres(mm), digits)));
  });

  protected async add(): Promise<void> {
    this.fault.set('');
    const typed = readForm(this.form, typedDraft);
    if (typed === null) return;
    const { ownerName, ...draft } = typed;
    try {
      const passport = await this.newInstrument.make(async (id) =>
        this.api.call('addInstrument', { body: { ...draft, id, ownerId: await this.ownerId(ownerName) } }),
      );
      if (passport !== null) await this.router.navigate(['/register', passport.id]);
    } catch (error) {
      this.fault.set(sayRefusal(this.form, error));
    }
  }

  private async ownerId(name: string): Promise<string | null> {
    if (name === '') return null;
    const owner =
      (await this.owners.named(name)) ?? (await this.newOwner.make((id) => this.api.call('addOwner', { body: { id, name, contact: '' } })));
    return owner?.id ?? null;
  }
}
