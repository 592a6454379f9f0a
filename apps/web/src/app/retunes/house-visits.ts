import { DestroyRef, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { catchError, EMPTY, exhaustMap, filter, from, interval, merge, throttleTime } from 'rxjs';
import { LiveFeed } from '../feed/live-feed';
import { Api } from '../server/api';
import { Session } from '../session/session';
import { RetuneTimes } from './retune-times';

/** Without news the house is asked so often. */
const AGAIN_MS = 120_000;
/** Strings move by minutes: steps within that are one piece of news. */
const NEWS_MS = 30_000;

/** What the house knows of strings that move, told wherever one is, also on a device that never looked at the instrument. */
@Injectable({ providedIn: 'root' })
export class HouseVisits {
  private readonly api = inject(Api);
  private readonly feed = inject(LiveFeed);
  private readonly session = inject(Session);
  private readonly times = inject(RetuneTimes);
  private readonly destroyed = inject(DestroyRef);
  private watching = false;

  /** Goes on as long as the page is open. Where the server is away, what was heard last stands. */
  watch(): void {
    if (this.watching) return;
    this.watching = true;
    merge(this.feed.news.pipe(throttleTime(NEWS_MS, undefined, { leading: true, trailing: true })), interval(AGAIN_MS))
      .pipe(
        filter(() => this.session.person() !== null),
        exhaustMap(() => from(this.api.call('visits', {})).pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(this.destroyed),
      )
      .subscribe(({ visits }) => this.times.hearHouse(visits.map((visit) => ({ ...visit, at: Date.parse(visit.at) }))));
  }
}
