import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ALLOWED, sayLicences, shippedPackages } from './licences.js';

const root = new URL('..', import.meta.url).pathname;

describe('licences', () => {
  it('of all that goes out are such as may go out', () => {
    const strange = shippedPackages(root).filter(
      ({ licence }) => !licence.split(/ (?:OR|AND) /).every((each) => ALLOWED.includes(each.replace(/[()]/g, ''))),
    );
    expect(strange).toEqual([]);
  });

  it('are listed as they are', () => expect(readFileSync(join(root, 'docs/licences.md'), 'utf8')).toBe(sayLicences(root)));
});
