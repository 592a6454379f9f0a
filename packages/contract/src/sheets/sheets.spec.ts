import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COATINGS, MARKS, STRINGS } from '@gold-peg/craft/strings';
import { COLUMNS, FILE_KINDS, formatsOf, type FileFormat } from '../files/index.js';
import { fromTableString } from '../strings/index.js';
import { readFile, writeFile, type FiledRow } from './index.js';

const anyName = fc.string({ minLength: 1, maxLength: 40 }).map((text) => text.replace(/[\r\n]/g, ' ').trim()).filter((text) => text.length > 0); // prettier-ignore
const id = fc.stringMatching(/^[a-z0-9][a-z0-9_-]{3,12}$/);

const anyString: fc.Arbitrary<FiledRow['strings']> = fc
  .record({
    from: fc.constantFrom(...STRINGS),
    id,
    lineName: anyName,
    mark: fc.option(fc.constantFrom(...MARKS)),
    coating: fc.constantFrom(...COATINGS),
  })
  .map(({ from, ...more }) => ({ ...fromTableString(from), ...more }));
const anySet: fc.Arbitrary<FiledRow['sets']> = fc.record({
  id,
  lineId: fc.option(id),
  name: anyName,
  family: fc.constantFrom('electric', 'banjo'),
  stringIds: fc.array(id, { minLength: 1, maxLength: 12 }),
});
const anyStock: fc.Arbitrary<FiledRow['stock']> = fc
  .record({
    kind: fc.constantFrom('set', 'string'),
    id,
    counted: fc.nat(999),
    reorderAt: fc.nat(20),
    more: fc.nat(20),
    shelf: fc.string({ maxLength: 40 }).map((text) => text.replace(/[\r\n]/g, ' ').trim()),
  })
  .map(({ more, ...row }) => ({ ...row, reorderTo: row.reorderAt + more }));
const format = fc.constantFrom<FileFormat>(...formatsOf('strings'));
const unique = <T extends { id: string }>(rows: readonly T[]) => [...new Map(rows.map((row) => [row.id, row])).values()];

describe('files', () => {
  it('give back what was written, whatever names, quotes and commas stand in them', () => {
    fc.assert(
      fc.property(fc.array(anyString, { minLength: 1, maxLength: 6 }), format, (drawn, as) => {
        const rows = unique(drawn);
        const read = readFile('strings', as, writeFile('strings', as, rows));
        expect(read.problems).toEqual([]);
        expect(read.rows.map(({ value }) => value)).toEqual(rows);
      }),
    );
    fc.assert(
      fc.property(fc.array(anySet, { minLength: 1, maxLength: 6 }), format, (drawn, as) => {
        const rows = unique(drawn);
        expect(readFile('sets', as, writeFile('sets', as, rows)).rows.map(({ value }) => value)).toEqual(rows);
      }),
    );
    fc.assert(
      fc.property(fc.array(anyStock, { minLength: 1, maxLength: 6 }), format, (drawn, as) => {
        const rows = unique(drawn);
        expect(readFile('stock', as, writeFile('stock', as, rows)).rows.map(({ value }) => value)).toEqual(rows);
      }),
    );
  });

  it('have a first line that names their columns, each once', () => {
    for (const kind of FILE_KINDS) {
      const names = COLUMNS[kind].map(({ name }) => name);
      expect(writeFile(kind, 'csv', []).trim()).toBe(names.join(','));
      expect(new Set(names).size).toBe(names.length);
    }
  });

  const sets = (...lines: string[]) => readFile('sets', 'csv', ['id,line,name,family,strings', ...lines].join('\n'));

  it('count rows as a spreadsheet does, and name the column of each fault', () => {
    const { rows, problems } = sets('one,,One,electric,a1 a2', 'TWO,,Two,electric,a1', 'three,,,zither,');
    expect(rows).toEqual([]);
    expect(problems.map(({ row, column }) => `${row} ${column}`)).toEqual(['3 id', '4 name', '4 family', '4 strings']);
    expect(problems[2]?.says).toContain('must be one of electric');
  });

  it('have each thing once', () => {
    expect(sets('one,,One,electric,a1', 'one,,Uno,electric,a1').problems).toEqual([
      { row: 3, column: 'id', says: 'must be there once: row 2 already has one' },
    ]);
    // a set and a single may bear the same id
    const stock = 'kind,id,counted,reorder_at,reorder_to,shelf\nset,a1,1,0,0,\nstring,a1,1,0,0,\n';
    expect(readFile('stock', 'csv', stock).problems).toEqual([]);
  });

  it('leave no column out and bring none of their own', () => {
    const { problems } = readFile('sets', 'csv', 'id,name,family,strings,colour\n');
    expect(problems).toEqual([
      { row: 1, column: 'line', says: 'must be a column of the file' },
      { row: 1, column: 'colour', says: 'is not a column of a file of sets' },
    ]);
  });

  it('say which row is torn by a quote that never closes', () => {
    const { problems } = sets('one,,"One,electric,a1');
    expect(problems.length).toBeGreaterThan(0);
    expect(problems[0]?.row).toBe(2);
  });

  it('read a number only where all of it is one', () => {
    const stock = (counted: string) => readFile('stock', 'csv', `kind,id,counted,reorder_at,reorder_to,shelf\nset,a1,${counted},0,0,\n`);
    expect(stock('12').rows[0]?.value.counted).toBe(12);
    for (const text of ['12x', '', 'a dozen', '1,2']) expect(stock(text).problems.length).toBeGreaterThan(0);
  });

  it('of JSON say what they hold, and from which version on they can be read', () => {
    expect(readFile('strings', 'json', '{"gold-peg":"stock","version":1,"rows":[]}').problems[0]).toMatchObject({ column: 'gold-peg' });
    expect(readFile('stock', 'json', '{"gold-peg":"stock","version":2,"rows":[]}').problems[0]?.says).toContain('newer Gold Peg');
    expect(readFile('stock', 'json', '[]').problems.length).toBe(1);
    expect(readFile('stock', 'json', 'not json').problems[0]?.says).toContain('must be JSON');
    const row = { kind: 'set', id: 'a1', counted: -1, reorderAt: 0, reorderTo: 0, shelf: '' };
    const file = JSON.stringify({ 'gold-peg': 'stock', version: 1, rows: [row] });
    expect(readFile('stock', 'json', file).problems).toMatchObject([{ row: 1, column: 'counted' }]);
  });
});
