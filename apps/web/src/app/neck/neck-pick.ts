import { ChangeDetectionStrategy, Component, inject, input, output, resource, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { InstrumentSummary } from '@gold-peg/contract/register';
import { debounceTime, distinctUntilChanged } from 'rxjs';
import { Api } from '../server/api';
import type { NECK_CHOICES } from '../ui/neck-choices';

/** Typing settles before the server is asked. */
const TYPING_MS = 150;
/** Instruments shown to choose from; typing narrows them. */
const SHOWN = 12;

/** An instrument to try something on: any of its kind, or one of the register. */
@Component({
  selector: 'peg-neck-pick',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatAutocompleteModule, MatInputModule, MatSelectModule],
  template: `<span class="pick wide">
      <label id="neck-label" for="neck-label-pick">On</label>
      <mat-form-field class="field"
        ><mat-select id="neck-label-pick" aria-labelledby="neck-label" [value]="value()" (selectionChange)="picked.emit($event.value)">
          <mat-optgroup label="any of its kind">
            @for (kind of kinds(); track kind.id) {
              <mat-option [value]="kind.id">{{ kind.name }}, {{ kind.scaleMm }} mm</mat-option>
            }
          </mat-optgroup>
          <mat-optgroup label="an instrument of the register">
            @if (taken(); as instrument) {
              <mat-option [value]="instrument.id">{{ instrument.name }}</mat-option>
            }
          </mat-optgroup>
        </mat-select></mat-form-field
      >
    </span>
    <span class="pick">
      <label for="of-register">or of the register</label>
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
        @for (instrument of instruments.hasValue() ? instruments.value().instruments : []; track instrument.id) {
          <mat-option [value]="instrument.name">{{ instrument.name }}</mat-option>
        }
      </mat-autocomplete>
    </span>`,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class NeckPick {
  private readonly api = inject(Api);
  readonly kinds = input.required<typeof NECK_CHOICES>();
  /** Id of the kind or of the instrument. */
  readonly value = input.required<string>();
  readonly picked = output<string>();

  /** Instruments of the register whose name, owner or number holds what is being typed. */
  protected readonly sought = signal('');
  protected readonly taken = signal<InstrumentSummary | null>(null);
  private readonly seeking = toSignal(toObservable(this.sought).pipe(debounceTime(TYPING_MS), distinctUntilChanged()), {
    initialValue: '',
  });
  protected readonly instruments = resource({
    params: () => ({ search: this.seeking(), limit: SHOWN }),
    loader: ({ params }) => this.api.call('listInstruments', { query: params }),
  });

  protected take(name: string): void {
    const found = this.instruments.hasValue() ? this.instruments.value().instruments.find((each) => each.name === name) : undefined;
    if (found === undefined) return;
    this.taken.set(found);
    this.picked.emit(found.id);
  }
}
