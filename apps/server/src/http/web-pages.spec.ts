import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import express from 'express';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { webPages } from './web-pages.js';

const SCRIPT = 'wind(2.5);'.repeat(50);
const folder = mkdtempSync(join(tmpdir(), 'gold-peg-pages-'));
let server: Server;
let address = '';

beforeAll(async () => {
  writeFileSync(join(folder, 'index.html'), '<peg-root></peg-root>');
  writeFileSync(join(folder, 'ngsw.json'), '{"hashTable":{"/index.html":"a","/main.js":"b"}}');
  writeFileSync(join(folder, 'main-ABCD1234.js'), SCRIPT);
  writeFileSync(join(folder, 'main-ABCD1234.js.br'), brotliCompressSync(SCRIPT));
  writeFileSync(join(folder, 'main-ABCD1234.js.gz'), gzipSync(SCRIPT));
  writeFileSync(join(folder, 'plain.txt'), 'licences');
  server = express().use(webPages(folder)).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true });
});

const ask = (path: string, encoding: string) => fetch(address + path, { headers: { 'accept-encoding': encoding } });

describe('files of the interface', () => {
  it.each([
    ['gzip, deflate, br', 'br'],
    ['gzip, deflate', 'gzip'],
    ['identity', null],
  ])('go to who takes %s packed as %s, and are the same unpacked, a script, and good for ever', async (takes, packed) => {
    const answer = await ask('/main-ABCD1234.js', takes);
    expect(answer.headers.get('content-encoding')).toBe(packed);
    expect(answer.headers.get('content-type')).toContain('text/javascript');
    expect(answer.headers.get('cache-control')).toContain('immutable');
    expect(answer.headers.get('vary')).toContain('Accept-Encoding');
    expect(await answer.text()).toBe(SCRIPT);
  });

  it('whose name says nothing of what is in them are asked for each time', async () => {
    const answer = await ask('/plain.txt', 'gzip, br');
    expect(answer.headers.get('content-encoding')).toBeNull();
    expect(answer.headers.get('cache-control')).toBe('no-cache');
  });

  it('are the page for every address of a place, with another sign each time, which no list holds a hash of', async () => {
    const [one, other] = await Promise.all(['/', '/today/hours'].map(async (path) => (await ask(path, 'br')).text()));
    expect(one).toMatch(/^<peg-root ngCspNonce="[^"]{20,}"><\/peg-root>$/);
    expect(one).not.toBe(other);
    expect(await (await ask('/ngsw.json', 'br')).json()).toEqual({ hashTable: { '/main.js': 'b' } });
    expect((await ask('/none.js', 'br')).status).toBe(404);
  });
});
