import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FILE_FORMATS } from '../files/index.js';
import { readFile, writeFile } from './index.js';

const plain = (from: number, to: number) =>
  fc.string({ unit: 'grapheme', minLength: from, maxLength: to }).map((text) => text.replace(/[\p{C}\ufffd]/gu, '').trim());
const mail = fc.emailAddress().filter((address) => address.length < 80);
const owners = fc.uniqueArray(
  fc.record({ id: fc.uuid(), name: plain(1, 40).filter((name) => name !== ''), contact: fc.oneof(plain(0, 60), mail) }),
  { selector: ({ id }) => id, minLength: 1, maxLength: 8 },
);
const read = (text: string) => readFile('owners', 'vcf', text);

describe('owners in files', () => {
  it.each(FILE_FORMATS)('as %s come back as they went out, whatever they are called', (format) => {
    fc.assert(
      fc.property(owners, (rows) => {
        const { rows: back, problems } = readFile('owners', format, writeFile('owners', format, rows));
        expect(problems).toEqual([]);
        expect(back.map(({ value }) => value)).toEqual(rows);
      }),
      { numRuns: 200 },
    );
  });

  it('has no cell that is a formula for who opens it', () => {
    const id = '01a21fa6-5520-7478-8225-203639a31c40';
    const csv = writeFile('owners', 'csv', [{ id, name: '=HYPERLINK("x")', contact: '@home' }]);
    expect(csv.split('\n')[1]).toBe(`${id},"'=HYPERLINK(""x"")","'@home"`);
    expect(readFile('owners', 'csv', csv).rows[0]?.value).toEqual({ id, name: '=HYPERLINK("x")', contact: '@home' });
  });

  it('are taken from cards as telephones write them, the same each time', () => {
    const card = [
      'BEGIN:VCARD',
      'VERSION:3.0',
      'N:Tollgate;Rafe;;;',
      'FN:Rafe Tollgate',
      'TEL;TYPE=CELL:+00 555 0101',
      'END:VCARD',
      '',
    ].join('\r\n');
    const [first] = read(card).rows;
    expect(first?.value).toMatchObject({ name: 'Rafe Tollgate', contact: '+00 555 0101' });
    expect(read(card).rows).toEqual([first]);
    expect(read(card.replace('VERSION:3.0', 'VERSION:3.0\r\nUID:from-a-telephone')).rows[0]?.value.id).not.toBe(first?.value.id);
  });

  it('are refused as a whole where a card has no name, the file is no card, or its letters cannot be read', () => {
    const card = (name: string) => `BEGIN:VCARD\r\nVERSION:4.0\r\nFN:${name}\r\nEND:VCARD\r\n`;
    expect(read(card('Rafe') + card(''))).toEqual({
      rows: [],
      problems: [{ row: 2, column: 'name', says: expect.stringContaining('must not be empty') }],
    });
    expect(read('hello').problems[0]).toMatchObject({ row: 0, column: 'file', says: expect.stringContaining('must be vCards') });
    expect(read('BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR').problems[0]?.says).toContain('no contacts');
    const latin = new TextDecoder().decode(new Uint8Array([0x69, 0x64, 0x2c, 0xe9, 0x0a]));
    expect(readFile('owners', 'csv', latin).problems).toEqual([
      { row: 0, column: 'file', says: 'must be written in UTF-8: some of its letters cannot be read' },
    ]);
  });
});
