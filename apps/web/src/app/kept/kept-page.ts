import { ChangeDetectionStrategy, Component, computed, inject, resource } from '@angular/core';
import { RouterLink } from '@angular/router';
import { brier, correctionFrom, honestyOf, meant, toSay } from '@gold-peg/craft/day';
import { DateTime } from 'luxon';
import { duration } from '../day';
import { Api } from '../server/api';
import { troubleOf } from '../server/server-problem';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { HonestyChart } from './honesty-chart';
import { houseZone } from '../server/house-zone';

/** More are not told one by one. */
const MOST_BROKEN = 12;
const MINUTE_MS = 60_000;

/** What was promised against what was kept, over the last months: how honest the house was, and what it learns of that. */
@Component({
  selector: 'peg-kept-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Fact, HonestyChart, PlaceHeader, RouterLink, Trouble, UnderWay],
  templateUrl: './kept-page.html',
  styleUrl: './kept-page.scss',
})
export class KeptPage {
  private readonly api = inject(Api);
  protected readonly read = resource({ loader: () => this.api.call('promisesKept', {}) });
  protected readonly trouble = computed(() => troubleOf(this.read));
  private readonly all = computed(() => (this.read.hasValue() ? this.read.value().promises : []));
  private readonly stated = computed(() => this.all().flatMap(({ chance, kept }) => (chance === null ? [] : [{ chance, kept }])));
  protected readonly sub = computed(() =>
    this.read.hasValue() ? `since ${DateTime.fromISO(this.read.value().since, { zone: houseZone() }).toFormat('d LLLL yyyy')}` : '',
  );
  protected readonly parts = computed(() => honestyOf(this.stated()));
  /** From what the plan held them for: what was said is corrected already. */
  protected readonly correction = computed(() =>
    correctionFrom(this.all().flatMap(({ planned, kept }) => (planned === null ? [] : [{ chance: planned, kept }]))),
  );
  protected readonly facts = computed(() => {
    const [all, stated] = [this.all(), this.stated()];
    if (all.length === 0) return null;
    const kept = all.filter((each) => each.kept).length;
    const said = stated.reduce((sum, { chance }) => sum + chance, 0) / Math.max(1, stated.length);
    const score = brier(stated);
    return {
      kept: `${kept} of ${all.length}`,
      share: percent(kept / all.length),
      said: stated.length === 0 ? null : percent(said),
      score: score === null ? null : score.toFixed(3),
    };
  });
  protected readonly rows = computed(() =>
    this.parts().map(({ from, until, promises, kept, said, share, low, high }) => ({
      range: `${Math.round(100 * from)} to ${until === 1 ? 100 : Math.round(100 * until) - 1}`,
      ...{ promises, kept, said: percent(said), share: percent(share), between: `${Math.round(100 * low)}–${Math.round(100 * high)}` },
    })),
  );
  /** What becomes of the next promises. */
  protected readonly learned = computed(() => {
    const correction = this.correction();
    const [means, say] = [meant(correction, 0.9), toSay(correction, 0.9)];
    return { means: Math.round(100 * means), say: Math.round(100 * say) };
  });
  protected readonly broken = computed(() =>
    this.all()
      .filter(({ kept }) => !kept)
      .slice(0, MOST_BROKEN)
      .map(({ jobId, instrumentId, passport, name, promisedAt, readyAt, chance, moved }) => ({
        ...{ jobId, instrumentId, name, passport: String(passport).padStart(4, '0') },
        promised: DateTime.fromISO(promisedAt, { zone: houseZone() }).toFormat('d LLL H:mm'),
        said: chance === null ? 'nothing was said of it' : `said to be ${percent(chance)}`,
        late: moved ? 'another hour was agreed on' : `${duration((Date.parse(readyAt) - Date.parse(promisedAt)) / MINUTE_MS)} late`,
      })),
  );
}

const percent = (share: number): string => `${Math.round(100 * share)} in 100`;
