import { inject, Injectable } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { FEED_PATH, feedMessage, type FeedMessage } from '@gold-peg/contract/endpoints';
import { distinctUntilChanged, EMPTY, map, Observable, retry, share, switchMap, timer } from 'rxjs';
import { Session } from '../session/session';
import { Api } from './api';

const RETRY_MS = 1000;

/** What other browsers and servers commit, as it happens. `open` says that the line stands: what was missed has to be read. */
export type FeedNews = { kind: 'open' } | { kind: 'log'; message: FeedMessage };

@Injectable({ providedIn: 'root' })
export class LiveFeed {
  private readonly api = inject(Api);
  private readonly signedIn = toObservable(inject(Session).state).pipe(
    map((state) => state === 'signed-in'),
    distinctUntilChanged(),
  );

  private readonly line = new Observable<FeedNews>((subscriber) => {
    const source = new EventSource(FEED_PATH);
    source.onopen = () => {
      this.api.away.set(false);
      subscriber.next({ kind: 'open' });
    };
    source.addEventListener('log', ({ data }: MessageEvent<string>) => {
      const read = feedMessage.safeParse(JSON.parse(data));
      if (read.success) subscriber.next({ kind: 'log', message: read.data });
    });
    source.onerror = () => {
      this.api.away.set(true);
      if (source.readyState === EventSource.CLOSED) subscriber.error(new Error('the feed was closed'));
    };
    return () => source.close();
  }).pipe(retry({ delay: () => timer(RETRY_MS) }));

  /** One line to the server however many listen, while somebody is signed in; it is opened again when it was lost. */
  readonly news = this.signedIn.pipe(
    switchMap((signedIn) => (signedIn ? this.line : EMPTY)),
    share(),
  );
}
