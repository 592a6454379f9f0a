import * as z from 'zod';
import { WRAPS } from '@gold-peg/craft/constants';
import { COATINGS, MARKS, STRING_ENDS, stringProperties, weighedDensity, type StringSet, type TableString } from '@gold-peg/craft/strings';
import { CONSTRUCTIONS, CORE_SHAPES, FAMILIES, FINISHES } from '@gold-peg/craft/string-kinds';
import { fromMillimetres, toMillimetres } from '@gold-peg/craft/units';
import { gaugeMm, note, quantity, version, words } from '../quantity/index.js';

/** Ids of tables that are kept by hand: readable, so that a file of them can be edited. */
export const tableId = z
  .string({ error: 'must be an id' })
  .regex(/^[a-z0-9][a-z0-9_-]{1,99}$/, { error: 'must be an id of small letters, digits, - and _, such as electric-plain-10' });

const coreMm = quantity({ from: 0.05, to: 3.8, unit: 'mm', because: 'a core is thinner than its string' });
const massG = quantity({ from: 0.005, to: 200, unit: 'g', because: 'it is what a letter scale reads for an offcut' });
const lengthMm = quantity({ from: 20, to: 2000, unit: 'mm', because: 'it is the length of an offcut' });

const stringShape = z.strictObject({
  id: tableId,
  lineId: tableId,
  family: z.enum(FAMILIES),
  construction: z.enum(CONSTRUCTIONS),
  gaugeMm,
  wrap: z.enum(WRAPS).nullable(),
  finish: z.enum(FINISHES).nullable(),
  layers: z
    .int({ error: 'must be a whole number of layers' })
    .min(1, { error: 'must be at least 1' })
    .max(5, { error: 'must be at most 5: no string has more' })
    .nullable(),
  silk: z.boolean({ error: 'must be true or false' }),
  coreShape: z.enum(CORE_SHAPES).nullable(),
  coreMm: coreMm.nullable(),
  end: z.enum(STRING_ENDS),
  coating: z.enum(COATINGS),
  mark: z.enum(MARKS).nullable(),
  weighed: z.strictObject({ massG, lengthMm }).nullable(),
});
type StringShape = z.infer<typeof stringShape>;

/** A weighing further than this from what the gauge gives is a slip of the scale or of the ruler. */
const MOST_OFF = 2.5;

function checkMakeUp(string: StringShape, context: z.RefinementCtx<StringShape>): void {
  if (context.issues.length > 0) return; // a field that is wrong by itself says enough
  const fault = (field: keyof StringShape, message: string) => context.addIssue({ code: 'custom', path: [field], message });
  if (string.construction === 'wound' && string.wrap === null)
    return fault('wrap', 'must be given: a wound string is wound with something');
  if (string.construction !== 'wound') {
    for (const field of ['wrap', 'finish', 'layers', 'coreShape', 'coreMm'] as const) {
      if (string[field] !== null) return fault(field, `must be empty: a ${string.construction} string has no winding`);
    }
    if (string.silk) return fault('silk', `must be false: a ${string.construction} string has no winding`);
  }
  const { weighed, ...rest } = string;
  const computed = stringProperties(asTableString({ ...rest, weighed: null }));
  if (!computed.ok) {
    const { kind } = computed.problem;
    if (kind === 'core-not-inside') return fault('coreMm', 'must leave room for a winding: the core is as thick as the string');
    return fault(
      'gaugeMm',
      kind === 'no-usual-core' ? 'has no usual core: give coreMm as well' : 'cannot be wound: the wire would not close round its core',
    );
  }
  if (weighed === null) return;
  const ratio = weighedDensity({ massGrams: weighed.massG, length: fromMillimetres(weighed.lengthMm) }) / computed.value.linearDensity;
  if (ratio > MOST_OFF || ratio < 1 / MOST_OFF) {
    fault('weighed', `must be near what the gauge gives: this is ${ratio.toFixed(2)} times as heavy; read scale and ruler again`);
  }
}

/** One row of the strings table as it travels and is filed. */
export const stringRow = stringShape.superRefine(checkMakeUp);
export type StringRow = z.infer<typeof stringRow>;
export const storedString = stringShape.extend({ version });
export type StoredString = z.infer<typeof storedString>;

export const lineRow = z.strictObject({ id: tableId, name: words('the name of the line', 80), family: z.enum(FAMILIES) });
export type LineRow = z.infer<typeof lineRow>;

export const setRow = z.strictObject({
  id: tableId,
  lineId: tableId.nullable(),
  name: words('the name of the set', 80),
  family: z.enum(FAMILIES),
  stringIds: z.array(tableId).min(1, { error: 'must have at least one string' }).max(18, { error: 'must have at most 18 strings' }),
});
export type SetRow = z.infer<typeof setRow>;
export const storedSet = setRow.extend({ version });
export type StoredSet = z.infer<typeof storedSet>;

export const tuningRow = z.strictObject({
  id: tableId,
  name: words('the name of the tuning', 80),
  families: z
    .array(z.enum(FAMILIES))
    .min(1, { error: 'must name at least one family' })
    .max(FAMILIES.length, { error: `must name at most ${FAMILIES.length} families` }),
  notes: z.array(note).min(1, { error: 'must have at least one note' }).max(18, { error: 'must have at most 18 notes' }),
});
export type TuningRow = z.infer<typeof tuningRow>;

/** Everything a choice of strings is made from. */
export const stringTable = z.object({
  lines: z.array(lineRow),
  strings: z.array(storedString),
  sets: z.array(storedSet),
  tunings: z.array(tuningRow),
});
export type StringTableFile = z.infer<typeof stringTable>;

export function asTableString(row: StringRow): TableString {
  const weighed = row.weighed === null ? null : { massGrams: row.weighed.massG, length: fromMillimetres(row.weighed.lengthMm) };
  return {
    id: row.id,
    lineId: row.lineId,
    family: row.family,
    construction: row.construction,
    gauge: fromMillimetres(row.gaugeMm),
    end: row.end,
    coating: row.coating,
    mark: row.mark,
    weighed,
    ...(row.wrap === null ? {} : { wrap: row.wrap }),
    ...(row.finish === null ? {} : { finish: row.finish }),
    ...(row.layers === null ? {} : { layers: row.layers }),
    ...(row.silk ? { silk: true } : {}),
    ...(row.coreShape === null ? {} : { coreShape: row.coreShape }),
    ...(row.coreMm === null ? {} : { core: fromMillimetres(row.coreMm) }),
    ...(weighed === null ? {} : { linearDensity: weighedDensity(weighed) }),
  };
}

const micrometres = (mm: number) => Number(mm.toFixed(6));

export function fromTableString(string: TableString): StringRow {
  return {
    id: string.id,
    lineId: string.lineId,
    family: string.family,
    construction: string.construction,
    gaugeMm: micrometres(toMillimetres(string.gauge)),
    wrap: string.wrap ?? null,
    finish: string.finish ?? null,
    layers: string.layers ?? null,
    silk: string.silk ?? false,
    coreShape: string.coreShape ?? null,
    coreMm: string.core === undefined ? null : micrometres(toMillimetres(string.core)),
    end: string.end,
    coating: string.coating,
    mark: string.mark,
    weighed:
      string.weighed === null ? null : { massG: string.weighed.massGrams, lengthMm: micrometres(toMillimetres(string.weighed.length)) },
  };
}

/** Sets with their strings in hand; one that names a string the table does not have is left out. */
export function asSets(rows: readonly SetRow[], strings: readonly TableString[]): StringSet[] {
  const byId = new Map(strings.map((string) => [string.id, string]));
  return rows.flatMap(({ stringIds, ...row }) => {
    const known = stringIds.flatMap((id) => byId.get(id) ?? []);
    return known.length === stringIds.length ? [{ ...row, strings: known }] : [];
  });
}

export const fromSet = ({ id, lineId, name, family, strings }: StringSet): SetRow => ({
  id,
  lineId,
  name,
  family,
  stringIds: strings.map((string) => string.id),
});
