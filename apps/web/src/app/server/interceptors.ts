import { HttpErrorResponse, HttpResponse, type HttpInterceptorFn } from '@angular/common/http';
import { inject, InjectionToken } from '@angular/core';
import { ENDPOINTS, PERSON_HEADER, REQUEST_HEADER } from '@gold-peg/contract/endpoints';
import { problemSchema } from '@gold-peg/contract/problems';
import { catchError, filter, tap, timeout } from 'rxjs';
import { v4 as uuidV4 } from 'uuid';
import { HouseClock } from './house-clock';
import { Connection } from './connection';
import { serverAway, ServerProblem } from './server-problem';

/** Who has not answered by then, ms, does not answer: a request that hangs must not hold up what comes after it. */
export const TIME_LIMIT = new InjectionToken('time limit of a request', { factory: () => 10_000 });
/** A gateway or the service worker answers so for a server that is gone. */
const NOBODY_BEHIND = 504;

/** Whatever comes instead of the answer becomes a problem, and what the answer tells of server, session and house's clock is noted. */
const asProblem: HttpInterceptorFn = (request, next) => {
  const [connection, clock] = [inject(Connection), inject(HouseClock)];
  const askedAt = Date.now();
  return next(request).pipe(
    tap((event) => {
      if (!(event instanceof HttpResponse)) return;
      connection.away.set(false);
      clock.heard(event.headers.get('date'), askedAt);
    }),
    catchError((error: unknown) => {
      const problem = problemOf(error);
      connection.away.set(problem.away);
      if (error instanceof HttpErrorResponse) clock.heard(error.headers.get('date'), askedAt);
      if (problem.kind === 'signed-out') connection.signedOut.next();
      if (problem.kind === 'another-person') connection.anotherPerson.next();
      throw problem;
    }),
  );
};

/** Says for whom the page asks, by which session, and gives the request a name that the server's log repeats. */
const withNames: HttpInterceptorFn = (request, next) => {
  const { csrfToken, person } = inject(Connection);
  const asksWho = person === null || request.url === ENDPOINTS.session.path;
  const setHeaders = { 'x-csrf-token': csrfToken, [REQUEST_HEADER]: uuidV4(), ...(asksWho ? {} : { [PERSON_HEADER]: person }) };
  return next(request.clone({ setHeaders }));
};

const inTime: HttpInterceptorFn = (request, next) =>
  next(request).pipe(
    filter((event) => event instanceof HttpResponse),
    timeout(inject(TIME_LIMIT)),
  );

/** From the outside in. */
export const INTERCEPTORS: HttpInterceptorFn[] = [asProblem, withNames, inTime];

function problemOf(error: unknown): ServerProblem {
  if (!(error instanceof HttpErrorResponse) || error.status === NOBODY_BEHIND) return serverAway();
  const read = problemSchema.safeParse(error.error);
  return read.success ? new ServerProblem(read.data, read.data.status === 503) : serverAway();
}
