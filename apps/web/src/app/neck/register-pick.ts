import { ChangeDetectionStrategy, Component, inject, input, output, resource, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatInputModule } from '@angular/material/input';
import type { InstrumentSummary } from '@gold-peg/contract/register';
import { debounceTime, distinctUntilChanged } from 'rxjs';
import { Api } from '../server/api';

/** Typing settles before the server is asked. */
const TYPING_MS = 150;
/** Instruments shown to choose from; typing narrows them. */
const SHOWN = 12;

/** An instrument of the register, whose name, owner or number holds what is being typed. */
@Component({
  selector: 'peg-register-pick',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatAutocompleteModule, MatInputModule],
  template: `<label for="of-register">{{ label() }}</label>
    <mat-form-field class="field"
      ><input
        matInput
        id="of-register"
        placeholder="name, owner or passport"
        [matAutocomplete]="list"
        [value]="sought()"
        (input)="sought.set($any($event.target).value)"
    /></mat-form-field>
    <mat-autocomplete #list="matAutocomplete" (optionSelected)="take($event.option.value)">
      @for (instrument of found(); track instrument.id) {
        <mat-option [value]="instrument.name">{{ instrument.name }}</mat-option>
      }
    </mat-autocomplete>`,
})
export class RegisterPick {
  private readonly api = inject(Api);
  readonly label = input.required<string>();
  readonly picked = output<InstrumentSummary>();

  protected readonly sought = signal('');
  private readonly seeking = toSignal(toObservable(this.sought).pipe(debounceTime(TYPING_MS), distinctUntilChanged()), {
    initialValue: '',
  });
  private readonly instruments = resource({
    params: () => ({ search: this.seeking(), limit: SHOWN }),
    loader: ({ params }) => this.api.call('listInstruments', { query: params }),
  });
  protected readonly found = () => (this.instruments.hasValue() ? this.instruments.value().instruments : []);

  protected take(name: string): void {
    const found = this.found().find((each) => each.name === name);
    if (found !== undefined) this.picked.emit(found);
  }
}
