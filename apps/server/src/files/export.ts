import { act } from '../acts/index.js';
import type { DataSource } from 'typeorm';
import type { FileKind } from '@gold-peg/contract/files';
import { writeFile, type FiledRow } from '@gold-peg/contract/sheets';
import { refuseField, type Handler } from '../handling/index.js';
import { asFiled } from '../register/index.js';
import { InstrumentRow } from '../store/index.js';
import { readItems } from '../stock/index.js';
import { readStringTable } from '../strings/index.js';

/** More than that no spreadsheet holds with comfort, and no answer of ours should. */
const MOST_INSTRUMENTS = 5000;

export const exportFile: Handler<'exportFile'> = async (asked) => {
  const { store, params } = asked;
  const { kind, format } = params;
  await act(asked, 'export', `${kind} as ${format}`);
  return { name: `gold-peg-${kind}.${format}`, text: writeFile(kind, format, await filedRows(store, kind)) };
};

/** What the tables hold now, as rows of a file. */
export async function filedRows<K extends FileKind>(store: DataSource, kind: K): Promise<FiledRow[K][]> {
  return (await READ[kind](store)) as FiledRow[K][];
}

const READ: { readonly [K in FileKind]: (store: DataSource) => Promise<FiledRow[K][]> } = {
  async strings(store) {
    const { lines, strings } = await readStringTable(store);
    const nameOf = new Map(lines.map(({ id, name }) => [id, name]));
    return strings.map(({ version: _version, ...row }) => ({ ...row, lineName: nameOf.get(row.lineId) ?? row.lineId }));
  },
  async sets(store) {
    const { sets } = await readStringTable(store);
    return sets.map(({ version: _version, ...row }) => row);
  },
  async instruments(store) {
    const rows = await store.getRepository(InstrumentRow).find({ order: { passport: 'ASC' }, take: MOST_INSTRUMENTS + 1 });
    if (rows.length > MOST_INSTRUMENTS)
      throw refuseField('kind', `must not be instruments: there are more than ${MOST_INSTRUMENTS}, the whole house goes out as an archive`);
    return rows.map(asFiled);
  },
  owners: (store) => store.query('SELECT id, name, contact FROM owner ORDER BY lower(name), id'),
  async stock(store) {
    const items = await readItems(store);
    // less than nothing means that more was used than was ever counted: nothing lies there
    return items.map(({ kind, id, onHand, reorderAt, reorderTo, shelf }) => ({
      kind,
      id,
      counted: Math.max(0, onHand),
      reorderAt,
      reorderTo,
      shelf,
    }));
  },
};
