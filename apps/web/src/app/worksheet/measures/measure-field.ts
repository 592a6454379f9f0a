import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatInputModule } from '@angular/material/input';
import { measured } from '@gold-peg/contract/bench-log';
import { GAUGES, measureOf, type MeasureKind } from '@gold-peg/craft/findings';
import { Measures } from '../../preferences/measures';
import { mmToTyped, typedToMm } from '../../preferences/typed-length';
import { Drafts, WorksheetDesk } from '../desk';

/** One number taken from the instrument, with what it is taken with, and what it was last time. */
@Component({
  selector: 'peg-measure-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatInputModule],
  template: `<label [attr.for]="id()">{{ name() }}</label>
    <mat-form-field class="field dense"
      ><input
        matInput
        inputmode="decimal"
        [id]="id()"
        [value]="draft.value().typed"
        [attr.aria-describedby]="id() + '-how'"
        [disabled]="desk.closed()"
        (input)="draft.type({ typed: $any($event.target).value, fault: null })"
        (keydown.enter)="take()"
        (blur)="take()"
    /></mat-form-field>
    <span>{{ unit() }}</span>
    <small class="before">{{ before() }}</small>
    <small class="how" [id]="id() + '-how'">{{ how() }}</small>
    @if (draft.value().fault; as says) {
      <p role="alert">{{ says }}</p>
    }`,
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
    .how,
    p {
      grid-column: 1 / -1;
      font-size: 13px;
    }
    p {
      margin: 0;
      color: var(--oxide);
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
    const last = this.desk.lastTime()?.measurements.findLast((each) => this.is(each));
    return last === undefined ? 'not before' : `was ${mmToTyped(last.valueMm, this.unit())} ${this.unit()}`;
  });

  protected async take(): Promise<void> {
    const { typed } = this.draft.value();
    if (!this.draft.isTyped()) return;
    const refuse = (why: string) => this.draft.type({ typed, fault: `${this.name()} ${why}.` });
    const valueMm = typedToMm(typed, this.unit());
    if (valueMm === null) return refuse(`must be a number in ${this.unit()}`);
    const string = this.string();
    const what = this.kind();
    const read = measured.safeParse({ what, valueMm, by: measureOf(what).tool, ...(string === undefined ? {} : { string }) });
    if (!read.success) return refuse(read.error.issues[0]?.message ?? 'is not right');
    const forget = this.draft.forgetter();
    await this.desk.happens({ kind: 'measured', payload: read.data });
    forget();
  }
}
