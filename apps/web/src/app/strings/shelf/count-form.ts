import { ChangeDetectionStrategy, Component, effect, inject, input, model, signal, untracked } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { stockRow, type StockKind } from '@gold-peg/contract/stock';
import { heldTo, readForm, sayRefusal } from '../../form';
import { Api } from '../../server/api';
import { NewThing } from '../../server/new-thing';
import { Shelf } from '../../shelf/shelf';
import type { Named } from './shelf-rows';

/** Below this more is ordered, and up to this, where nobody said otherwise yet. */
const [USUAL_LEAST, USUAL_MOST] = [2, 6];

/** What was counted of one thing, when more of it is to be ordered, and where it lies. */
@Component({
  selector: 'peg-count-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, MatSelectModule, ReactiveFormsModule],
  template: `
    <form [formGroup]="form" (ngSubmit)="count()" novalidate>
      <label id="what-label" for="what">what</label>
      <mat-form-field>
        <mat-select id="what" aria-labelledby="what-label" [value]="key()" (selectionChange)="key.set($event.value)">
          @for (each of things(); track each.key) {
            <mat-option [value]="each.key"
              >{{ each.name }} <small class="soft">{{ each.line }}</small></mat-option
            >
          }
        </mat-select>
      </mat-form-field>
      <div class="three">
        <span>
          <label for="counted">lie there</label>
          <mat-form-field><input matInput id="counted" type="number" formControlName="counted" /></mat-form-field>
        </span>
        <span>
          <label for="at">order below</label>
          <mat-form-field><input matInput id="at" type="number" formControlName="reorderAt" /></mat-form-field>
        </span>
        <span>
          <label for="to">up to</label>
          <mat-form-field><input matInput id="to" type="number" formControlName="reorderTo" /></mat-form-field>
        </span>
      </div>
      @for (each of NUMBERS; track each.name) {
        @if (form.get(each.name); as control) {
          @if (control.touched && control.getError('says'); as says) {
            <p class="fault" role="alert">{{ each.label }} {{ says }}</p>
          }
        }
      }
      <label for="where">where</label>
      <mat-form-field>
        <input matInput id="where" formControlName="shelf" />
        <mat-error>Where {{ form.controls.shelf.getError('says') }}</mat-error>
      </mat-form-field>
      @if (fault(); as says) {
        <p class="fault" role="alert">{{ says }}</p>
      }
      <button matButton="filled" type="submit" class="act" [disabled]="key() === null || busy()">Take the count down</button>
      <p class="soft" role="status">{{ said() }}</p>
    </form>
  `,
  styles: `
    :host {
      display: block;
      margin-bottom: var(--space-3);
    }

    form {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 4px;
    }

    label {
      font-size: 14px;
    }

    .three {
      display: grid;
      grid-template-columns: repeat(3, minmax(0, 1fr));
      align-items: end;
      gap: 6px;
    }

    p {
      margin: 0;
    }

    .fault {
      color: var(--oxide);
    }
  `,
})
export class CountForm {
  readonly things = input.required<readonly (Named & { key: string })[]>();
  /** Kind and id of the thing in hand, with a blank between them; null where there is none. */
  readonly key = model<string | null>(null);

  private readonly api = inject(Api);
  private readonly shelf = inject(Shelf);
  private readonly counting = new NewThing();
  protected readonly busy = this.counting.busy;
  protected readonly said = signal('');
  protected readonly fault = signal('');
  /** Boxes that are too narrow for a sentence: it stands below the three. */
  protected readonly NUMBERS = [
    { name: 'counted', label: 'What lies there' },
    { name: 'reorderAt', label: 'Order below' },
    { name: 'reorderTo', label: 'Up to' },
  ] as const;
  protected readonly form = inject(NonNullableFormBuilder).group({
    kind: 'set' as StockKind,
    id: '',
    counted: [null as number | null, heldTo(stockRow.shape.counted)],
    reorderAt: [USUAL_LEAST as number | null, heldTo(stockRow.shape.reorderAt)],
    reorderTo: [USUAL_MOST as number | null, heldTo(stockRow.shape.reorderTo)],
    shelf: ['', heldTo(stockRow.shape.shelf)],
  });

  constructor() {
    effect(() => {
      const key = this.key();
      if (key !== null) untracked(() => this.take(key));
    });
  }

  private take(key: string): void {
    const [kind, id = ''] = key.split(' ') as [StockKind, string];
    const item = this.shelf.item(kind, id);
    const { reorderAt = USUAL_LEAST, reorderTo = USUAL_MOST, shelf = '' } = item ?? {};
    this.form.reset({ kind, id, counted: item?.onHand ?? null, reorderAt, reorderTo, shelf });
    this.said.set('');
    this.fault.set('');
  }

  protected async count(): Promise<void> {
    this.said.set('');
    this.fault.set('');
    const body = readForm(this.form, stockRow);
    if (body === null) return;
    try {
      await this.counting.make(() => this.api.call('countStock', { body }));
      await this.shelf.load();
      this.said.set('Taken down.');
    } catch (error) {
      this.fault.set(sayRefusal(this.form, error));
    }
  }
}
