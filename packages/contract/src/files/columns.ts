import type { FileKind } from './kinds.js';

/** How a cell is read: an empty one is null, but an empty remark is a remark. */
export type CellKind = 'text' | 'remark' | 'number' | 'truth' | 'list' | 'json';
export interface Column {
  name: string;
  /** Where its value stands in the row. */
  path: readonly string[];
  kind: CellKind;
}

const column = (name: string, path = name, kind: CellKind = 'text'): Column => ({ name, path: path.split('.'), kind });

export const COLUMNS: Readonly<Record<FileKind, readonly Column[]>> = {
  strings: [
    column('id'),
    column('line', 'lineId'),
    column('line_name', 'lineName'),
    column('family'),
    column('construction'),
    column('gauge_mm', 'gaugeMm', 'number'),
    column('wrap'),
    column('finish'),
    column('layers', 'layers', 'number'),
    column('silk', 'silk', 'truth'),
    column('core_shape', 'coreShape'),
    column('core_mm', 'coreMm', 'number'),
    column('end'),
    column('coating'),
    column('mark'),
    column('weighed_mass_g', 'weighed.massG', 'number'),
    column('weighed_length_mm', 'weighed.lengthMm', 'number'),
  ],
  sets: [column('id'), column('line', 'lineId'), column('name'), column('family'), column('strings', 'stringIds', 'list')],
  stock: [
    column('kind'),
    column('id'),
    column('counted', 'counted', 'number'),
    column('reorder_at', 'reorderAt', 'number'),
    column('reorder_to', 'reorderTo', 'number'),
    column('shelf', 'shelf', 'remark'),
  ],
  owners: [column('id'), column('name'), column('contact', 'contact', 'remark')],
  instruments: [
    column('id'),
    column('name'),
    column('kind', 'archetypeId'),
    column('owner', 'ownerId'),
    column('weekly_hours', 'hours.weeklyHours', 'number'),
    column('hours_asked_at', 'hours.askedAt'),
    column('remark', 'remark', 'remark'),
    column('geometry', 'geometry', 'json'),
  ],
};
