import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import type { Act, ActKind } from '@gold-peg/contract/people';
import { DateTime } from 'luxon';

const ALARMING: readonly ActKind[] = ['too-often', 'sign-in-failed', 'restore', 'owner-removed'];
const WORDS: Readonly<Partial<Record<ActKind, string>>> = {
  'signed-in': 'signed in: ',
  'signed-out': 'signed out: ',
  'sign-in-failed': 'could not sign in: ',
  ways: 'ways: ',
  hours: 'hours: ',
  export: 'given out: ',
};

/** Who did what beside the bench, latest first. */
@Component({
  selector: 'peg-house-acts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Who did what</h2>
    <ul class="list">
      @for (act of shown(); track act.id) {
        <li>
          <span class="when">{{ act.at }}</span>
          <span class="grow" [class.alarm]="act.alarming"
            >{{ act.says }}<small>{{ act.who }}</small></span
          >
        </li>
      } @empty {
        <li class="soft">Nothing yet.</li>
      }
    </ul>
    <a [href]="CSV" download>all of it, as CSV …</a>
  `,
  styleUrl: './house-panel.scss',
})
export class HouseActs {
  readonly acts = input.required<readonly Act[]>();
  readonly zone = input.required<string>();
  protected readonly CSV = ENDPOINTS.actsCsv.path;
  protected readonly shown = computed(() => {
    const today = DateTime.now().setZone(this.zone());
    return this.acts().map(({ id, at, person, kind, says }) => {
      const when = DateTime.fromISO(at, { zone: this.zone() });
      return {
        id,
        at: when.hasSame(today, 'day') ? when.toFormat('H:mm') : when.toFormat('d LLL, H:mm'),
        who: person?.name ?? 'nobody, or the house itself',
        says: `${WORDS[kind] ?? ''}${says}`,
        alarming: ALARMING.includes(kind),
      };
    });
  });
}
