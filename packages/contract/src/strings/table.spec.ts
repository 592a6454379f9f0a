import { describe, expect, it } from 'vitest';
import { LINES, SETS, stringProperties, STRINGS } from '@gold-peg/craft/strings';
import { TUNINGS } from '@gold-peg/craft/tuning';
import { asSets, asTableString, fromSet, fromTableString, lineRow, setRow, stringRow, tuningRow, type StringRow } from './index.js';

const wound: StringRow = {
  id: 'a-46w',
  lineId: 'line',
  family: 'electric',
  construction: 'wound',
  gaugeMm: 1.1684,
  wrap: 'nickelPlatedSteel',
  finish: 'round',
  layers: 1,
  silk: false,
  coreShape: 'hex',
  coreMm: null,
  end: 'ball',
  coating: 'bare',
  mark: 'moss',
  weighed: null,
};
const faults = (more: object) => {
  const read = stringRow.safeParse({ ...wound, ...more });
  return read.success ? [] : read.error.issues.map(({ path, message }) => `${path.join('.')} ${message}`);
};

describe('the door of the strings table', () => {
  it('lets every built-in string, set, line and tuning through, and gives it back as it was', () => {
    for (const string of STRINGS) {
      const row = stringRow.parse(JSON.parse(JSON.stringify(fromTableString(string))));
      const back = asTableString(row);
      expect(back.id).toBe(string.id);
      expect(back.gauge).toBeCloseTo(string.gauge, 9);
      const [was, is] = [stringProperties(string), stringProperties(back)];
      if (!was.ok || !is.ok) throw new Error(string.id);
      expect(is.value.linearDensity / was.value.linearDensity).toBeCloseTo(1, 6);
      expect(is.value.breakingLoad / was.value.breakingLoad).toBeCloseTo(1, 6);
      expect(fromTableString(back)).toEqual(row);
    }
    for (const line of LINES) expect(lineRow.safeParse(line).success).toBe(true);
    for (const set of SETS) expect(setRow.safeParse(fromSet(set)).success).toBe(true);
    for (const tuning of TUNINGS) expect(tuningRow.safeParse(tuning).success).toBe(true);
  });

  it('finds the strings of a set, and leaves out a set that names one that is gone', () => {
    const rows = SETS.map(fromSet);
    expect(asSets(rows, STRINGS).map(({ id }) => id)).toEqual(SETS.map(({ id }) => id));
    const gone = STRINGS.filter(({ id }) => id !== 'electric-plain-10');
    const left = asSets(rows, gone);
    expect(left.length).toBeLessThan(SETS.length);
    expect(left.every(({ strings }) => strings.every(({ id }) => id !== 'electric-plain-10'))).toBe(true);
  });

  it('takes what was weighed for the mass: 1.05 g of 150 mm is 7 g/m', () => {
    const weighed = stringRow.parse({ ...wound, weighed: { massG: 1.05, lengthMm: 150 } });
    expect(asTableString(weighed).linearDensity).toBeCloseTo(0.007, 12);
    const properties = stringProperties(asTableString(weighed));
    expect(properties.ok && properties.value.linearDensity).toBeCloseTo(0.007, 12);
  });

  it.each([
    [{ wrap: null }, 'wrap must be given'],
    [{ construction: 'plain' }, 'wrap must be empty'],
    [{ construction: 'plain', wrap: null }, 'finish must be empty'],
    [{ construction: 'nylon', wrap: null, finish: null, layers: null, coreShape: null, silk: true }, 'silk must be false'],
    [{ coreMm: 1.12 }, 'coreMm must leave room for a winding'],
    [{ gaugeMm: 0.2, family: 'classical' }, 'gaugeMm has no usual core'],
    [{ weighed: { massG: 1, lengthMm: 20 } }, 'weighed must be near what the gauge gives'],
    [{ weighed: { massG: 1, lengthMm: 5 } }, 'weighed.lengthMm must lie between 20 and 2000 mm'],
    [{ layers: 0 }, 'layers must be at least 1'],
    [{ layers: 9 }, 'layers must be at most 5'],
    [{ gaugeMm: 9 }, 'gaugeMm must lie between 0.127 and 4.572 mm'],
    [{ id: 'Has Capitals' }, 'id must be an id of small letters'],
    [{ colour: 'red' }, ' '],
  ])('refuses %j: %s', (more, says) => {
    const said = faults(more);
    expect(said.length).toBe(1);
    expect(said[0]).toContain(says);
  });

  it('says only what is wrong by itself where a field cannot be read at all', () => {
    expect(faults({ gaugeMm: 'thick', wrap: null }).length).toBe(1);
  });

  it('refuses sets and tunings without strings or notes', () => {
    expect(setRow.safeParse({ id: 's1', lineId: null, name: 'x', family: 'bass', stringIds: [] }).success).toBe(false);
    expect(tuningRow.safeParse({ id: 't1', name: 'x', families: ['bass'], notes: [] }).success).toBe(false);
    expect(tuningRow.safeParse({ id: 't1', name: 'x', families: ['bass'], notes: ['E1', 'H1'] }).success).toBe(false);
    expect(tuningRow.safeParse({ id: 't1', name: 'x', families: ['harp'], notes: ['E1'] }).success).toBe(false);
  });
});
