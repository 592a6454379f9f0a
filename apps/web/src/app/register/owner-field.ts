import { ChangeDetectionStrategy, Component, effect, inject, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatInputModule } from '@angular/material/input';
import { OwnerSearch } from './owner-search';

/** Whose an instrument is: names of the register come as one types. Whoever holds it provides the search. */
@Component({
  selector: 'peg-owner-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatAutocompleteModule, MatInputModule, ReactiveFormsModule],
  template: `<label for="owner">Owner</label>
    <mat-form-field>
      <input matInput id="owner" maxlength="80" placeholder="no owner" [matAutocomplete]="list" [formControl]="name()" />
      <mat-autocomplete #list="matAutocomplete">
        @for (owner of owners.found(); track owner.id) {
          <mat-option [value]="owner.name">{{ owner.name }}</mat-option>
        }
      </mat-autocomplete>
      @if (hint(); as says) {
        <mat-hint>{{ says }}</mat-hint>
      }
      <mat-error>Owner {{ name().getError('says') }}</mat-error>
    </mat-form-field>`,
  styles: `
    :host {
      display: grid;
      gap: 4px;
    }
    label {
      margin-top: 6px;
      font-weight: 600;
    }
  `,
})
export class OwnerField {
  readonly name = input.required<FormControl<string>>();
  readonly hint = input('');
  protected readonly owners = inject(OwnerSearch);

  constructor() {
    effect((cleanUp) => {
      const typing = this.name().valueChanges.subscribe((name) => this.owners.type(name));
      cleanUp(() => typing.unsubscribe());
    });
  }
}
