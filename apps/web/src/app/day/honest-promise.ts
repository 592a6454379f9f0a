import { ChangeDetectionStrategy, Component, computed, inject, input, output, resource } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import type { AskedJob } from '@gold-peg/contract/day';
import { filter, map } from 'rxjs';
import { Api } from '../server/api';
import { troubleOf } from '../server/server-problem';
import { dayTime } from './day-words';
import { momentOf } from './moment';
import { passportOf } from './rail';
import { Planner } from './planner';

/** Two questions, one after the other: the day as it is, and with the new job first. */
const PLANNING_MS = 600;
/** Promises are made for the half hour. */
const STEP_MIN = 30;

/** When an instrument can honestly be ready if it is taken in now, and the chance of the hour that is wanted. */
@Component({
  selector: 'peg-honest-promise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `@if (told(); as t) {
      @if (t.never; as says) {
        <p class="bad">{{ says }}</p>
      } @else {
        <dl>
          <dt>for settling</dt>
          <dd>not before {{ t.settling }}</dd>
          <dt>for work</dt>
          <dd>not before {{ t.work }}</dd>
          <dt>half the time</dt>
          <dd>{{ t.p50 }}</dd>
          <dt>nine in ten</dt>
          <dd>{{ t.p90 }}</dd>
        </dl>
        @if (t.wanted; as wanted) {
          <p role="status" [class.bad]="wanted.bad">{{ wanted.says }}</p>
        }
        @if (t.offer; as offer) {
          <button matButton type="button" class="quiet" (click)="offered.emit(offer.at)">promise {{ offer.says }}, 90 in 100</button>
        }
      }
    } @else if (asked.isLoading() || answer.isLoading()) {
      <p class="soft" role="status">Looking for room in the plan …</p>
    } @else if (trouble()) {
      <p class="soft" role="status">The plan cannot be asked now: what is promised is yours to judge.</p>
    }`,
  styles: `
    dl {
      display: grid;
      grid-template-columns: 110px 1fr;
      margin: 6px 0;
    }
    dt {
      color: var(--ink-soft);
    }
    dd {
      margin: 0;
      font-variant-numeric: tabular-nums;
    }
    p {
      margin: 4px 0;
    }
    .bad {
      color: var(--oxide);
    }
  `,
})
export class HonestPromise {
  readonly instrumentId = input.required<string>();
  /** The hour that is wanted, ISO 8601; null where there is no hurry. */
  readonly wanted = input.required<string | null>();
  readonly offered = output<Date>();

  private readonly api = inject(Api);
  private readonly planner = inject(Planner);
  protected readonly asked = resource({
    params: () => ({ id: this.instrumentId() }),
    loader: ({ params }) => this.api.call('askedJob', { params }),
  });
  protected readonly trouble = computed(() => troubleOf(this.asked));
  private readonly known = computed<AskedJob | null>(() => (this.asked.hasValue() ? this.asked.value() : null));
  /** Begun anew, and the one before it cancelled, whenever another hour is wanted. */
  protected readonly answer = rxResource({
    params: () => {
      const known = this.known();
      return known === null ? undefined : { known, wanted: this.wanted() };
    },
    stream: ({ params: { known, wanted } }) => {
      const { inForce, ...rack } = known.day;
      const due = wanted === null ? null : Math.max(0, Math.floor((Date.parse(wanted) - Date.parse(known.day.origin)) / 60_000));
      return this.planner.plan({ asked: { ...known.job, due }, rack, inForce, timeLimitMs: PLANNING_MS }).pipe(
        map((reply) => (reply.kind === 'inserted' ? reply.inserted : null)),
        filter((inserted) => inserted !== null),
      );
    },
  });
  protected readonly told = computed(() => {
    const known = this.known();
    if (known === null || !this.answer.hasValue()) return null;
    const { day } = known;
    const { notBefore, p50, p90, reason, wanted } = this.answer.value();
    const say = (minute: number | null) => (minute === null ? 'in no hours that are planned yet' : dayTime(day, Math.ceil(minute)));
    const offer = p90 === null ? null : openFrom(day.people[0]?.windows ?? [], Math.ceil(p90 / STEP_MIN) * STEP_MIN);
    return {
      never: reason === null ? null : 'There is no room for it in the hours that are planned: promise nothing before the rack is lighter.',
      settling: say(notBefore.settling),
      work: say(notBefore.work),
      p50: say(p50),
      p90: say(p90),
      offer: offer === null ? null : { at: momentOf(day, offer), says: dayTime(day, offer) },
      wanted: wanted === null ? null : { bad: wanted.onTime < GOOD, says: this.sayWanted(known, wanted) },
    };
  });

  private sayWanted({ day }: AskedJob, { onTime, late, inTime }: { onTime: number; late: readonly string[]; inTime: boolean }): string {
    const chance = `As all lies, ${Math.floor(100 * onTime)} in 100.`;
    if (onTime >= GOOD) return chance;
    if (!inTime) return `${chance} No order of work keeps it: strings that move less, a start before today, or a later hour would.`;
    const others = day.jobs.filter(({ id }) => late.includes(id)).map(passportOf);
    return others.length === 0
      ? `${chance} If it went first it could be kept, and nobody would be late for it.`
      : `${chance} If it went first it could be kept, and would make ${others.join(', ')} late.`;
  }
}

/** A promise with a better chance is a good one. */
const GOOD = 0.8;

/** The minute itself where the house is open then, else when it opens next. */
function openFrom(windows: readonly (readonly [number, number])[], minute: number): number | null {
  const open = windows.find(([, until]) => until >= minute);
  return open === undefined ? null : Math.max(open[0], minute);
}
