import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { NonNullableFormBuilder, ReactiveFormsModule, type AbstractControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { Router } from '@angular/router';
import { fromInstrument, instrumentDraft, type InstrumentSummary, type Passport } from '@gold-peg/contract/register';
import { distinctUntilChanged, skip, startWith } from 'rxjs';
import * as z from 'zod';
import { ARCHETYPES, archetype, instrumentOf } from '@gold-peg/craft/archetypes';
import type { Hand } from '@gold-peg/craft/instrument';
import { heldTo, readForm, sayRefusal } from '../form';
import { Api } from '../server/api';
import { NewThing } from '../server/new-thing';
import { sayProblem } from '../server/server-problem';
import { PlaceHeader } from '../ui/place-header';
import { BuildParts, BuildPicture, BuildSharpens, GeometryDraft } from '../build';
import { RegisterPick } from '../neck';
import { OwnerField } from './owner-field';
import { OwnerSearch } from './owner-search';

/** What is typed: the id comes when it is asked for, and an owner is named. */
const typedDraft = z.object({ ...instrumentDraft.omit({ id: true, ownerId: true, geometry: true }).shape, ownerName: z.string().trim() });

/** A new instrument from its kind, or a copy of another: typical to start from, and every part of it can be another. */
@Component({
  selector: 'peg-new-instrument',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BuildParts,
    BuildPicture,
    BuildSharpens,
    MatButtonModule,
    MatInputModule,
    MatSelectModule,
    OwnerField,
    PlaceHeader,
    ReactiveFormsModule,
    RegisterPick,
  ],
  providers: [GeometryDraft, OwnerSearch],
  templateUrl: './new-instrument.html',
  styleUrl: './new-instrument.scss',
})
export class NewInstrument {
  private readonly api = inject(Api);
  private readonly router = inject(Router);

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

  protected readonly draft = inject(GeometryDraft);
  /** The instrument that this one is a copy of; null where it begins from its kind. */
  protected readonly copied = signal<Passport | null>(null);

  constructor() {
    const { archetypeId, hand, scaleMm } = this.form.controls;
    this.beginFrom(archetypeId.value);
    // a form that is read over says its values again: only another one begins anew
    const changes = <T>(control: AbstractControl<T>) =>
      control.valueChanges.pipe(startWith(control.value), distinctUntilChanged(), skip(1), takeUntilDestroyed());
    changes(archetypeId).subscribe((id) => this.beginFrom(id));
    changes(hand).subscribe((way) => this.draft.edit((geometry) => ({ ...geometry, hand: way })));
    changes(scaleMm).subscribe((mm) => this.rescale(mm));
  }

  /** Typical of its kind, with what was typed of hand and scale. */
  private beginFrom(kindId: string): void {
    this.copied.set(null);
    this.draft.begin(fromInstrument(instrumentOf(kindId)));
    const { hand, scaleMm } = this.form.getRawValue();
    if (hand !== 'right') this.draft.edit((geometry) => ({ ...geometry, hand }));
    this.rescale(scaleMm);
  }

  private rescale(mm: number | null): void {
    const geometry = this.draft.geometry();
    if (mm === null || geometry === null || this.form.controls.scaleMm.invalid) return;
    const longest = Math.max(...geometry.strings.map((string) => string.scaleMm));
    const strings = geometry.strings.map((string) => ({ ...string, scaleMm: (string.scaleMm * mm) / longest }));
    this.draft.edit((now) => ({ ...now, strings }), 'scale');
  }

  /** Another one of the register lends what it is; what was measured of it is only typical of this one. */
  protected async copy({ id }: InstrumentSummary): Promise<void> {
    try {
      const passport = await this.api.call('passport', { params: { id } });
      this.form.controls.archetypeId.setValue(passport.archetypeId);
      this.form.patchValue({ hand: passport.geometry.hand, scaleMm: null });
      this.copied.set(passport);
      this.draft.begin({ ...passport.geometry, measured: [] });
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }

  protected async add(): Promise<void> {
    this.fault.set('');
    const typed = readForm(this.form, typedDraft);
    const geometry = this.draft.geometry();
    if (typed === null || geometry === null || this.draft.faults().length > 0) return;
    const { ownerName, ...draft } = typed;
    try {
      const passport = await this.newInstrument.make(async (id) =>
        this.api.call('addInstrument', { body: { ...draft, geometry, id, ownerId: await this.ownerId(ownerName) } }),
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
