import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { pitchOf } from '@gold-peg/craft/instrument';
import { isSoft, tuningWays } from '@gold-peg/craft/methods';
import { expectedDrift } from '@gold-peg/craft/settle';
import { tensionFor } from '@gold-peg/craft/tension';
import { toKilogramsForce, toPoundsForce, type Newtons } from '@gold-peg/craft/units';
import { Measures } from '../../preferences/measures';
import { WorksheetDesk } from '../desk';
import { houseTime } from '../../server/house-zone';

const HOUR_MS = 3_600_000;
const WHEN = houseTime({ weekday: 'short', hour: '2-digit', minute: '2-digit' });
const sayTime = (ms: number) => WHEN.format(ms).replace(',', '');

/** Strings that move, hung up under their pull before they go on: what is hung from each, and from when they hold. */
@Component({
  selector: 'peg-hang-set',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `@if (hung(); as since) {
      <p>
        <b>✓ Hangs</b> since {{ since }}.
        @if (holds(); as from) {
          On or not, it holds from about {{ from }}.
        }
      </p>
    } @else if (weights(); as list) {
      <div>
        <button matButton type="button" class="quiet" [attr.aria-expanded]="shown()" (click)="shown.set(!shown())">
          in a hurry? hang it up first
        </button>
        @if (shown()) {
          <button matButton type="button" class="quiet" [disabled]="desk.closed()" (click)="hang()"><b>it hangs now</b></button>
        }
      </div>
      @if (shown()) {
        <p>
          Hung now it holds in about {{ hours() }} h, on or not. A hook and a weight each: <b>{{ list }}</b>.
          <span class="caution">▲ What lets go lashes out and drops: low over the floor, eyes covered, nobody near.</span>
        </p>
      }
    }`,
  styles: `
    div {
      display: flex;
      gap: var(--space-4);
    }
    p {
      margin: 4px 0 0;
      font-size: 15px;
      line-height: 1.3;
    }
    .caution {
      color: var(--oxide);
    }
  `,
})
export class HangSet {
  protected readonly desk = inject(WorksheetDesk);
  private readonly measures = inject(Measures);

  protected readonly shown = signal(false);
  /** The strings of the job that move and are still to go on, with what each bears at its note. */
  private readonly toCome = computed(() => {
    const [sheet, instrument] = [this.desk.sheet(), this.desk.instrument()];
    if (!this.desk.laidOut.isTaken() || instrument === null) return [];
    return this.desk.lanes().flatMap(({ index, number, string, place }) => {
      const goesOn = sheet.inJob[index] !== false && sheet.tensioned[index] === null;
      if (string === null || !goesOn || !isSoft(string)) return [];
      return [{ number, string, hung: sheet.hung[index] ?? null, pull: tensionFor(pitchOf(instrument, place), place.scaleLength, string) }];
    });
  });
  protected readonly hours = computed(() => {
    const { hold } = tuningWays(this.desk.choices());
    const each = this.toCome().map(({ string }) => expectedDrift([], hold, string.creep).holdsFrom.likely);
    return Math.round(Math.max(0, ...each));
  });
  /** Nothing where it would never hold by the tolerance that is in force. */
  protected readonly weights = computed(() =>
    (Number.isFinite(this.hours()) ? this.toCome() : []).map(({ number, pull }) => `${number} ${this.weighs(pull)}`).join(' · '),
  );
  private readonly since = computed(() => {
    const all = this.toCome().map(({ hung }) => (hung === null ? null : Date.parse(hung.at)));
    return all.length === 0 || all.includes(null) ? null : Math.max(...all.map(Number));
  });
  protected readonly hung = computed(() => {
    const since = this.since();
    return since === null ? null : sayTime(since);
  });
  protected readonly holds = computed(() => {
    const [since, hours] = [this.since(), this.hours()];
    return since === null || !Number.isFinite(hours) ? null : sayTime(since + hours * HOUR_MS);
  });

  protected hang(): Promise<void> {
    return this.desk.happens({ kind: 'set-hung', payload: {} });
  }

  /** Weights are marked in kilograms, or in pounds where pulls are said so. */
  private weighs(pull: Newtons): string {
    return this.measures.units().pull === 'lbf' ? `${toPoundsForce(pull).toFixed(0)} lb` : `${toKilogramsForce(pull).toFixed(1)} kg`;
  }
}
