import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
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
  WOODS,
  type FindingKind,
  type Part,
  type Severity,
  type Wood,
} from '@gold-peg/craft/findings';
import { WorksheetDesk } from '../desk';
import type { Place } from './board-layout';
import { PART_NAMES, REFERRAL_NAMES, SEVERITY_NAMES, WOOD_NAMES } from './finding-words';

/** Says what is found at a place, how bad it is, and what to do about it, before it is kept. */
@Component({
  selector: 'peg-finding-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MatButtonModule, MatInputModule, MatSelectModule],
  templateUrl: './finding-form.html',
  styleUrl: './finding-form.scss',
})
export class FindingForm {
  /** The place that was pointed at; null before. */
  readonly place = input<Place | null>(null);

  protected readonly desk = inject(WorksheetDesk);
  protected readonly part = signal<Part>('fret');
  protected readonly fret = signal<number | null>(1);
  protected readonly what = signal<FindingKind>('groove');
  protected readonly severity = signal<Severity>('watch');
  protected readonly wood = signal<Wood | null>(null);
  protected readonly text = signal('');
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
  protected readonly kinds = computed(() =>
    this.possible()
      .filter((kind) => FINDINGS[kind].part === this.part())
      .map((value) => ({ value, name: FINDINGS[value].name })),
  );
  protected readonly placed = computed(() => FINDINGS[this.what()].place);
  protected readonly string = computed(() => this.desk.lane() + 1);
  protected readonly advice = computed(() => {
    const { says, refer } = advise({ what: this.what(), severity: this.severity(), wood: this.wood() });
    const here = FINDINGS[this.what()].referFrom === null ? 'the bench does it' : 'nothing to do yet';
    return { says, refer: refer === null ? here : REFERRAL_NAMES[refer] };
  });

  constructor() {
    effect(() => {
      const place = this.place();
      if (place === null) return;
      untracked(() => {
        this.pickPart(place.part);
        this.fret.set(place.fret ?? this.fret());
      });
    });
    effect(() => {
      // the wood of a board does not change: what was said last time is right again
      const before = this.desk.lastTime()?.findings?.find(({ wood }) => wood !== null)?.wood ?? null;
      untracked(() => this.wood() ?? this.wood.set(before));
    });
  }

  protected pickPart(part: Part): void {
    this.part.set(part);
    if (FINDINGS[this.what()].part !== part) this.what.set(this.kinds()[0]?.value ?? 'groove');
  }

  protected async keep(): Promise<void> {
    const { place } = FINDINGS[this.what()];
    const read = found.safeParse({
      what: this.what(),
      severity: this.severity(),
      string: place === 'whole' ? null : this.string(),
      fret: place === 'fret-and-string' ? this.fret() : null,
      wood: this.what() === 'board-dry' ? this.wood() : null,
      text: this.text().trim(),
    });
    if (!read.success) {
      const issue = read.error.issues[0];
      return this.fault.set(`The ${String(issue?.path[0] ?? 'finding')} ${issue?.message ?? 'is not right'}.`);
    }
    this.fault.set(null);
    await this.desk.happens({ kind: 'found', payload: read.data });
    this.text.set('');
  }
}
