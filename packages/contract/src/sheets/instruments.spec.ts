import fc from 'fast-check';
import { expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '@gold-peg/craft/archetypes';
import { fromInstrument, geometrySchema, type FiledInstrument } from '../register/index.js';
import { readFile, writeFile } from './index.js';

const plain = (from: number, to: number) =>
  fc.string({ unit: 'grapheme', minLength: from, maxLength: to }).map((text) => text.replace(/[\p{C}\ufffd]/gu, '').trim());
const instruments: fc.Arbitrary<FiledInstrument[]> = fc.uniqueArray(
  fc.record({
    id: fc.uuid(),
    name: plain(1, 40).filter((name) => name !== ''),
    archetypeId: fc.constantFrom(...ARCHETYPES.map(({ id }) => id)),
    ownerId: fc.option(fc.uuid()),
    hours: fc.option(fc.record({ weeklyHours: fc.integer({ min: 0, max: 100 }), askedAt: fc.constant('2026-05-26T09:00:00.000Z') })),
    remark: plain(0, 60),
    geometry: fc.constantFrom(...ARCHETYPES).map(({ id }) => geometrySchema.parse(fromInstrument(instrumentOf(id)))),
  }),
  { selector: ({ id }) => id, minLength: 1, maxLength: 4 },
);

it.each(['csv', 'json'] as const)('instruments as %s come back as they went out, every part of them', (format) => {
  fc.assert(
    fc.property(instruments, (rows) => {
      const { rows: back, problems } = readFile('instruments', format, writeFile('instruments', format, rows));
      expect(problems).toEqual([]);
      expect(back.map(({ value }) => value)).toEqual(rows);
    }),
    { numRuns: 60 },
  );
});

it('say where a part of one cannot be, in the row of the file', () => {
  const geometry = geometrySchema.parse(fromInstrument(instrumentOf('acoustic-parlour')));
  const row = { id: '01a21fa6-5520-7478-8225-203639a31c40', name: 'A', archetypeId: 'acoustic-parlour', ownerId: null, hours: null, remark: '' }; // prettier-ignore
  const wrong = { ...row, geometry: { ...geometry, bridge: { ...geometry.bridge, cover: true } } };
  const { rows, problems } = readFile('instruments', 'csv', writeFile('instruments', 'csv', [wrong]));
  expect(rows).toEqual([]);
  expect(problems).toEqual([{ row: 2, column: 'geometry', says: expect.stringContaining('must be none') as string }]);
});
