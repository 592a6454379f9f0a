import { createCanvas } from '@napi-rs/canvas';
import { getDocument, type PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { WorksheetFile } from '@gold-peg/contract/jobs';
import { PAPER_KINDS, PAPERS } from '@gold-peg/contract/paper';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { stripOfJob } from './strip-of-job.js';

let house: TestHouse;
let technician: Visitor;
let jobId: string;

beforeAll(async () => {
  house = await openHouse();
  technician = await house.visitor().signIn('technician');
  jobId = (await technician.job(117)).id;
});
afterAll(() => house.close());

const fetchStrip = (query = '', visitor = technician) =>
  fetch(`${visitor.address}/api/jobs/${jobId}/cut-strip.pdf${query}`, { headers: { cookie: visitor.cookieHeader } });
async function pagesOf(answer: Response): Promise<PDFPageProxy[]> {
  const document = await getDocument({ data: new Uint8Array(await answer.arrayBuffer()), verbosity: 0 }).promise;
  return Promise.all(Array.from({ length: document.numPages }, (_, index) => document.getPage(index + 1)));
}

const PX_PER_MM = 10;
const MM_PER_POINT = 25.4 / 72;

/** Darkness of each pixel along a level line of the rendered page, 0 to 1, and where it is. */
async function levelLine(page: PDFPageProxy): Promise<(yMm: number) => number[]> {
  const viewport = page.getViewport({ scale: PX_PER_MM * MM_PER_POINT });
  const canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
  const context = canvas.getContext('2d');
  await page.render({ canvas: null, canvasContext: context as never, viewport, background: '#fff' }).promise;
  return (yMm) => {
    const { data } = context.getImageData(0, Math.round(yMm * PX_PER_MM), canvas.width, 1);
    return Array.from({ length: canvas.width }, (_, x) => 1 - ((data[4 * x] ?? 0) + (data[4 * x + 1] ?? 0) + (data[4 * x + 2] ?? 0)) / 765);
  };
}

/** Middles of dark runs along a line, mm. */
function marks(line: readonly number[], darker = 0.3): number[] {
  const found: { weight: number; moment: number }[] = [];
  let open = false;
  line.forEach((dark, x) => {
    if (dark < darker) return void (open = false);
    if (!open) found.push({ weight: 0, moment: 0 });
    open = true;
    const run = found.at(-1);
    if (run !== undefined) Object.assign(run, { weight: run.weight + dark, moment: run.moment + dark * (x + 0.5) });
  });
  return found.map(({ weight, moment }) => moment / weight / PX_PER_MM);
}

describe('the cut strip on paper', () => {
  it.each(PAPER_KINDS)(
    'on %s: 100 mm of the rendered page are 100 mm within 0.2, and every mark lies where it was computed',
    async (paper) => {
      const [page] = await pagesOf(await fetchStrip(`?paper=${paper}`));
      if (page === undefined) throw new Error('no page');
      const { width, height } = page.getViewport({ scale: 1 });
      expect(width * MM_PER_POINT).toBeCloseTo(PAPERS[paper].widthMm, 1);
      expect(height * MM_PER_POINT).toBeCloseTo(PAPERS[paper].heightMm, 1);
      const dark = await levelLine(page);
      // above the check line: its end ticks, and what stands beside it
      const [axis = 0, end = 0] = marks(dark(26.15)).filter((x) => x > 40);
      expect(Math.abs(end - axis - 100)).toBeLessThan(0.2);

      const file = (await technician.ask('GET', `/api/jobs/${jobId}`)).body as WorksheetFile;
      const person = (await technician.ask('GET', '/api/session')).body.person;
      const rows = stripOfJob(file, person)?.rows ?? [];
      expect(rows.length).toBe(6);
      rows.forEach(({ cutMm }, index) => {
        const above = marks(dark(42 + index * 13 - 2.6), 0.75); // over the zones: the bold mark alone
        expect(above.some((x) => Math.abs(x - axis - cutMm) < 0.2)).toBe(true);
      });
    },
  );

  it('has all windings in a table on its second page', async () => {
    const [, table] = await pagesOf(await fetchStrip());
    const words = ((await table?.getTextContent())?.items ?? []).map((item) => ('str' in item ? item.str : '')).join(' ').replace(/\s+/g, ' '); // prettier-ignore
    for (const word of ['turns', 'slack, mm', 'anticlockwise', 'clockwise', '.053 w', 'turns counted']) expect(words).toContain(word);
  });

  it('is for people who are signed in, of jobs that have a set, on paper that a printer holds', async () => {
    expect((await fetch(`${technician.address}/api/jobs/${jobId}/cut-strip.pdf`)).status).toBe(401);
    const foolscap = await fetchStrip('?paper=foolscap');
    expect(foolscap.status).toBe(422);
    expect(((await foolscap.json()) as { detail: string }).detail).toContain('must be a4 or letter');
    const waiting = await technician.job(104);
    const none = await technician.ask('GET', `/api/jobs/${waiting.id}/cut-strip.pdf`);
    expect(none.body.detail).toContain('No set is chosen');
    expect((await technician.ask('GET', '/api/jobs/17/cut-strip.pdf')).status).toBe(404);
  });
});
