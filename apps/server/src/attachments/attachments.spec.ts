import { v7 as uuidV7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Attachment } from '@gold-peg/contract/attachments';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

/** Signatures by which these formats are known, with enough after them to be looked at. */
const PNG = Buffer.concat([Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex'), Buffer.alloc(64, 1)]);
const JPEG = Buffer.concat([Buffer.from('ffd8ffe000104a46494600010100', 'hex'), Buffer.alloc(64, 2)]);
const PDF = Buffer.from('%PDF-1.7\n%\u00e2\n1 0 obj<<>>endobj\n');
const SVG = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>');
const ZIP = Buffer.concat([Buffer.from('504b0304140000000800', 'hex'), Buffer.alloc(64, 3)]);

let house: TestHouse;
let technician: Visitor;
let counter: Visitor;
let instrumentId = '';

beforeAll(async () => {
  house = await openHouse();
  technician = await house.visitor().signIn('technician');
  counter = await house.visitor().signIn('counter');
  instrumentId = (await technician.job(117)).instrument.id;
});
afterAll(() => house.close());

const add = (bytes: Uint8Array, type: string, { id = uuidV7(), name = 'bridge.png', who = technician } = {}) =>
  who.ask('POST', `/api/instruments/${instrumentId}/attachments?id=${id}&name=${encodeURIComponent(name)}&caption=worn%20pin`, bytes, {
    'content-type': type,
  });
const kept = async () => (await technician.ask('GET', `/api/instruments/${instrumentId}/attachments`)).body as Attachment[];

describe('photos and scans', () => {
  it('are kept as they came, the latest first, and sent back byte for byte, to be looked at and nothing else', async () => {
    const first = await add(PNG, 'image/png');
    expect(first.body).toMatchObject({
      name: 'bridge.png',
      caption: 'worn pin',
      type: 'image/png',
      bytes: PNG.length,
      addedBy: technician.person?.name,
    });
    await add(PDF, 'application/pdf', { name: 'bill “old”.pdf' });
    expect((await kept()).map(({ type }) => type)).toEqual(['application/pdf', 'image/png']);
    const path = `${technician.address}/api/attachments/${(first.body as Attachment).id}`;
    const back = await fetch(path, { headers: { cookie: technician.cookieHeader } });
    expect(Buffer.from(await back.arrayBuffer()).equals(PNG)).toBe(true);
    expect(back.headers.get('content-type')).toBe('image/png');
    expect(back.headers.get('x-content-type-options')).toBe('nosniff');
    expect(back.headers.get('content-security-policy')).toContain('sandbox');
    const scan = (await kept())[0];
    const paper = await fetch(`${technician.address}/api/attachments/${scan?.id}`, { headers: { cookie: technician.cookieHeader } });
    expect(paper.headers.get('content-disposition')).toBe(`attachment; filename*=UTF-8''bill%20%E2%80%9Cold%E2%80%9D.pdf`);
    expect((await fetch(path)).status).toBe(401);
  });

  it('are what their bytes say, whatever they are called', async () => {
    const called = await add(JPEG, 'image/png', { name: 'really.png' });
    expect((called.body as Attachment).type).toBe('image/jpeg');
    expect(called.status).toBe(201);
  });

  it.each([
    ['a drawing with a script in it', SVG, 'image/svg+xml'],
    ['the same called a photo', SVG, 'image/png'],
    ['an archive', ZIP, 'application/octet-stream'],
    ['a page', Buffer.from('<!doctype html><script>1</script>'), 'image/jpeg'],
    ['nothing', Buffer.alloc(0), 'image/png'],
  ])('%s is refused, and nothing is written', async (_, bytes, type) => {
    const before = (await kept()).length;
    const refused = await add(bytes, type);
    expect(refused.status).toBe(422);
    expect(refused.body.fields).toEqual([{ field: 'file', says: 'must be a photo or a scan: JPEG, PNG, WebP or PDF' }]);
    expect(await kept()).toHaveLength(before);
  });

  it('of more than 8 MB are refused before they are read', async () => {
    const refused = await add(Buffer.concat([PNG, Buffer.alloc(8 * 1024 * 1024)]), 'image/png');
    expect(refused.status).toBe(413);
    expect(refused.body.detail).toContain('at most 8 MB');
  });

  it('come once for each id, and another under the same id is refused', async () => {
    const id = uuidV7();
    await add(PNG, 'image/png', { id });
    const before = (await kept()).length;
    expect((await add(PNG, 'image/png', { id })).status).toBe(201);
    expect(await kept()).toHaveLength(before);
    expect((await add(JPEG, 'image/jpeg', { id, name: 'other.jpg' })).status).toBe(409);
  });

  it('are added at the counter too, and taken away at the bench only', async () => {
    const { body } = await add(PNG, 'image/png', { who: counter });
    const path = `/api/attachments/${(body as Attachment).id}`;
    expect((await counter.ask('DELETE', path)).status).toBe(403);
    expect((await technician.ask('DELETE', path)).status).toBe(200);
    expect((await technician.ask('DELETE', path)).status).toBe(404);
    expect((await technician.ask('GET', path)).status).toBe(404);
  });

  it('belong to an instrument that there is, and are sixty at most', async () => {
    const nowhere = await technician.ask('POST', `/api/instruments/${uuidV7()}/attachments?id=${uuidV7()}&name=a`, PNG, {
      'content-type': 'image/png',
    });
    expect(nowhere.status).toBe(404);
    for (let have = (await kept()).length; have < 60; have++) await add(PNG, 'image/png');
    expect((await add(PNG, 'image/png')).body.detail).toContain('60 at most');
  });
});
