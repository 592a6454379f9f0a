import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { describe, expect, it } from 'vitest';

const root = new URL('..', import.meta.url).pathname;
const IGNORED = /node_modules|dist|\.angular|\.data|test-results|playwright-report/;

function sources(folder: string): string[] {
  return readdirSync(join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (IGNORED.test(path)) return [];
    return entry.isDirectory() ? sources(path) : /\.ts$/.test(path) ? [path] : [];
  });
}

const files = ['packages', 'apps', 'e2e', 'scripts'].flatMap(sources);
const importsOf = (file: string, pattern = /(?:from|import)\s*\(?\s*'([^']+)'/g) =>
  [...readFileSync(join(root, file), 'utf8').matchAll(pattern)].map(([, name]) => name ?? '');
const isSpec = (file: string) => /\.spec\.ts$|\/testing\//.test(file);

/** Where an import leads: into a room by its door where a folder is named. */
function reachedFrom(file: string, name: string): string {
  const path = join(file, '..', name);
  return existsSync(join(root, path, 'index.ts')) ? `${path}/index.js` : path;
}

/** Pieces that the first page is made of: each is its own door, so that the page carries only what it shows. */
const TOOLBOXES =
  /^apps\/web\/src\/app\/(ui|preferences|session|server|bench-log|feed|frame|worksheet|string-table|shelf|lane|promise|testing)$/;

/** What is shown only when it is wanted has no door, since a door would bring the rest of its room along; and the street leads to the front door. */
const LAZY = /app\.ts → .*sign-in|main\.ts → /;

/** The room that `path` lies in and `file` does not; null where they are of one room, or each piece of it is a door. */
function entered(file: string, path: string): string | null {
  const [from, to] = [file.split('/').slice(0, -1), path.split('/').slice(0, -1)];
  const shared = to.findIndex((part, at) => part !== from[at]);
  const room = to.slice(0, shared + 1).join('/');
  return shared < 0 || TOOLBOXES.test(room) ? null : room;
}

/** Which rooms each room of a folder imports from, specs left out: they may look at what stands above. */
function arrowsOf(folder: string): Map<string, Set<string>> {
  const arrows = new Map<string, Set<string>>();
  const roomOf = (path: string) => /^([^/.]+)\//.exec(relative(folder, path))?.[1];
  for (const file of files.filter((each) => !isSpec(each))) {
    const room = roomOf(file);
    if (room === undefined) continue;
    const reached = importsOf(file).filter((name) => name.startsWith('.')).flatMap((name) => roomOf(reachedFrom(file, name)) ?? []); // prettier-ignore
    arrows.set(room, new Set([...(arrows.get(room) ?? []), ...reached.filter((other) => other !== room)]));
  }
  return arrows;
}

/** Rooms from which one can go round for ever: takes away, one storey after the other, those that lead nowhere any more. */
function inCircles(arrows: ReadonlyMap<string, ReadonlySet<string>>): string[] {
  let left = new Map(arrows);
  for (;;) {
    const still = new Map([...left].filter(([, reached]) => [...reached].some((room) => left.has(room))));
    if (still.size === left.size) return [...left.keys()].sort();
    left = still;
  }
}

/** What a package of ours may import of ours. */
const MAY_IMPORT: Record<string, readonly string[]> = {
  'packages/craft': [],
  'packages/contract': ['@gold-peg/craft'],
  'apps/server': ['@gold-peg/craft', '@gold-peg/contract'],
  'apps/cli': ['@gold-peg/craft', '@gold-peg/contract'],
  'apps/web': ['@gold-peg/craft', '@gold-peg/contract'],
};

describe('the house', () => {
  it('has arrows that run one way only', () => {
    const wrong = files.flatMap((file) => {
      const [home, allowed] = Object.entries(MAY_IMPORT).find(([folder]) => file.startsWith(folder)) ?? [];
      if (home === undefined || allowed === undefined || isSpec(file)) return [];
      const ours = importsOf(file).filter((name) => name.startsWith('@gold-peg/'));
      return ours.filter((name) => !allowed.some((package_) => name.startsWith(`${package_}/`))).map((name) => `${file} → ${name}`);
    });
    expect(wrong).toEqual([]);
  });

  it('has rooms with one door: from outside only the index is imported', () => {
    const wrong = files
      .filter((file) => /^(packages|apps)\/\w+\/src\//.test(file) && (file.startsWith('packages') || !isSpec(file)))
      .flatMap((file) => {
        const reached = importsOf(file, /from '([^']+)'/g).flatMap((name) => (name.startsWith('.') ? [reachedFrom(file, name)] : []));
        return reached.filter((path) => !path.endsWith('/index.js') && entered(file, path) !== null).map((path) => `${file} → ${path}`);
      });
    expect(wrong.filter((arrow) => !LAZY.test(arrow))).toEqual([]);
  });

  it.each(['apps/server/src', 'apps/cli/src', 'apps/web/src/app', 'apps/web/src/app/worksheet', 'apps/web/src/app/strings'])(
    'has floors in %s: whoever follows the arrows from room to room comes to an end',
    (storey) => expect(inCircles(arrowsOf(storey))).toEqual([]),
  );

  it('keeps the core free of clock, chance, network, page, Node and packages but the Fourier transform', () => {
    const wrong = files
      .filter((file) => file.startsWith('packages/craft') && !isSpec(file))
      .filter((file) =>
        /Date\.now|new Date\(|Math\.random|\bfetch\(|\bdocument\b|\bwindow\b|from 'node:|from '(?!\.|fft\.js')/.test(
          readFileSync(join(root, file), 'utf8'),
        ),
      );
    expect(wrong).toEqual([]);
  });

  it('has no file over 400 lines, and a median under 100', () => {
    const lengths = files.map((file) => readFileSync(join(root, file), 'utf8').split('\n').length).sort((a, b) => a - b);
    expect(lengths.at(-1)).toBeLessThanOrEqual(400);
    expect(lengths[Math.floor(lengths.length / 2)]).toBeLessThan(100);
  });

  it('spends between a quarter and a third of its lines on tests', () => {
    const lines = (list: string[]) => list.reduce((sum, file) => sum + readFileSync(join(root, file), 'utf8').split('\n').length - 1, 0);
    const tests = files.filter((file) => isSpec(file) || file.startsWith('e2e/'));
    const share = lines(tests) / lines(files);
    expect(share).toBeGreaterThanOrEqual(0.25);
    expect(share).toBeLessThanOrEqual(0.33);
  });
});
