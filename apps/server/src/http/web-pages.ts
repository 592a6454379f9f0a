import { join } from 'node:path';
import express, { Router, type RequestHandler } from 'express';

const YEAR_SECONDS = 365 * 24 * 3600;

/** The built interface. Hashed files may be kept for ever; the page itself and the service worker's list never. */
export function webPages(folder: string): RequestHandler {
  const router = Router();
  router.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) => {
        const hashed = /-[A-Z0-9]{8}\.(js|css|woff2?)$/.test(path);
        response.setHeader('cache-control', hashed ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache');
      },
    }),
  );
  router.get(/^\/(?!api\/)[^.]*$/, (_request, response) => {
    response.setHeader('cache-control', 'no-cache');
    response.sendFile(join(folder, 'index.html'));
  });
  return router;
}
