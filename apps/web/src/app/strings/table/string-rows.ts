import type { StoredString } from '@gold-peg/contract/strings';
import { asTableString } from '@gold-peg/contract/strings';
import { printGauge, stringProperties } from '@gold-peg/craft/strings';
import type { Family } from '@gold-peg/craft/string-kinds';

/** One row of the table as it is read at the bench. */
export interface ShownString {
  row: StoredString;
  gauge: string;
  made: string;
  mass: string;
  band: string;
  breaks: string;
  search: string;
}

const words = (camel: string) => camel.replace(/([A-Z]+|\d+)/g, ' $1').toLowerCase();

function madeOf({ wrap, finish, silk, layers }: StoredString): string {
  const parts = [
    words(wrap ?? ''),
    finish === null || finish === 'round' ? '' : finish,
    silk ? 'over silk' : '',
    (layers ?? 1) > 1 ? `${layers} layers` : '',
  ];
  return parts.filter((part) => part !== '').join(', ');
}

export function shownString(row: StoredString, lineName: string): ShownString {
  const properties = stringProperties(asTableString(row));
  const made = row.construction === 'wound' ? madeOf(row) : row.construction;
  const gauge = printGauge((row.gaugeMm / 1000) as never);
  return {
    row,
    gauge,
    made,
    mass: properties.ok ? (1000 * properties.value.linearDensity).toFixed(3) : '–',
    band: properties.ok ? `±${properties.value.bandPercent} %` : '',
    breaks: properties.ok ? properties.value.breakingLoad.toFixed(0) : '–',
    search: [gauge, made, lineName, row.id, row.end, row.mark ?? ''].join(' ').toLowerCase(),
  };
}

/** Rows of a family, or of all, in which every word that is looked for stands. */
export function found(rows: readonly ShownString[], family: Family | 'all', search: string): ShownString[] {
  const wanted = search.toLowerCase().split(/\s+/).filter(Boolean);
  return rows.filter(({ row, search: has }) => (family === 'all' || row.family === family) && wanted.every((word) => has.includes(word)));
}
