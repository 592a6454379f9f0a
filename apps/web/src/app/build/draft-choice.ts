import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatSelectModule } from '@angular/material/select';
import { DraftForm } from './draft-form';
import { PLAIN, type Typed } from './draft-ways';

/** One of a few, in the draft. */
@Component({
  selector: 'peg-draft-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatSelectModule, ReactiveFormsModule],
  template: `
    @if (!bare()) {
      <span [id]="id() + '-label'">{{ label() }}</span>
    }
    <mat-form-field class="dense"
      ><mat-select
        [id]="id()"
        [aria-label]="bare() ? label() : ''"
        [aria-labelledby]="bare() ? '' : id() + '-label'"
        [placeholder]="none() ?? ''"
        [formControl]="control()"
      >
        @if (none(); as says) {
          <mat-option [value]="null">{{ says }}</mat-option>
        }
        @for (each of choices(); track each.value) {
          <mat-option [value]="each.value">{{ each.name }}</mat-option>
        }
      </mat-select></mat-form-field
    >
  `,
  styleUrl: './draft-field.scss',
})
export class DraftChoice {
  /** Its place in the geometry: 'bridge.anchor'. */
  readonly at = input.required<string>();
  readonly label = input.required<string>();
  readonly choices = input.required<readonly { readonly value: Typed; readonly name: string }[]>();
  /** What is said where nothing was chosen yet, if that may be. */
  readonly none = input<string | null>(null);
  /** What choosing does, where it is more than this value. */
  readonly takes = input<((value: unknown) => void) | null>(null);
  /** In a table, where row and column are its label. */
  readonly bare = input(false);

  private readonly form = inject(DraftForm);
  protected readonly id = computed(() => this.at().replaceAll('.', '-'));
  protected readonly control = computed(() => this.form.control({ at: this.at(), way: PLAIN, takes: this.takes() }));
}
