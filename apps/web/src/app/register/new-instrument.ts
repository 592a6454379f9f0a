import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatSelectModule } from '@angular/material/select';
import { Router } from '@angular/router';
import { invalidInput } from '@gold-peg/contract/problems';
import { fromInstrument, instrumentDraft } from '@gold-peg/contract/register';
import { ARCHETYPES, archetype, instrumentOf } from '@gold-peg/craft/archetypes';
import type { Hand } from '@gold-peg/craft/instrument';
import { Api } from '../server/api';
import { NewThing } from '../server/new-thing';
import { sayProblem, ServerProblem } from '../server/server-problem';
import { fromMillimetres } from '@gold-peg/craft/units';
import { Measures, say } from '../preferences/measures';
import { PlaceHeader } from '../ui/place-header';
import { Headstock } from '../headstock/headstock';
import { OwnerSearch } from './owner-search';
import { geometryFacts } from './geometry-facts';
import { pictureOf } from './kind-picture';

/** Height of the headstock picture. */
const PICTURE_PX = 300;
/** What is typed: the id comes when it is asked for. */
const typedDraft = instrumentDraft.omit({ id: true });

/** A new instrument from an archetype: typical geometry to start from until it has been measured. */
@Component({
  selector: 'peg-new-instrument',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MatAutocompleteModule, MatSelectModule, Headstock, PlaceHeader],
  providers: [OwnerSearch],
  templateUrl: './new-instrument.html',
  styleUrl: './new-instrument.scss',
})
export class NewInstrument {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly measures = inject(Measures);

  protected readonly kinds = ARCHETYPES;
  protected readonly name = signal('');
  protected readonly archetypeId = signal(ARCHETYPES[0]?.id ?? '');
  protected readonly ownerName = signal('');
  protected readonly hand = signal<Hand>('right');
  protected readonly scaleMm = signal<number | null>(null);
  protected readonly remark = signal('');
  protected readonly faults = signal<Readonly<Record<string, string>>>({});
  protected readonly fault = signal<string | null>(null);
  private readonly newInstrument = new NewThing();
  private readonly newOwner = new NewThing();
  protected readonly busy = this.newInstrument.busy;

  protected readonly owners = inject(OwnerSearch);
  protected readonly isNewOwner = computed(() => this.ownerName().trim() !== '' && this.sameOwner() === undefined);
  private readonly sameOwner = computed(() =>
    this.owners.found().find(({ name }) => name.toLowerCase() === this.ownerName().trim().toLowerCase()),
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
    archetype(this.archetypeId()) === undefined ? null : pictureOf({ ...instrumentOf(this.archetypeId()), hand: this.hand() }, PICTURE_PX),
  );
  protected readonly geometry = computed(() => {
    const instrument = this.picture()?.instrument;
    return instrument === undefined
      ? []
      : geometryFacts(fromInstrument(instrument), (mm, digits) => say(this.measures.length(fromMillimetres(mm), digits)));
  });

  protected async add(): Promise<void> {
    this.fault.set(null);
    this.faults.set({});
    const draft = {
      name: this.name(),
      archetypeId: this.archetypeId(),
      hand: this.hand(),
      ownerId: null,
      scaleMm: this.scaleMm(),
      remark: this.remark(),
    };
    const read = typedDraft.safeParse(draft);
    if (!read.success) return this.show(new ServerProblem(invalidInput(read.error)));
    try {
      const passport = await this.newInstrument.make(async (id) =>
        this.api.call('addInstrument', { body: { ...read.data, id, ownerId: await this.ownerId() } }),
      );
      if (passport !== null) await this.router.navigate(['/register', passport.id]);
    } catch (error) {
      this.show(error);
    }
  }

  protected typeOwner(name: string): void {
    this.ownerName.set(name);
    this.owners.type(name);
  }

  private async ownerId(): Promise<string | null> {
    const name = this.ownerName().trim();
    if (name === '') return null;
    const owner =
      (await this.owners.named(name)) ?? (await this.newOwner.make((id) => this.api.call('addOwner', { body: { id, name, contact: '' } })));
    return owner?.id ?? null;
  }

  private show(error: unknown): void {
    const fields = error instanceof ServerProblem ? (error.problem.fields ?? []) : [];
    this.faults.set(Object.fromEntries(fields.map(({ field, says }) => [field, says])));
    this.fault.set(sayProblem(error));
  }
}
