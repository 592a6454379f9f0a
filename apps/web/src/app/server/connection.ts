import { Injectable, signal } from '@angular/core';
import { Subject } from 'rxjs';

/** What is known of the line to the server, and for whom it is used. */
@Injectable({ providedIn: 'root' })
export class Connection {
  /** Whether the last request got no answer. */
  readonly away = signal(false);
  /** Fires when an answer says that nobody is signed in any more. */
  readonly signedOut = new Subject<void>();
  /** Fires when an answer says that somebody else signed in, in another page of this browser. */
  readonly anotherPerson = new Subject<void>();
  /** For whom this page asks; null before anybody is signed in. */
  person: string | null = null;
  /** What the session gave, to be sent with everything after. */
  csrfToken = '';
}
