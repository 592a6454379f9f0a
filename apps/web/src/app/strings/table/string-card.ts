import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { dequal } from 'dequal';
import { MatSelectModule } from '@angular/material/select';
import { asTableString, storedString, type StoredString, type StringRow } from '@gold-peg/contract/strings';
import { MARKS, printGauge, stringProperties, type Mark } from '@gold-peg/craft/strings';
import { fromMillimetres, toMillimetres } from '@gold-peg/craft/units';
import { heldTo } from '../../form';
import { Api } from '../../server/api';
import { Keeper } from '../../server/keeper';
import { Session } from '../../session/session';
import { sayProblem } from '../../server/server-problem';
import { BothVersions } from '../../ui/both-versions';
import { StringTable } from '../../string-table/string-table';

const MM_PER_THOUSANDTH = 0.0254;
/** What an offcut may weigh, and how long it may be. */
const OFFCUT = storedString.shape.weighed.unwrap().shape;

/** What one string is computed from, and what somebody weighed or marked. */
@Component({
  selector: 'peg-string-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BothVersions, MatButtonModule, MatInputModule, MatSelectModule, ReactiveFormsModule],
  template: `
    <h2>{{ gauge() }} · {{ lineName() }}</h2>
    <dl>
      @for (fact of facts(); track fact.what) {
        <dt>{{ fact.what }}</dt>
        <dd>{{ fact.is }}</dd>
      }
    </dl>
    @if (mayWork()) {
      <form [formGroup]="weighing" (ngSubmit)="save()" novalidate>
        <h3>Weigh an offcut</h3>
        <p class="soft">What was weighed wins over what the gauge gives.</p>
        <label for="mass">mass, g</label>
        <mat-form-field>
          <input matInput id="mass" type="number" step="any" formControlName="massG" />
          <mat-error>The mass {{ weighing.controls.massG.getError('says') }}</mat-error>
        </mat-form-field>
        <label for="length">length, mm</label>
        <mat-form-field>
          <input matInput id="length" type="number" step="any" formControlName="lengthMm" />
          <mat-error>The length {{ weighing.controls.lengthMm.getError('says') }}</mat-error>
        </mat-form-field>
        <label id="mark-label" for="mark">mark of its line</label>
        <mat-form-field>
          <mat-select id="mark" aria-labelledby="mark-label" placeholder="none" formControlName="mark">
            <mat-option [value]="null">none</mat-option>
            @for (each of marks; track each) {
              <mat-option [value]="each">{{ each }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        @if (fault() ?? keeper.fault(); as says) {
          <p class="fault" role="alert">{{ says }}</p>
        }
        <button matButton="filled" type="submit" class="act" [disabled]="keeper.busy()">Keep</button>
        <p class="soft" role="status">{{ said() }}</p>
      </form>
      @if (clashes().length > 0) {
        <peg-both-versions [clashes]="clashes()" (kept)="save()" (taken)="take()" />
      }
      <form [formGroup]="adding" (ngSubmit)="addAnother()">
        <h3>Another gauge of this line</h3>
        <label for="another">thousandths of an inch</label>
        <mat-form-field class="field"
          ><input matInput id="another" type="number" step="any" formControlName="thousandths"
        /></mat-form-field>
        @if (anotherFault(); as says) {
          <p class="fault" role="alert">{{ says }}</p>
        }
        <button matButton type="submit" class="quiet">add it to the table</button>
      </form>
    }
  `,
  styles: `
    h3 {
      margin-top: var(--space-3);
      font-size: 16px;
    }
    dl {
      display: grid;
      grid-template-columns: 96px 1fr;
      gap: 3px 8px;
      margin: 8px 0;
      font-size: 15px;
    }
    dt,
    label {
      color: var(--ink-soft);
    }
    dd {
      margin: 0;
    }
    form {
      border-top: 1px solid var(--line);
    }
    p {
      margin: 0;
      font-size: 15px;
    }
    .fault {
      color: var(--oxide);
    }
  `,
})
export class StringCard {
  readonly row = input.required<StoredString>();
  readonly lineName = input.required<string>();

  private readonly api = inject(Api);
  protected readonly mayWork = inject(Session).mayWork;
  private readonly table = inject(StringTable);
  protected readonly marks = MARKS;
  protected readonly keeper = new Keeper<StoredString>((current) => storedString.parse(current));
  /** As it was when the card was opened: a table that is read again does not wipe what is typed. */
  private readonly read = linkedSignal<string, StoredString>({ source: () => this.row().id, computation: () => untracked(this.row) });
  protected readonly weighing = new FormGroup({
    massG: new FormControl<number | null>(null, heldTo(OFFCUT.massG.nullable())),
    lengthMm: new FormControl<number | null>(null, heldTo(OFFCUT.lengthMm.nullable())),
    mark: new FormControl<Mark | null>(null),
  });
  private readonly typed = toSignal(this.weighing.valueChanges, { initialValue: this.weighing.value });
  private readonly typedRow = (row: StoredString): StoredString => {
    const { massG = null, lengthMm = null, mark = null } = this.typed();
    return { ...row, mark, weighed: massG === null || lengthMm === null ? null : { massG, lengthMm } };
  };
  /** What stands now where it is in the way, beside what is typed. */
  protected readonly clashes = computed(() => {
    const now = this.keeper.inTheWayOf(this.read());
    if (now === null) return [];
    const typed = this.typedRow(now);
    return [
      { what: 'weighed', now: sayWeighed(now), typed: sayWeighed(typed) },
      { what: 'mark', now: now.mark ?? 'none', typed: typed.mark ?? 'none' },
    ].filter((clash) => clash.now !== clash.typed);
  });
  protected readonly fault = linkedSignal<StoredString, string | null>({ source: this.row, computation: () => null });
  protected readonly adding = new FormGroup({
    thousandths: new FormControl<number | null>(null),
  });
  protected readonly anotherFault = signal<string | null>(null);
  protected readonly said = signal('');

  private readonly string = computed(() => asTableString(this.row()));
  protected readonly gauge = computed(() => printGauge(this.string().gauge));
  protected readonly facts = computed(() => {
    const properties = stringProperties(this.string());
    if (!properties.ok) return [];
    const { linearDensity, stiffness, breakingLoad, core, bandPercent } = properties.value;
    const { weighed } = this.row();
    return [
      { what: 'mass', is: `${(1000 * linearDensity).toFixed(3)} g/m, ±${bandPercent} %` },
      { what: 'from', is: weighed === null ? 'its gauge and make' : `an offcut of ${weighed.lengthMm} mm that weighed ${weighed.massG} g` },
      {
        what: 'core',
        is:
          core === null
            ? 'none: it is all one piece'
            : `${toMillimetres(core).toFixed(2)} mm${this.row().coreMm === null ? ', usual for the gauge' : ''}`,
      },
      { what: 'breaks at', is: `${breakingLoad.toFixed(0)} N` },
      { what: 'stiffness', is: `EA ${(stiffness / 1000).toFixed(1)} kN` },
      { what: 'coating', is: this.row().coating },
      { what: 'id', is: this.row().id },
    ];
  });

  constructor() {
    effect(() => {
      const { weighed, mark } = this.read();
      this.weighing.reset({ massG: weighed?.massG ?? null, lengthMm: weighed?.lengthMm ?? null, mark });
    });
  }

  /** The same make-up in another gauge; its core is the usual one again, and nobody has weighed it yet. */
  protected async addAnother(): Promise<void> {
    this.said.set('');
    this.anotherFault.set(null);
    const thousandths = this.adding.getRawValue().thousandths ?? Number.NaN;
    const { version: _version, ...row } = this.row();
    const body: StringRow = {
      ...row,
      id: `${row.lineId}-${String(thousandths).replace('.', '_').padStart(2, '0')}`,
      gaugeMm: Number((thousandths * MM_PER_THOUSANDTH).toFixed(6)),
      coreMm: null,
      mark: null,
      weighed: null,
    };
    try {
      await this.api.call('addString', { body });
      await this.table.load();
      this.adding.reset();
      this.said.set(`${printGauge(fromMillimetres(body.gaugeMm))} is in the table.`);
    } catch (error) {
      this.anotherFault.set(sayProblem(error));
    }
  }

  protected async save(): Promise<void> {
    this.said.set('');
    this.weighing.markAllAsTouched();
    if (this.weighing.invalid) return;
    const { massG, lengthMm } = this.weighing.getRawValue();
    if ((massG === null) !== (lengthMm === null)) return this.fault.set('Mass and length go together: give both, or neither.');
    this.fault.set(null);
    const kept = await this.keeper.keep({
      read: this.read(),
      untouched: (now, read) => [read, this.typedRow(now)].some(({ mark, weighed }) => now.mark === mark && dequal(now.weighed, weighed)),
      send: (on) => this.api.call('changeString', { params: { id: on.id }, body: this.typedRow(on) }),
    });
    if (kept === null) return;
    this.read.set(kept);
    await this.table.load();
    this.said.set('Kept.');
  }

  /** What was typed gives way to what stands now. */
  protected async take(): Promise<void> {
    const now = this.keeper.inTheWayOf(this.read());
    if (now !== null) this.read.set(now);
    this.keeper.forget();
    await this.table.load();
  }
}

const sayWeighed = ({ weighed }: StoredString): string => (weighed === null ? 'not weighed' : `${weighed.massG} g, ${weighed.lengthMm} mm`);
