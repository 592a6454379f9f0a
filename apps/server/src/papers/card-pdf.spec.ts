import { createRequire } from 'node:module';
import { createCanvas } from '@napi-rs/canvas';
import { getDocument, type PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DateTime } from 'luxon';
import type { Day } from '@gold-peg/contract/day';
import type { Passport } from '@gold-peg/contract/register';
import { InstrumentRow } from '../store/index.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

/** Its types say that it has a default; it is one. */
type ReadCode = (pixels: Uint8ClampedArray, width: number, height: number) => { data: string } | null;
const jsQR = createRequire(import.meta.url)('jsqr') as ReadCode;

let house: TestHouse;
let technician: Visitor;
beforeAll(async () => {
  house = await openHouse();
  technician = await house.visitor().signIn('technician');
});
afterAll(() => house.close());

async function pdfAt(path: string): Promise<PDFDocumentProxy> {
  const answer = await fetch(`${technician.address}${path}`, { headers: { cookie: technician.cookieHeader } });
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf']);
  return getDocument({ data: new Uint8Array(await answer.arrayBuffer()), verbosity: 0 }).promise;
}

async function textOf(pdf: PDFDocumentProxy): Promise<string> {
  const { items } = await (await pdf.getPage(1)).getTextContent();
  return items
    .map((item) => ('str' in item ? item.str : ''))
    .join(' ')
    .replace(/\s+/g, ' ');
}

/** What a camera reads on the first page. */
async function codeOn(pdf: PDFDocumentProxy): Promise<string | undefined> {
  const page = await pdf.getPage(1);
  const viewport = page.getViewport({ scale: 3 });
  const canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
  const context = canvas.getContext('2d');
  await page.render({ canvas: null, canvasContext: context as never, viewport, background: '#fff' }).promise;
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  return jsQR(data, canvas.width, canvas.height)?.data;
}

async function passportOf(passport: number): Promise<Passport> {
  const { id } = await house.store.getRepository(InstrumentRow).findOneByOrFail({ passport });
  return (await technician.ask('GET', `/api/instruments/${id}`)).body as Passport;
}
const cardOfLast = async (passport: number) => pdfAt(`/api/jobs/${(await passportOf(passport)).setups[0]?.jobId}/card.pdf`);

describe('the hand-over card', () => {
  it('tells what was fitted, what it pulls and pulled before, and when to come back, as text that can be read', async () => {
    const text = await textOf(await cardOfLast(117));
    for (const told of [
      'Heron parlour, walnut',
      'for Tamsel Orre',
      'passport 0117',
      'by Corin Vell',
      '.011–.052 phosphor bronze',
      'bridge pins',
    ])
      expect(text).toContain(told);
    // plain steel of .011 at E4 over 632 mm, by hand: 7,850 kg/m³ × π/4 × 0.2794² mm² × (2 × 0.632 m × 329.63 Hz)² = 83.6 N
    expect(text).toMatch(/1 E4 \.011 plain [\d¼½¾]+ 8[34] /);
    const pulls = [...text.matchAll(/\d [A-G]\d \.\d{3} (?:plain|wound) [\d¼½¾]+ (\d+)/g)].map(([, pull]) => Number(pull));
    const [, together = '', kgf = '', before = ''] = /together (\d+) N ([\d.]+) kgf, ±\d %; before: (\d+) N/.exec(text) ?? [];
    expect(pulls).toHaveLength(6);
    expect(Math.abs(pulls.reduce((sum, pull) => sum + pull, 0) - Number(together))).toBeLessThanOrEqual(3); // six that were rounded
    expect(Number(kgf)).toBeCloseTo(Number(together) / 9.80665, 0);
    expect(before).toBe(together); // the setup before was of the same set
    expect(text).toContain('Tails are cut.');
    expect(text).toMatch(/Back by \d+ \w+ 202\d/);
    expect(text).toMatch(/likely worn between .* and .*; string \d first/);
    expect(text).toContain('Groove at fret 2, string 1:');
    expect(text).toContain('1.90 mm as it came');
    expect(text).toContain('Cut ends stay sharp');
  });

  it('names the hours of an instrument that goes on moving', async () => {
    // read after its stretches only, two hours after it was strung: the hours that are left are told, none that is past
    const { setups } = await passportOf(98);
    const text = await textOf(await cardOfLast(98));
    const [, first = '', holds = ''] =
      /Tune it at these hours.*? \w+ (\d+ \w+ \d\d:\d\d).*do not judge them before \w+ (\d+ \w+, \d\d:\d\d)/.exec(text) ?? [];
    const left = new Date(setups[0]?.fittedAt ?? '');
    const at = (said: string) => Date.parse(`${said.replace(',', '')} ${left.getFullYear()}`);
    expect(at(first)).toBeGreaterThan(left.getTime());
    // how they creep nobody heard: they are given the day of nylon from when they were strung
    expect((at(holds) - left.getTime()) / 3_600_000).toBeGreaterThan(21);
    expect((at(holds) - left.getTime()) / 3_600_000).toBeLessThan(24);
  });

  it('tells hours by the clock of the house, whatever clock the server keeps', async () => {
    const tuned = async () =>
      /Tune it at these hours.*? \w+ (\d+ \w+) (\d\d:\d\d)/.exec(await textOf(await cardOfLast(98)))?.slice(1) ?? [];
    const [day = '', hour = ''] = await tuned(); // in December: London keeps UTC
    const owner = await house.visitor().signIn('owner');
    const { hours, version } = (await owner.ask('GET', '/api/day')).body as Day;
    await owner.ask('PUT', '/api/day/hours', { version, hours: { ...hours, zone: 'Asia/Kolkata' } });
    const there = DateTime.fromFormat(`${day} 2025 ${hour}`, 'd LLL yyyy HH:mm', { zone: 'UTC' }).plus({ hours: 5.5 });
    expect(await tuned()).toEqual([there.toFormat('d LLL'), there.toFormat('HH:mm')]);
    await owner.ask('PUT', '/api/day/hours', { version: version + 1, hours });
  });

  it('is one page, with twelve strings and with a string alone as well', async () => {
    for (const passport of [98, 112, 117, 121, 146, 151, 152]) expect((await cardOfLast(passport)).numPages).toBe(1);
    const text = await textOf(await cardOfLast(121));
    expect(text).toContain('string 1 of .012–.053');
    expect(text.match(/as it was/g)).toHaveLength(5);
  });

  it('has a code that opens its passport at the address of the shop', async () => {
    expect(await codeOn(await cardOfLast(117))).toBe(`${technician.address}/p/0117`);
  });

  it('does not say that tails are cut where nobody cut them', async () => {
    const text = await textOf(await pdfAt(`/api/jobs/${(await technician.job(117)).id}/card.pdf`));
    expect(text).toContain('Tails are still to be cut');
  });

  it('asks for a set first', async () => {
    const { status, body } = await technician.ask('GET', `/api/jobs/${(await technician.job(104)).id}/card.pdf`);
    expect([status, body.detail]).toEqual([422, 'No set is chosen for this job yet: a card tells what was fitted.']);
  });
});

it('a case label says whose it is and what is on it, and its code opens the passport', async () => {
  const label = await pdfAt(`/api/instruments/${(await passportOf(117)).id}/label.pdf`);
  const text = await textOf(label);
  for (const told of ['0117', 'Heron parlour, walnut', 'Tamsel Orre', '.011–.052 phosphor bronze']) expect(text).toContain(told);
  expect(label.numPages).toBe(1);
  expect(await codeOn(label)).toBe(`${technician.address}/p/0117`);
});
