import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuidV7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { DueEntry } from '@gold-peg/contract/register';
import { InstrumentRow } from '../store/index.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { simulatedPostman } from './postman.js';

let house: TestHouse;
let counter: Visitor;
beforeAll(async () => {
  house = await openHouse();
  counter = await house.visitor().signIn('counter');
});
afterAll(() => house.close());

const idOf = async (passport: number) => (await house.store.getRepository(InstrumentRow).findOneByOrFail({ passport })).id;
const send = async (passport: number, more: object = {}) =>
  counter.ask('POST', '/api/outbox', { id: uuidV7(), instrumentId: await idOf(passport), way: 'mail', text: 'It is due.', ...more });

describe('the outbox', () => {
  it('takes a message once, and tells whom it went to and when', async () => {
    const id = uuidV7();
    const first = await send(140, { id });
    expect([first.status, first.body.recipient, first.body.address]).toEqual([201, 'Jessamy Roke', 'jessamy@quillhaven.example']);
    expect((await send(140, { id })).body).toEqual(first.body);
    expect((await send(140, { id, text: 'Something else.' })).status).toBe(409);
    const { messages } = (await counter.ask('GET', '/api/outbox')).body;
    expect(messages).toEqual([first.body]);
    const { entries } = (await counter.ask('GET', '/api/due?until=2030-01-01T00:00:00Z')).body as { entries: DueEntry[] };
    expect(entries.find(({ instrument }) => instrument.passport === 140)?.toldAt).toBe(first.body.sentAt);
  });

  it('refuses what cannot be carried, in words, and keeps nothing of it', async () => {
    const before = (await counter.ask('GET', '/api/outbox')).body.messages.length;
    const nowhere = await send(121);
    expect([nowhere.status, nowhere.body.detail]).toEqual([
      422,
      'way must be text: “berth 4, the old quay”, as Bram Isleworthy is reached, is no mail address',
    ]);
    const long = await send(140, { way: 'text', text: 'x'.repeat(321) });
    expect([long.status, long.body.detail]).toEqual([422, expect.stringContaining('at most 320 characters as a text message')]);
    expect((await send(140, { text: '  ' })).body.detail).toContain('must not be empty');
    await house.store.getRepository(InstrumentRow).update({ passport: 148 }, { ownerId: null });
    expect((await send(148)).body.detail).toContain('must have an owner');
    expect((await counter.ask('GET', '/api/outbox')).body.messages.length).toBe(before);
    expect((await send(121, { way: 'text' })).status).toBe(201);
  });
});

it('the simulated postman writes a mail as mail programs read it, and a text message as it is', async () => {
  const postman = simulatedPostman(mkdtempSync(join(tmpdir(), 'outbox-')));
  const letter = {
    recipient: 'Ünal Æve',
    address: 'a@b.example',
    subject: 'Heron, spruce',
    text: 'Line one.\nLine – two.',
    sentAt: new Date('2026-05-26T09:00:00Z'),
  };
  const mail = await postman.take({ ...letter, id: 'one', way: 'mail' });
  const text = await postman.take({ ...letter, id: 'two', way: 'text' });
  expect(readdirSync(postman.folder).sort()).toEqual([mail, text].sort());
  const written = readFileSync(join(postman.folder, mail), 'utf8');
  expect(written).toContain('Subject: Heron, spruce');
  expect(written).toContain('Date: Tue, 26 May 2026 09:00:00 +0000');
  expect(written).toMatch(/To: =\?UTF-8\?.*<a@b\.example>/);
  expect(readFileSync(join(postman.folder, text), 'utf8')).toBe('To: Ünal Æve, a@b.example\n\nLine one.\nLine – two.\n');
});
