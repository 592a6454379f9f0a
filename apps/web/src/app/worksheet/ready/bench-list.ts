import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatTooltipModule } from '@angular/material/tooltip';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatSelectModule } from '@angular/material/select';
import { MatInputModule } from '@angular/material/input';
import { toolLaid, referenceRead } from '@gold-peg/contract/bench-log';
import type { ToolKind } from '@gold-peg/craft/tools';
import { hertz, semitonesBetween } from '@gold-peg/craft/units';
import { faultOf, heldTo, readForm } from '../../form';
import { WorksheetDesk } from '../desk';
import { toolRows, type ToolRow } from './tool-rows';

/** What lies on the bench for exactly this job, ticked one by one or all at once, and the tuner's reference. */
@Component({
  selector: 'peg-bench-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatCheckboxModule, MatInputModule, MatSelectModule, MatTooltipModule, ReactiveFormsModule],
  templateUrl: './bench-list.html',
  styleUrl: './bench-list.scss',
})
export class BenchList {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly fault = signal<string | null>(null);
  protected readonly rows = computed(() => {
    const [run, instrument] = [this.desk.run(), this.desk.instrument()];
    return run === null || instrument === null
      ? []
      : toolRows(run.tools, instrument.bridge.anchor, this.desk.sheet().tools, this.desk.sizesBefore());
  });
  protected readonly left = computed(() => this.rows().filter(({ there }) => !there));
  /** What was asked for. */
  protected readonly asked = computed(() => this.desk.instrument()?.a4 ?? 440);
  private readonly reference = computed(() => this.desk.sheet().reference?.payload.a4Hz ?? this.asked());
  protected readonly form = new FormGroup({ a4Hz: new FormControl<number | null>(null, heldTo(referenceRead.shape.a4Hz)) });
  protected readonly referenceSays = computed(() => {
    const read = this.desk.sheet().reference?.payload.a4Hz;
    if (read === undefined) return { wrong: false, says: `asked for: A = ${this.asked()} Hz` };
    const cents = 100 * semitonesBetween(hertz(this.asked()), hertz(read));
    return Math.abs(cents) < 0.5
      ? { wrong: false, says: `✓ as asked, A = ${this.asked()} Hz` }
      : {
          wrong: true,
          says: `${Math.abs(cents).toFixed(0)} cents ${cents > 0 ? 'sharp' : 'flat'}: set it to ${this.asked()} Hz, or the whole job is off`,
        };
  });

  constructor() {
    effect(() => {
      this.form.reset({ a4Hz: this.reference() });
    });
  }

  protected lay(row: ToolRow, there: boolean): Promise<void> {
    return this.keep(row.tool, there, row.size?.mm ?? null);
  }

  protected async layAll(): Promise<void> {
    for (const row of this.left()) await this.lay(row, true);
  }

  protected resize(row: ToolRow, typed: string): Promise<void> {
    return this.keep(row.tool, row.there, Number(typed.replace(',', '.')));
  }

  protected async check(): Promise<void> {
    const payload = readForm(this.form, referenceRead);
    this.fault.set(payload === null ? `The reference ${String(this.form.controls.a4Hz.getError('says'))}.` : null);
    if (payload !== null) await this.desk.happens({ kind: 'reference-read', payload });
  }

  private async keep(tool: ToolKind, there: boolean, sizeMm: number | null): Promise<void> {
    const read = toolLaid.safeParse({ tool, there, sizeMm });
    if (!read.success) return this.fault.set(`The size ${faultOf(read.error)}.`);
    this.fault.set(null);
    await this.desk.happens({ kind: 'tool-laid', payload: read.data });
  }
}
