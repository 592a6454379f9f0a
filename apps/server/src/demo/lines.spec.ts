import { describe, expect, it } from 'vitest';
import { stockRow } from '@gold-peg/contract/stock';
import { fromSet, fromTableString, setRow, stringRow } from '@gold-peg/contract/strings';
import { MARKS, SETS, STRINGS } from '@gold-peg/craft/strings';
import { LINES_OF_THE_DEMO, SETS_OF_THE_DEMO, STRINGS_OF_THE_DEMO } from './lines.js';
import { SHELF_OF_THE_DEMO } from './shelf.js';

describe('string lines of the demo', () => {
  it('pass the doors of the tables', () => {
    for (const string of STRINGS_OF_THE_DEMO) expect(stringRow.safeParse(fromTableString(string)).error?.issues ?? []).toEqual([]);
    for (const set of SETS_OF_THE_DEMO) expect(setRow.safeParse(fromSet(set)).success).toBe(true);
    for (const row of SHELF_OF_THE_DEMO) expect(stockRow.safeParse(row).success).toBe(true);
  });

  it('have ids of their own, and every string of a set in the table once', () => {
    const ids = [...STRINGS, ...STRINGS_OF_THE_DEMO].map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    const lines = new Set(LINES_OF_THE_DEMO.map(({ id }) => id));
    for (const { lineId, strings } of SETS_OF_THE_DEMO) {
      expect(lines.has(lineId ?? '')).toBe(true);
      for (const string of strings) expect(STRINGS_OF_THE_DEMO.find(({ id }) => id === string.id)).toEqual(string);
    }
  });

  it('mark neighbours differently, and no two lines alike: a mark belongs to its line', () => {
    for (const { strings } of SETS_OF_THE_DEMO) {
      strings.forEach(({ mark }, index) => {
        expect(MARKS).toContain(mark);
        expect(mark).not.toBe(strings[index + 1]?.mark);
      });
    }
    const patterns = LINES_OF_THE_DEMO.map(({ id }) =>
      SETS_OF_THE_DEMO.find(({ lineId }) => lineId === id)
        ?.strings.map(({ mark }) => mark)
        .join(),
    );
    expect(new Set(patterns).size).toBe(patterns.length);
  });

  it('are strings that the general table has too, so that they can stand for one another', () => {
    for (const string of STRINGS_OF_THE_DEMO) {
      const { gauge, construction, wrap } = string;
      expect(STRINGS.some((each) => each.gauge === gauge && each.construction === construction && each.wrap === wrap)).toBe(true);
    }
  });

  it('lie on the shelf with sets that the table knows', () => {
    const known = new Set([...SETS, ...SETS_OF_THE_DEMO].map(({ id }) => id));
    expect(SHELF_OF_THE_DEMO.filter(({ kind, id }) => kind === 'set' && !known.has(id))).toEqual([]);
  });
});
