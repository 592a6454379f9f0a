import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { DayJob } from '@gold-peg/contract/day';
import type { MessageWay } from '@gold-peg/contract/outbox';
import { Letter } from '../letters';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';
import { laterText, readyText } from './owner-words';

/** Another hour that can be kept, and how likely. */
export interface Later {
  at: Date;
  says: string;
  promised: string;
  chance: number;
  /** What the plan holds it for, before that is corrected by what was kept. */
  planned: number;
}

/** Tells the owner of a job that it is ready, or asks for another hour; once that is said, the other hour is the one that is promised. */
@Component({
  selector: 'peg-owner-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Letter, MatButtonModule],
  template: `<h2 id="owner-heading">{{ later() === null ? 'It is ready' : 'Another hour: ' + later()?.says }}</h2>
    @if (fault(); as says) {
      <p class="fault" role="alert">{{ says }}</p>
      <button matButton type="button" class="quiet" (click)="agree()">promise {{ later()?.says }} now</button>
      <button matButton type="button" class="quiet" (click)="closed.emit()">leave it</button>
    } @else {
      <peg-letter
        [instrumentId]="job().instrumentId"
        [to]="job().ownerName"
        [proposes]="proposes()"
        (sent)="agree()"
        (left)="closed.emit()"
      />
    }`,
  styles: `
    h2 {
      margin: 0 0 var(--space-2);
      font: 600 18px var(--face-names);
    }
    .fault {
      color: var(--oxide);
    }
  `,
  host: { role: 'region', 'aria-labelledby': 'owner-heading' },
})
export class OwnerPanel {
  readonly job = input.required<DayJob>();
  /** The hour that is asked for; null where it is ready. */
  readonly later = input.required<Later | null>();
  readonly closed = output();

  private readonly api = inject(Api);
  /** Why the hour was not moved though the message went out: it is not written twice. */
  protected readonly fault = signal<string | null>(null);
  protected readonly proposes = computed(() => {
    const [job, later] = [this.job(), this.later()];
    return (way: MessageWay) =>
      later === null ? readyText(job, way) : laterText(job, way, { promised: later.promised, later: later.says });
  });

  protected async agree(): Promise<void> {
    const [job, later] = [this.job(), this.later()];
    if (later === null) return this.closed.emit();
    try {
      const body = { from: job.promisedAt, promisedAt: later.at.toISOString(), promisedChance: later.chance, plannedChance: later.planned };
      await this.api.call('movePromise', { params: { id: job.id }, body });
      this.closed.emit();
    } catch (error) {
      this.fault.set(`The message went out; the promise stands as it was. ${sayProblem(error)}`);
    }
  }
}
