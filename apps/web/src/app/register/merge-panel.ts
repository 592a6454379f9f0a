import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { InstrumentSummary, Passport } from '@gold-peg/contract/register';
import { RegisterPick } from '../neck';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';

/** An instrument that is in the register twice: which the other one is, and what becomes of both, before it is done. */
@Component({
  selector: 'peg-merge-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, RegisterPick],
  template: `<peg-register-pick label="It is the same as" (picked)="other.set($event)" />
    @if (other(); as kept) {
      <p>{{ says(kept) }}</p>
    }
    @if (fault(); as why) {
      <p class="fault" role="alert">{{ why }}</p>
    }
    <button matButton type="button" class="quiet" [disabled]="!may()" (click)="merge()">put both together</button>
    <button matButton type="button" class="quiet" (click)="left.emit()">leave both</button>`,
  styles: `
    peg-register-pick {
      display: grid;
      gap: 4px;
    }
    p {
      margin: 6px 0;
    }
    .fault {
      color: var(--oxide);
    }
  `,
})
export class MergePanel {
  readonly passport = input.required<Passport>();
  readonly merged = output<string>();
  readonly left = output();

  private readonly api = inject(Api);
  protected readonly other = signal<InstrumentSummary | null>(null);
  protected readonly fault = signal<string | null>(null);
  private readonly busy = signal(false);
  protected readonly may = computed(() => {
    const other = this.other();
    return !this.busy() && other !== null && other.id !== this.passport().id && other.stringCount === this.passport().stringCount;
  });

  protected says({ name, passport, id, stringCount }: InstrumentSummary): string {
    if (id === this.passport().id) return 'That is this one.';
    if (stringCount !== this.passport().stringCount)
      return `${name} has ${stringCount} strings, and this one ${this.passport().stringCount}: it is another instrument.`;
    const { setups } = this.passport();
    const jobs = setups.length === 1 ? 'its setup' : `its ${setups.length} setups`;
    return `${name}, passport ${passport}, keeps ${jobs}, photos and messages beside its own. Passport ${this.passport().passport} leaves the register and says where all went. This has no way back.`;
  }

  protected async merge(): Promise<void> {
    const into = this.other();
    if (into === null || !this.may()) return;
    this.busy.set(true);
    this.fault.set(null);
    try {
      const { id, version } = this.passport();
      await this.api.call('mergeInstruments', { params: { id }, body: { version, into: into.id } });
      this.merged.emit(into.id);
    } catch (error) {
      this.fault.set(sayProblem(error));
    } finally {
      this.busy.set(false);
    }
  }
}
