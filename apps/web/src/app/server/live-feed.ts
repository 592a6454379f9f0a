import { inject, Injectable } from '@angular/core';
import { FEED_PATH, feedMessage, type FeedMessage } from '@gold-peg/contract/endpoints';
import { Observable, retry, share, timer } from 'rxjs';
import { Api } from './api';

const RETRY_MS = 1000;

/** What other browsers and servers commit, as it happens. `open` says that the line stands: what was missed has to be read. */
export type FeedNews = { kind: 'open' } | { kind: 'log'; message: FeedMessage };

@Injectable({ providedIn: 'root' })
export class LiveFeed {
  private readonly api = inject(Api);

  /** One line to the server however many listen; it is closed with the last of them, and opened again when it was lost. */
  readonly news = new Observable<FeedNews>((subscriber) => {
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
  }).pipe(retry({ delay: () => timer(RETRY_MS) }), share());
}
