import { ChangeDetectionStrategy, Component, computed, inject, input, output, resource, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import type { AskedJob, Day, DayJob } from '@gold-peg/contract/day';
import { toSay, type Inserted } from '@gold-peg/craft/day';
import { filter, map, type Observable } from 'rxjs';
import { Api } from '../server/api';
import { troubleOf } from '../server/server-problem';
import { dayTime } from './day-words';
import { inHundred } from './in-hundred';
import { momentOf, toPromise } from './moment';
import { passportOf } from './rail';
import { Planner } from './planner';

/** Two questions, one after the other: the day as it is, and with the new job first. */
const PLANNING_MS = 600;

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
          <dd>planned for {{ t.work }}</dd>
          <dt>half the time</dt>
          <dd>{{ t.p50 }}</dd>
          <dt>nine in ten</dt>
          <dd>{{ t.p90 }}</dd>
        </dl>
        @if (closed()) {
          <p class="bad">The house is closed at that hour: nobody can fetch it.</p>
        }
        @if (t.wanted; as wanted) {
          <p role="status" [class.bad]="wanted.bad">{{ wanted.says }}</p>
          @if (wanted.bad && had().length > 0) {
            <p>What can be had:</p>
            <ul aria-label="What can be had">
              @for (each of had(); track each.what) {
                <li>
                  {{ each.what }}: <b>{{ each.chance }} in 100</b>{{ each.late }}
                  <button
                    matButton
                    type="button"
                    class="quiet"
                    [attr.aria-pressed]="each.what === way()?.what"
                    [attr.aria-label]="'so: ' + each.what"
                    (click)="picked.set(each.what === way()?.what ? null : each.what)"
                  >
                    {{ each.what === way()?.what ? '✓ so' : 'so' }}
                  </button>
                </li>
              }
            </ul>
          }
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
    ul {
      margin: 0 0 6px;
      padding-left: 18px;
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
    stream: ({ params: { known, wanted } }) => this.ask(known.day, known.job, wanted),
  });
  /** The chance of the hour that is wanted, as all lies; null while nobody knows. */
  private readonly asItLies = computed(() => (this.answer.hasValue() ? (this.answer.value().wanted?.onTime ?? null) : null));
  protected readonly picked = signal<string | null>(null);
  /** The way that was agreed on to keep the hour; null where all stays as it lies. */
  readonly way = computed(() => this.had().find(({ what }) => what === this.picked()) ?? null);
  /** What is stated of the hour that is wanted: the chance of the way that was agreed on. */
  readonly stated = computed(() => this.way()?.onTime ?? this.asItLies());
  /** What the plan holds it for, before that is corrected by what was kept. */
  readonly planned = computed(() => {
    const [stated, known] = [this.stated(), this.known()];
    return stated === null || known === null ? null : toSay(known.day.correction, stated);
  });
  /** The same with strings that move less, asked for where the hour is in danger. */
  private readonly movesLess = rxResource({
    params: () => {
      const [known, wanted, stated] = [this.known(), this.wanted(), this.asItLies()];
      const less = known?.movesLess ?? null;
      return known === null || less === null || stated === null || stated >= GOOD ? undefined : { day: known.day, less, wanted };
    },
    stream: ({ params: { day, less, wanted } }) => this.ask(day, less.job, wanted).pipe(map((inserted) => ({ set: less.set, inserted }))),
  });
  /** The same with its set hung up at once, under its pull. */
  private readonly hung = rxResource({
    params: () => {
      const [known, wanted, stated] = [this.known(), this.wanted(), this.asItLies()];
      const hung = known?.hung ?? null;
      return known === null || hung === null || stated === null || stated >= GOOD ? undefined : { day: known.day, hung, wanted };
    },
    stream: ({ params: { day, hung, wanted } }) => this.ask(day, hung, wanted),
  });
  /** What would do better than all as it lies. */
  protected readonly had = computed(() => {
    const [known, stated] = [this.known(), this.asItLies()];
    if (known === null || stated === null || !this.answer.hasValue()) return [];
    const { wanted } = this.answer.value();
    const less = this.movesLess.hasValue() ? this.movesLess.value() : null;
    const lateOf = (late: readonly string[] = []) => {
      const others = known.day.jobs.filter(({ id }) => late.includes(id)).map(passportOf);
      return others.length === 0 ? '' : `, and ${others.join(', ')} late`;
    };
    const [hung, hangs] = [this.hung.hasValue() ? this.hung.value() : null, known.hung?.hangs ?? null];
    const ways: { what: string; does: string; chance: number; late: string }[] = [];
    if (hung !== null && hangs !== null) {
      const what = `its set hung up under its pull at once (at Choose), strung from ${dayTime(known.day, hangs)}`;
      ways.push({ what, does: 'hang its set up at once', chance: hung.wanted?.onTime ?? 0, late: '' });
    }
    ways.push({ what: 'strung before all others', does: 'before all others', chance: wanted?.first ?? 0, late: lateOf(wanted?.late) });
    if (less !== null) {
      const softer = `with strings that move less, ${less.set}`;
      ways.push({ what: softer, does: softer, chance: less.inserted.wanted?.onTime ?? 0, late: '' });
      ways.push({
        what: `before all others, ${softer}`,
        does: `before all others, ${softer}`,
        chance: less.inserted.wanted?.first ?? 0,
        late: lateOf(less.inserted.wanted?.late),
      });
    }
    // each is told where it does better than what costs less
    const told = ways.filter(
      ({ chance }, nth) => ways.slice(0, nth).every((before) => chance > before.chance + BETTER) && chance > stated + BETTER,
    );
    return told.map(({ chance, ...each }) => ({ ...each, onTime: chance, chance: inHundred(chance) }));
  });
  protected readonly told = computed(() => {
    const known = this.known();
    if (known === null || !this.answer.hasValue()) return null;
    const { day } = known;
    const { notBefore, p50, p90, reason, wanted } = this.answer.value();
    const say = (minute: number | null) => (minute === null ? 'in no hours that are planned yet' : dayTime(day, Math.ceil(minute)));
    const offer = p90 === null ? null : toPromise(day, p90);
    return {
      never: reason === null ? null : 'There is no room for it in the hours that are planned: promise nothing before the rack is lighter.',
      settling: say(notBefore.settling),
      work: say(notBefore.work),
      p50: say(p50),
      p90: say(p90),
      offer: offer === null ? null : { at: momentOf(day, offer), says: dayTime(day, offer) },
      wanted: wanted === null ? null : { bad: wanted.onTime < GOOD, says: sayWanted(wanted) },
    };
  });

  /** The hour that is wanted lies outside the hours of the house. */
  protected readonly closed = computed(() => {
    const [known, wanted] = [this.known(), this.wanted()];
    if (known === null || wanted === null) return false;
    const minute = (Date.parse(wanted) - Date.parse(known.day.origin)) / 60_000;
    return !known.day.open.some(([from, until]) => from <= minute && minute <= until);
  });

  private ask(day: Day, job: DayJob, wanted: string | null): Observable<Inserted> {
    const { inForce, correction, ...rack } = day;
    const due = wanted === null ? null : Math.max(0, Math.floor((Date.parse(wanted) - Date.parse(day.origin)) / 60_000));
    return this.planner.plan({ asked: { ...job, due }, rack, inForce, correction, timeLimitMs: PLANNING_MS }).pipe(
      map((reply) => (reply.kind === 'inserted' ? reply.inserted : null)),
      filter((inserted) => inserted !== null),
    );
  }
}

function sayWanted({ onTime, inTime }: NonNullable<Inserted['wanted']>): string {
  const chance = `As all lies, ${inHundred(onTime)} in 100.`;
  if (onTime >= GOOD) return chance;
  return inTime ? chance : `${chance} No order of work keeps it with the strings that it has.`;
}

/** A promise with a better chance is a good one. */
const GOOD = 0.8;
/** What is worth saying does so much better. */
const BETTER = 0.03;
