import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatSelectModule } from '@angular/material/select';
import { MatInputModule } from '@angular/material/input';
import { found } from '@gold-peg/contract/bench-log';
import {
  advise,
  FINDING_KINDS,
  FINDINGS,
  findable,
  PARTS,
  SEVERITIES,
  type FindingKind,
  type Part,
  type Severity,
} from '@gold-peg/craft/findings';
import { WOOD_NAMES } from '@gold-peg/contract/register';
import { WOODS, type Wood } from '@gold-peg/craft/instrument';
import { heldTo } from '../../form';
import { WorksheetDesk } from '../desk';
import type { Place } from './board-layout';
import { PART_NAMES, REFERRAL_NAMES, SEVERITY_NAMES } from './finding-words';

/** Says what is found at a place, how bad it is, and what to do about it, before it is kept. */
@Component({
  selector: 'peg-finding-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, MatSelectModule, ReactiveFormsModule],
  templateUrl: './finding-form.html',
  styleUrl: './finding-form.scss',
})
export class FindingForm {
  /** The place that was pointed at; null before. */
  readonly place = input<Place | null>(null);

  protected readonly desk = inject(WorksheetDesk);
  protected readonly form = new FormGroup({
    ...inject(NonNullableFormBuilder).group({
      part: 'fret' as Part,
      what: 'groove' as FindingKind,
      severity: 'watch' as Severity,
      text: ['', heldTo(found.shape.text)],
    }).controls,
    fret: new FormControl<number | null>(1),
    wood: new FormControl<Wood | null>(null),
  });
  private readonly changed = toSignal(this.form.valueChanges);
  protected readonly typed = computed(() => {
    this.changed();
    return this.form.getRawValue();
  });
  protected readonly fault = signal<string | null>(null);
  protected readonly woods = WOODS.map((value) => ({ value, name: WOOD_NAMES[value] }));
  protected readonly severities = SEVERITIES.map((value) => ({ value, name: SEVERITY_NAMES[value] }));

  private readonly possible = computed(() => {
    const instrument = this.desk.instrument();
    return instrument === null ? [] : FINDING_KINDS.filter((kind) => findable(instrument, kind));
  });
  protected readonly parts = computed(() =>
    PARTS.filter((part) => this.possible().some((kind) => FINDINGS[kind].part === part)).map((value) => ({
      value,
      name: PART_NAMES[value],
    })),
  );
  private readonly kindsOf = (of: Part) =>
    this.possible()
      .filter((kind) => FINDINGS[kind].part === of)
      .map((value) => ({ value, name: FINDINGS[value].name }));
  protected readonly kinds = computed(() => this.kindsOf(this.typed().part));
  protected readonly placed = computed(() => FINDINGS[this.typed().what].place);
  protected readonly string = computed(() => this.desk.lane() + 1);
  protected readonly advice = computed(() => {
    const { says, refer } = advise({ what: this.typed().what, severity: this.typed().severity, wood: this.typed().wood });
    const here = FINDINGS[this.typed().what].referFrom === null ? 'the bench does it' : 'nothing to do yet';
    return { says, refer: refer === null ? here : REFERRAL_NAMES[refer] };
  });

  constructor() {
    effect(() => {
      const place = this.place();
      if (place === null) return;
      untracked(() => {
        this.form.patchValue({ part: place.part, fret: place.fret ?? this.typed().fret });
      });
    });
    effect(() => {
      // the wood of a board does not change: what was said last time is right again
      const found = this.desk.earlier().flatMap(({ findings = [] }) => findings);
      const before = this.desk.instrument()?.board ?? found.find(({ wood }) => wood !== null)?.wood ?? null;
      untracked(() => {
        if (this.typed().wood === null) this.form.controls.wood.setValue(before);
      });
    });
    // what is found is of the part: another part, and the first thing that can be found there
    this.form.controls.part.valueChanges.pipe(takeUntilDestroyed()).subscribe((part) => {
      if (FINDINGS[this.typed().what].part !== part) this.form.controls.what.setValue(this.kindsOf(part)[0]?.value ?? 'groove');
    });
  }

  protected async keep(): Promise<void> {
    const { what, severity, fret, wood, text } = this.form.getRawValue();
    const { place } = FINDINGS[what];
    const read = found.safeParse({
      what,
      severity,
      string: place === 'whole' ? null : this.string(),
      fret: place === 'fret-and-string' ? fret : null,
      wood: what === 'board-dry' ? wood : null,
      text: text.trim(),
    });
    if (!read.success) {
      const issue = read.error.issues[0];
      return this.fault.set(`The ${String(issue?.path[0] ?? 'finding')} ${issue?.message ?? 'is not right'}.`);
    }
    this.fault.set(null);
    await this.desk.happens({ kind: 'found', payload: read.data });
    this.form.controls.text.reset();
  }
}
