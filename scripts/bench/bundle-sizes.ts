import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

export interface Size {
  name: string;
  raw: number;
  /** Null where most of it is compressed already. */
  gzip: number | null;
}

const KB = 1000;

/** What a browser loads before it shows the sign-in, and everything that ships. */
export function bundleSizes(root: string): Size[] {
  const folder = join(root, 'apps/web/dist/browser');
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const named = [...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map(([, file]) => file ?? '');
  const everything = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !/\.(br|gz)$/.test(entry.name)) // packed ones go out in place of others
    .map((entry) => join(entry.parentPath, entry.name));
  const shipped = everything.reduce((sum, file) => sum + statSync(file).size, 0) / KB;
  return [
    total('initial load: scripts and styles', withStaticImports(folder, named)),
    total(
      'all scripts and styles',
      readdirSync(folder).filter((file) => /\.(js|css)$/.test(file)),
      folder,
    ),
    { name: 'everything that ships, fonts included', raw: shipped, gzip: null },
  ];

  function total(name: string, files: readonly string[], base = folder): Size {
    const contents = files.map((file) => readFileSync(join(base, file)));
    return {
      name,
      raw: contents.reduce((sum, { length }) => sum + length, 0) / KB,
      gzip: contents.reduce((sum, content) => sum + gzipSync(content).length, 0) / KB,
    };
  }
}

/** Files the page names, and those that they import before anything runs. */
function withStaticImports(folder: string, entries: readonly string[]): string[] {
  const found = new Set<string>();
  const visit = (file: string): void => {
    if (found.has(file)) return;
    found.add(file);
    if (!file.endsWith('.js')) return;
    for (const [, next] of readFileSync(join(folder, file), 'utf8').matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g))
      if (next !== undefined) visit(next);
  };
  entries.forEach(visit);
  return [...found];
}
