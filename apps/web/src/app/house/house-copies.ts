import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { CARRIED_DAYS, KEPT, NIGHTLY, type Copies, type Copy } from '@gold-peg/contract/copies';
import { DateTime } from 'luxon';
import { Api } from '../server/api';
import { HouseClock } from '../server/house-clock';
import { sayProblem } from '../server/server-problem';
import { Caution } from '../ui/caution';
import { bytesIn } from './house-words';
import { houseZone } from '../server/house-zone';

const DAY_MS = 86_400_000;
/** While one is being made, it is looked so often. */
const LOOK_MS = 1500;
const MOST_SHOWN = 6;

/** Copies of the whole house: what the last one is worth, where they lie, and one that is carried out of it. */
@Component({
  selector: 'peg-house-copies',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Caution, MatButtonModule],
  template: `
    <h2>Copies</h2>
    @if (copies().folder === null) {
      <p class="soft">This server was given no folder for copies, and makes none: COPIES_FOLDER names one.</p>
    } @else {
      @if (last(); as copy) {
        <p class="last">{{ copy.at }}, {{ copy.size }}</p>
        <ul class="checks">
          <li><i aria-hidden="true">✓</i>read again: its checksum is its own</li>
          @if (copy.opened; as opened) {
            <li><i aria-hidden="true">✓</i>opened in an empty house: {{ copy.holds }}</li>
            <li><i aria-hidden="true">✓</i>every row compared, in {{ opened }}</li>
          } @else {
            <li class="not"><i aria-hidden="true">–</i>{{ copy.says }}</li>
          }
        </ul>
      } @else {
        <p class="soft">There is none yet.</p>
      }
      @if (underWay()) {
        <p role="status">One is being made, opened and compared …</p>
      }
      <p class="soft">
        By itself at {{ AT }}; the last {{ KEPT.nights }} nights, {{ KEPT.weeks }} weeks and {{ KEPT.months }} months are kept in
        <code>{{ copies().folder }}</code>.
      </p>
      <div class="acts">
        <button matButton type="button" class="quiet" [disabled]="underWay()" (click)="make()">Copy now</button>
      </div>
      @if (shown().length > 0) {
        <ul class="list">
          @for (copy of shown(); track copy.id) {
            <li>
              <span
                >{{ copy.at }}<small>{{ copy.state }}{{ copy.carried === null ? '' : ', carried out ' + copy.carried }}</small></span
              >
              @if (copy.href; as href) {
                <a [href]="href" download (click)="carried()" [attr.aria-label]="'Carry out the copy of ' + copy.at">carry out …</a>
              }
            </li>
          }
        </ul>
      }
      @if (fault(); as says) {
        <p class="fault" role="alert">{{ says }}</p>
      }
      @if (failed(); as says) {
        <peg-caution>The last copy failed: {{ says }}</peg-caution>
      }
      @if (inHouse(); as says) {
        <peg-caution>{{ says }}</peg-caution>
      }
    }
  `,
  styleUrl: './house-panel.scss',
})
export class HouseCopies {
  private readonly api = inject(Api);
  private readonly clock = inject(HouseClock);
  readonly copies = input.required<Copies>();
  /** Something of the copies is another now. */
  readonly changed = output();
  protected readonly KEPT = KEPT;
  protected readonly AT = `${NIGHTLY.hour}:${NIGHTLY.minute}`;
  protected readonly fault = signal<string | null>(null);

  protected readonly underWay = computed(() => this.copies().copies.some(({ state }) => state === 'under-way'));
  private readonly good = computed(() => this.copies().copies.filter(({ state }) => state === 'compared' || state === 'written'));
  protected readonly last = computed(() => {
    const [copy] = this.good();
    if (copy === undefined) return null;
    return {
      at: said(copy.madeAt),
      size: bytesIn(copy.bytes ?? 0),
      holds: `${copy.instruments ?? 0} instruments, ${(copy.lines ?? 0).toLocaleString('en')} lines of the log`,
      opened: copy.state === 'compared' ? `${(copy.seconds ?? 0).toFixed(1)} s` : null,
      says: copy.says,
    };
  });
  protected readonly shown = computed(() =>
    this.copies()
      .copies.slice(0, MOST_SHOWN)
      .map((copy) => ({
        id: copy.id,
        at: said(copy.madeAt),
        state: stateOf(copy),
        carried: copy.carriedAt === null ? null : said(copy.carriedAt),
        href: copy.state === 'compared' || copy.state === 'written' ? `/api/copies/${copy.id}/file` : null,
      })),
  );
  protected readonly failed = computed(() => {
    const [latest] = this.copies().copies;
    return latest?.state === 'failed' ? (latest.says ?? 'nobody knows why') : null;
  });
  /** What fire and theft would take. */
  protected readonly inHouse = computed(() => {
    if (this.good().length === 0) return null;
    const { carriedAt } = this.copies();
    const days = carriedAt === null ? null : Math.floor((this.clock.now() - Date.parse(carriedAt)) / DAY_MS);
    if (days !== null && days < CARRIED_DAYS) return null;
    const since = days === null ? 'none was ever carried out' : `none was carried out for ${days} days`;
    return `All copies lie in this house: ${since}. A fire takes them with the rest.`;
  });

  constructor() {
    const look = setInterval(() => {
      if (this.underWay()) this.changed.emit();
    }, LOOK_MS);
    inject(DestroyRef).onDestroy(() => clearInterval(look));
  }

  protected async make(): Promise<void> {
    this.fault.set(null);
    try {
      await this.api.call('makeCopy', { body: {} });
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
    this.changed.emit();
  }

  /** The browser fetches it by itself; the house notes that when it begins. */
  protected carried(): void {
    setTimeout(() => this.changed.emit(), LOOK_MS);
  }
}

const said = (at: string): string => DateTime.fromISO(at, { zone: houseZone() }).toFormat('ccc d LLL, H:mm');

function stateOf({ state, says, bytes, madeBy }: Copy): string {
  const by = madeBy === null ? 'by itself' : `by ${madeBy}`;
  if (state === 'under-way') return `${by}, being made …`;
  if (state === 'failed') return `${by}, failed: ${says ?? ''}`;
  return `${by}, ${bytesIn(bytes ?? 0)}, ${state === 'compared' ? 'compared row by row' : 'not opened'}`;
}
