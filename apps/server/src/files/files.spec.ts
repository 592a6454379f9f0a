import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { FileFormat, FileKind, ImportOutcome } from '@gold-peg/contract/files';
import type { StringTableFile } from '@gold-peg/contract/strings';
import { tableDocument } from '../papers/table-pdf.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let bench: Visitor;
beforeAll(async () => {
  house = await openHouse();
  bench = await house.visitor().signIn('technician');
});
afterAll(() => house.close());

const take = async (kind: FileKind, format: FileFormat, text: string, write = true) =>
  (await bench.ask('POST', '/api/files', { kind, format, text, write })).body as ImportOutcome;
const give = async (kind: FileKind, format: FileFormat) => (await bench.ask('GET', `/api/files/${kind}/${format}`)).body.text as string;
const table = async () => (await bench.ask('GET', '/api/strings')).body as StringTableFile;

describe('files', () => {
  it.each([
    ['strings', 'csv'],
    ['strings', 'json'],
    ['sets', 'csv'],
    ['sets', 'json'],
    ['stock', 'csv'],
    ['stock', 'json'],
    ['owners', 'csv'],
    ['owners', 'json'],
    ['owners', 'vcf'],
  ] as const)('%s as %s go out and come in without changing anything', async (kind, format) => {
    const text = await give(kind, format);
    const before = await table();
    const outcome = await take(kind, format, text);
    expect(outcome).toMatchObject({ added: 0, changed: 0, written: true, problems: [] });
    expect(outcome.same).toBe(outcome.rows);
    expect(outcome.rows).toBeGreaterThan(8);
    expect(await table()).toEqual(before);
    expect(await give(kind, format)).toBe(text);
  });

  it('takes owners from cards, and no strings', async () => {
    const card = 'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Ysolde Quint\r\nEMAIL:ysolde@quillhaven.example\r\nEND:VCARD\r\n';
    expect(await take('owners', 'vcf', card)).toMatchObject({ added: 1, changed: 0, same: 0, written: true });
    expect(await take('owners', 'vcf', card)).toMatchObject({ added: 0, changed: 0, same: 1 });
    const { owners } = (await bench.ask('GET', '/api/owners?search=ysolde')).body;
    expect(owners).toEqual([expect.objectContaining({ name: 'Ysolde Quint', contact: 'ysolde@quillhaven.example', version: 1 })]);
    const refused = await bench.ask('POST', '/api/files', { kind: 'sets', format: 'vcf', text: card, write: true });
    expect([refused.status, refused.body.detail]).toEqual([422, 'format must be csv or json: only owners come as vCards']);
    expect((await bench.ask('GET', '/api/files/sets/vcf')).status).toBe(404);
  });

  it('names row and column of everything that is wrong, and writes nothing of the file', async () => {
    const [header = '', ...rows] = (await give('strings', 'csv')).trim().split('\n');
    const first = (rows[0] ?? '').split(',');
    const broken = [
      header,
      ['new-string', ...first.slice(1)].join(','),
      first.with(5, 'thick').with(4, 'woolen').join(','),
      first.with(5, '77').join(','),
    ];
    const before = await table();
    const { problems, written } = await take('strings', 'csv', broken.join('\n'));
    expect(written).toBe(false);
    expect(problems.map(({ row, column }) => [row, column])).toEqual([[3, 'construction'], [3, 'gauge_mm'], [4, 'gauge_mm']]); // prettier-ignore
    expect(problems[2]?.says).toContain('must lie between 0.127 and 4.572 mm');
    expect(await table()).toEqual(before);
  });

  it('looks a file over without writing where that is asked', async () => {
    const text = (await give('sets', 'csv')).replace('.010–.046 pure nickel', 'ten to forty-six pure');
    expect(await take('sets', 'csv', text, false)).toMatchObject({ changed: 1, added: 0, written: false });
    expect((await table()).sets.some(({ name }) => name.startsWith('ten to'))).toBe(false);
    expect(await take('sets', 'csv', text)).toMatchObject({ changed: 1, written: true });
    expect((await table()).sets.find(({ name }) => name.startsWith('ten to'))?.version).toBe(2);
  });

  it('adds a string with a line of its own, and a set of it', async () => {
    const header = (await give('strings', 'csv')).split('\n')[0] ?? '';
    const cells = 'quay-17,quay,Quayside,electric,plain,0.4318,,,,false,,,ball,tinned,plum,,';
    expect(await take('strings', 'csv', `${header}\n${cells}\n`)).toMatchObject({ added: 1, written: true });
    expect((await table()).lines).toContainEqual({ id: 'quay', name: 'Quayside', family: 'electric' });
    // columns may stand in any order
    const set = 'family,id,name,line,strings\nelectric,quay-two,two,quay,quay-17 quay-17\n';
    expect(await take('sets', 'csv', set)).toMatchObject({ added: 1, problems: [] });
    expect(await take('sets', 'csv', set)).toMatchObject({ added: 0, same: 1 });
  });

  it('gives a line one name and one family', async () => {
    const header = (await give('strings', 'csv')).split('\n')[0] ?? '';
    const row = (id: string, name: string, family: string) => `${id},pier,${name},${family},plain,0.4318,,,,false,,,ball,tinned,,,`;
    const { problems } = await take('strings', 'csv', [header, row('p1', 'Pier', 'electric'), row('p2', 'Jetty', 'acoustic')].join('\n'));
    expect(problems.map(({ row: at, column }) => `${at} ${column}`)).toEqual(['3 line_name', '3 family']);
    const known = await take('strings', 'csv', [header, row('p1', 'x', 'acoustic').replace(',pier,', ',electric-plain,')].join('\n'));
    expect(known.problems[0]?.says).toBe('must be electric: the line electric-plain is for that family');
  });

  it.each([
    ['sets', 'csv', 'id,line,name,family,strings\nx1,,x,electric,bass-nickel-45\n', { row: 2, column: 'strings' }],
    ['sets', 'csv', 'id,line,name,family,strings\nx1,,x,electric,nobody-1\n', { row: 2, column: 'strings' }],
    ['stock', 'csv', 'kind,id,counted,reorder_at,reorder_to,shelf\nset,nobody,1,1,1,\n', { row: 2, column: 'id' }],
    ['strings', 'json', '{"gold-peg": "sets", "version": 1, "rows": []}', { row: 0, column: 'gold-peg' }],
    ['strings', 'json', '{"gold-peg": "strings",', { row: 0, column: 'file' }],
    ['stock', 'csv', 'kind,id,counted\nset,a1,2\n', { row: 1, column: 'reorder_at' }],
  ] as const)('says what is wrong with %s as %s: %s', async (kind, format, text, where) => {
    const { problems } = await take(kind, format, text);
    expect(problems[0]).toMatchObject(where);
    expect(problems[0]?.says.length).toBeGreaterThan(10);
  });
});

describe('the strings table on paper', () => {
  it('is a PDF of some pages, for people who are signed in', async () => {
    const answer = await fetch(`${bench.address}/api/strings/table.pdf`, { headers: { cookie: bench.cookieHeader } });
    expect(answer.headers.get('content-type')).toBe('application/pdf');
    const text = Buffer.from(await answer.arrayBuffer()).toString('latin1');
    expect(text.startsWith('%PDF-')).toBe(true);
    expect(text.match(/\/Type \/Page\b/g)?.length).toBeGreaterThan(5);
    expect((await fetch(`${bench.address}/api/strings/table.pdf`)).status).toBe(401);
  });

  it('says mass and breaking load of each string, with a star for one that was weighed', async () => {
    const file = await table();
    const strings = file.strings
      .filter(({ id }) => id === 'electric-plain-10')
      .map((string) => ({ ...string, weighed: { massG: 0.06, lengthMm: 150 } }));
    const text = JSON.stringify(tableDocument({ ...file, strings }).content);
    expect(text).toContain('"0.400 *"'); // 0.06 g of 150 mm
    expect(text).toContain('"137"'); // 2697 MPa on 0.0507 mm²
  });
});
