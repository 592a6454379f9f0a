import compression from 'compression';
import { csrfSync } from 'csrf-sync';
import express, { type Express, type Response } from 'express';
import session from 'express-session';
import helmet from 'helmet';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import swaggerUi from 'swagger-ui-express';
import type { DataSource } from 'typeorm';
import { ENDPOINTS, openApi } from '@gold-peg/contract/endpoints';
import type { Session } from '@gold-peg/contract/people';
import type { CopyPlace } from '../copies/index.js';
import { feedRoute, type LogFeed } from '../feed/index.js';
import type { Metrics } from '../metrics/index.js';
import { handlers } from './handlers.js';
import { NO_SUCH_PATH, problemDoor } from './problem-door.js';
import { readBody } from './read-body.js';
import { routes } from './routes.js';
import { codeLimit, linkLimit, passphraseLimit, signInLimits } from './sign-in-limit.js';
import { styleNonce, webPages } from './web-pages.js';
import { sessionStore } from '../people/index.js';

export interface AppParts {
  store: DataSource;
  pool: Pool;
  feed: LogFeed;
  metrics: Pick<Metrics, 'count'>;
  /** What time it is. */
  clock: () => Date;
  log: Logger;
  sessionSecret: string;
  /** What a demo prints for who comes by; null in a real house. */
  demoSignIn: Session['demoSignIn'];
  /** Where copies lie; null where this server makes none. */
  copies: CopyPlace | null;
  /** Proxies whose word about who asks is taken, such as 'loopback'; none where it is left out. */
  trustProxy?: string;
  /** Folder of the built interface; left out where only the API is wanted. */
  webFolder?: string;
}

const WORKING_DAY_MS = 14 * 60 * 60 * 1000;

/** A stream of events must not wait until a block is full enough to be compressed. */
const isNoStream: compression.CompressionFilter = (request, response) =>
  response.getHeader('content-type') !== 'text/event-stream' && compression.filter(request, response);

/** The page of the contract without a bar of its own, and without room for shapes that it only refers to. */
const DOCS_CSS = '.swagger-ui .topbar, body > svg { display: none }';

/** The whole server as a function, so that specs call it without a port of ours. */
export function buildApp({
  store,
  pool,
  feed,
  metrics,
  clock,
  log,
  sessionSecret,
  demoSignIn,
  copies,
  trustProxy,
  webFolder,
}: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', trustProxy ?? false);
  app.use(metrics.count);
  app.locals['demoSignIn'] = demoSignIn;
  app.locals['copies'] = copies;
  const { csrfSynchronisedProtection } = csrfSync({
    getTokenFromRequest: (request) => request.headers['x-csrf-token'] as string,
    // whoever is not signed in has no session yet, nothing that could be done in their name, and sends JSON, which no foreign page can
    skipCsrfProtection: (request) => request.session.personId === undefined,
  });

  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", (_request, response) => `'nonce-${styleNonce(response as Response)}'`],
          fontSrc: ["'self'"],
          upgradeInsecureRequests: null,
        },
      },
    }),
  );
  app.use(compression({ filter: isNoStream }));

  const api = express.Router();
  api.use((_request, response, next) => {
    response.setHeader('cache-control', 'no-store'); // data and papers are the house's
    response.setHeader('date', clock().toUTCString()); // devices follow the clock of the house
    next();
  });
  api.use(readBody);
  api.use(
    session({
      name: 'gold-peg',
      secret: sessionSecret,
      store: sessionStore(pool, log),
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: WORKING_DAY_MS },
    }),
  );
  api.use(csrfSynchronisedProtection);
  api.post(ENDPOINTS.signIn.path, ...signInLimits(store, clock));
  api.post(ENDPOINTS.signInByCode.path, codeLimit(store, clock));
  api.post(ENDPOINTS.passphraseByLink.path, linkLimit(store, clock));
  api.put([ENDPOINTS.changePassphrase.path, ENDPOINTS.changeCode.path], passphraseLimit(store, clock));
  api.get('/api/openapi.json', (_request, response) => void response.json(openApi()));
  api.get('/api/docs.css', (_request, response) => void response.type('css').send(DOCS_CSS));
  api.use(
    '/api/docs',
    helmet.contentSecurityPolicy({ directives: { scriptSrc: ["'self'"], styleSrc: ["'self'"], fontSrc: ["'self'"] } }),
    swaggerUi.serve,
    swaggerUi.setup(openApi(), { customSiteTitle: 'Gold Peg: the contract', customCssUrl: '/api/docs.css' }),
  );
  api.use(routes({ ...handlers, feed: feedRoute(feed) }, { store, clock }));
  app.use((request, response, next) => (request.path.startsWith('/api/') ? api(request, response, next) : next()));
  if (webFolder !== undefined) app.use(webPages(webFolder)); // after the API: no file has to be looked for where it answers
  app.use(NO_SUCH_PATH);
  app.use(problemDoor(log));
  return app;
}
