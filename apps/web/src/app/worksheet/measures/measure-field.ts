import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatInputModule } from '@angular/material/input';
import { measured } from '@gold-peg/contract/bench-log';
import { GAUGES, measureOf, type MeasureKind } from '@gold-peg/craft/findings';
import { faultOf, heldBy } from '../../form';
import { Measures } from '../../preferences/measures';
import { mmToTyped, typedToMm } from '../../preferences/typed-length';
import { Drafts, WorksheetDesk } from '../desk';

/** One number taken from the instrument, with what it is taken with, and what it was last time. */
@Component({
  selector: 'peg-measure-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatInputModule, ReactiveFormsModule],
  template: `<label [attr.for]="id()">{{ name() }}</label>
    <mat-form-field class="field dense says-beneath"
      ><input
        matInput
        inputmode="decimal"
        [id]="id()"
        [formControl]="control"
        [aria-describedby]="id() + '-how'"
        (keydown.enter)="take()"
        (blur)="take()"
      /><mat-error role="alert">{{ draft.value().fault }}</mat-error></mat-form-field
    >
    <span>{{ unit() }}</span>
    <small class="before">{{ before() }}</small>
    <small class="how" [id]="id() + '-how'">{{ how() }}</small>`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 68px 24px 100px;
      align-items: center;
      gap: 0 6px;
      padding: 2px 0;
      border-bottom: 1px solid var(--line);
    }
    label {
      line-height: 1.2;
    }
    .how {
      display: none;
    }
    :host(:focus-within) .how {
      display: block;
    }
    small {
      color: var(--ink-soft);
      font-size: 14px;
      line-height: 1.2;
    }
    .field {
      --field: 68px;
    }
    .how {
      grid-column: 1 / -1;
      padding-top: 4px;
      font-size: 13px;
    }
  `,
})
export class MeasureField {
  readonly kind = input.required<MeasureKind>();
  /** String number, for what is measured string by string. */
  readonly string = input<number | undefined>(undefined);

  protected readonly desk = inject(WorksheetDesk);
  private readonly measures = inject(Measures);
  protected readonly id = computed(() => `measure-${this.kind()}-${this.string() ?? ''}`);
  protected readonly unit = computed(() => this.measures.units().length);
  protected readonly name = computed(() => {
    const string = this.string();
    return string === undefined ? measureOf(this.kind()).name : `${measureOf(this.kind()).name}, string ${string}`;
  });
  protected readonly how = computed(() => {
    const { how, tool } = measureOf(this.kind());
    return `${GAUGES[tool]}: ${how}`;
  });
  private readonly is = (of: { what: string; string?: number | undefined }) => of.what === this.kind() && of.string === this.string();
  protected readonly now = computed(() => {
    const event = this.desk.sheet().measurements.findLast(({ payload }) => this.is(payload));
    return event === undefined ? '' : mmToTyped(event.payload.valueMm, this.unit());
  });
  protected readonly draft = inject(Drafts).draft<{ typed: string; fault: string | null }>(
    () => this.id(),
    () => ({ typed: this.now(), fault: null }),
  );
  protected readonly before = computed(() => {
    const last = this.desk.measuredBefore().find((each) => this.is(each));
    return last === undefined ? 'not before' : `was ${mmToTyped(last.valueMm, this.unit())} ${this.unit()}`;
  });

  protected readonly control = new FormControl('', { nonNullable: true });

  constructor() {
    this.control.addValidators(heldBy(() => this.draft.value().fault));
    this.control.valueChanges.pipe(takeUntilDestroyed()).subscribe((typed) => this.draft.type({ typed, fault: null }));
    effect(() => (this.desk.closed() ? this.control.disable({ emitEvent: false }) : this.control.enable({ emitEvent: false })));
    effect(() => {
      const { typed, fault } = this.draft.value();
      if (fault !== null) this.control.markAsTouched();
      this.control.setValue(typed, { emitEvent: false });
    });
  }

  protected async take(): Promise<void> {
    const { typed } = this.draft.value();
    if (!this.draft.isTyped()) return;
    const refuse = (why: string) => this.draft.type({ typed, fault: `${this.name()} ${why}.` });
    const valueMm = typedToMm(typed, this.unit());
    if (valueMm === null) return refuse(`must be a number in ${this.unit()}`);
    const string = this.string();
    const what = this.kind();
    const read = measured.safeParse({ what, valueMm, by: measureOf(what).tool, ...(string === undefined ? {} : { string }) });
    if (!read.success) return refuse(faultOf(read.error));
    const forget = this.draft.forgetter();
    await this.desk.happens({ kind: 'measured', payload: read.data });
    forget();
  }
}
