import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** What may be shipped with what is ours: permissive licences, one that holds for its own files only (MPL), and fonts. */
export const ALLOWED = [
  '0BSD',
  'Apache-2.0',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'BlueOak-1.0.0',
  'CC0-1.0',
  'CC-BY-4.0',
  'ISC',
  'MIT',
  'MIT-0',
  'MPL-2.0',
  'OFL-1.1',
  'Python-2.0',
  'Unlicense',
  'Zlib',
];

/** Where the licence stands in a file of the package, and not in its description. */
const IN_A_FILE: Readonly<Record<string, string>> = { 'png-js': 'MIT' };

interface Locked {
  version?: string;
  license?: string;
  dev?: boolean;
  link?: boolean;
  devOptional?: boolean;
}

/** Every package that goes out with the product, as package-lock.json has it: name, version and licence. */
export function shippedPackages(root: string): { name: string; version: string; licence: string }[] {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')) as { packages: Record<string, Locked> };
  return Object.entries(packages)
    .filter(([path, { dev, devOptional, link }]) => path.includes('node_modules/') && dev !== true && devOptional !== true && link !== true)
    .map(([path, { version = '', license }]) => {
      const name = path.slice(path.lastIndexOf('node_modules/') + 13);
      return { name, version, licence: license ?? IN_A_FILE[name] ?? 'none told' };
    })
    .sort((one, other) => (one.name < other.name ? -1 : one.name > other.name ? 1 : one.version < other.version ? -1 : 1));
}

/** The list as it lies in docs/licences.md. */
export function sayLicences(root: string): string {
  const rows = shippedPackages(root).map(({ name, version, licence }) => `- ${name} ${version}: ${licence}`);
  return `# Licences\n\nWhat goes out with the product, by package-lock.json; made by \`npm run licences\`.\n\n${[...new Set(rows)].join('\n')}\n`;
}

if (process.argv.includes('--write')) {
  const root = new URL('..', import.meta.url).pathname;
  writeFileSync(join(root, 'docs/licences.md'), sayLicences(root));
}
