import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { HEARING } from '@gold-peg/craft/constants';
import type { HeardSoFar, Plucked, Which } from '@gold-peg/craft/pitch';
import { CONCERT_A4, frequencyOf, nearestNote } from '@gold-peg/craft/units';
import type { Subscription } from 'rxjs';
import { BROKE_OFF, SoundFault, Takes } from '../../ear';
import { FileButton } from '../../ui/file-button';
import { WorksheetDesk } from '../desk';
import { Listening } from './listening';

interface PluckRow {
  pluck: Plucked;
  at: string;
  note: string;
  which: Which | null;
  /** Whose it is, or may be. */
  says: string;
  isSure: boolean;
}

/** A take that was recorded: its plucks one under the other, each of which can be noted at the string whose it is. */
@Component({
  selector: 'peg-take-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FileButton, MatButtonModule, MatProgressBarModule],
  template: `
    <div class="pick">
      <peg-file-button label="Choose a WAV file …" accept=".wav,audio/wav,audio/x-wav" (picked)="hear($event)" />
      <span class="soft" aria-live="polite">{{ says() }}</span>
      @if (open().length > 0 && desk.stage() === 'bring-up') {
        <button matButton type="button" class="quiet" [disabled]="desk.closed()" (click)="noteAll()">
          note {{ open().length }} that {{ open().length === 1 ? 'is' : 'are' }} sure
        </button>
      }
    </div>
    @if (share() < 1) {
      <mat-progress-bar mode="determinate" [value]="100 * share()" aria-label="Hearing the file" />
    }
    @if (fault(); as says) {
      <p class="fault" role="alert">{{ says }}</p>
    }
    @if (rows().length > 0) {
      <ul tabindex="0" aria-label="Plucks of the file">
        @for (row of rows(); track row.pluck.at) {
          <li>
            <span>{{ row.at }} s</span>
            <b>{{ row.note }}</b>
            @if (noted().get(row.pluck.at); as string) {
              <span class="done">✓ noted at string {{ string }}</span>
            } @else {
              <span [class.soft]="!row.isSure">{{ row.says }}</span>
              <button matButton type="button" class="quiet" [disabled]="desk.closed()" (click)="note(row)">
                note at {{ row.isSure ? (row.which?.string ?? 0) + 1 : desk.lane() + 1 }}
              </button>
            }
          </li>
        }
      </ul>
    }
  `,
  styles: `
    .pick {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 2px var(--space-3);
    }
    ul {
      max-height: 116px;
      margin: 0;
      padding: 0;
      overflow-y: auto;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 62px 104px minmax(0, 1fr) auto;
      align-items: center;
      gap: var(--space-2);
      min-height: 30px;
      border-bottom: 1px solid var(--line);
      font-size: 15px;
      font-variant-numeric: tabular-nums;
    }
    .fault {
      color: var(--oxide);
    }
    .done {
      color: var(--felt);
    }
  `,
})
export class TakeList {
  protected readonly desk = inject(WorksheetDesk);
  private readonly listening = inject(Listening);
  private readonly takes = inject(Takes);
  private hears: Subscription | null = null;
  private readonly name = signal('');
  private readonly heard = signal<HeardSoFar | null>(null);
  /** Numbers of the strings at which plucks were noted, by the time of the pluck. */
  protected readonly noted = signal<ReadonlyMap<number, number>>(new Map());
  protected readonly fault = signal<string | null>(null);

  protected readonly share = computed(() => this.heard()?.share ?? 1);
  protected readonly rows = computed<PluckRow[]>(() => {
    const a4 = this.desk.instrument()?.a4 ?? CONCERT_A4;
    return (this.heard()?.plucks ?? []).map((pluck) => {
      const [which, note] = [this.listening.whichOf(pluck.frequency), nearestNote(pluck.frequency, a4)];
      const cents = 1200 * Math.log2(pluck.frequency / frequencyOf(note, a4));
      return {
        pluck,
        at: pluck.at.toFixed(1),
        note: `${note} ${cents < 0 ? '−' : '+'}${Math.abs(cents).toFixed(1)} ¢`,
        which,
        says:
          which === null ? 'no string of this instrument' : `string ${which.string + 1}, sure ${(100 * which.probability).toFixed(0)} %`,
        isSure: which !== null && which.probability >= HEARING.sure.value,
      };
    });
  });
  /** What is sure enough to be noted without a look at each. */
  protected readonly open = computed(() => this.rows().filter(({ pluck, isSure }) => isSure && !this.noted().has(pluck.at)));
  protected readonly says = computed(() => {
    if (this.name() === '') return 'What was recorded is heard whole, and its plucks are listed.';
    const count = this.rows().length;
    return `${this.name()}: ${count === 0 ? 'no pluck' : count === 1 ? 'one pluck' : `${count} plucks`}${this.share() < 1 ? ' so far' : ''}`;
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.hears?.unsubscribe());
  }

  protected hear(file: File): void {
    this.hears?.unsubscribe();
    this.name.set(file.name);
    this.fault.set(null);
    this.noted.set(new Map());
    this.heard.set({ share: 0, plucks: [] });
    this.hears = this.takes.hear(file).subscribe({
      next: (soFar) => this.heard.set(soFar),
      error: (error: unknown) => {
        this.heard.set(null);
        this.name.set('');
        this.fault.set(error instanceof SoundFault ? error.message : BROKE_OFF);
      },
    });
  }

  /** At the string whose it surely is, else at the one in hand. */
  protected async note({ pluck, which, isSure }: PluckRow): Promise<void> {
    const string = isSure && which !== null ? which.string : this.desk.lane();
    this.noted.update((known) => new Map(known).set(pluck.at, string + 1));
    await this.listening.takeAt({ string, probability: string === which?.string ? which.probability : (which?.inHand ?? 0) }, pluck);
  }

  /** One after the other, as they were plucked: each tells more of whose the next one is. */
  protected async noteAll(): Promise<void> {
    for (let [next] = this.open(); next !== undefined; [next] = this.open()) await this.note(next);
  }
}
