import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatInputModule } from '@angular/material/input';
import type { Measure } from '@gold-peg/craft/instrument';
import { GeometryDraft } from './draft';
import { DraftForm } from './draft-form';
import { TENTHS } from './draft-ways';

/** A figure or a word of the draft, with its label; what of it cannot be stands once under the whole part, and is told with the field. */
@Component({
  selector: 'peg-draft-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatInputModule, ReactiveFormsModule],
  template: `
    @if (!bare()) {
      <label [for]="id()">{{ label() }}</label>
    }
    <mat-form-field class="dense">
      @if (way().type === 'number') {
        <input matInput type="number" [id]="id()" [step]="step()" [attr.aria-label]="bare() ? label() : null" [formControl]="control()" />
      } @else {
        <input matInput [id]="id()" [attr.aria-label]="bare() ? label() : null" [formControl]="control()" />
      }
      <mat-error>{{ says() }}</mat-error>
    </mat-form-field>
  `,
  styleUrl: './draft-field.scss',
})
export class DraftFieldInput {
  /** Its place in the geometry: 'strings.2.post.alongMm'. */
  readonly at = input.required<string>();
  readonly label = input.required<string>();
  readonly way = input(TENTHS);
  readonly step = input<number>(1);
  readonly measure = input<Measure | null>(null);
  /** What typing does, where it is more than this value. */
  readonly takes = input<((value: unknown) => void) | null>(null);
  /** In a table, where row and column are its label. */
  readonly bare = input(false);

  private readonly draft = inject(GeometryDraft);
  private readonly form = inject(DraftForm);
  protected readonly id = computed(() => this.at().replaceAll('.', '-'));
  protected readonly says = computed(() => this.draft.faults().find(({ at }) => at === this.at())?.says ?? '');
  protected readonly control = computed(() =>
    this.form.control({ at: this.at(), way: this.way(), measure: this.measure(), takes: this.takes() }),
  );
}
