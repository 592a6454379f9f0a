import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { REQUEST_HEADER } from '@gold-peg/contract/endpoints';
import { problem, type Problem } from '@gold-peg/contract/problems';
import { Refusal } from '../handling/index.js';

export const NO_SUCH_PATH: RequestHandler = (request, _response, next) =>
  next(new Refusal('unknown', `nothing answers ${request.method} ${request.path}`));

/** The one place that turns what was thrown into an answer. What is not a refusal is logged; nobody is shown a stack. */
export const problemDoor =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, request, response, _next) => {
    const answer = problemOf(error);
    if (answer.status >= 500) log.error({ err: error, path: request.path, request: request.get(REQUEST_HEADER) }, answer.title);
    if (response.headersSent) {
      // what was being answered cannot be taken back: whoever reads it sees that it was cut off, or has all of it already
      if (answer.status < 500) log.warn({ err: error, path: request.path }, 'after its answer');
      if (!response.writableEnded) response.destroy();
      return;
    }
    response.status(answer.status).type('application/problem+json').send(JSON.stringify(answer));
  };

function problemOf(error: unknown): Problem {
  if (error instanceof Refusal) return error.problem;
  if (storeIsAway(error))
    return problem('store-away', 'The database does not answer. What you did is kept on this device and is sent when it is back.');
  if ((error as { code?: string }).code === UNIQUE_VIOLATION)
    return problem('taken', 'Somebody made the same at the same moment: read what is there now, and try again.');
  const { status, type, limit } = error as { status?: number; type?: string; limit?: number };
  if (type === 'entity.too.large')
    return problem('too-large', `body must be at most ${sayBytes(limit)}: make it smaller, or send it in parts`);
  if (type === 'entity.parse.failed') return problem('malformed', 'body must be JSON');
  if (status === 403) return problem('forged-request', 'The header x-csrf-token must carry the token that GET /api/session gave');
  if (status !== undefined && status >= 400 && status < 500) return problem('malformed', 'The request cannot be read');
  return problem('failed', 'Something went wrong on our side and was written to the log. Nothing was half written.');
}

const sayBytes = (bytes = 0) => (bytes < MEGABYTE ? `${Math.round(bytes / 1024)} kB` : `${Math.round(bytes / MEGABYTE)} MB`);
const MEGABYTE = 1024 ** 2;

/** PostgreSQL's code for a second row of what there may be one of. */
const UNIQUE_VIOLATION = '23505';
/** Codes that say the server is gone or going (PostgreSQL class 57P, Node's sockets). */
const AWAY = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOTFOUND', '57P01', '57P02', '57P03', '08003', '08006', '08001']);

function storeIsAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code } = error as { code?: string };
  if (code !== undefined && AWAY.has(code)) return true;
  if (error instanceof AggregateError) return error.errors.some(storeIsAway);
  return /Connection terminated|timeout exceeded when trying to connect|Driver not Connected|Client has encountered a connection error/i.test(
    error.message,
  );
}
