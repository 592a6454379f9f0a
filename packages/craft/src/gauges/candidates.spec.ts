import { describe, expect, it } from 'vitest';
import { STRINGS, type TableString } from '../strings/index.js';
import { strungKind } from '../tuning/index.js';
import { kilogramsPerMetre } from '../units/index.js';
import { classesFor, classKey, optionsFor } from './candidates.js';

const strung = (id: string) => strungKind(id);
const ten = STRINGS.find(({ id }) => id === 'electric-plain-10') as TableString;

describe('strings that can stand on a neck', () => {
  it('are of its family, with ends that its anchor holds', () => {
    const ids = (neck: string) => classesFor(strung(neck), STRINGS).flatMap(({ members }) => members.map(({ id }) => id));
    expect(ids('electric-in-line').every((id) => id.startsWith('electric-'))).toBe(true);
    expect(ids('banjo-five-string').every((id) => id.startsWith('banjo-'))).toBe(true);
    const balls = STRINGS.map((string): TableString => (string.family === 'banjo' ? { ...string, end: 'ball' } : string));
    expect(classesFor(strung('banjo-five-string'), balls)).toEqual([]);
  });

  it('count as one where nobody could tell them apart, whatever line or mark they bear', () => {
    const twin: TableString = { ...ten, id: 'twin', lineId: 'other', mark: 'moss', coating: 'film' };
    const classes = classesFor(strung('electric-in-line'), [ten, twin]);
    expect(classes.length).toBe(1);
    expect(classes[0]?.members.map(({ id }) => id)).toEqual(['electric-plain-10', 'twin']);
  });

  it('count as two where one was weighed, or is wound otherwise', () => {
    expect(classKey({ ...ten, linearDensity: kilogramsPerMetre(0.0004) })).not.toBe(classKey(ten));
    const wound = STRINGS.find(({ id }) => id === 'electric-nickel-46') as TableString;
    expect(classKey({ ...wound, finish: 'half-round' })).not.toBe(classKey(wound));
    expect(classKey({ ...wound, finish: 'round' })).toBe(classKey(wound));
  });

  it('hold at their pitch within the safe share, and do not hang slack', () => {
    const neck = strung('electric-in-line');
    const filled = <T>(each: T) => neck.seats.map(() => each);
    const options = optionsFor(neck, classesFor(neck, STRINGS), filled(null));
    options.forEach((list, seat) => {
      expect(list.length).toBeGreaterThan(5);
      for (const { load } of list) {
        expect(load.reserve).toBeGreaterThanOrEqual(0.25 - 1e-9);
        expect(load.pull).toBeGreaterThanOrEqual(15);
      }
      const wound = optionsFor(neck, classesFor(neck, STRINGS), filled(true))[seat] ?? [];
      for (const { string } of wound) expect(string.construction).toBe('wound');
      expect(wound.length).toBeLessThan(list.length);
    });
  });
});
