import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { DraftForm } from './draft-form';
import { PLAIN } from './draft-ways';

/** Something that is so, or is not, in the draft. */
@Component({
  selector: 'peg-draft-tick',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckboxModule, ReactiveFormsModule],
  template: `<mat-checkbox [formControl]="control()">{{ label() }}</mat-checkbox>`,
})
export class DraftTick {
  readonly at = input.required<string>();
  readonly label = input.required<string>();

  private readonly form = inject(DraftForm);
  protected readonly control = computed(() => this.form.control({ at: this.at(), way: PLAIN }));
}
