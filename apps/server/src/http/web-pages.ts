import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Router, type RequestHandler, type Response } from 'express';
import staticGzip from 'express-static-gzip';

const YEAR_SECONDS = 365 * 24 * 3600;

/** Style elements of this answer carry this sign, and no other style element counts. */
export const styleNonce = (response: Response): string =>
  ((response.locals as { nonce?: string }).nonce ??= randomBytes(16).toString('base64'));

/** The built interface, packed files before those that are packed anew each time. Hashed files may be kept for ever; the page itself and the service worker's list never. */
export function webPages(folder: string): RequestHandler {
  const router = Router();
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const sendPage: RequestHandler = (_request, response) => {
    response.setHeader('cache-control', 'no-cache');
    response.type('html').send(page.replace('<peg-root', `<peg-root ngCspNonce="${styleNonce(response)}"`));
  };
  router.get('/index.html', sendPage);
  router.get('/ngsw.json', (_request, response) => {
    response.setHeader('cache-control', 'no-cache');
    response.json(listWithoutPage(folder));
  });
  router.use(
    staticGzip(folder, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: {
        index: false,
        setHeaders: (response, path) => {
          const hashed = /-[A-Z0-9]{8}\.(js|css|woff2?)(\.br|\.gz)?$/.test(path);
          response.setHeader('cache-control', hashed ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache');
        },
      },
    }),
  );
  router.get(/^\/(?!api\/)[^.]*$/, sendPage);
  return router;
}

/** The service worker's list. The page bears another nonce each time it is sent, so it has no hash that it could be held against. */
function listWithoutPage(folder: string): object {
  const list = JSON.parse(readFileSync(join(folder, 'ngsw.json'), 'utf8')) as { hashTable: Record<string, string> };
  const { '/index.html': _page, ...hashTable } = list.hashTable;
  return { ...list, hashTable };
}
