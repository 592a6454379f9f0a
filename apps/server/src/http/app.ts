import compression from 'compression';
import connectPgSimple from 'connect-pg-simple';
import { csrfSync } from 'csrf-sync';
import express, { type Express } from 'express';
import session from 'express-session';
import helmet from 'helmet';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import swaggerUi from 'swagger-ui-express';
import type { DataSource } from 'typeorm';
import { CUT_STRIP_PDF_PATH, ENDPOINTS, FEED_PATH, openApi, TABLE_PDF_PATH } from '@gold-peg/contract/endpoints';
import type { LogFeed } from '../feed/log-feed.js';
import { feedRoute } from '../feed/feed-route.js';
import { cutStripPdfRoute } from '../papers/cut-strip-pdf.js';
import { tablePdfRoute } from '../papers/table-pdf.js';
import { handlers } from './handlers.js';
import { NO_SUCH_PATH, problemDoor } from './problem-door.js';
import { routes } from './routes.js';
import { signInLimit } from './sign-in-limit.js';
import { webPages } from './web-pages.js';
import { whoAsks } from '../people/who-asks.js';

export interface AppParts {
  store: DataSource;
  pool: Pool;
  feed: LogFeed;
  log: Logger;
  sessionSecret: string;
  demo: boolean;
  /** Folder of the built interface; left out where only the API is wanted. */
  webFolder?: string;
}

const WORKING_DAY_MS = 14 * 60 * 60 * 1000;

/** A stream of events must not wait until a block is full enough to be compressed. */
const isNoStream: compression.CompressionFilter = (request, response) =>
  response.getHeader('content-type') !== 'text/event-stream' && compression.filter(request, response);

/** The whole server as a function, so that specs call it without a port of ours. */
export function buildApp({ store, pool, feed, log, sessionSecret, demo, webFolder }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.locals['demo'] = demo;
  const { csrfSynchronisedProtection } = csrfSync({ getTokenFromRequest: (request) => request.headers['x-csrf-token'] as string });

  app.use(pinoHttp({ logger: log, autoLogging: false }));
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: { scriptSrc: ["'self'"], styleSrc: ["'self'", "'unsafe-inline'"], upgradeInsecureRequests: null },
      },
    }),
  );
  app.use(compression({ filter: isNoStream }));
  if (webFolder !== undefined) app.use(webPages(webFolder));

  const PgStore = connectPgSimple(session);
  const api = express.Router();
  api.use(express.json({ limit: '1mb' }));
  api.use(
    session({
      name: 'gold-peg',
      secret: sessionSecret,
      store: new PgStore({ pool, tableName: 'session', errorLog: (...what) => log.warn({ what }, 'session store') }),
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: { httpOnly: true, sameSite: 'strict', maxAge: WORKING_DAY_MS },
    }),
  );
  api.use(csrfSynchronisedProtection);
  api.post(ENDPOINTS.signIn.path, signInLimit(store));
  api.get('/api/openapi.json', (_request, response) => void response.json(openApi()));
  api.use(
    '/api/docs',
    swaggerUi.serve,
    swaggerUi.setup(openApi(), { customSiteTitle: 'Gold Peg: the contract', customCss: '.swagger-ui .topbar { display: none }' }),
  );
  api.get(FEED_PATH, feedRoute(feed, whoAsks(store)));
  api.get(CUT_STRIP_PDF_PATH, cutStripPdfRoute(store, whoAsks(store)));
  api.get(TABLE_PDF_PATH, tablePdfRoute(store, whoAsks(store)));
  api.use(routes(handlers, store, whoAsks(store)));
  app.use((request, response, next) => (request.path.startsWith('/api/') ? api(request, response, next) : next()));
  app.use(NO_SUCH_PATH);
  app.use(problemDoor(log));
  return app;
}
