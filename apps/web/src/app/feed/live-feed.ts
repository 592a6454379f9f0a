import { inject, Injectable } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { ENDPOINTS, FEED_HEARTBEAT_MS, feedMessage, type FeedMessage } from '@gold-peg/contract/endpoints';
import { distinctUntilChanged, EMPTY, map, Observable, retry, share, Subject, switchMap, timer } from 'rxjs';
import { Session } from '../session/session';
import { Connection } from '../server/connection';

const RETRY_MS = 1000;
/** A line that was silent for so long is dead, though nobody closed it. */
const SILENT_MS = 2.5 * FEED_HEARTBEAT_MS;

/** What other browsers and servers commit, as it happens. `open` says that the line stands: what was missed has to be read. */
export type FeedNews = { kind: 'open' } | { kind: 'log'; message: FeedMessage };

@Injectable({ providedIn: 'root' })
export class LiveFeed {
  private readonly connection = inject(Connection);
  private readonly session = inject(Session);
  private readonly signedIn = toObservable(this.session.state).pipe(
    map((state) => state === 'signed-in'),
    distinctUntilChanged(),
  );

  private readonly line = new Observable<FeedNews>((subscriber) => {
    const source = new EventSource(ENDPOINTS.feed.path);
    const heard = new Subject<void>();
    const silence = heard.pipe(switchMap(() => timer(SILENT_MS))).subscribe(() => {
      this.connection.away.set(true);
      subscriber.error(new Error('the feed is silent'));
    });
    source.onopen = () => {
      heard.next();
      this.connection.away.set(false);
      subscriber.next({ kind: 'open' });
    };
    source.addEventListener('here', () => heard.next());
    source.addEventListener('log', ({ data }: MessageEvent<string>) => {
      heard.next();
      const read = feedMessage.safeParse(JSON.parse(data));
      if (read.success) subscriber.next({ kind: 'log', message: read.data });
    });
    source.onerror = () => {
      this.connection.away.set(true);
      if (source.readyState !== EventSource.CLOSED) return; // it tries again by itself
      void this.session.ask(); // an answer that is no feed: perhaps the session has ended
      subscriber.error(new Error('the feed was closed'));
    };
    heard.next(); // one that never opens is silent as well
    return () => {
      silence.unsubscribe();
      source.close();
    };
  }).pipe(retry({ delay: () => timer(RETRY_MS) }));

  /** One line to the server however many listen, while somebody is signed in; it is opened again when it was lost. */
  readonly news = this.signedIn.pipe(
    switchMap((signedIn) => (signedIn ? this.line : EMPTY)),
    share(),
  );
}
