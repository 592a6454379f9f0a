import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Day } from '@gold-peg/contract/day';
import type { Next, Placed } from '@gold-peg/craft/day';
import { dayTime, duration, operationWords, passportOf } from '../day';

/** What to do now, the next look at strings, and what fits into the gap until then. */
@Component({
  selector: 'peg-now-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, RouterLink],
  templateUrl: './now-panel.html',
  styleUrl: './now-panel.scss',
})
export class NowPanel {
  readonly day = input.required<Day>();
  readonly next = input.required<Next>();
  /** What to do now, or what until the next look. */
  readonly part = input.required<'now' | 'gap'>();
  /** Whose bench comes first. */
  readonly personId = input.required<string>();

  protected readonly benches = computed(() => {
    const mine = ({ person }: { person: string }) => (person === this.personId() ? 0 : 1);
    return [...this.next().people]
      .sort((a, b) => mine(a) - mine(b))
      .map(({ person, now, then }) => ({
        name: this.day().people.find(({ id }) => id === person)?.name ?? '',
        now: now === null ? null : this.told(now),
        then: then === null ? null : this.told(then),
      }));
  });
  protected readonly visit = computed(() => {
    const { visit, gap } = this.next();
    return visit === null ? null : { ...this.told(visit), gap: duration(gap ?? 0), in: duration(visit.start - this.day().now) };
  });
  /** What could be begun in the gap: that which fits first. */
  protected readonly waiting = computed(() =>
    this.next()
      .waiting.filter(({ job }) => !this.next().people.some(({ now }) => now?.job === job))
      .sort((a, b) => Number(b.fits) - Number(a.fits) || b.minutes - a.minutes)
      .slice(0, MOST)
      .map(({ job, operation, minutes, fits }) => ({
        ...{ job, fits, passport: this.passportOf(job), what: operationWords(operation), minutes: duration(minutes) },
        over: duration(Math.max(0, minutes - (this.next().gap ?? 0))),
      })),
  );

  private told(placed: Placed) {
    const job = this.day().jobs.find(({ id }) => id === placed.job);
    return {
      id: placed.job,
      passport: this.passportOf(placed.job),
      name: job?.name ?? '',
      what: operationWords(placed.operation),
      at: dayTime(this.day(), placed.start),
      until: dayTime(this.day(), placed.end),
      left: duration(placed.end - Math.max(placed.start, this.day().now)),
    };
  }

  private passportOf(id: string): string {
    const job = this.day().jobs.find((each) => each.id === id);
    return job === undefined ? '' : passportOf(job);
  }
}

/** More have no room beside the rail. */
const MOST = 3;
